package rivulus.page;

import java.util.regex.Pattern;

/// The shapes of sentences that say who hears whom, held against the coded text of a [Clause]. In
/// each, `who` hears and `whom` is heard; `but` is left out.
final class WishShapes {
    /// One thing or person, with the small words around it.
    static final String ITEM =
            "(?:(?:the|a|an|echo of|sound of|copy of|voice of|return of|his|her|its|our|my|their|your|those|these|all|of|lots|same|other|old|any|some|in|little|good|own|us|two|both|from|at) )*(?:<C\\d+> )?(?:(?!(?:less|not|no|minus|with|without|but|except|never|nor|neither|only|and|or|to|is|are|may|must|into|on|than|for|that|when|if|so|as|it|who|which|hate|hates|apart|nothing)\\b)\\w+ )??(?:<U\\d+> (?:(?!to|on|in|at|from|but)\\w+ )?(?=$|[,.)|]|and |not )|<[NRUOSGILWQ]\\d+> )(?:'s? |(?:one|ones|people|guests?|voice|voices|sound|sounds|side) )*(?:(?:in|on|at|from) (?:the |our |my )?<L\\d+> (?!(?:on|to|into|in) ))?";

    /// Several of them.
    static final String LIST =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as |too |also |but |not )+?"
                    + ITEM
                    + ")*)";

    static final String PLAIN =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as )+(?!(?:\\w+ )?<Q)"
                    + ITEM
                    + ")*)";
    /// The same, of whom is heard: it ends where the next one does something.
    static final String WHOM =
            "(?:"
                    + ITEM
                    + "(?:(?:, |and |& |\\+ |or |nor |/ |, and |plus |as well as )+(?!(?:\\w+ )?<Q)(?!<U\\d+> <[UH])(?!(?:the )?<[A-Z]\\d+> (?:must|may|should|shall|can|does|do|will|is|are|has|have|not|never|<H|gets?|hates?|wants?|needs?))"
                    + ITEM
                    + ")*)";
    static final String SMALL =
            "(?:(?:must|has|have|should|shall|can|is|are|to|also|may|will|would|like|be|able|all|always|each|both|really|of|course|still|who|that|do|does|want|wants|need|needs|by|phone|call|there|again|very|much|dearly|love|then|may|too|in the \\w+|at the \\w+|both|shall|let) )*";
    static final String NOT = "(?:not|never|neither|nor)";
    static final String HEARS =
            "(?:<H\\d+> |carry |carries |holds? |contains? |plays? |has |have |gets? |takes? |(?:wants?|needs?|likes?) (?=(?:the |a |his |her |my |our |their |that |lots of |more |some |only )*<[NSRIOQ]\\d+>))";
    static final String EXCEPT =
            "(?:(?:, |but |- |\\( ?)*(?:but|except|not|without|minus|less|no|apart from|bar|and not|nor|never|neither) (?:for |of |also |even )*(?<but>"
                    + PLAIN
                    + "))?";

    static final Pattern MUST_NOT =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:, )?(?:who |they |he |she |we )?"
                            + SMALL
                            + "(?:"
                            + NOT
                            + ") (?:(?:ever|to|be|able|even|allowed|necessarily|go|want|wants) )*(?:<H\\d+>|have|get) (?:to <H\\d+> |of |any |either )?(?<whom>"
                            + WHOM
                            + ")");
    static final Pattern FRONTED =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:, )?(?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + NOT
                            + " (?:ever )?<H\\d+>");
    static final Pattern ONLY =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "(?:only <H\\d+> |<H\\d+> (?:only|just|nothing but|nobody but|no one but) )(?<whom>"
                            + WHOM
                            + ")|(?<who2>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "<H\\d+> (?<whom2>"
                            + WHOM
                            + ")(?:only|, (?:and )?(?:no one|nobody|nothing) else|alone|, and <U\\d+>)");
    static final Pattern MUST =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:, )?"
                            + SMALL
                            + HEARS
                            + "(?:to <H\\d+> )?(?:only |just )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    /// What one hears besides, said with the word again: "hears Malou, hears Tjorven".
    static final Pattern MORE_HEARS =
            Pattern.compile("\\G(?:, |and |but |, and )+<H\\d+> (?<whom>" + WHOM + ")");
    /// What the one who was named first hears besides what else they do: "Bela wears headphones,
    /// hears the metronome".
    static final Pattern CARRIED =
            Pattern.compile(
                    "(?:, |and |; )(?:(?:also|must|should|only|can|may) )*(?<not>(?:does |do |must |should )?(?:not|never) )?<H\\d+> (?<only>only |just )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    /// "Moyo: everything, self", "Ciaran: clean feed".
    static final Pattern FEED =
            Pattern.compile(
                    "^(?<who>"
                            + PLAIN
                            + "): (?:(?:an? |the )?(?<clean>clean feed|mix-minus|mix minus|n - <C\\d+>|n - 1) ?|(?<whom>"
                            + WHOM
                            + "))"
                            + EXCEPT);
    static final Pattern SAYS_HEARS =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:says?|said|complains?|complained|tells?|always|keeps?) (?:that |she |he |they |<[UQ]\\d+> )*<H\\d+> (?<self><U\\d+>)");
    /// "Room speakers with Maud and the comics, never the laugh mics".
    static final Pattern WITH =
            Pattern.compile("(?<who>" + PLAIN + ")with (?<whom>" + WHOM + ")" + EXCEPT);
    static final Pattern NOBODY_SELF =
            Pattern.compile("<U\\d+> (?:<H\\d+> |ever |of <U\\d+> )*<U\\d+>");
    static final Pattern AND_EACH_OTHER =
            Pattern.compile("\\G(?:, |and )+(?:each other|one another) ");
    static final Pattern REACH =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:, )?"
                            + SMALL
                            + "(?<not>not |never )?reach(?:es)? (?<who>"
                            + PLAIN
                            + ")");
    static final Pattern FOR_IS =
            Pattern.compile(
                    "for (?<who>"
                            + PLAIN
                            + ")(?:(?:it|<U\\d+>) is |only |just )(?:only |just )?(?<whom>"
                            + WHOM
                            + ")");
    /// "And nobody else", "and nothing but the organ", behind whom one hears.
    static final Pattern ELSE =
            Pattern.compile(
                    "\\G(?:in an? <G\\d+> )?(?:, |- |and |but )+(?:<H\\d+> )?(?<none><U\\d+>)(?: but (?<whom>"
                            + WHOM
                            + "))?");
    static final Pattern BARE =
            Pattern.compile(
                    "^(?:and |but )?"
                            + SMALL
                            + "(?<not>not |never )?<H\\d+> (?<only>only |just |nothing but )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    static final Pattern MINUS =
            Pattern.compile(
                    "(?:mix-minus|mix minus|n - <C\\d+>|clean feed)(?: \\w+){0,2} (?:to|for) (?<who>"
                            + PLAIN
                            + ")");
    static final Pattern NO_ON_IT =
            Pattern.compile("(?:no|not|without) (?<whom>" + WHOM + ")(?:on|in) <U\\d+>");
    static final Pattern MORE_NOT =
            Pattern.compile(
                    "\\G(?:in (?:stereo|mono|full) |dry |\\w+ly |loud and clear |(?:on|over|in|through|via) (?:the |his |her |an? )?(?:\\w+ )?(?:<[L]\\d+> )?<[GL]\\d+> )?(?:, |and |but |or |\\( ?)*(?:no|not|never|without|minus|nor|neither) (?:for |the )?(?<whom>"
                            + WHOM
                            + ")");
    static final Pattern NOT_ON_OUT =
            Pattern.compile(
                    "(?:not|never) (?:be |go |come |heard |ever )*(?:on|in) (?:the )?(?<who><O\\d+>)");
    static final Pattern NO_FOR =
            Pattern.compile(
                    "(?:no|not|without) (?<whom>" + WHOM + ")(?:for|to) (?<who>" + PLAIN + ")");
    static final Pattern NOT_ON =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:(?:from|off|by) (?:\\w+ ){0,2}<[GLN]\\d+> )?(?:, )?(?:(?:is|are|goes|go|comes|come|stays?|must|may|should|shall|can|be|kept|to|does|do|will|ever|heard) )*(?:not|never|nowhere)(?: (?:be|go|come|ever|to|heard|wanted|kept|back))* (?:on|in|into|to|over|through|out of|for|near) (?<who>"
                            + PLAIN
                            + ")");
    static final Pattern KEEP_OUT =
            Pattern.compile(
                    "keep (?<whom>"
                            + PLAIN
                            + ")(?:out of|off|away from|from|<Z\\d+> (?:from|of)) (?<who>"
                            + PLAIN
                            + ")");
    /// "The bed must stay out of the recording", "leave the bed out of the podcast".
    static final Pattern STAY_OUT =
            Pattern.compile(
                    "(?:leave |take )?(?<whom>"
                            + PLAIN
                            + ")(?:(?:must|should|shall|has|have|is|are|to|be|please|always) )*(?:stays? |keeps? |remains? |goes |go |left )?(?:<Z\\d+>|out|away|off) (?:of|from) (?<who>"
                            + PLAIN
                            + ")");
    /// "Nothing of the callers on the podcast".
    static final Pattern NOTHING_OF =
            Pattern.compile(
                    "(?:<U\\d+>|nothing) (?:of|from) (?<whom>"
                            + WHOM
                            + ")(?:on|in|to|into|for) (?<who>"
                            + PLAIN
                            + ")");
    /// "Give Odd the programme without himself".
    static final Pattern GIVE =
            Pattern.compile(
                    "(?:give|feed|send|let|bring) (?<who>"
                            + PLAIN
                            + ")(?:have |hear |<H\\d+> )?(?:(?:an? |the )(?:mix|feed|sum|return) |(?:the )?(?:whole |full )?(?<whom>"
                            + WHOM
                            + "))"
                            + EXCEPT);
    /// "Neither the stream nor the podcast may have the bed".
    static final Pattern NEITHER_NOR =
            Pattern.compile(
                    "neither (?<who>" + PLAIN + ")" + SMALL + HEARS + "(?<whom>" + WHOM + ")");
    /// "Maren alone hears Teo".
    static final Pattern ALONE_HEARS =
            Pattern.compile("(?<who>" + PLAIN + ")alone <H\\d+> (?<whom>" + WHOM + ")");
    /// "Ivo can do without the bed", "Ivo hates the bed".
    static final Pattern DOES_WITHOUT =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:(?:(?:can|could|will|would|must|does|do|well|very|gladly) )+without|(?:hates?|loathes?|can not (?:stand|bear))) (?<whom>"
                            + WHOM
                            + ")");
    /// "No own voice in Odd's headphones".
    static final Pattern NO_IN =
            Pattern.compile(
                    "(?:no|not|without) (?<whom>"
                            + WHOM
                            + ")(?:in|on|over) (?<who><N\\d+>) 's (?:\\w+ )?(?:<G\\d+>|ears?|mix|phones)");
    /// "What Odd hears: Maren and Ivo", "Odd's mix: …", "in Odd's ears: …".
    static final Pattern EARS =
            Pattern.compile(
                    "^(?:what |in |on |over )?(?<who><[NRW]\\d+>) (?:'s |' )?(?:\\w+ )?(?:<H\\d+>|<G\\d+>|mix|ears?|headphone mix|feed|return) ?: (?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    /// "Alerts to the stream, not to the guests".
    static final Pattern SOUND_TO =
            Pattern.compile(
                    "^(?:the |our |all )?(?<whom>(?:<S\\d+>|, |and )+) ?(?:go |goes )?(?:only )?(?:to|on|into|for|in) (?<who>"
                            + PLAIN
                            + ")(?:, |but )*(?:not|never) (?:to|on|into|for|in) (?<not>"
                            + PLAIN
                            + ")");
    /// "Record everybody but the callers", "don't record the bed".
    static final Pattern RECORD =
            Pattern.compile(
                    "^(?:please |we |<Q\\d+> |do )*(?<not>not )?(?:<Q\\d+> )?(?<who><O\\d+>) (?:only )?(?<whom>"
                            + WHOM
                            + ")"
                            + EXCEPT);
    static final Pattern NOT_TO_ALSO =
            Pattern.compile(
                    "\\G(?:'s? <G\\d+> )?(?:, |but |and )*(?:not|never) to (?<who>" + PLAIN + ")");
    /// "Odd gets no jingles".
    static final Pattern HEARS_NO =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + HEARS
                            + "(?:no|none of|nothing of|nothing from|neither) (?<whom>"
                            + WHOM
                            + ")");
    /// "The recording is of Maren and Odd only".
    static final Pattern OUT_OF =
            Pattern.compile(
                    "(?<who><O\\d+>) (?:is |are )?(?:only )?of (?<whom>" + WHOM + ")" + EXCEPT);
    static final Pattern KEPT_OUT =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:(?:is|are|be|to|must|should|shall|has|have) )+kept (?:out of|off|away from|from|<Z\\d+> (?:from|of)) (?<who>"
                            + PLAIN
                            + ")");
    /// "Talkback -> Ondine's phones only".
    static final Pattern TALKBACK_TO =
            Pattern.compile(
                    "(?<whom><G\\d+> )(?:(?:goes|is|only) )*(?:->|=>|→|>|to|into|for) (?<who><N\\d+>(?: (?:,|and|&|\\+) <N\\d+>)*) (?:'s? )?(?:<G\\d+> )?(?<only>only)?");
    /// "Both on intercom with Pilvi".
    static final Pattern INTERCOM =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:is |are )?(?:on|by|over|share) (?:the |an? |one )?(?<gear><G\\d+> )(?:with (?<who>"
                            + PLAIN
                            + "))?");
    static final Pattern ONLY_TO =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:(?:from|off) (?:the |my |same |our |his |her |an? )*<G\\d+> )?(?:, )?(?:(?:goes|go|comes|is|are|just|talks?|speaks?) )*(?:only (?:to|into|in|on|for) (?<who>"
                            + PLAIN
                            + ")|(?:to|into|in|on|for) (?<who2>"
                            + PLAIN
                            + ")(?:only|alone|(?:, )?(?:and )?(?:nowhere else|nobody else|no one else|<U\\d+>)))");
    static final Pattern GOES_TO =
            Pattern.compile(
                    "(?<whom>"
                            + PLAIN
                            + ")(?:(?:goes|go|comes|come|is|are|to|be|also|heard|sent|played|can|could|may|must|should|shall) )+(?:to|into|on|over|through|in) (?<who>"
                            + PLAIN
                            + ")(?:(?:at|in) \\w+ \\w+ )?(?:(?:, |but |and )*(?:not|never) (?:to|into|on|over|through|in) (?<not>"
                            + PLAIN
                            + "))?");
    static final Pattern TALKS =
            Pattern.compile(
                    "(?:(?<whom>"
                            + PLAIN
                            + ")(?:, )?(?:(?:can|may|must|should|has|have|with|a|who|will|wants?|to|be|able|<G\\d+>) )*)?(?:talks?|<G\\d+>|speaks?|whispers?|comments?|talkback|talk back|cuts? in|says? \\w+|hints?)(?: (?!not|never)\\w+){0,2} (?:to|into|in) (?<who>"
                            + PLAIN
                            + ")(?<only>only)?");
    static final Pattern NEVER_OUT =
            Pattern.compile(
                    "(?:without it going out|never goes? out|never out|not out|never on (?:the )?(?:air|<U\\d+>)|never <[UZ]\\d+>|not on (?:the )?<U\\d+>|without <U\\d+> <U\\d+>|without it <U\\d+>|that never <U\\d+>|not <U\\d+>|not go on air|is never on air|isn't on air)");
    static final Pattern EACH_OTHER =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:\\w+ ){0,4}(?:<H\\d+> )(?:each other |one another )(?:and (?<whom>"
                            + WHOM
                            + "))?");
    static final Pattern BUT_SELF =
            Pattern.compile(
                    "(?<who>"
                            + PLAIN
                            + ")(?:\\w+ )?(?:, )?(?:but |must |should |may |and )*"
                            + NOT
                            + " (?:<H\\d+> |get |hear )?(?:to )?(?<self><U\\d+>)");
    static final Pattern LABEL = Pattern.compile("^(?<who>" + PLAIN + "): (?<rest>.*)$");
    static final Pattern ONLY_GETS =
            Pattern.compile("only (?<who>" + PLAIN + ")" + HEARS + "(?<whom>" + WHOM + ")");
    static final Pattern ELLIPSIS =
            Pattern.compile(
                    "^(?:and |but |again )*(?<who>"
                            + PLAIN
                            + ")(?:must|does|do|may|will|should|shall|is|are) (?<not>not )?$");
    static final Pattern LABELLED =
            Pattern.compile(
                    "^(?:on |in |into |for )?(?<label>"
                            + PLAIN
                            + ")(?:(?:from|off) (?:the |my |her |his )?(?:<U\\d+> )?<G\\d+> )?: (?<list>"
                            + WHOM
                            + ")"
                            + EXCEPT
                            + "(?<only>only)?");
    static final Pattern SAME =
            Pattern.compile(
                    "(?<who>" + PLAIN + ")" + SMALL + "<H\\d+> (?:the same|the same thing)");
    static final Pattern NOT_TO =
            Pattern.compile("^(?:and |but )?(?:not|never) to (?<who>" + PLAIN + ")");
    static final Pattern AND_TO =
            Pattern.compile("(?:, |and |, and )(?:also )?to (?<who>" + PLAIN + ")");
    static final Pattern COMPLAINT =
            Pattern.compile(
                    "(?<who>" + PLAIN + ")(?:\\w+ ){0,4}(?:heard|hear|<H\\d+>) (?<self><U\\d+>)");
    static final Pattern NEITHER =
            Pattern.compile(
                    "(?:neither of|none of|nobody of) (?<who>"
                            + PLAIN
                            + ")"
                            + SMALL
                            + "<H\\d+> (?<whom>"
                            + WHOM
                            + ")");
    static final Pattern WHEN = Pattern.compile("(?:^| )(?:in|during|at|for|under|to) (?:the )?");
    static final Pattern NONE_OF =
            Pattern.compile("(?:^|, |and )(?:no|not|without|never) (?<whom>" + ITEM + ")");

    private WishShapes() {}
}
