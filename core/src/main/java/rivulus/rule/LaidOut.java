package rivulus.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rivulus.check.Finding;
import rivulus.check.Proof;
import rivulus.desk.Channel;
import rivulus.desk.Channels;
import rivulus.desk.DeskPlan;
import rivulus.desk.LayingOut;
import rivulus.desk.Linking;
import rivulus.desk.Seat;
import rivulus.desk.ShortName;
import rivulus.file.Change;
import rivulus.gear.Control;
import rivulus.gear.Link;
import rivulus.leads.Survey;
import rivulus.show.Device;
import rivulus.show.Limits;
import rivulus.show.Playback;
import rivulus.show.Ref;
import rivulus.show.Show;
import rivulus.show.Source;
import rivulus.words.Severity;
import rivulus.words.Words;

/// A desk that is not laid out so that a hand finds its way: what moves in the show and is not
/// under the hand, what is used and sits nowhere, what is not used and takes a place that something
/// else needs, a print that promises something else, two channels for one pair, a name that does
/// not fit, a channel that is called somebody else.
///
/// Only machines whose template says where faders can sit are judged; idle faders only where
/// somebody laid them out.
final class LaidOut implements Rule {
    private static final int NAMED = 3;

    /// What a finding about a channel's name, or about two channels, is told from others by.
    private static final String NAME = "/name";

    private static final String PAIR = "/pair";
    private static final String OTHER = "/other";

    @Override
    public String id() {
        return "desk";
    }

    @Override
    public List<Finding.Draft> inRig(Proof proof, Limits limits) {
        Survey survey = proof.survey();
        List<Device> desks =
                survey.devices().stream()
                        .filter(device -> !survey.template(device).desk().controls().isEmpty())
                        .toList();
        if (desks.isEmpty()) return List.of();
        Set<Ref> moving = DeskPlan.moving(proof.show());
        Channels channels = channels(proof);
        List<Finding.Draft> findings = new ArrayList<>();
        for (Device device : desks)
            DeskPlan.of(device, survey.template(device), channels)
                    .ifPresent(
                            plan -> {
                                findings.addAll(of(plan, moving));
                                findings.addAll(others(plan, proof.show()));
                            });
        return findings;
    }

    /// Moving a fader costs nothing.
    @Override
    public boolean isWorthEnding(Finding finding) {
        return true;
    }

    private static Channels channels(Proof proof) {
        return Channels.in(
                proof.show(), proof.survey()::template, proof.scenes().getFirst().tracer().live());
    }

    private List<Finding.Draft> of(DeskPlan plan, Set<Ref> moving) {
        List<Finding.Draft> findings = new ArrayList<>();
        for (Channel channel : plan.channels())
            if (DeskPlan.isWanted(channel, moving))
                seat(plan, channel, moving).ifPresent(findings::add);
        if (plan.device().layout().isLaidOut()) idle(plan, moving).ifPresent(findings::add);
        for (Seat seat : plan.seats()) if (seat.isMisprinted()) findings.add(print(plan, seat));
        findings.addAll(pairs(plan));
        int room = plan.desk().letters();
        for (Channel channel : plan.channels())
            if (room > 0 && channel.written().length() > room) findings.add(name(plan, channel));
        return findings;
    }

    /// A channel that sits nowhere, or moves and is not under the hand.
    private Optional<Finding.Draft> seat(DeskPlan plan, Channel channel, Set<Ref> moving) {
        Optional<Control.Reach> reach = plan.reach(channel);
        String who = "%s of %s".formatted(channel.words(), plan.device().name());
        if (reach.isEmpty())
            return Optional.of(
                    about(
                            plan,
                            channel.fader().name(),
                            Severity.CAUTION,
                            "%s sits on none of its controls%s".formatted(who, full(plan))));
        if (!isFar(plan, channel) || !DeskPlan.moves(channel, moving)) return Optional.empty();
        return Optional.of(
                about(
                        plan,
                        channel.fader().name(),
                        Severity.CAUTION,
                        "%s moves in the show and is %s".formatted(who, reach.get().words())));
    }

    /// Whether a channel sits elsewhere than under the hand, on a machine that has something there.
    private static boolean isFar(DeskPlan plan, Channel channel) {
        return plan.hasHands()
                && plan.reach(channel).filter(reach -> reach != Control.Reach.HAND).isPresent();
    }

    /// Places under the hand that hold what nobody wants, while something else has none there.
    private Optional<Finding.Draft> idle(DeskPlan plan, Set<Ref> moving) {
        List<String> far =
                plan.channels().stream()
                        .filter(channel -> DeskPlan.isWanted(channel, moving))
                        .filter(channel -> isFar(plan, channel))
                        .map(Channel::words)
                        .toList();
        long idle =
                plan.seats().stream()
                        .filter(seat -> seat.control().reach() == Control.Reach.HAND)
                        .flatMap(seat -> seat.channel().stream())
                        .filter(channel -> !DeskPlan.isWanted(channel, moving))
                        .count();
        if (far.isEmpty() || idle == 0) return Optional.empty();
        return Optional.of(
                about(
                        plan,
                        "idle",
                        Severity.NOTE,
                        "Under the hand on %s %s what nothing comes into, while %s %s not there"
                                .formatted(
                                        plan.device().name(),
                                        idle == 1
                                                ? "a fader holds"
                                                : Words.number((int) idle) + " faders hold",
                                        Words.few(far, NAMED),
                                        far.size() == 1 ? "is" : "are")));
    }

    private Finding.Draft print(DeskPlan plan, Seat seat) {
        return about(
                plan,
                seat.control().id(),
                Severity.NOTE,
                "The %s of %s carries %s: tape over what is printed there"
                        .formatted(
                                seat.control().label(),
                                plan.device().name(),
                                Words.few(names(seat.channel().orElseThrow()), NAMED)));
    }

    private Finding.Draft name(DeskPlan plan, Channel channel) {
        return about(
                plan,
                channel.fader().name() + NAME,
                Severity.NOTE,
                "\"%s\" does not fit on %s of %s, which shows %d letters"
                        .formatted(
                                channel.written(),
                                channel.label(),
                                plan.device().name(),
                                plan.desk().letters()));
    }

    /// Channels that are called somebody of the cast and carry others: whoever mixes turns the
    /// wrong one.
    private List<Finding.Draft> others(DeskPlan plan, Show show) {
        Map<Channel, Source> called = new LinkedHashMap<>();
        for (Channel channel : plan.channels())
            if (!channel.comes().isEmpty())
                show.sources().stream()
                        .filter(source -> isCalled(plan, channel, source))
                        .findFirst()
                        .filter(source -> !channel.comes().contains(source))
                        .ifPresent(source -> called.put(channel, source));
        List<Finding.Draft> findings = new ArrayList<>();
        called.forEach(
                (channel, source) -> {
                    Optional<Channel> crossed =
                            called.keySet().stream()
                                    .filter(other -> other.comes().contains(source))
                                    .filter(other -> channel.comes().contains(called.get(other)))
                                    .findFirst();
                    findings.add(
                            about(
                                    plan,
                                    channel.fader().name() + OTHER,
                                    Severity.CAUTION,
                                    "%s of %s is called %s and carries %s%s"
                                            .formatted(
                                                    channel.label(),
                                                    plan.device().name(),
                                                    channel.written(),
                                                    Words.few(names(channel), NAMED),
                                                    crossed.map(
                                                                    other ->
                                                                            ": either the names or the leads of it and of %s are swapped"
                                                                                    .formatted(
                                                                                            other
                                                                                                    .label()))
                                                            .orElse(""))));
                });
        return findings;
    }

    private static boolean isCalled(DeskPlan plan, Channel channel, Source source) {
        String written = channel.written();
        return written.equalsIgnoreCase(source.name())
                || written.equalsIgnoreCase(ShortName.of(source.name(), plan.desk().letters()));
    }

    /// What could make room, where every control is taken.
    private static String full(DeskPlan plan) {
        boolean full = plan.seats().stream().allMatch(seat -> seat.channel().isPresent());
        return full ? ": put two that belong together on one stereo channel, or into a group" : "";
    }

    private static List<String> names(Channel channel) {
        return channel.comes().stream().map(Source::name).toList();
    }

    /// Two mono channels for the two sides of one thing that plays.
    private List<Finding.Draft> pairs(DeskPlan plan) {
        List<Finding.Draft> findings = new ArrayList<>();
        List<Channel> mono = plan.channels().stream().filter(c -> c.width() == 1).toList();
        String instead =
                plan.channels().stream()
                        .filter(c -> c.width() > 1 && !c.isUsed())
                        .findFirst()
                        .map(free -> "one fader is enough, and %s is free".formatted(free.label()))
                        .orElse("");
        for (int i = 0; i < mono.size(); i++)
            for (int j = i + 1; j < mono.size(); j++) {
                Channel left = mono.get(i);
                Channel right = mono.get(j);
                boolean pair =
                        !right.isLinked()
                                && left.comes().size() == 1
                                && left.comes().equals(right.comes())
                                && left.comes().getFirst() instanceof Playback;
                if (pair)
                    findings.add(
                            about(
                                    plan,
                                    left.fader().name() + PAIR,
                                    Severity.NOTE,
                                    "%s and %s of %s carry the two sides of %s: %s"
                                            .formatted(
                                                    left.label(),
                                                    right.label(),
                                                    plan.device().name(),
                                                    left.carries(),
                                                    instead.isEmpty()
                                                            ? linkable(plan, left, right)
                                                            : instead)));
            }
        return findings;
    }

    private static String linkable(DeskPlan plan, Channel left, Channel right) {
        return link(plan, left, right).isPresent()
                ? "link them"
                : "whoever turns one has to turn the other";
    }

    /// What links two channels; empty where the machine does not.
    private static Optional<Link> link(DeskPlan plan, Channel left, Channel right) {
        return plan.desk().links().stream()
                .filter(
                        link ->
                                link.leading(right.fader().name())
                                        .equals(Optional.of(left.fader().name())))
                .findFirst();
    }

    private Finding.Draft about(DeskPlan plan, String what, Severity severity, String sentence) {
        return finding(severity, sentence).gear(plan.device().id(), what);
    }

    @Override
    public List<Idea> ideas(Finding finding, Workshop workshop) {
        Optional<DeskPlan> found =
                workshop.device(finding)
                        .flatMap(
                                device ->
                                        DeskPlan.of(
                                                device,
                                                workshop.survey().template(device),
                                                channels(workshop.proof())));
        if (found.isEmpty()) return List.of();
        DeskPlan plan = found.get();
        String what = finding.gear().get(1);
        Optional<Channel> printed =
                plan.seats().stream()
                        .filter(seat -> seat.control().id().equals(what))
                        .filter(Seat::isMisprinted)
                        .flatMap(seat -> seat.channel().stream())
                        .findFirst();
        if (printed.isPresent()) return List.of(written(plan, printed.get(), workshop));
        if (what.endsWith(OTHER))
            return plan.channel(what.substring(0, what.length() - OTHER.length()))
                    .map(channel -> List.<Idea>of(renamed(plan, channel, workshop)))
                    .orElse(List.of());
        if (what.endsWith(NAME))
            return plan.channel(what.substring(0, what.length() - NAME.length()))
                    .map(channel -> List.<Idea>of(shortened(plan, channel, workshop)))
                    .orElse(List.of());
        if (what.endsWith(PAIR))
            return plan.channel(what.substring(0, what.length() - PAIR.length()))
                    .map(left -> linking(plan, left, workshop))
                    .orElse(List.of());
        Show show = workshop.show();
        Device laid = plan.device().withLayout(new LayingOut(plan, show).layout());
        return List.of(changed("Lay out %s.".formatted(plan.device().name()), show, laid));
    }

    private static List<Idea> linking(DeskPlan plan, Channel left, Workshop workshop) {
        List<Idea> ideas = new ArrayList<>();
        for (Channel right : plan.channels())
            link(plan, left, right)
                    .map(link -> linking(plan, link, workshop))
                    .ifPresent(ideas::add);
        return ideas;
    }

    private static Idea linking(DeskPlan plan, Link link, Workshop workshop) {
        Device device = plan.device();
        return changed(
                "Link %s of %s."
                        .formatted(Words.list(Linking.sides(link, plan.channels())), device.name()),
                workshop.show(),
                Linking.linked(device, workshop.survey().template(device), link));
    }

    private static Idea written(DeskPlan plan, Channel channel, Workshop workshop) {
        String name = Words.few(names(channel), NAMED);
        return changed(
                "Tape over %s on %s: %s.".formatted(channel.label(), plan.device().name(), name),
                workshop.show(),
                named(plan, channel, name));
    }

    private static Idea renamed(DeskPlan plan, Channel channel, Workshop workshop) {
        String name = Words.few(names(channel), NAMED);
        String fits = ShortName.of(name, plan.desk().letters());
        return changed(
                "Write \"%s\" on %s of %s.".formatted(fits, channel.label(), plan.device().name()),
                workshop.show(),
                named(plan, channel, fits));
    }

    private static Idea shortened(DeskPlan plan, Channel channel, Workshop workshop) {
        String fits = plan.fitted(channel);
        return changed(
                "Write \"%s\" on %s of %s.".formatted(fits, channel.label(), plan.device().name()),
                workshop.show(),
                named(plan, channel, fits));
    }

    private static Device named(DeskPlan plan, Channel channel, String name) {
        String fader = channel.fader().name();
        Device device = plan.device();
        return device.withStrip(fader, device.strip(fader).named(name));
    }

    private static Idea changed(String sentence, Show show, Device device) {
        return new Idea.Rework(
                sentence, List.of(), new Change(show, show.withRig(show.rig().with(device))));
    }
}
