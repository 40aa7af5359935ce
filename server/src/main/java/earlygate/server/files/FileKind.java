package earlygate.server.files;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** What may lie beside a record, told by what is in a file and never by its name. */
enum FileKind {
    JPEG("image/jpeg", "jpg"),
    PNG("image/png", "png"),
    PDF("application/pdf", "pdf"),
    TEXT("text/plain", "txt");

    /** A photograph of a large camera; what claims more is made to fill a memory. */
    private static final long MOST_PIXELS = 120_000_000;

    private static final byte[] PDF_BEGINS = "%PDF-".getBytes(StandardCharsets.US_ASCII);
    private static final byte[] PDF_ENDS = "%%EOF".getBytes(StandardCharsets.US_ASCII);
    /** A PDF's last line may be followed by a little. */
    private static final int TAIL = 1024;

    private final String mediaType;
    private final String ending;

    FileKind(String mediaType, String ending) {
        this.mediaType = mediaType;
        this.ending = ending;
    }

    String mediaType() {
        return mediaType;
    }

    String ending() {
        return ending;
    }

    /** Empty for anything else, and for what begins like one of these and can't be read as one. */
    static Optional<FileKind> of(byte[] content) {
        if (begins(content, PDF_BEGINS)) {
            return contains(content, PDF_ENDS, Math.max(0, content.length - TAIL))
                    ? Optional.of(PDF)
                    : Optional.empty();
        }
        return image(content).or(() -> isText(content) ? Optional.of(TEXT) : Optional.empty());
    }

    /** Its size is read off its header, by a reader that knows the kind. */
    private static Optional<FileKind> image(byte[] content) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
            for (Iterator<ImageReader> all = ImageIO.getImageReaders(in); all.hasNext(); ) {
                ImageReader reader = all.next();
                try {
                    reader.setInput(in, true, true);
                    String name = reader.getFormatName();
                    long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                    if (pixels > 0 && pixels <= MOST_PIXELS) {
                        return Arrays.stream(new FileKind[] {JPEG, PNG})
                                .filter(k -> k.name().equalsIgnoreCase(name))
                                .findFirst();
                    }
                } finally {
                    reader.dispose();
                }
            }
        } catch (IOException | RuntimeException notOne) {
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static boolean begins(byte[] content, byte[] with) {
        return content.length > with.length && Arrays.equals(content, 0, with.length, with, 0, with.length);
    }

    private static boolean contains(byte[] content, byte[] what, int from) {
        for (int i = from; i + what.length <= content.length; i++) {
            if (Arrays.equals(content, i, i + what.length, what, 0, what.length)) {
                return true;
            }
        }
        return false;
    }

    /** UTF-8 without control characters but tabs and ends of lines; and no page that a browser would run. */
    private static boolean isText(byte[] content) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(content))
                    .toString();
            boolean page = text.stripLeading().startsWith("<");
            return !text.isBlank()
                    && !page
                    && text.chars().allMatch(c -> c >= ' ' || c == '\n' || c == '\r' || c == '\t');
        } catch (CharacterCodingException e) {
            return false;
        }
    }
}
