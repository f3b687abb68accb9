package rivulus.show;

import rivulus.disk.Worded;

/// How somebody talks.
public enum Loudness implements Worded {
    SOFTLY,
    NORMALLY,
    LOUDLY
}
