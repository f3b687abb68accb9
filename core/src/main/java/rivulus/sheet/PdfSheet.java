package rivulus.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import rivulus.disk.Line;

/// Sets a sheet on A4 pages, landscape: chapters on pages of their own, tables with their head on
/// every page, drawings as wide as the page, labels with lines to cut along, page numbers.
final class PdfSheet {
    private static final int TRACKS_A_PAGE = 5;
    private static final PDRectangle PAGE =
            new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth());
    private static final float MARGIN = 36;
    private static final float SIZE = 9;
    private static final float LEADING = 12;
    private static final float GAP = 8;
    private static final float ROOM = PAGE.getWidth() - 2 * MARGIN;

    /// No column gets less than this share of the page.
    private static final float LEAST_SHARE = 0.04f;

    private static final int LABEL_COLUMNS = 3;
    private static final float LABEL_HEIGHT = 48;

    private final PDDocument document = new PDDocument();
    private final Sheet sheet;
    private final PDFont plain;
    private final PDFont bold;
    private PDPageContentStream page;
    private float y;
    private int pages;

    private PdfSheet(Sheet sheet) throws IOException {
        this.sheet = sheet;
        plain = font("Regular");
        bold = font("Bold");
    }

    /// The sheet as a PDF document.
    static byte[] of(Sheet sheet) {
        try {
            return new PdfSheet(sheet).bytes();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /// The typeface, kept to what a document can hold.
    private PDFont font(String weight) throws IOException {
        return PDType0Font.load(document, Letters.font(weight), true);
    }

    private byte[] bytes() throws IOException {
        try (document) {
            document.getDocumentInformation().setTitle(sheet.title());
            turnPage();
            text(bold, 16, sheet.title(), MARGIN);
            y -= 26;
            for (Sheet.Chapter chapter : sheet.chapters()) chapter(chapter);
            page.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private void chapter(Sheet.Chapter chapter) throws IOException {
        if (chapter != sheet.chapters().getFirst()) turnPage();
        if (!chapter.title().isEmpty()) {
            text(bold, 13, chapter.title(), MARGIN);
            y -= 22;
        }
        for (Part part : chapter.parts()) {
            switch (part) {
                case Part.Table table -> table(table);
                case Part.Labels labels -> labels(labels);
                case Part.Drawing drawing -> drawing(drawing);
                case Part.Sounds sounds -> {
                    for (Part.Sounds page : sounds.by(TRACKS_A_PAGE)) drawing(page);
                    table(sounds.table());
                }
                case Part.Desk desk -> {
                    drawing(desk);
                    table(desk.table());
                }
            }
        }
    }

    /// Words with a question mark for every sign that the fonts do not have.
    static String legible(String words, PDFont... fonts) {
        StringBuilder legible = new StringBuilder();
        String spaced = Line.of(words).replace('\u202F', '\u00A0');
        spaced.codePoints()
                .mapToObj(Character::toString)
                .forEach(sign -> legible.append(has(sign, fonts) ? sign : "?"));
        return legible.toString();
    }

    private static boolean has(String sign, PDFont... fonts) {
        try {
            for (PDFont font : fonts) if (font.encode(sign).length == 0) return false;
            return true;
        } catch (IOException | IllegalArgumentException missing) {
            return false;
        }
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

    // Tables

    private void table(Part.Table said) throws IOException {
        Part.Table table = legible(said);
        float[] widths = widths(table);
        if (!table.title().isEmpty()) {
            if (y < MARGIN + 4 * LEADING) turnPage();
            text(bold, 11, table.title(), MARGIN);
            y -= 16;
        }
        if (!table.rows().isEmpty()) head(table, widths);
        for (List<String> row : table.rows()) row(table, widths, plain, row);
        y -= 4;
        for (String note : table.notes()) note(note);
        y -= LEADING;
    }

    private Part.Table legible(Part.Table table) {
        return new Part.Table(
                legible(table.title(), plain, bold),
                legible(table.columns()),
                table.rows().stream().map(this::legible).toList(),
                legible(table.notes()));
    }

    private List<String> legible(List<String> lines) {
        return lines.stream().map(line -> legible(line, plain, bold)).toList();
    }

    /// Columns share the page as their longest words ask for.
    private static float[] widths(Part.Table table) {
        int columns = table.columns().size();
        float[] wanted = new float[columns];
        float sum = 0;
        for (int c = 0; c < columns; c++) {
            wanted[c] = width(table.columns().get(c), true);
            for (List<String> row : table.rows())
                wanted[c] = Math.max(wanted[c], Math.min(160, width(row.get(c), false)));
            wanted[c] = Math.max(wanted[c], PAGE.getWidth() * LEAST_SHARE);
            sum += wanted[c];
        }
        float room = ROOM - GAP * (columns - 1);
        for (int c = 0; c < columns; c++) wanted[c] *= Math.min(1, room / sum);
        if (columns > 0 && sum < room) wanted[columns - 1] += room - sum;
        return wanted;
    }

    private static float width(String words, boolean bold) {
        return (float) Letters.width(words, SIZE, bold);
    }

    private void head(Part.Table table, float[] widths) throws IOException {
        row(table, widths, bold, table.columns());
        page.setLineWidth(0.5f);
        page.moveTo(MARGIN, y + LEADING - 3);
        page.lineTo(PAGE.getWidth() - MARGIN, y + LEADING - 3);
        page.stroke();
        y -= 3;
    }

    private void row(Part.Table table, float[] widths, PDFont font, List<String> cells)
            throws IOException {
        List<List<String>> wrapped = new ArrayList<>();
        int lines = 1;
        for (int c = 0; c < cells.size(); c++) {
            wrapped.add(wrap(cells.get(c), widths[c], font == bold));
            lines = Math.max(lines, wrapped.getLast().size());
        }
        int from = 0;
        while (from < lines) {
            int most = (int) ((y - MARGIN) / LEADING);
            boolean whole = lines - from <= most;
            if (!whole && (lines <= linesOnAPage() || most < 1)) {
                turnPage();
                if (font == plain) head(table, widths);
                most = (int) ((y - MARGIN) / LEADING);
            }
            int to = Math.min(lines, from + Math.max(1, most));
            cells(wrapped, widths, font, from, to);
            from = to;
        }
    }

    private static int linesOnAPage() {
        return (int) ((PAGE.getHeight() - 2 * MARGIN - 12) / LEADING) - 3;
    }

    /// Some lines of every cell of a row, from where the page stands.
    private void cells(List<List<String>> wrapped, float[] widths, PDFont font, int from, int to)
            throws IOException {
        float top = y;
        float x = MARGIN;
        for (int c = 0; c < wrapped.size(); c++) {
            y = top;
            List<String> lines = wrapped.get(c);
            for (int line = from; line < Math.min(to, lines.size()); line++) {
                text(font, SIZE, lines.get(line), x);
                y -= LEADING;
            }
            x += widths[c] + GAP;
        }
        y = top - (to - from) * LEADING - 2;
    }

    private void note(String note) throws IOException {
        List<String> lines = wrap(note, ROOM, false);
        if (y - (lines.size() - 1) * LEADING < MARGIN) turnPage();
        for (String line : lines) {
            if (y < MARGIN) turnPage();
            text(plain, SIZE, line, MARGIN);
            y -= LEADING;
        }
        y -= 3;
    }

    /// A word that is wider than the room is broken where it must.
    private static List<String> wrap(String words, float room, boolean bold) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        float blank = width(" ", bold);
        float wide = 0;
        for (String each : words.split(" ")) {
            String word = each;
            float width = width(word, bold);
            if (!line.isEmpty() && wide + blank + width > room) {
                lines.add(line.toString());
                line.setLength(0);
                wide = 0;
            }
            while (width > room) {
                int fits = Math.max(1, Letters.fitting(word, room, SIZE, bold));
                lines.add(word.substring(0, fits));
                word = word.substring(fits);
                width = width(word, bold);
            }
            if (!line.isEmpty()) line.append(' ');
            wide += (line.isEmpty() ? 0 : blank) + width;
            line.append(word);
        }
        lines.add(line.toString());
        return lines;
    }

    // Labels

    /// Three abreast, with lines to cut along; a label wraps round its lead.
    private void labels(Part.Labels part) {
        float width = ROOM / LABEL_COLUMNS;
        List<Part.Label> labels = part.labels();
        for (int i = 0; i < labels.size(); i++) {
            int column = i % LABEL_COLUMNS;
            if (column == 0 && i > 0) y -= LABEL_HEIGHT;
            if (column == 0 && y - LABEL_HEIGHT < MARGIN) turn();
            label(labels.get(i), MARGIN + column * width, width);
        }
        if (!labels.isEmpty()) y -= LABEL_HEIGHT + LEADING;
    }

    private void turn() {
        try {
            turnPage();
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    private void label(Part.Label label, float x, float width) {
        PdfCanvas canvas = new PdfCanvas(page, plain, bold, x, y + LEADING, 1);
        canvas.box(0, 0, width, LABEL_HEIGHT, 0, Ink.NONE, Ink.EDGE);
        canvas.words(label.tag(), 8, 30, 20, true, Ink.INK);
        double room = width - 56;
        String to = Letters.fitted(label.to(), room, 10, true);
        canvas.words(to, 48, 17, 10, true, Ink.INK);
        canvas.words(
                Letters.fitted("at " + label.at(), room, 8, false), 48, 29, 8, false, Ink.SOFT);
        canvas.words(Letters.fitted(label.lead(), room, 8, false), 48, 40, 8, false, Ink.SOFT);
    }

    // Drawings

    /// As wide as the page, unless it would be too high for one.
    private void drawing(Drawn part) throws IOException {
        double high = part.height();
        double most = PAGE.getHeight() - 2 * MARGIN - 4 * LEADING;
        double scale = Math.min(ROOM / part.width(), most / high);
        if (y - high * scale - 2 * LEADING < MARGIN && y < PAGE.getHeight() / 2) turnPage();
        scale = Math.min(scale, (y - MARGIN - LEADING) / high);
        part.paint(new PdfCanvas(page, plain, bold, MARGIN, y + LEADING, scale));
        page.setNonStrokingColor(0f, 0f, 0f);
        page.setStrokingColor(0f, 0f, 0f);
        page.setLineDashPattern(new float[0], 0);
        y -= (float) (high * scale);
        note(legible(part.about(), plain, bold));
        y -= LEADING;
    }

    private void text(PDFont font, float size, String words, float x) throws IOException {
        page.beginText();
        page.setNonStrokingColor(0f, 0f, 0f);
        page.setFont(font, size);
        page.newLineAtOffset(x, y);
        page.showText(legible(words, plain, bold));
        page.endText();
    }
}
