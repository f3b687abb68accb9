package rivulus.gear;

import rivulus.disk.Worded;

/// What a template is in a rig.
public enum GearKind implements Worded {
    DESK,
    RECORDER,
    MICROPHONE,
    WEARABLE,
    LOUDSPEAKER,
    COMPUTER,
    PROGRAM,
    SERVICE,
    PHONE,
    ADAPTER,
    ISOLATOR,
    /// A virtual one, between programs.
    CABLE,
    HUB,
    STRIP,
    BATTERY,
    ROOM,
    PERSON;

    /// Whether it is a small box that lies in a lead and is counted with the leads.
    public boolean isBox() {
        return this == ADAPTER || this == ISOLATOR;
    }

    /// Whether a hand can take it: programs and services are none.
    public boolean isThing() {
        return this != PROGRAM && this != SERVICE;
    }
}
