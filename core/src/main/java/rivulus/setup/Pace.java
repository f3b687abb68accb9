package rivulus.setup;

/// How long things take, in minutes. Rules of thumb ~ for somebody who has done it before; nobody
/// has timed them.
final class Pace {
    static final double FADERS_DOWN = 0.5;
    static final double DESK = 3;
    static final double MACHINE = 1.5;
    static final double SMALL = 0.5;
    static final double PROGRAM = 0.7;
    static final double LEAD = 0.5;
    static final double METRE_OF_LEAD = 0.1;
    static final double KNOB = 0.15;
    static final double CLICKS = 0.3;
    static final double CLOSE = 1;
    static final double GOING = 1;
    static final double LOUD = 1;

    private Pace() {}
}
