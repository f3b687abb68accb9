package rivulus.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.check.RigText;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.ShowFile;
import rivulus.file.TemplateDraft;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.GearKind;
import rivulus.gear.Power;
import rivulus.gear.Template;
import rivulus.leads.LeadReader;
import rivulus.leads.LeadReport;
import rivulus.leads.Stock;
import rivulus.show.Device;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;

class RigEditsTest {
    private final Catalogue catalogue = Templates.shipped();
    private final Show lantern = Demo.show("lantern-hour");

    @TempDir Path folder;

    private RigEdits edits(Show show) {
        return new RigEdits(show, catalogue);
    }

    private Device device(String id) {
        return lantern.rig().device(id).orElseThrow();
    }

    /// Written, read again, proven: a document that holds together.
    private void isSound(Show show) throws Exception {
        Path file = folder.resolve("edited.rivulus");
        Files.deleteIfExists(file);
        ShowFile.save(show, file);
        assertThat(ShowFile.open(file, catalogue)).isEqualTo(show);
        Demo.PROVER.prove(show).findings();
    }

    @ParameterizedTest
    @ValueSource(strings = {"lantern-hour", "archive-interviews", "language-cafe"})
    void whateverIsRemovedTheShowStaysSound(String name) throws Exception {
        Show show = Demo.show(name);
        for (Device device : show.rig().devices()) {
            Show after = edits(show).remove(device).after();
            assertThat(after.rig().device(device.id())).isEmpty();
            assertThat(after.rig().cables()).noneMatch(c -> c.touches(device.id()));
            isSound(after);
        }
    }

    @Test
    void noStripIsPluggedIntoWhatHangsOnIt() throws Exception {
        Show show = Demo.show("first-call");
        List<Device> devices = new ArrayList<>(show.rig().devices());
        Device first = Device.of("s1", "First", "outlet-strip");
        Device second = Device.of("s2", "Second", "outlet-strip").pluggedInto("s1");
        devices.addAll(List.of(first, second));
        Show two = show.withRig(show.rig().with(devices, show.rig().cables()));
        for (Device into : List.of(first, second)) {
            Show after =
                    new RigEdits(two, Demo.PROVER.catalogue())
                            .plug(first, Optional.of(into))
                            .change()
                            .after();
            isSound(after);
            assertThat(after.rig().device("s1").orElseThrow().outlet()).isEmpty();
        }
    }

    @Test
    void removingTheDeskTellsWhatGoesWithIt() {
        Edit edit = edits(lantern).remove(device("desk"));
        assertThat(edit.name()).isEqualTo("Remove Show desk");
        assertThat(edit.losses())
                .contains("nothing plays Cue pads", "Maren's track listens nowhere")
                .anyMatch(l -> l.endsWith("leads"));
        assertThat(edit.after().cast().source("cue-pads")).isPresent();
        assertThat(edit.after().mutes()).noneMatch(m -> m.knob().device().equals("desk"));
        for (var scene : edit.after().scenes())
            assertThat(scene.knobs().keySet()).noneMatch(ref -> ref.device().equals("desk"));
    }

    @Test
    void everyKindOfGearCanBeAddedToAnyShow() throws Exception {
        Show show = lantern;
        for (Template template : GearSearch.find(catalogue, "")) {
            show = edits(show).add(template.id(), "workroom").after();
        }
        assertThat(show.rig().devices())
                .hasSize(lantern.rig().devices().size() + GearSearch.find(catalogue, "").size());
        isSound(show);
    }

    @Test
    void addedGearGetsANameAndAnIdOfItsOwn() {
        Show twice = edits(lantern).add("dynamic-mic", "workroom").after();
        Show thrice = edits(twice).add("dynamic-mic", "workroom").after();
        List<Device> added = thrice.rig().devices().reversed().subList(0, 2);
        assertThat(added.get(0).name()).isEqualTo("Dynamic microphone 2");
        assertThat(added.get(1).name()).isEqualTo("Dynamic microphone");
        assertThat(added.get(0).id()).isNotEqualTo(added.get(1).id());
        assertThat(added.get(0).place()).isEqualTo("workroom");
    }

    @Test
    void programsRunOnAComputerAndWearablesAreWorn() {
        Device program =
                edits(lantern)
                        .add("software-mixer", "cue-laptop")
                        .after()
                        .rig()
                        .devices()
                        .getLast();
        assertThat(program.on()).isEqualTo("cue-laptop");
        Device worn = edits(lantern).add("usb-headset", "teo").after().rig().devices().getLast();
        assertThat(worn.worn()).isEqualTo("teo");
        Device stands =
                edits(lantern).add("usb-headset", "workroom").after().rig().devices().getLast();
        assertThat(stands.worn()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "desk, two-mic-desk",
        "desk, digital-console",
        "cue-laptop, tower",
        "maren-mic, condenser-mic",
        "maren-mic, ribbon-mic",
        "house-speakers, loudspeaker-pair",
        "small-recorder, camera"
    })
    void replacingKeepsWhatFitsAndTellsWhatDoesNot(String id, String template) throws Exception {
        Edit edit = edits(lantern).replace(device(id), template);
        Device now = edit.after().rig().device(id).orElseThrow();
        assertThat(now.template()).isEqualTo(template);
        assertThat(now.name()).isEqualTo(device(id).name());
        int leads = lantern.rig().cables().size() - edit.after().rig().cables().size();
        assertThat(edit.losses().stream().filter(l -> l.startsWith("the lead"))).hasSize(leads);
        isSound(edit.after());
    }

    @Test
    void whatIsLostIsToldInTheWordsOnTheMachines() {
        assertThat(edits(lantern).replace(device("desk"), "two-mic-desk").losses())
                .contains("the lead Talkback mic – Show desk, MIC 3")
                .noneMatch(loss -> loss.contains("/") || loss.contains("desk."));
    }

    @Test
    void aMicrophoneReplacedByAnotherKeepsItsLead() {
        Edit edit = edits(lantern).replace(device("maren-mic"), "condenser-mic");
        assertThat(edit.losses()).isEmpty();
        assertThat(edit.after().rig().cables()).isEqualTo(lantern.rig().cables());
    }

    @Test
    void namesAndPowerAreChangedAndABlankNameIsRefused() {
        Show renamed = edits(lantern).rename(device("desk"), " Big desk ").after();
        assertThat(renamed.rig().device("desk").orElseThrow().name()).isEqualTo("Big desk");
        assertThatThrownBy(() -> edits(lantern).rename(device("desk"), "  "))
                .isInstanceOf(IllegalArgumentException.class);
        Show battery = edits(lantern).power(device("cue-laptop"), Power.Source.BATTERY).after();
        assertThat(battery.rig().device("cue-laptop").orElseThrow().power())
                .contains(Power.Source.BATTERY);
    }

    @Test
    void leadsGetLongerAreBoughtAndTakenOut() {
        LeadReport lead = new LeadReader(lantern, catalogue, Templates.leads()).all().getFirst();
        Show longer = edits(lantern).length(lead, 12.5).after();
        assertThat(longer.rig().cables().getFirst().metres()).isEqualTo(12.5);
        Show bought = edits(lantern).toBuy(lead, true).after();
        assertThat(bought.rig().cables().getFirst().toBuy()).isTrue();
        Show without = edits(lantern).unjoin(lead.cable()).after();
        assertThat(without.rig().cables()).hasSize(lantern.rig().cables().size() - 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "two xlr in, battery; Portable recorder",
                "ribbon; Ribbon microphone",
                "4 headphones out; Headphone amplifier with four outputs",
                "hub, mains; Powered USB hub",
                "optical in; Four-fader streaming mixer with optical input",
                "TRANSFORMER, xlr; Microphone splitter with a transformer",
                "usb, two mic in; Two-input interface"
            })
    void gearIsFoundByWhatOneNeeds(String words, String name) {
        assertThat(GearSearch.find(catalogue, words)).extracting(Template::name).contains(name);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "two xlr in, runs from a phone; Two-input interface that draws little; Two-input interface",
                "runs from a phone; USB microphone; Four-input interface",
                "runs from a laptop; Four-input interface; Show desk with two microphone strips",
                "powered by batteries; Portable recorder; Dynamic microphone",
                "runs on the mains; Small analogue mixer; USB microphone",
                "phone; Phone with a USB-C port; Powered USB hub"
            })
    void whatFeedsItIsReckonedAndNotRead(String words, String fits, String not) {
        assertThat(GearSearch.find(catalogue, words))
                .extracting(Template::name)
                .contains(fits)
                .doesNotContain(not);
    }

    @Test
    void whatNobodyMakesIsNotFoundAndRoomsAreNoGear() {
        assertThat(GearSearch.find(catalogue, "ninety xlr in")).isEmpty();
        assertThat(GearSearch.find(catalogue, "99 xlr in")).isEmpty();
        assertThat(GearSearch.find(catalogue, ""))
                .extracting(Template::kind)
                .doesNotContain(GearKind.ROOM, GearKind.PERSON);
    }

    // The cupboard, strips, own kinds

    @Test
    void whatIsOwnedIsCountedUpDownAndForgotten() {
        Show none = RigText.show("d show-desk");
        Edit two = edits(none).own("XLR lead", 5, 2);
        assertThat(two.name()).isEqualTo("Own 2 × XLR lead");
        assertThat(two.after().rig().stock()).singleElement().matches(o -> o.pieces() == 2);
        Edit three = edits(two.after()).own("XLR lead", 5, 3);
        assertThat(three.after().rig().stock()).singleElement().matches(o -> o.pieces() == 3);
        Edit other = edits(three.after()).own("XLR lead", 10, 1);
        assertThat(other.after().rig().stock()).hasSize(2);
        Edit gone = edits(other.after()).own("XLR lead", 5, 0);
        assertThat(gone.name()).isEqualTo("Own no XLR lead");
        assertThat(gone.after().rig().stock()).singleElement().matches(o -> o.metres() == 10);
    }

    @Test
    void thePlanIsCountedAsOwnedWithoutWhatIsToBeBought() {
        Show show =
                RigText.show(
                        """
                        a dynamic-mic
                        b dynamic-mic
                        c dynamic-mic
                        d show-desk
                        l laptop
                        i isolator
                        a/out d/mic1 5
                        b/out d/mic2 5
                        c/out d/mic3 5 buy
                        l/line-out i/in
                        """);
        var leads = new LeadReader(show, Templates.shipped(), Templates.leads()).all();
        Show owned = edits(show).ownThePlan(leads).after();
        assertThat(owned.rig().stock())
                .extracting(o -> o.pieces() + " " + o.what())
                .containsExactly("2 XLR lead", "1 3.5 mm stereo lead", "1 isolator");
        assertThat(Stock.of(owned, leads).shortOf()).isEmpty();
    }

    @Test
    void aMachineIsPluggedIntoAStripAndPulledOutWhenTheStripGoes() {
        Show show = RigText.show("place hall\n s outlet-strip @hall\n t tower @hall");
        Device strip = show.rig().device("s").orElseThrow();
        Device tower = show.rig().device("t").orElseThrow();
        Show plugged = edits(show).plug(tower, Optional.of(strip)).after();
        assertThat(plugged.rig().device("t").orElseThrow().outlet()).isEqualTo("s");
        Show without = edits(plugged).remove(strip).after();
        assertThat(without.rig().device("t").orElseThrow().outlet()).isEmpty();
    }

    private static OwnTemplate desk(String id, String without) throws FileTrouble {
        TemplateDraft draft =
                TemplateDraft.of(Templates.shipped("pocket-recorder").orElseThrow())
                        .copy(id, "Ours");
        return without.isEmpty()
                ? draft.own()
                : TemplateDraft.ofText(
                                draft.text()
                                        .replace("\"in\"", "\"jack\"")
                                        .replace("in.in", "jack.in"))
                        .own();
    }

    @Test
    void aKindIsKeptWithTheShowAndReplacesOneOfItsName() throws Exception {
        Show show = RigText.show("r pocket-recorder");
        Show kept = edits(show).keep(desk("ours", "")).after();
        assertThat(kept.templates()).hasSize(1);
        Show again = edits(kept).keep(desk("ours", "in")).after();
        assertThat(again.templates()).hasSize(1);
        assertThat(again.templates().getFirst().template().port("jack")).isPresent();
    }

    @Test
    void aDeviceBecomesOneOfAKeptKindAndItsLeadsStay() throws Exception {
        Show show = RigText.show("l laptop\n r pocket-recorder level=-6\n l/line-out r/in 2");
        Device recorder = show.rig().device("r").orElseThrow();
        Edit edit = edits(show).keepFor(desk("ours", ""), recorder);
        assertThat(edit.losses()).isEmpty();
        assertThat(edit.name()).isEqualTo("Make r a Ours");
        Device now = edit.after().rig().device("r").orElseThrow();
        assertThat(now.template()).isEqualTo("ours");
        assertThat(now.knobs()).isEqualTo(recorder.knobs());
        assertThat(edit.after().rig().cables()).hasSize(1);
    }

    @Test
    void whatAChangedKindCannotDoAnyMoreIsListed() throws Exception {
        Show show = RigText.show("l laptop\n r pocket-recorder\n l/line-out r/in 2");
        Edit edit = edits(show).keep(desk("pocket-recorder", "in"));
        assertThat(edit.losses()).isNotEmpty();
        assertThat(edit.after().rig().cables()).isEmpty();
    }

    @Test
    void aReplacementKeepsEachLeadInThePortOfItsName() {
        Show show =
                RigText.show(
                        """
                        a dynamic-mic
                        b dynamic-mic
                        d show-desk
                        b/out d/mic2 3
                        a/out d/mic1 3
                        """);
        Device desk = show.rig().device("d").orElseThrow();
        Show after = edits(show).replace(desk, "two-mic-desk").after();
        assertThat(after.rig().cables())
                .extracting(c -> c.from().device() + " " + c.to().name())
                .containsExactly("b mic2", "a mic1");
    }
}
