package rivulus.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rivulus.check.Demo;
import rivulus.file.ShowFile;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.Template;
import rivulus.leads.LeadReader;
import rivulus.leads.LeadReport;
import rivulus.show.Device;
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
    void removingTheDeskTellsWhatGoesWithIt() {
        RigEdit edit = edits(lantern).remove(device("desk"));
        assertThat(edit.name()).isEqualTo("Remove Show desk");
        assertThat(edit.losses())
                .contains("Cue pads", "Maren's track")
                .anyMatch(l -> l.endsWith("leads"));
        assertThat(edit.after().cast().source("pads")).isEmpty();
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
        RigEdit edit = edits(lantern).replace(device(id), template);
        Device now = edit.after().rig().device(id).orElseThrow();
        assertThat(now.template()).isEqualTo(template);
        assertThat(now.name()).isEqualTo(device(id).name());
        int leads = lantern.rig().cables().size() - edit.after().rig().cables().size();
        assertThat(edit.losses().stream().filter(l -> l.startsWith("the lead"))).hasSize(leads);
        isSound(edit.after());
    }

    @Test
    void aMicrophoneReplacedByAnotherKeepsItsLead() {
        RigEdit edit = edits(lantern).replace(device("maren-mic"), "condenser-mic");
        assertThat(edit.losses()).isEmpty();
        assertThat(edit.after().rig().cables()).isEqualTo(lantern.rig().cables());
    }

    @Test
    void namesAndPowerAreChangedAndABlankNameIsRefused() {
        Show renamed = edits(lantern).rename(device("desk"), " Big desk ").after();
        assertThat(renamed.rig().device("desk").orElseThrow().name()).isEqualTo("Big desk");
        assertThatThrownBy(() -> edits(lantern).rename(device("desk"), "  "))
                .isInstanceOf(IllegalArgumentException.class);
        Show battery = edits(lantern).power(device("cue-laptop"), "battery").after();
        assertThat(battery.rig().device("cue-laptop").orElseThrow().power()).isEqualTo("battery");
    }

    @Test
    void leadsGetLongerAreBoughtAndTakenOut() {
        LeadReport lead = new LeadReader(lantern, catalogue, Templates.leads()).all().getFirst();
        Show longer = edits(lantern).length(lead, 12.5).after();
        assertThat(longer.rig().cables().getFirst().metres()).isEqualTo(12.5);
        Show bought = edits(lantern).toBuy(lead, true).after();
        assertThat(bought.rig().cables().getFirst().toBuy()).isTrue();
        Show without = edits(lantern).unjoin(lead).after();
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

    @Test
    void whatNobodyMakesIsNotFoundAndRoomsAreNoGear() {
        assertThat(GearSearch.find(catalogue, "ninety xlr in")).isEmpty();
        assertThat(GearSearch.find(catalogue, "99 xlr in")).isEmpty();
        assertThat(GearSearch.find(catalogue, ""))
                .extracting(Template::kind)
                .doesNotContain("room", "person");
    }
}
