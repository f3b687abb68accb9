package rivulus.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;
import rivulus.check.Demo;
import rivulus.check.Proof;
import rivulus.check.RigText;
import rivulus.file.DemoShows;
import rivulus.file.Templates;
import rivulus.leads.Joiner;
import rivulus.rig.RigEdits;
import rivulus.show.Device;
import rivulus.show.Show;

class SheetsTest {
    private final Show lantern = Demo.show("lantern-hour");

    private static Sheet sheet(Show show, Sheets.Kind kind) {
        return new Sheets(Demo.PROVER.prove(show), Demo.PROVER.catalogue()).of(kind);
    }

    @ParameterizedTest
    @EnumSource(Sheets.Kind.class)
    void everySheetIsFullAndTheSameInCsv(Sheets.Kind kind) throws IOException {
        Sheet sheet = sheet(lantern, kind);
        assertThat(sheet.title()).isEqualTo("The Lantern Hour: " + kind.title());
        for (Part part : sheet.parts())
            for (List<String> row : part.table().rows())
                assertThat(row).hasSameSizeAs(part.table().columns());
        Part.Table table = sheet.table();
        CSVFormat format = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get();
        List<CSVRecord> read = format.parse(new StringReader(sheet.csv())).getRecords();
        assertThat(read).hasSameSizeAs(table.rows());
        for (int r = 0; r < read.size(); r++)
            assertThat(read.get(r).toList()).isEqualTo(table.rows().get(r));
        assertThat(sheet.markdown()).startsWith("# " + sheet.title());
        for (Part part : sheet.parts())
            for (String note : part.table().notes()) assertThat(sheet.markdown()).contains(note);
    }

    @ParameterizedTest
    @EnumSource(Sheets.Kind.class)
    void aShowWithoutGearHasSheetsToo(Sheets.Kind kind) throws IOException {
        Sheet sheet = sheet(Show.untitled(), kind);
        assertThat(sheet.markdown()).isNotEmpty();
        assertThat(sheet.csv()).isNotNull();
        try (PDDocument read = Loader.loadPDF(sheet.pdf())) {
            assertThat(read.getNumberOfPages()).isPositive();
        }
    }

    @ParameterizedTest
    @MethodSource("everyShow")
    void everyShowsWholeRigIsPrinted(String name) throws IOException {
        Sheet rig = sheet(Demo.show(name), Sheets.Kind.RIG);
        try (PDDocument read = Loader.loadPDF(rig.pdf())) {
            String words = squeezed(new PDFTextStripper().getText(read));
            for (Sheet.Chapter chapter : rig.chapters())
                assertThat(words).contains(squeezed(chapter.title()));
            assertThat(read.getNumberOfPages()).isGreaterThanOrEqualTo(rig.chapters().size());
        }
    }

    static Stream<String> everyShow() {
        return DemoShows.all().keySet().stream();
    }

    @Test
    void theLeadListNumbersLeadsAndLabelsBothEnds() {
        Sheet leads = sheet(lantern, Sheets.Kind.LEADS);
        assertThat(leads.table().rows().getFirst())
                .startsWith("01", "XLR lead", "", "Maren's mic", "Show desk, MIC 1")
                .contains("01 to Show desk, MIC 1", "01 to Maren's mic", "owned");
        assertThat(leads.table().rows()).noneMatch(row -> row.contains("telephone network"));
        assertThat(leads.table().notes())
                .anyMatch(note -> note.startsWith("Problem: The lead from"));
    }

    @Test
    void whatIsNewIsOnTheShoppingListByKindAndLength() {
        assertThat(sheet(lantern, Sheets.Kind.SHOPPING).table().notes())
                .containsExactly("Nothing has to be bought.");
        RigEdits edits = new RigEdits(lantern, Demo.PROVER.catalogue());
        Show added = edits.add("pocket-recorder", "workroom").after();
        Device from = added.rig().device("cue-laptop").orElseThrow();
        Device to = added.rig().devices().getLast();
        Show joined =
                new Joiner(added, Demo.PROVER.catalogue(), Templates.leads())
                        .ways(from, to, 1)
                        .all()
                        .getFirst()
                        .after();
        assertThat(sheet(joined, Sheets.Kind.SHOPPING).table().rows())
                .containsExactly(List.of("1", "3.5 mm stereo lead", ""));
    }

    @Test
    void thePackingListCountsWhatIsAlike() {
        assertThat(sheet(lantern, Sheets.Kind.PACKING).table().rows())
                .contains(List.of("3", "Dynamic microphone", ""), List.of("3", "XLR lead", ""))
                .noneMatch(row -> row.get(1).contains("program"));
    }

    @Test
    void everyComputerHasAChapterInTheOrderOfClicksWithWhy() {
        Sheet computers = sheet(lantern, Sheets.Kind.COMPUTERS);
        assertThat(computers.chapters())
                .extracting(Sheet.Chapter::title)
                .containsExactly("Settings of Cue laptop", "Settings of Stream tower");
        Part.Table laptop = computers.parts().getFirst().table();
        assertThat(laptop.rows().getFirst()).startsWith("1", "sound settings");
        assertThat(laptop.rows())
                .anyMatch(
                        row ->
                                row.contains("Call program")
                                        && row.contains("Show desk USB 1 call")
                                        && row.getLast().startsWith("so that"));
        Part.Table tower = computers.parts().getLast().table();
        assertThat(tower.notes())
                .anyMatch(note -> note.startsWith("Any sound that Stream tower makes is on air"))
                .anyMatch(note -> note.startsWith("After an update of Stream tower"));
    }

    @Test
    void whatIsTurnedInOneSceneIsSaidWithThatScene() {
        Show turned = Demo.show("lute-evening");
        Sheet computers = sheet(turned, Sheets.Kind.COMPUTERS);
        assertThat(computers.markdown()).contains("step | where | setting");
    }

    @Test
    void thePowerSheetAddsUpTheMainsAndWarnsOfTheSafetyEarth() {
        Sheet power = sheet(lantern, Sheets.Kind.POWER);
        assertThat(power.table().notes().getFirst()).isEqualTo("From the mains: 386 W in all.");
        assertThat(power.markdown())
                .contains("Never lifted", "licensed electrician", "If a supply fails");
    }

    @ParameterizedTest
    @EnumSource(
            value = Sheets.Kind.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"DRAWING", "LABELS", "RIG"})
    void thePdfHoldsEveryWordOfTheSheet(Sheets.Kind kind) throws IOException {
        Sheet sheet = sheet(lantern, kind);
        try (PDDocument read = Loader.loadPDF(sheet.pdf())) {
            String words = squeezed(new PDFTextStripper().getText(read));
            assertThat(words).contains(squeezed(sheet.title()));
            for (Part part : sheet.parts()) {
                if (part instanceof Part.Drawing) continue;
                if (!part.table().rows().isEmpty())
                    for (String column : part.table().columns())
                        assertThat(words).contains(squeezed(column));
                for (String note : part.table().notes()) assertThat(words).contains(squeezed(note));
            }
        }
    }

    @Test
    void aLabelForEachEndOfALeadAndOneForAPlug() throws IOException {
        Part.Labels labels = (Part.Labels) sheet(lantern, Sheets.Kind.LABELS).parts().getFirst();
        assertThat(labels.labels())
                .contains(
                        new Part.Label("01", "Maren's mic", "Show desk, MIC 1", "XLR lead"),
                        new Part.Label("01", "Show desk, MIC 1", "Maren's mic", "XLR lead"));
        assertThat(labels.labels())
                .filteredOn(label -> label.lead().equals("its own plug"))
                .isNotEmpty()
                .allMatch(
                        label ->
                                label.at().contains("headphones")
                                        || label.at().contains("USB")
                                        || !label.at().contains("Show desk"));
        try (PDDocument read = Loader.loadPDF(sheet(lantern, Sheets.Kind.LABELS).pdf())) {
            String words = new PDFTextStripper().getText(read);
            for (Part.Label label : labels.labels()) assertThat(words).contains(label.tag());
        }
    }

    @Test
    void theDrawingIsAWellFormedPictureWithEveryMachineInIt() throws Exception {
        Sheet sheet = sheet(lantern, Sheets.Kind.DRAWING);
        assertThat(sheet.endings()).contains(".svg");
        Document svg =
                DocumentBuilderFactory.newInstance()
                        .newDocumentBuilder()
                        .parse(new ByteArrayInputStream(sheet.in("rig.svg")));
        assertThat(svg.getDocumentElement().getTagName()).isEqualTo("svg");
        String words = svg.getDocumentElement().getTextContent();
        assertThat(words).contains("Reading Room", "Show desk", "Maren's mic", "01");
        assertThat(svg.getElementsByTagName("path").getLength())
                .isGreaterThanOrEqualTo(lantern.rig().cables().size() - 4);
    }

    @Test
    void signsThatMeanSomethingToAPictureAreEscaped() throws Exception {
        Show show = RigText.show("<a>&b dynamic-mic\nd show-desk\n".replace("<a>&b", "a-b"));
        Device device = show.rig().device("a-b").orElseThrow();
        Show named =
                new RigEdits(show, Demo.PROVER.catalogue()).rename(device, "<&>\u0001").after();
        String svg = sheet(named, Sheets.Kind.DRAWING).svg().orElseThrow();
        assertThat(svg).contains("&lt;&amp;");
        DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aSheetWithoutADrawingIsNoPicture() {
        Sheet sheet = sheet(lantern, Sheets.Kind.LEADS);
        assertThat(sheet.endings()).containsExactly(".pdf", ".md", ".csv");
        assertThat(sheet.svg()).isEmpty();
        assertThatThrownBy(() -> sheet.in("leads.svg"))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void wordsAreCutShortWhereTheyAreTooWide() {
        String name = "Microphone at the far end of the table";
        String cut = Letters.fitted(name, 80, 10, true);
        assertThat(cut).endsWith("…").hasSizeLessThan(name.length());
        assertThat(Letters.width(cut, 10, true)).isLessThanOrEqualTo(80);
        assertThat(Letters.fitted("short", 80, 10, false)).isEqualTo("short");
    }

    private static String squeezed(String words) {
        return words.replaceAll("[\\s\u202F\u00A0]+", "");
    }

    @Test
    void aLongTableRunsOverPagesWithItsHeadOnEach() throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < 120; i++) rows.add(List.of("row " + i, "words ".repeat(40)));
        Sheet sheet =
                Sheet.of(
                        "Long",
                        new Part.Table("", List.of("first", "second"), rows, List.of("The end.")));
        try (PDDocument read = Loader.loadPDF(sheet.pdf())) {
            assertThat(read.getNumberOfPages()).isGreaterThan(5);
            PDFTextStripper stripper = new PDFTextStripper();
            for (int p = 1; p < read.getNumberOfPages(); p++) {
                stripper.setStartPage(p);
                stripper.setEndPage(p);
                assertThat(stripper.getText(read)).contains("first", "second");
            }
        }
    }

    @Test
    void signsThatTheFontDoesNotHaveAreQuestionMarks() throws IOException {
        Sheet sheet =
                Sheet.of(
                        "夜 night",
                        new Part.Table(
                                "",
                                List.of("a"),
                                List.of(List.of("\uD83C\uDFB5 tune\t!")),
                                List.of()));
        try (PDDocument read = Loader.loadPDF(sheet.pdf())) {
            assertThat(new PDFTextStripper().getText(read)).contains("? night", "? tune !");
        }
    }

    @Test
    void theEndingOfTheFileChoosesTheFormat() {
        Sheet sheet = sheet(lantern, Sheets.Kind.POWER);
        assertThat(new String(sheet.in("a.pdf"), 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        assertThat(new String(sheet.in("a.csv"), java.nio.charset.StandardCharsets.UTF_8))
                .isEqualTo(sheet.csv());
        assertThat(new String(sheet.in("a.md"), java.nio.charset.StandardCharsets.UTF_8))
                .isEqualTo(sheet.markdown());
    }

    @Test
    void markdownHoldsItsTableTogetherWhateverStandsInACell() {
        Sheet sheet =
                Sheet.of(
                        "A",
                        new Part.Table("", List.of("x"), List.of(List.of("a|b\nc")), List.of()));
        assertThat(sheet.markdown()).contains("| a\\|b c |");
        assertThat(sheet.csv()).isEqualTo("x\r\n\"a|b\nc\"\r\n");
    }

    @Test
    void noCellIsAFormulaAndNumbersStayNumbers() {
        List<String> cells =
                List.of(
                        "\n=1+1",
                        " =1+1",
                        "\u0007=1",
                        "\uFF1D1",
                        "=1+1",
                        "+cmd",
                        "-cmd",
                        "@x",
                        "\tx",
                        "\rx",
                        "-3.5",
                        "+2",
                        "-3 dB",
                        "a=b");
        Sheet sheet =
                Sheet.of(
                        "A",
                        new Part.Table(
                                "",
                                List.of("=x"),
                                cells.stream().map(List::of).toList(),
                                List.of()));
        assertThat(sheet.csv().lines())
                .containsExactly(
                        "'=x",
                        "'=1+1",
                        "'=1+1",
                        "'=1",
                        "'\uFF1D1",
                        "'=1+1",
                        "'+cmd",
                        "'-cmd",
                        "'@x",
                        "x",
                        "x",
                        "-3.5",
                        "+2",
                        "'-3 dB",
                        "a=b");
    }

    @Test
    void namesStandForThemselvesInMarkdownAndSvg() {
        Sheet sheet =
                Sheet.of(
                        "A <b>",
                        new Part.Table(
                                "",
                                List.of("x"),
                                List.of(List.of("*a* [b](c) `d` _e_ &lt; <i>")),
                                List.of()));
        assertThat(sheet.markdown())
                .contains("# A \\<b\\>", "\\*a\\* \\[b\\](c) \\`d\\` \\_e\\_ &amp;lt; \\<i\\>");
        String odd = "a\u0000b\uFFFEc\uD800d]]>&<e>";
        Part.Drawing drawing =
                (Part.Drawing)
                        sheet(lantern, Sheets.Kind.DRAWING).parts().stream()
                                .filter(Part.Drawing.class::isInstance)
                                .findFirst()
                                .orElseThrow();
        String svg = SvgCanvas.of(new Part.Drawing(drawing.drawing(), odd));
        assertThatCode(
                        () ->
                                DocumentBuilderFactory.newInstance()
                                        .newDocumentBuilder()
                                        .parse(new InputSource(new StringReader(svg))))
                .doesNotThrowAnyException();
    }

    @Test
    void longRowsAndUnbrokenWordsStayOnThePage() throws Exception {
        String word = "w".repeat(3_000);
        String words = "many words ".repeat(1_500);
        Sheet sheet =
                Sheet.of(
                        "A",
                        new Part.Table(
                                "",
                                List.of("x", "y"),
                                List.of(List.of(word, words), List.of("a", "b")),
                                List.of(word)));
        try (PDDocument document = Loader.loadPDF(sheet.pdf())) {
            assertThat(document.getNumberOfPages()).isGreaterThan(2);
            PDFTextStripper stripper = new PDFTextStripper();
            String text = stripper.getText(document).replaceAll("\\s", "");
            assertThat(text.chars().filter(c -> c == 'w').count()).isEqualTo(2 * 3_000 + 1_500);
            List<Float> ends = new ArrayList<>();
            new PDFTextStripper() {
                @Override
                protected void processTextPosition(TextPosition at) {
                    ends.add(at.getEndX());
                    ends.add(PDRectangle.A4.getHeight() - at.getEndX());
                    super.processTextPosition(at);
                }
            }.getText(document);
            assertThat(ends).allMatch(x -> x >= 0);
        }
    }

    @Test
    void aDeskIsDrawnAsItIsToBeLabelledWithItsTable() {
        Show show = Demo.show("harbour-radio-repaired");
        Sheet sheet =
                new Sheets(Demo.PROVER.prove(show), Demo.PROVER.catalogue())
                        .of(Sheets.Kind.CHANNELS);
        assertThat(sheet.endings()).contains(".svg", ".csv", ".pdf");
        assertThat(sheet.svg().orElseThrow())
                .contains(">Maren<", ">fader 1<", ">Nadia<", ">Under the hand<");
        assertThat(sheet.csv().lines().limit(2))
                .last()
                .asString()
                .startsWith("Under the hand,fader 1,MIC 1,Maren");
        assertThat(sheet.markdown()).contains("Mute silences it for all but");
    }

    /// 5 channels · 48,000 · 3 bytes are 0.72 MB a second: 2.592 GB an hour, 100 minutes 4.32 GB.
    @Test
    void levelsAreASheetWithGainsTracksBytesAndWhoseLeaveIsAsked() {
        Proof proof = Demo.PROVER.prove(Demo.show("tide-table-talk"));
        String text = new Sheets(proof, Demo.PROVER.catalogue()).of(Sheets.Kind.LEVELS).markdown();
        assertThat(text)
                .contains(
                        "| Show desk · MIC 1 gain | Maren | 44\u202FdB, until loud moments end in"
                                + " the green |",
                        "| Maren's track | Show desk, card track MIC 1, before the fader, 1 channel, 24 bits |",
                        "Show desk: 5 channels at 48\u202FkHz are 2.6\u202FGB an hour,"
                                + " 4.3\u202FGB for 70\u202Fmin",
                        "−16\u202FLUFS ± 1, ceiling −1\u202FdBTP",
                        "A stream key is typed where it belongs",
                        "| Nadia | may be heard and kept: not yet |");
    }
}
