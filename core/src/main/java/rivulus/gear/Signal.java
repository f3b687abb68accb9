package rivulus.gear;

import rivulus.disk.Worded;

/// What a port carries.
public enum Signal implements Worded {
    MIC,
    LINE,
    INSTRUMENT,
    HEADPHONES,
    SPEAKER,
    HEADSET,
    USB,
    NET,
    NETWORK_AUDIO,
    PHONE,
    VIDEO,
    OPTICAL,
    RADIO,
    POWER;

    /// Whether a microphone gives it.
    public boolean isMicrophone() {
        return this == MIC || this == HEADSET;
    }

    /// Whether it is a voltage that follows the sound.
    public boolean isAnalogue() {
        return switch (this) {
            case MIC, LINE, INSTRUMENT, HEADPHONES, SPEAKER, HEADSET -> true;
            case USB, NET, NETWORK_AUDIO, PHONE, VIDEO, OPTICAL, RADIO, POWER -> false;
        };
    }
}
