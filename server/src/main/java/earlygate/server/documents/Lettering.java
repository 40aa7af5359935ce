package earlygate.server.documents;

import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;

/**
 * The text of a document's drawings, made into outlines of the fonts that ship. Who draws text asks the system for its
 * font libraries, and a computer without a screen need not have them.
 */
final class Lettering {
    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final double USUAL_SIZE = 16;
    /** What places and sets text, and has no meaning for an outline. */
    private static final Set<String> OF_TEXT = Set.of(
            "x", "y", "dx", "dy", "font-size", "font-weight", "font-family", "text-anchor", "xml:space", "textLength");

    /** How text is set: size in the drawing's own units; anchor is start, middle or end. */
    private record Type(double size, boolean bold, String anchor) {
        Type within(Element e) {
            String weight = e.getAttribute("font-weight");
            return new Type(
                    number(e, "font-size", size),
                    weight.isEmpty() ? bold : weight.equals("bold") || weight.matches("[6-9]00"),
                    e.hasAttribute("text-anchor") ? e.getAttribute("text-anchor") : anchor);
        }
    }

    /** A piece of text in one type, and the element that says its colour. */
    private record Run(Element of, String text, Type type) {}

    private final Document document;
    /** What stands for the text at hand. */
    private Element place;
    /** Where its next run stands. */
    private double x;

    private double y;
    /** Runs that are placed together, by the anchor of the first. */
    private final List<Run> line = new ArrayList<>();

    private Lettering(Document document) {
        this.document = document;
    }

    /** @param document changed in place */
    static void outline(Document document) {
        NodeList drawings = document.getElementsByTagNameNS(SVG, "svg");
        for (int i = 0; i < drawings.getLength(); i++) {
            new Lettering(document).within((Element) drawings.item(i), new Type(USUAL_SIZE, false, "start"));
        }
    }

    private void within(Element e, Type around) {
        Type type = around.within(e);
        for (Element child : children(e)) {
            if (child.getLocalName().equals("text")) {
                text(child, type);
            } else {
                within(child, type);
            }
        }
    }

    private void text(Element text, Type around) {
        place = document.createElementNS(SVG, "g");
        copy(text, place);
        x = 0;
        y = 0;
        runs(text, around);
        set();
        text.getParentNode().replaceChild(place, text);
    }

    private void runs(Element e, Type around) {
        Type type = around.within(e);
        if (e.hasAttribute("x") || e.hasAttribute("y")) {
            set();
            x = number(e, "x", x);
            y = number(e, "y", y);
        }
        if (e.hasAttribute("dx") || e.hasAttribute("dy")) {
            set();
            x += number(e, "dx", 0);
            y += number(e, "dy", 0);
        }
        for (Node child = e.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child.getNodeType() == Node.TEXT_NODE) {
                String text = child.getNodeValue().replaceAll("\\s+", " ");
                line.add(new Run(e, line.isEmpty() ? text.stripLeading() : text, type));
            } else if (child instanceof Element inner) {
                runs(inner, type);
            }
        }
    }

    /** Puts what has been gathered where its anchor wants it. */
    private void set() {
        double length = line.stream().mapToDouble(Lettering::length).sum();
        double from = line.isEmpty()
                ? x
                : switch (line.get(0).type().anchor()) {
                    case "middle" -> x - length / 2;
                    case "end" -> x - length;
                    default -> x;
                };
        for (Run run : line) {
            Element outline = document.createElementNS(SVG, "path");
            if (!run.of().getLocalName().equals("text")) {
                copy(run.of(), outline);
            }
            outline.setAttribute("d", outline(run, from, y));
            place.appendChild(outline);
            from += length(run);
        }
        x = from;
        line.clear();
    }

    private static double length(Run run) {
        return run.text()
                .codePoints()
                .mapToDouble(c -> Face.of(run.type().bold(), c).glyph(c).advance()
                        * run.type().size())
                .sum();
    }

    private static String outline(Run run, double x, double y) {
        StringBuilder d = new StringBuilder();
        double size = run.type().size();
        double at = x;
        for (int c : run.text().codePoints().toArray()) {
            Face.Glyph glyph = Face.of(run.type().bold(), c).glyph(c);
            strokes(glyph.outline().getPathIterator(new AffineTransform(size, 0, 0, -size, at, y)), d);
            at += glyph.advance() * size;
        }
        return d.toString();
    }

    private static void strokes(PathIterator path, StringBuilder d) {
        double[] at = new double[6];
        for (; !path.isDone(); path.next()) {
            int kind = path.currentSegment(at);
            d.append("MLQCZ".charAt(kind));
            int numbers = switch (kind) {
                case PathIterator.SEG_QUADTO -> 4;
                case PathIterator.SEG_CUBICTO -> 6;
                case PathIterator.SEG_CLOSE -> 0;
                default -> 2;
            };
            for (int i = 0; i < numbers; i++) {
                d.append(String.format(Locale.ROOT, i == 0 ? "%.3f" : " %.3f", at[i]));
            }
        }
    }

    private static double number(Element e, String attribute, double otherwise) {
        String value = e.getAttribute(attribute).strip().replaceFirst("px$", "");
        try {
            return value.isEmpty() ? otherwise : Double.parseDouble(value);
        } catch (NumberFormatException noNumber) {
            return otherwise;
        }
    }

    private static void copy(Element from, Element to) {
        NamedNodeMap own = from.getAttributes();
        for (int i = 0; i < own.getLength(); i++) {
            Node a = own.item(i);
            if (!OF_TEXT.contains(a.getNodeName()) && !a.getNodeName().startsWith("xmlns")) {
                to.setAttribute(a.getNodeName(), a.getNodeValue());
            }
        }
    }

    private static List<Element> children(Element e) {
        List<Element> children = new ArrayList<>();
        for (Node child = e.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                children.add(inner);
            }
        }
        return children;
    }
}
