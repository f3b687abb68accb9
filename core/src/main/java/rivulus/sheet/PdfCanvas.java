package rivulus.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;

/// Draws on a page of a PDF document.
///
/// @param left where x is 0, in points from the left of the page
/// @param top where y is 0, in points from the bottom of the page
/// @param scale how large a point of the drawing becomes
record PdfCanvas(
        PDPageContentStream page, PDFont plain, PDFont bold, double left, double top, double scale)
        implements Canvas {
    /// How far control points lie out for a quarter of a circle.
    private static final double ROUND = 0.5523;

    /// Something that is written to a page.
    private interface Stroke {
        void draw() throws IOException;
    }

    private static void draw(Stroke stroke) {
        try {
            stroke.draw();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private float x(double x) {
        return (float) (left + x * scale);
    }

    private float y(double y) {
        return (float) (top - y * scale);
    }

    private void finish(Ink fill, Ink edge) throws IOException {
        if (fill != Ink.NONE) {
            float[] f = fill.parts();
            page.setNonStrokingColor(f[0], f[1], f[2]);
        }
        if (edge != Ink.NONE) stroke(edge, 0.8, false);
        if (fill == Ink.NONE) page.stroke();
        else if (edge == Ink.NONE) page.fill();
        else page.fillAndStroke();
    }

    private void stroke(Ink ink, double width, boolean dashed) throws IOException {
        float[] s = ink.parts();
        page.setStrokingColor(s[0], s[1], s[2]);
        page.setLineWidth((float) (width * scale));
        page.setLineDashPattern(
                dashed ? new float[] {(float) (5 * scale), (float) (3 * scale)} : new float[0], 0);
    }

    @Override
    public void box(
            double x, double y, double width, double height, double round, Ink fill, Ink edge) {
        double r = Math.min(round, Math.min(width, height) / 2);
        double k = r * (1 - ROUND);
        double right = x + width;
        double under = y + height;
        draw(
                () -> {
                    page.moveTo(x(x + r), y(y));
                    page.lineTo(x(right - r), y(y));
                    page.curveTo(x(right - k), y(y), x(right), y(y + k), x(right), y(y + r));
                    page.lineTo(x(right), y(under - r));
                    page.curveTo(
                            x(right), y(under - k), x(right - k), y(under), x(right - r), y(under));
                    page.lineTo(x(x + r), y(under));
                    page.curveTo(x(x + k), y(under), x(x), y(under - k), x(x), y(under - r));
                    page.lineTo(x(x), y(y + r));
                    page.curveTo(x(x), y(y + k), x(x + k), y(y), x(x + r), y(y));
                    page.closePath();
                    finish(fill, edge);
                });
    }

    @Override
    public void curve(double[] c, Ink ink, double width, boolean dashed) {
        draw(
                () -> {
                    stroke(ink, width, dashed);
                    page.moveTo(x(c[0]), y(c[1]));
                    page.curveTo(x(c[2]), y(c[3]), x(c[4]), y(c[5]), x(c[6]), y(c[7]));
                    page.stroke();
                });
    }

    @Override
    public void polygon(double[] points, Ink fill, Ink edge) {
        draw(
                () -> {
                    page.moveTo(x(points[0]), y(points[1]));
                    for (int i = 2; i < points.length; i += 2)
                        page.lineTo(x(points[i]), y(points[i + 1]));
                    page.closePath();
                    finish(fill, edge);
                });
    }

    @Override
    public void words(String words, double x, double y, double size, boolean heavy, Ink ink) {
        draw(
                () -> {
                    float[] f = ink.parts();
                    page.setNonStrokingColor(f[0], f[1], f[2]);
                    page.beginText();
                    page.setFont(heavy ? bold : plain, (float) (size * scale));
                    page.newLineAtOffset(x(x), y(y));
                    page.showText(PdfSheet.legible(words, plain, bold));
                    page.endText();
                });
    }
}
