package rivulus.plan;

import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Stream;
import rivulus.disk.Worded;
import rivulus.show.Device;
import rivulus.show.Ear;
import rivulus.show.Person;
import rivulus.show.Playback;
import rivulus.show.Role;

/// A part of a brief that a pattern may have to serve: people, playback and ears, by what they need
/// and have not got.
public enum Part implements Worded {
    /// Whoever speaks here and has no way to the hub.
    VOICES_HERE,
    /// Whoever listens here for themself and wears nothing.
    LISTENERS_HERE,
    CALLERS_BY_PROGRAM,
    CALLERS_BY_PHONE,
    /// What no machine plays yet, cues left aside.
    PLAYBACK,
    CUES,
    STREAM,
    ON_DEMAND,
    SECOND_LANGUAGE,
    HOUSE,
    /// A house of which nobody has said where it listens.
    HOUSE_UNPLACED,
    ASSISTIVE,
    CAMERA,
    /// Tracks of single voices.
    TRACKS;

    @Override
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// The names of those who are in it.
    List<String> of(State state) {
        return switch (this) {
            case VOICES_HERE ->
                    people(state, p -> isHere(p) && p.speaks() && !state.comesToHub(p.id()));
            case LISTENERS_HERE ->
                    people(
                            state,
                            p ->
                                    isHere(p)
                                            && p.role() != Role.AUDIENCE
                                            && listens(state, p)
                                            && !wears(state, p));
            case CALLERS_BY_PROGRAM ->
                    people(state, p -> isCaller(p) && !state.isByPhone(p) && isLacking(state, p));
            case CALLERS_BY_PHONE ->
                    people(state, p -> isCaller(p) && state.isByPhone(p) && isLacking(state, p));
            case PLAYBACK -> playback(state, p -> p.kind() != Playback.Kind.CUES);
            case CUES -> playback(state, p -> p.kind() == Playback.Kind.CUES);
            case STREAM -> ears(state, Ear.Kind.STREAM);
            case ON_DEMAND -> ears(state, Ear.Kind.ON_DEMAND);
            case SECOND_LANGUAGE -> ears(state, Ear.Kind.SECOND_LANGUAGE);
            case HOUSE ->
                    state.show().ears().stream()
                            .filter(ear -> ear.kind() == Ear.Kind.HOUSE)
                            .map(Ear::name)
                            .toList();
            case HOUSE_UNPLACED -> ears(state, Ear.Kind.HOUSE);
            case ASSISTIVE -> ears(state, Ear.Kind.ASSISTIVE);
            case CAMERA -> ears(state, Ear.Kind.CAMERA);
            case TRACKS -> ears(state, Ear.Kind.TRACK);
        };
    }

    private static boolean isCaller(Person person) {
        return person.isCaller();
    }

    private static boolean isHere(Person person) {
        return !isCaller(person);
    }

    private static boolean isLacking(State state, Person person) {
        return !person.speaks() || !state.comesToHub(person.id());
    }

    private static boolean listens(State state, Person person) {
        return state.show().ears().stream()
                .anyMatch(
                        ear ->
                                ear.kind() == Ear.Kind.PERSON
                                        && ear.of().equals(person.id())
                                        && ear.at().isEmpty());
    }

    private static boolean wears(State state, Person person) {
        return state.show().rig().devices().stream()
                .map(Device::worn)
                .anyMatch(person.id()::equals);
    }

    private static List<String> people(State state, Predicate<Person> who) {
        return state.show().cast().people().stream().filter(who).map(Person::name).toList();
    }

    private static List<String> playback(State state, Predicate<Playback> which) {
        Stream<Playback> all = state.show().cast().playback().stream();
        return all.filter(p -> p.at().isEmpty()).filter(which).map(Playback::name).toList();
    }

    private static List<String> ears(State state, Ear.Kind kind) {
        return state.show().ears().stream()
                .filter(ear -> ear.kind() == kind && ear.isNowhere())
                .map(Ear::name)
                .toList();
    }
}
