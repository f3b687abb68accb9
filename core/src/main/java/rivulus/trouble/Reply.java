package rivulus.trouble;

import rivulus.show.Symptom;
import rivulus.words.Words;

/// An answer to a [Question].
public sealed interface Reply {
    /// As one says it.
    String words();

    /// What is heard, or a meter shows.
    record Heard(Symptom symptom) implements Reply {
        @Override
        public String words() {
            return Words.sentence(symptom.words());
        }
    }

    /// All is as planned there.
    record Planned() implements Reply {
        @Override
        public String words() {
            return "All as planned";
        }
    }

    /// Something is wrong there.
    record Found(Fault fault) implements Reply {
        @Override
        public String words() {
            return Words.sentence(fault.words());
        }
    }
}
