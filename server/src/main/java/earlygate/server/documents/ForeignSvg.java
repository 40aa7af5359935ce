package earlygate.server.documents;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/**
 * A drawing that a page sends along for a document: read as nothing but shapes and words, and written anew. Nothing in it
 * loads, runs or points anywhere.
 */
public final class ForeignSvg {
    private static final Set<String> SHAPES =
            Set.of("svg", "g", "path", "line", "rect", "circle", "ellipse", "polyline", "polygon", "text", "tspan");
    private static final Set<String> ATTRIBUTES = Set.of(
            "viewBox",
            "d",
            "x",
            "y",
            "x1",
            "y1",
            "x2",
            "y2",
            "cx",
            "cy",
            "r",
            "rx",
            "ry",
            "dx",
            "dy",
            "width",
            "height",
            "points",
            "transform",
            "fill",
            "stroke",
            "stroke-width",
            "stroke-dasharray",
            "font-size",
            "font-weight",
            "text-anchor");
    /** Numbers, path letters, names of colours, rgb(), translate() and the like; no address and no script has only these. */
    private static final Pattern PLAIN = Pattern.compile("(?!.*url)[A-Za-z0-9 .,()#%+-]*");

    private static final int MOST_ELEMENTS = 8000;
    /** The circuit of a unit is a few groups deep. */
    private static final int DEEPEST = 40;
    /** Characters of all its words, and of one attribute: a drawing of the largest unit has a tenth of it. */
    private static final int MOST_TEXT = 40_000;

    private static final int LONGEST_ATTRIBUTE = 20_000;

    private final StringBuilder out = new StringBuilder();
    private int elements;
    private int depth;
    private int text;

    private ForeignSvg() {}

    /**
     * @param sent as the page has it; {@code alt} what it shows, for whoever can't see it
     * @param most width and height of the place for it, in points
     * @throws ApiProblem 422 for anything that is no drawing
     */
    public static String read(String sent, String alt, double width, double height) {
        try {
            Element root = Xml.read(sent).getDocumentElement();
            double[] box = box(root.getAttribute("viewBox"));
            double scale = Math.min(width / box[2], height / box[3]);
            ForeignSvg clean = new ForeignSvg();
            clean.element(
                    root,
                    Map.of(
                            "xmlns",
                            "http://www.w3.org/2000/svg",
                            "alt",
                            alt,
                            "font-family",
                            "Body",
                            "width",
                            points(scale * box[2]),
                            "height",
                            points(scale * box[3])));
            return clean.out.toString();
        } catch (SAXException | IllegalArgumentException e) {
            throw ApiProblem.badInput("circuit", Reason.of("record.no-drawing"));
        }
    }

    private static String points(double value) {
        return Long.toString(Math.round(value));
    }

    private static double[] box(String viewBox) {
        String[] four = viewBox.strip().split("[ ,]+");
        if (four.length != 4) {
            throw new IllegalArgumentException("viewBox");
        }
        double[] box = new double[4];
        for (int i = 0; i < 4; i++) {
            box[i] = Double.parseDouble(four[i]);
        }
        if (!(box[2] > 0 && box[3] > 0 && box[2] < 1e5 && box[3] < 1e5)) {
            throw new IllegalArgumentException("viewBox");
        }
        return box;
    }

    private void element(Element e, Map<String, String> more) {
        String name = e.getTagName();
        if (!SHAPES.contains(name) || name.equals("svg") == more.isEmpty()) {
            return;
        }
        if (++elements > MOST_ELEMENTS || ++depth > DEEPEST) {
            throw new IllegalArgumentException("elements");
        }
        out.append('<').append(name);
        more.forEach(this::attribute);
        NamedNodeMap own = e.getAttributes();
        for (int i = 0; i < own.getLength(); i++) {
            Node a = own.item(i);
            if (ATTRIBUTES.contains(a.getNodeName())
                    && !more.containsKey(a.getNodeName())
                    && PLAIN.matcher(a.getNodeValue()).matches()) {
                attribute(a.getNodeName(), a.getNodeValue());
            }
        }
        out.append('>');
        for (Node child = e.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                element(inner, Map.of());
            } else if (child.getNodeType() == Node.TEXT_NODE && (name.equals("text") || name.equals("tspan"))) {
                words(child.getNodeValue());
            }
        }
        depth--;
        out.append("</").append(name).append('>');
    }

    private void words(String said) {
        text += said.length();
        if (text > MOST_TEXT) {
            throw new IllegalArgumentException("text");
        }
        out.append(escaped(said));
    }

    private void attribute(String name, String value) {
        if (value.length() > LONGEST_ATTRIBUTE) {
            throw new IllegalArgumentException(name);
        }
        out.append(' ').append(name).append("=\"").append(escaped(value)).append('"');
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
