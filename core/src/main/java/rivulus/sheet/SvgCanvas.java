package rivulus.sheet;

import java.io.StringWriter;
import java.util.Arrays;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import rivulus.disk.Line;

/// Draws into an SVG document.
final class SvgCanvas implements Canvas {
    private static final double MARGIN = 12;
    private static final double FOOT = 24;

    private final StringWriter text = new StringWriter();
    private final XMLStreamWriter out;

    private SvgCanvas(double width, double height, String title) throws XMLStreamException {
        out = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
        out.writeStartDocument("UTF-8", "1.0");
        out.writeStartElement("svg");
        out.writeDefaultNamespace("http://www.w3.org/2000/svg");
        out.writeAttribute(
                "viewBox",
                "%s %s %s %s"
                        .formatted(
                                figure(-MARGIN),
                                figure(-MARGIN),
                                figure(width + 2 * MARGIN),
                                figure(height + 2 * MARGIN)));
        out.writeAttribute("width", figure(width + 2 * MARGIN));
        out.writeAttribute("height", figure(height + 2 * MARGIN));
        out.writeAttribute("font-family", "\"Source Sans 3\", \"Source Sans Pro\", sans-serif");
        out.writeStartElement("title");
        out.writeCharacters(Line.of(title));
        out.writeEndElement();
    }

    /// A drawing as a document, with what its lines mean at the foot.
    static String of(Drawn part) {
        try {
            double width = part.width();
            double height = part.height() + FOOT;
            SvgCanvas canvas = new SvgCanvas(width, height, part.about());
            canvas.box(
                    -MARGIN,
                    -MARGIN,
                    width + 2 * MARGIN,
                    height + 2 * MARGIN,
                    0,
                    Ink.PAPER,
                    Ink.NONE);
            part.paint(canvas);
            canvas.words(part.about(), 0, height - 6, 10, false, Ink.SOFT);
            canvas.out.writeEndDocument();
            return canvas.text.toString();
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static String figure(double value) {
        return String.format(Locale.ROOT, "%.2f", value).replaceAll("\\.?0+$", "");
    }

    private void element(String name, String... attributes) {
        try {
            out.writeEmptyElement(name);
            for (int i = 0; i < attributes.length; i += 2)
                out.writeAttribute(attributes[i], attributes[i + 1]);
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    @Override
    public void box(
            double x, double y, double width, double height, double round, Ink fill, Ink edge) {
        element(
                "rect",
                "x",
                figure(x),
                "y",
                figure(y),
                "width",
                figure(width),
                "height",
                figure(height),
                "rx",
                figure(round),
                "fill",
                fill.css(),
                "stroke",
                edge.css());
    }

    @Override
    public void curve(double[] c, Ink ink, double width, boolean dashed) {
        element(
                "path",
                "d",
                "M%s %s C%s %s %s %s %s %s"
                        .formatted(Arrays.stream(c).mapToObj(SvgCanvas::figure).toArray()),
                "fill",
                "none",
                "stroke",
                ink.css(),
                "stroke-width",
                figure(width),
                "stroke-dasharray",
                dashed ? "5 3" : "none");
    }

    @Override
    public void polygon(double[] points, Ink fill, Ink edge) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < points.length; i += 2)
            list.append(figure(points[i])).append(',').append(figure(points[i + 1])).append(' ');
        element(
                "polygon",
                "points",
                list.toString().strip(),
                "fill",
                fill.css(),
                "stroke",
                edge.css());
    }

    @Override
    public void words(String words, double x, double y, double size, boolean bold, Ink ink) {
        try {
            out.writeStartElement("text");
            out.writeAttribute("x", figure(x));
            out.writeAttribute("y", figure(y));
            out.writeAttribute("font-size", figure(size));
            out.writeAttribute("font-weight", bold ? "bold" : "normal");
            out.writeAttribute("fill", ink.css());
            out.writeCharacters(Line.of(words));
            out.writeEndElement();
        } catch (XMLStreamException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
