package rivulus.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rivulus.check.Demo;
import rivulus.file.Templates;
import rivulus.leads.Joiner;
import rivulus.rig.RigEdits;
import rivulus.rig.RigProver;
import rivulus.show.Device;
import rivulus.show.Show;

class SheetsTest {
    private final Show lantern = Demo.show("lantern-hour");

    private static Sheet sheet(Show show, Sheets.Kind kind) {
        return new Sheets(
                        Demo.PROVER.prove(show),
                        new RigProver(Demo.PROVER, Templates.leads()).prove(show),
                        Demo.PROVER.catalogue())
                .of(kind);
    }

    @ParameterizedTest
    @EnumSource(Sheets.Kind.class)
    void everySheetIsFullAndTheSameInCsv(Sheets.Kind kind) throws IOException {
        Sheet sheet = sheet(lantern, kind);
        assertThat(sheet.title()).isEqualTo("The Lantern Hour: " + kind.title());
        for (List<String> row : sheet.rows()) assertThat(row).hasSameSizeAs(sheet.columns());
        CSVFormat format = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get();
        List<CSVRecord> read = format.parse(new StringReader(sheet.csv())).getRecords();
        assertThat(read).hasSameSizeAs(sheet.rows());
        for (int r = 0; r < read.size(); r++)
            assertThat(read.get(r).toList()).isEqualTo(sheet.rows().get(r));
        assertThat(sheet.markdown()).startsWith("# " + sheet.title()).contains(sheet.notes());
    }

    @ParameterizedTest
    @EnumSource(Sheets.Kind.class)
    void aShowWithoutGearHasSheetsToo(Sheets.Kind kind) {
        assertThat(sheet(Show.untitled(), kind).rows()).isEmpty();
    }

    @Test
    void theLeadListNumbersLeadsAndLabelsBothEnds() {
        Sheet leads = sheet(lantern, Sheets.Kind.LEADS);
        assertThat(leads.rows().getFirst())
                .startsWith("01", "XLR lead", "", "Maren's mic", "Show desk, MIC 1")
                .contains("01 to Show desk, MIC 1", "01 to Maren's mic", "owned");
        assertThat(leads.rows()).noneMatch(row -> row.contains("telephone network"));
        assertThat(leads.notes()).anyMatch(note -> note.startsWith("Problem: The lead from"));
    }

    @Test
    void whatIsNewIsOnTheShoppingListByKindAndLength() {
        assertThat(sheet(lantern, Sheets.Kind.SHOPPING).notes())
                .containsExactly("Nothing has to be bought.");
        RigEdits edits = new RigEdits(lantern, Demo.PROVER.catalogue());
        Show added = edits.add("pocket-recorder", "workroom").after();
        Device from = added.rig().device("cue-laptop").orElseThrow();
        Device to = added.rig().devices().getLast();
        Show joined =
                new Joiner(added, Demo.PROVER.catalogue(), Templates.leads())
                        .ways(from, to, 1)
                        .getFirst()
                        .after();
        assertThat(sheet(joined, Sheets.Kind.SHOPPING).rows())
                .containsExactly(List.of("1", "3.5 mm stereo lead", ""));
    }

    @Test
    void thePackingListCountsWhatIsAlike() {
        assertThat(sheet(lantern, Sheets.Kind.PACKING).rows())
                .contains(List.of("3", "Dynamic microphone", ""), List.of("3", "XLR lead", ""))
                .noneMatch(row -> row.get(1).contains("program"));
    }

    @Test
    void everyComputersSettingsAreToldInOrderAndWhatOfItIsOnAir() {
        Sheet computers = sheet(lantern, Sheets.Kind.COMPUTERS);
        assertThat(computers.rows().getFirst())
                .startsWith(
                        "Cue laptop", "sound settings", "default output", "Show desk USB 1 main");
        assertThat(computers.rows())
                .anyMatch(
                        row ->
                                row.contains("Call program")
                                        && row.contains("Show desk USB 1 chat"));
        assertThat(computers.notes()).anyMatch(n -> n.contains("On air from Stream tower: Alerts"));
    }

    @Test
    void thePowerSheetAddsUpTheMainsAndWarnsOfTheSafetyEarth() {
        Sheet power = sheet(lantern, Sheets.Kind.POWER);
        assertThat(power.notes().getFirst()).isEqualTo("From the mains: 380 W in all.");
        assertThat(power.notes().getLast()).startsWith("Never defeat a safety earth");
    }

    @ParameterizedTest
    @EnumSource(Sheets.Kind.class)
    void thePdfHoldsEveryWordOfTheSheet(Sheets.Kind kind) throws IOException {
        Sheet sheet = sheet(lantern, kind);
        try (PDDocument read = Loader.loadPDF(sheet.pdf())) {
            String words = squeezed(new PDFTextStripper().getText(read));
            assertThat(words).contains(squeezed(sheet.title()));
            for (String column : sheet.columns())
                if (!sheet.rows().isEmpty()) assertThat(words).contains(squeezed(column));
            for (String note : sheet.notes()) assertThat(words).contains(squeezed(note));
        }
    }

    private static String squeezed(String words) {
        return words.replaceAll("[\\s\u202F\u00A0]+", "");
    }

    @Test
    void aLongTableRunsOverPagesWithItsHeadOnEach() throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < 120; i++) rows.add(List.of("row " + i, "words ".repeat(40)));
        Sheet sheet = new Sheet("Long", List.of("first", "second"), rows, List.of("The end."));
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
                new Sheet(
                        "夜 night",
                        List.of("a"),
                        List.of(List.of("\uD83C\uDFB5 tune\t!")),
                        List.of());
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
        Sheet sheet = new Sheet("A", List.of("x"), List.of(List.of("a|b\nc")), List.of());
        assertThat(sheet.markdown()).contains("| a\\|b c |");
        assertThat(sheet.csv()).isEqualTo("x\r\n\"a|b\nc\"\r\n");
    }
}
