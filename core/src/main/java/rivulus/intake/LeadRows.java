package rivulus.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import rivulus.gear.Catalogue;
import rivulus.gear.Leads;
import rivulus.gear.Port;
import rivulus.leads.End;
import rivulus.leads.Joiner;
import rivulus.leads.Joining;
import rivulus.leads.LeadReader;
import rivulus.leads.LeadReport;
import rivulus.show.Cable;
import rivulus.show.Device;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.words.Near;
import rivulus.words.Words;

/// Rows of a lead list: from a machine and port to another.
final class LeadRows implements Intake.Rows {
    private final Catalogue catalogue;
    private final Leads leads;
    private Show show;

    LeadRows(Show show, Catalogue catalogue, Leads leads) {
        this.show = show;
        this.catalogue = catalogue;
        this.leads = leads;
    }

    @Override
    public Show show() {
        return show;
    }

    @Override
    public Optional<Intake.Done> take(Intake.Row row) throws Intake.Refusal {
        if (row.at(Meaning.FROM).isEmpty() && row.at(Meaning.TO).isEmpty()) return Optional.empty();
        Named from = named(row.at(Meaning.FROM));
        Named to = named(row.at(Meaning.TO));
        double metres = Intake.metres(row.at(Meaning.METRES));
        boolean toBuy = isToBuy(row.at(Meaning.OWNED));
        Optional<Cable> there = between(from, to);
        return Optional.of(
                there.isPresent()
                        ? changed(there.get(), from, to, metres, toBuy)
                        : joined(from, to, metres, toBuy));
    }

    /// A machine and, where it is said, a port of it.
    private record Named(Device device, Optional<Port> port) {
        String words() {
            return port.map(p -> new End(device, p).words()).orElse(device.name());
        }

        boolean holds(Ref end) {
            return end.device().equals(device.id())
                    && port.map(p -> p.id().equals(end.name())).orElse(true);
        }
    }

    /// "Show desk, MIC 1", "Show desk", or `desk/mic1`.
    private Named named(String words) throws Intake.Refusal {
        if (words.isEmpty()) throw new Intake.Refusal("one end of the lead is not said");
        Optional<Device> device =
                show.rig().devices().stream()
                        .filter(d -> begins(words, d.name(), ",") || begins(words, d.id(), "/"))
                        .max(Comparator.comparingInt(d -> d.name().length()));
        if (device.isEmpty())
            throw new Intake.Refusal(
                    "there is no machine \"%s\"; %s",
                    words,
                    Near.hint(
                            words.replaceAll(",.*", ""),
                            show.rig().devices().stream().map(Device::name).toList()));
        boolean byName = begins(words, device.get().name(), ",");
        String rest =
                words.substring((byName ? device.get().name() : device.get().id()).length())
                        .replaceFirst("^\\s*[,/]\\s*", "")
                        .strip();
        if (rest.isEmpty()) return new Named(device.get(), Optional.empty());
        var template = catalogue.get(device.get().template());
        Optional<Port> port = Intake.port(template, rest);
        if (port.isEmpty())
            throw new Intake.Refusal(
                    "%s has no port \"%s\"; %s",
                    device.get().name(),
                    rest,
                    Near.hint(
                            rest,
                            template.ports().stream()
                                    .map(p -> p.label().isEmpty() ? p.id() : p.label())
                                    .toList()));
        return new Named(device.get(), port);
    }

    private static boolean begins(String words, String name, String then) {
        String all = words.toLowerCase(Locale.ROOT);
        String start = name.toLowerCase(Locale.ROOT);
        return all.equals(start) || all.startsWith(start + then) || all.startsWith(start + " ,");
    }

    private static boolean isToBuy(String words) {
        return List.of("to buy", "buy", "no", "missing", "wanted")
                .contains(words.toLowerCase(Locale.ROOT));
    }

    private Optional<Cable> between(Named from, Named to) {
        return show.rig().cables().stream()
                .filter(
                        cable ->
                                from.holds(cable.from()) && to.holds(cable.to())
                                        || from.holds(cable.to()) && to.holds(cable.from()))
                .findFirst();
    }

    private Intake.Done changed(Cable there, Named from, Named to, double metres, boolean toBuy) {
        List<String> changes = new ArrayList<>();
        Cable now = there;
        if (metres > 0 && metres != there.metres()) {
            changes.add("%s instead of %s".formatted(figure(metres), figure(there.metres())));
            now = now.ofLength(metres);
        }
        if (toBuy != there.toBuy()) {
            changes.add(toBuy ? "to buy" : "owned");
            now = now.toBuy(toBuy);
        }
        String lead = from.words() + " → " + to.words();
        if (changes.isEmpty()) return new Intake.Done(Plan.Outcome.SAME, lead);
        show = show.withRig(show.rig().with(now));
        return new Intake.Done(Plan.Outcome.CHANGED, lead + ": " + String.join(", ", changes));
    }

    private static String figure(double metres) {
        return metres == 0 ? "no length" : Words.metres(metres);
    }

    private Intake.Done joined(Named from, Named to, double metres, boolean toBuy)
            throws Intake.Refusal {
        isFree(from);
        isFree(to);
        if (from.port().isPresent() && to.port().isPresent()) canJoin(from, to);
        Cable cable = cable(from, to).ofLength(metres).toBuy(toBuy);
        List<Cable> cables = new ArrayList<>(show.rig().cables());
        cables.add(cable);
        Show after = show.withRig(show.rig().with(show.rig().devices(), cables));
        LeadReport lead = new LeadReader(after, catalogue, leads).read(cable);
        if (lead.kind().isEmpty())
            throw new Intake.Refusal(
                    "no lead goes from %s to %s", lead.a().words(), lead.b().words());
        show = after;
        return new Intake.Done(
                Plan.Outcome.NEW,
                "%s → %s, by %s".formatted(lead.a().words(), lead.b().words(), lead.kindInWords()));
    }

    private static void canJoin(Named from, Named to) throws Intake.Refusal {
        if (from.device().id().equals(to.device().id()) && from.port().equals(to.port()))
            throw new Intake.Refusal("this lead goes from %s back into it", from.words());
        Optional<String> refusal = from.port().orElseThrow().cannotJoin(to.port().orElseThrow());
        if (refusal.isPresent())
            throw new Intake.Refusal(
                    "%s and %s cannot be joined: %s", from.words(), to.words(), refusal.get());
    }

    /// The lead between two named ports, or by the best free ones.
    private Cable cable(Named from, Named to) throws Intake.Refusal {
        if (from.port().isPresent() && to.port().isPresent())
            return Cable.of(
                    Joiner.freeCable(show, 0),
                    new Ref(from.device().id(), from.port().get().id()),
                    new Ref(to.device().id(), to.port().get().id()));
        return way(from, to)
                .or(() -> way(to, from))
                .map(way -> way.leads().getFirst().cable())
                .orElseThrow(
                        () ->
                                new Intake.Refusal(
                                        "no lead goes from %s to %s", from.words(), to.words()));
    }

    private Optional<Joining> way(Named from, Named to) {
        return new Joiner(show, catalogue, leads)
                        .ways(
                                from.device(),
                                to.device(),
                                1,
                                way ->
                                        way.boxes().isEmpty()
                                                && from.holds(way.leads().getFirst().a().ref())
                                                && to.holds(way.leads().getFirst().b().ref()))
                        .stream()
                        .findFirst();
    }

    private void isFree(Named end) throws Intake.Refusal {
        if (end.port().isEmpty()) return;
        for (Cable cable : show.rig().cables())
            if (cable.ends(new Ref(end.device().id(), end.port().get().id())))
                throw new Intake.Refusal(
                        "%s has a lead in it already: %s",
                        end.words(), End.words(cable, show.rig(), catalogue));
    }
}
