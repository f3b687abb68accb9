package rivulus.show;

import rivulus.disk.Worded;

/// The tape that marks a lead at both ends, or a channel.
public enum Tape implements Worded {
    RED,
    ORANGE,
    YELLOW,
    GREEN,
    BLUE,
    VIOLET,
    BROWN,
    GREY,
    WHITE,
    BLACK
}
