package earlygate.server.documents;

import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.GlyphData;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** A font that ships with the product. */
enum Face {
    BODY("/fonts/AtkinsonHyperlegibleNext-Regular.ttf"),
    BODY_BOLD("/fonts/AtkinsonHyperlegibleNext-Bold.ttf"),
    /** What the body's type lacks, such as other scripts. */
    WIDE("/net/sf/jasperreports/fonts/dejavu/DejaVuSans.ttf"),
    WIDE_BOLD("/net/sf/jasperreports/fonts/dejavu/DejaVuSans-Bold.ttf");

    /**
     * One character's outline, y upward, and how far the next stands behind it, both for a type of size 1.
     *
     * @param outline not to be changed
     */
    record Glyph(GeneralPath outline, double advance) {}

    private final String file;
    private final Map<Integer, Glyph> glyphs = new ConcurrentHashMap<>();
    private TrueTypeFont font;
    private CmapLookup places;

    Face(String file) {
        this.file = file;
    }

    InputStream stream() {
        return Face.class.getResourceAsStream(file);
    }

    /** The face that has this character; where neither has it, the body's own empty box. */
    static Face of(boolean bold, int character) {
        Face body = bold ? BODY_BOLD : BODY;
        Face wide = bold ? WIDE_BOLD : WIDE;
        return body.place(character) == 0 && wide.place(character) != 0 ? wide : body;
    }

    Glyph glyph(int character) {
        return glyphs.computeIfAbsent(character, this::read);
    }

    private synchronized int place(int character) {
        open();
        return places.getGlyphId(character);
    }

    private synchronized Glyph read(int character) {
        int place = place(character);
        try {
            GlyphData data = font.getGlyph().getGlyph(place);
            double one = font.getUnitsPerEm();
            GeneralPath outline = data == null ? new GeneralPath() : data.getPath();
            outline.transform(AffineTransform.getScaleInstance(1 / one, 1 / one));
            return new Glyph(outline, font.getAdvanceWidth(place) / one);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void open() {
        if (font != null) {
            return;
        }
        try (InputStream in = stream()) {
            font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            places = font.getUnicodeCmapLookup();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
