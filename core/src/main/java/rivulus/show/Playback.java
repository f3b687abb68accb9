package rivulus.show;

import java.util.List;
import java.util.Optional;
import rivulus.disk.Extras;
import rivulus.disk.Worded;
import rivulus.gear.Speech;

/// Something that plays: a music bed, cue pads, alerts.
///
/// @param at the point in the rig where it starts; empty where nobody has said what plays it
/// @param lufs how loud it was made, in LUFS; [Speech#NOMINAL_LUFS] where nobody said
/// @param licensed the kinds of ears it may be heard by though music usually may not
public record Playback(
        String id,
        String name,
        Kind kind,
        Optional<Ref> at,
        double lufs,
        List<Ear.Kind> licensed,
        Extras extras)
        implements Source {
    public Playback {
        licensed = List.copyOf(licensed);
    }

    /// What it is. The brief's defaults go by it.
    public enum Kind implements Worded {
        /// Music that needs a licence on demand.
        MUSIC,
        /// Jingles and effects on pads.
        CUES,
        /// A clip that is part of the telling.
        CLIP,
        /// Whatever else a computer plays.
        COMPUTER,
        /// Programme from elsewhere.
        PROGRAMME,
        /// Notices of the stream.
        ALERTS,
        /// A measuring tone.
        TONE;
    }

    @Override
    public String part() {
        return kind.word();
    }

    @Override
    public String self() {
        return "itself";
    }

    @Override
    public String object() {
        return "it";
    }

    /// The same under another name.
    public Playback named(String newName) {
        return new Playback(id, newName, kind, at, lufs, licensed, extras);
    }

    /// The same as something else.
    public Playback as(Kind newKind) {
        return new Playback(id, name, newKind, at, lufs, licensed, extras);
    }

    /// The same played elsewhere.
    public Playback from(Optional<Ref> point) {
        return new Playback(id, name, kind, point, lufs, licensed, extras);
    }

    /// The same made so loud, in LUFS.
    public Playback made(double newLufs) {
        return new Playback(id, name, kind, at, newLufs, licensed, extras);
    }

    /// How much louder it comes than a voice at nominal, in dB, where it starts.
    public double overNominalDb() {
        return lufs - Speech.NOMINAL_LUFS;
    }

    /// Whether it is music or programme, which voices may be drowned in.
    public boolean isProgramme() {
        return kind == Kind.MUSIC || kind == Kind.PROGRAMME;
    }

    /// The same licensed for other ears.
    public Playback licensed(List<Ear.Kind> kinds) {
        return new Playback(id, name, kind, at, lufs, kinds, extras);
    }
}
