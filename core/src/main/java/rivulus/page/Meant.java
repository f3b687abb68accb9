package rivulus.page;

/// What kind of thing some words of a page mean. The letter stands for it in a [Clause]'s pattern.
enum Meant {
    NAME('N'),
    ROLE('R'),
    WAY('W'),
    GEAR('G'),
    INSTRUMENT('I'),
    OUT('O'),
    SOUND('S'),
    PLACE('L'),
    GROUP('U'),
    /// A pronoun that only stands where somebody does something.
    SUBJECT('Q'),
    SILENT('Z'),
    HEAR('H'),
    SPEAKLESS('X'),
    DOES('V'),
    DOUBT('D'),
    COUNT('C'),
    MINUTES('M'),
    CLOCK('K');

    private final char letter;

    Meant(char letter) {
        this.letter = letter;
    }

    char letter() {
        return letter;
    }
}
