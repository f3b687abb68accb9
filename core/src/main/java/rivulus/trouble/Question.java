package rivulus.trouble;

import java.util.ArrayList;
import java.util.List;
import rivulus.show.Ear;
import rivulus.show.Names;
import rivulus.show.Person;
import rivulus.show.Ref;
import rivulus.show.Source;
import rivulus.show.Symptom;

/// Something that can be asked or tried on the spot.
public sealed interface Question {
    /// The same for the same question.
    String id();

    /// As one says it: "Nadia, do you hear Maren?"
    String words();

    /// Who does it or answers; empty for whoever is at the gear.
    String who();

    /// About how long it takes.
    double minutes();

    /// What can be answered.
    List<Reply> replies();

    /// "Maren talking", "the alerts playing".
    static String sounding(Source source) {
        return Names.of(source) + (source instanceof Person ? " talking" : " playing");
    }

    /// What an ear makes of a source.
    ///
    /// @param planned whether it is meant to hear it
    /// @param metered whether nobody can be asked, so that a meter is looked at
    record Ask(Ear ear, Source source, boolean planned, boolean metered, double minutes)
            implements Question {
        @Override
        public String id() {
            return "ask/%s/%s".formatted(ear.id(), source.id());
        }

        @Override
        public String who() {
            return ear.kind() == Ear.Kind.PERSON ? ear.name() : "";
        }

        @Override
        public String words() {
            String whom = isOwn() ? "yourself" : Names.of(source);
            if (ear.kind() == Ear.Kind.PERSON)
                return "%s, how do you hear %s?".formatted(ear.name(), whom);
            return (metered
                            ? "With %s: what does the meter of %s show?"
                            : "With %s: how does it sound at %s?")
                    .formatted(sounding(source), Names.of(ear));
        }

        @Override
        public List<Reply> replies() {
            List<Reply> replies = new ArrayList<>();
            if (!planned) {
                replies.add(new Reply.Heard(Symptom.AS_WISHED));
                replies.add(new Reply.Heard(Symptom.UNWANTED));
                if (isOwn()) {
                    // what people say who hear themselves come back
                    replies.add(new Reply.Heard(Symptom.TWICE));
                    replies.add(new Reply.Heard(Symptom.LATE));
                }
                return replies;
            }
            for (Symptom symptom : Symptom.values())
                if (symptom != Symptom.UNWANTED
                        && (!metered || Reports.onAMeter(symptom) == symptom))
                    replies.add(new Reply.Heard(symptom));
            return replies;
        }

        /// Whether somebody is asked about themself.
        private boolean isOwn() {
            return ear.of().equals(source.id()) && ear.kind() == Ear.Kind.PERSON;
        }

        /// An answer in words: where nothing should be heard, "as it should be" is "no".
        public String words(Symptom symptom) {
            if (planned) return symptom.words();
            return symptom == Symptom.AS_WISHED ? "not at all, as it should be" : symptom.words();
        }
    }

    /// What is there of a source that should be, at a point inside the gear, by its meter or by
    /// headphones.
    ///
    /// @param at in words: "MIC 1 on Show desk"
    /// @param ears whether headphones have to be plugged in there
    record Probe(Ref point, String at, Source source, boolean ears, double minutes)
            implements Question {
        @Override
        public String id() {
            return "probe/%s/%s".formatted(point, source.id());
        }

        @Override
        public String who() {
            return "";
        }

        @Override
        public String words() {
            return (ears
                            ? "With %s, plug headphones into %s: what comes?"
                            : "With %s, look at the meter of %s: what comes?")
                    .formatted(sounding(source), at);
        }

        @Override
        public List<Reply> replies() {
            List<Symptom> all = List.of(Symptom.AS_WISHED, Symptom.NOT, Symptom.SOFT, Symptom.LOUD);
            return all.stream().<Reply>map(Reply.Heard::new).toList();
        }
    }

    /// A look whether somewhere all is as planned.
    ///
    /// @param suspects what could be wrong there, likeliest first
    record Look(Spot spot, List<Fault> suspects) implements Question {
        public Look {
            suspects = List.copyOf(suspects);
        }

        @Override
        public String id() {
            return spot.id();
        }

        @Override
        public String who() {
            return spot.who();
        }

        @Override
        public double minutes() {
            return spot.minutes();
        }

        @Override
        public String words() {
            return "Look at %s: is all as planned?".formatted(spot.words());
        }

        @Override
        public List<Reply> replies() {
            List<Reply> replies = new ArrayList<>();
            replies.add(new Reply.Planned());
            for (Fault fault : suspects) replies.add(new Reply.Found(fault));
            return replies;
        }
    }
}
