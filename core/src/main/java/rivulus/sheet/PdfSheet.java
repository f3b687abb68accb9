package rivulus.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/// Sets a sheet on A4 pages, landscape: title, table with its head on every page, notes, page
/// numbers.
final class PdfSheet {
    private static final PDRectangle PAGE =
            new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth());
    private static final float MARGIN = 36;
    private static final float SIZE = 9;
    private static final float LEADING = 12;
    private static final float GAP = 8;

    /// No column gets less than this share of the page.
    private static final float LEAST_SHARE = 0.04f;

    private final PDDocument document = new PDDocument();
    private final Sheet sheet;
    private final PDFont plain;
    private final PDFont bold;
    private final float[] widths;
    private PDPageContentStream page;
    private float y;
    private int pages;

    private PdfSheet(Sheet sheet) throws IOException {
        plain = font("Regular");
        bold = font("Bold");
        this.sheet =
                new Sheet(
                        legible(sheet.title()),
                        sheet.columns().stream().map(this::legible).toList(),
                        sheet.rows().stream()
                                .map(row -> row.stream().map(this::legible).toList())
                                .toList(),
                        sheet.notes().stream().map(this::legible).toList());
        widths = widths();
    }

    /// The sheet as a PDF document.
    static byte[] of(Sheet sheet) {
        try {
            return new PdfSheet(sheet).bytes();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private PDFont font(String weight) throws IOException {
        String path = "/rivulus/fonts/SourceSans3-" + weight + ".ttf";
        try (InputStream in = PdfSheet.class.getResourceAsStream(path)) {
            if (in == null) throw new IOException("the program is damaged: a font is missing");
            return PDType0Font.load(document, in);
        }
    }

    private byte[] bytes() throws IOException {
        try (document) {
            document.getDocumentInformation().setTitle(sheet.title());
            turnPage();
            text(bold, 16, sheet.title(), MARGIN);
            y -= 26;
            if (!sheet.rows().isEmpty()) head();
            for (List<String> row : sheet.rows()) row(plain, row);
            y -= LEADING;
            for (String note : sheet.notes()) note(note);
            page.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    /// Words with a question mark for every sign that the font does not have.
    private String legible(String words) {
        StringBuilder legible = new StringBuilder();
        String spaced = words.replace('\n', ' ').replace('\t', ' ').replace('\u202F', '\u00A0');
        spaced.codePoints()
                .mapToObj(Character::toString)
                .forEach(sign -> legible.append(has(sign) ? sign : "?"));
        return legible.toString();
    }

    private boolean has(String sign) {
        try {
            return plain.encode(sign).length > 0 && bold.encode(sign).length > 0;
        } catch (IOException | IllegalArgumentException missing) {
            return false;
        }
    }

    /// Columns share the page as their longest words ask for.
    private float[] widths() throws IOException {
        int columns = sheet.columns().size();
        float[] wanted = new float[columns];
        float sum = 0;
        for (int c = 0; c < columns; c++) {
            wanted[c] = width(bold, sheet.columns().get(c));
            for (List<String> row : sheet.rows())
                wanted[c] = Math.max(wanted[c], Math.min(160, width(plain, row.get(c))));
            wanted[c] = Math.max(wanted[c], PAGE.getWidth() * LEAST_SHARE);
            sum += wanted[c];
        }
        float room = PAGE.getWidth() - 2 * MARGIN - GAP * (columns - 1);
        float scale = Math.min(1, room / sum);
        for (int c = 0; c < columns; c++) wanted[c] *= scale;
        return wanted;
    }

    private static float width(PDFont font, String words) throws IOException {
        return font.getStringWidth(words) / 1000 * SIZE;
    }

    private void turnPage() throws IOException {
        if (page != null) page.close();
        PDPage next = new PDPage(PAGE);
        document.addPage(next);
        page = new PDPageContentStream(document, next);
        pages++;
        y = MARGIN - LEADING;
        text(plain, SIZE, String.valueOf(pages), PAGE.getWidth() - MARGIN);
        y = PAGE.getHeight() - MARGIN - 12;
    }

    private void head() throws IOException {
        row(bold, sheet.columns());
        page.setLineWidth(0.5f);
        page.moveTo(MARGIN, y + LEADING - 3);
        page.lineTo(PAGE.getWidth() - MARGIN, y + LEADING - 3);
        page.stroke();
        y -= 3;
    }

    private void row(PDFont font, List<String> cells) throws IOException {
        List<List<String>> wrapped = new ArrayList<>();
        int lines = 1;
        for (int c = 0; c < cells.size(); c++) {
            wrapped.add(wrap(font, cells.get(c), widths[c]));
            lines = Math.max(lines, wrapped.getLast().size());
        }
        if (y - lines * LEADING < MARGIN) {
            turnPage();
            if (font == plain) head();
        }
        float top = y;
        float x = MARGIN;
        for (int c = 0; c < cells.size(); c++) {
            y = top;
            for (String line : wrapped.get(c)) {
                text(font, SIZE, line, x);
                y -= LEADING;
            }
            x += widths[c] + GAP;
        }
        y = top - lines * LEADING - 2;
    }

    private void note(String note) throws IOException {
        for (String line : wrap(plain, note, PAGE.getWidth() - 2 * MARGIN)) {
            if (y < MARGIN) turnPage();
            text(plain, SIZE, line, MARGIN);
            y -= LEADING;
        }
        y -= 3;
    }

    private static List<String> wrap(PDFont font, String words, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : words.split(" ")) {
            boolean fits = width(font, line + " " + word) <= room;
            if (!line.isEmpty() && !fits) {
                lines.add(line.toString());
                line.setLength(0);
            }
            if (!line.isEmpty()) line.append(' ');
            line.append(word);
        }
        lines.add(line.toString());
        return lines;
    }

    private void text(PDFont font, float size, String words, float x) throws IOException {
        page.beginText();
        page.setFont(font, size);
        page.newLineAtOffset(x, y);
        page.showText(words);
        page.endText();
    }
}
