package rivulus.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import rivulus.check.Demo;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.disk.FileTrouble;
import rivulus.edit.Edit;
import rivulus.file.Change;
import rivulus.file.DemoShows;
import rivulus.file.ShowFile;
import rivulus.file.TemplateDraft;
import rivulus.file.Templates;
import rivulus.gear.Catalogue;
import rivulus.gear.Port;
import rivulus.gear.Template;
import rivulus.intake.Intake;
import rivulus.intake.Lists;
import rivulus.intake.Matching;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.remedy.Remedies;
import rivulus.remedy.Remedy;
import rivulus.show.Device;
import rivulus.show.OwnTemplate;
import rivulus.show.Show;

/// Whatever is done to a show, what comes of it can be saved and opened again, and is then the
/// same.
class GateProperties {
    private static final Catalogue CATALOGUE = Demo.PROVER.catalogue();
    private static final List<String> SHOWS = List.copyOf(DemoShows.all().keySet());
    private static final List<Template> KINDS = List.copyOf(CATALOGUE.templates().values());
    private static final int EDITS = 6;

    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private static void assertHolds(Show show, String after) {
        try {
            Show again = ShowFile.again(show, CATALOGUE);
            assertThat(new Change(show, again).words()).as(after).isEmpty();
            assertThat(again).as(after).isEqualTo(show);
        } catch (FileTrouble unsound) {
            throw new AssertionError(after + ": " + unsound.getMessage(), unsound);
        }
    }

    @Property(tries = 250)
    void anyEditsOfTheRigLeaveAShowThatOpensAgain(@ForAll @LongRange(max = 1_000_000) long seed)
            throws Exception {
        Random random = new Random(seed);
        Show show = DemoShows.open(any(random, SHOWS), CATALOGUE);
        StringBuilder done = new StringBuilder(show.title());
        for (int i = 0; i < EDITS && !show.rig().devices().isEmpty(); i++) {
            Edit edit = edit(random, show);
            done.append(", ").append(edit.name());
            show = edit.after();
            assertHolds(show, done.toString());
        }
    }

    private static Edit edit(Random random, Show show) throws FileTrouble {
        RigEdits edits = new RigEdits(show, CATALOGUE);
        Device device = any(random, show.rig().devices());
        List<String> wheres = new ArrayList<>(List.of("", "nowhere", device.id()));
        show.places().forEach(p -> wheres.add(p.id()));
        show.cast().people().forEach(p -> wheres.add(p.id()));
        return switch (random.nextInt(9)) {
            case 0 -> edits.add(any(random, KINDS).id(), any(random, wheres));
            case 1 -> edits.remove(device);
            case 2, 3 -> edits.replace(device, any(random, KINDS).id());
            case 4 ->
                    edits.rename(
                            device, any(random, List.of("x", "a\nb", "ä\u0000", "n".repeat(500))));
            case 5 -> edits.keep(changed(random, device));
            case 6 -> edits.keepFor(changed(random, device), device);
            case 7 ->
                    edits.plug(
                            device,
                            show.rig().devices().stream()
                                    .filter(d -> d.template().equals("outlet-strip"))
                                    .findFirst());
            default -> {
                List<Joining> ways =
                        new Joiner(show, CATALOGUE, Templates.leads())
                                .ways(device, any(random, show.rig().devices()), 1)
                                .all();
                yield ways.isEmpty() ? edits.remove(device) : edits.join(ways.getFirst());
            }
        };
    }

    /// A kind of a device, with something taken out of it or called otherwise, under its own id or
    /// another.
    private static OwnTemplate changed(Random random, Device device) {
        TemplateDraft draft =
                Templates.shipped(device.template())
                        .map(TemplateDraft::of)
                        .orElseGet(() -> TemplateDraft.fresh("own", "Own"));
        for (String list : List.of("knobs", "ports", "pickers", "endpoints", "routes", "ends")) {
            if (random.nextInt(3) > 0) continue;
            TemplateDraft less = draft.with(list, List.of()).with("routes", List.of());
            if (less.kept().isPresent()) draft = less;
        }
        TemplateDraft other =
                draft.with("power", "")
                        .with("kind", any(random, List.of("desk", "computer", "room")));
        if (other.kept().isPresent() && random.nextBoolean()) draft = other;
        TemplateDraft named =
                random.nextBoolean() ? draft.copy("own-" + random.nextInt(3), "Own") : draft;
        return named.kept().isPresent() ? named.own() : draft.own();
    }

    @Property(tries = 120)
    void anyLeadListLeavesAShowThatOpensAgain(@ForAll @LongRange(max = 1_000_000) long seed)
            throws Exception {
        Random random = new Random(seed);
        Show show = DemoShows.open(any(random, SHOWS), CATALOGUE);
        StringBuilder csv = new StringBuilder("from,to,metres\n");
        for (int row = 0; row < 12; row++)
            csv.append('"')
                    .append(end(random, show))
                    .append("\",\"")
                    .append(end(random, show))
                    .append("\",2\n");
        var list = Lists.parse(csv.toString(), "leads.csv");
        Show after =
                new Intake(show, CATALOGUE, Templates.leads())
                        .plan(list, Matching.guess(list), "")
                        .after();
        assertHolds(after, show.title() + "\n" + csv);
    }

    private static String end(Random random, Show show) {
        Device device = any(random, show.rig().devices());
        List<Port> ports =
                CATALOGUE
                        .with(show.templates().stream().map(OwnTemplate::template).toList())
                        .get(device.template())
                        .ports();
        if (ports.isEmpty() || random.nextInt(5) == 0) return device.name();
        return device.id() + "/" + any(random, ports).id();
    }

    @Property(tries = 25)
    void everyFixLeavesAShowThatOpensAgainAndFitsOneThatWasEditedMeanwhile(
            @ForAll @LongRange(max = 1_000_000) long seed) throws Exception {
        Random random = new Random(seed);
        Show show = DemoShows.open(any(random, SHOWS), CATALOGUE);
        for (int i = 0; i < 2; i++)
            show =
                    new RigEdits(show, CATALOGUE)
                            .replace(any(random, show.rig().devices()), any(random, KINDS).id())
                            .after();
        Proof proof = Demo.PROVER.prove(show);
        Assume.that(!proof.ofTheRig().isEmpty());
        Finding finding = any(random, proof.ofTheRig());
        for (Remedy fix : Remedies.of(Demo.PROVER, proof, finding, 3).all()) {
            assertHolds(fix.change().after(), fix.sentence());
            Show renamed = show.titled("Meanwhile");
            Show both = fix.change().on(renamed, CATALOGUE);
            assertThat(both).isEqualTo(fix.change().after().titled("Meanwhile"));
            assertThat(new Change(renamed, both).words()).isNotEmpty();
        }
    }
}
