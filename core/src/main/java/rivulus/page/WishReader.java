package rivulus.page;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Who is to hear whom, in the many ways of saying it ([WishShapes]).
final class WishReader {
    /// What loudspeakers and feeds do.
    private static final Set<String> SOUNDS = Set.of("carr", "play", "hold", "contain");

    private final Gathered so;

    WishReader(Gathered so) {
        this.so = so;
    }

    /// Whether a clause says something of what somebody hears.
    static boolean isOne(Clause clause) {
        return clause.has(Meant.HEAR)
                && clause.has(Meant.NAME, Meant.ROLE, Meant.GROUP, Meant.OUT, Meant.SOUND)
                && clause.all(
                                        Meant.NAME,
                                        Meant.ROLE,
                                        Meant.GROUP,
                                        Meant.OUT,
                                        Meant.SOUND,
                                        Meant.PLACE)
                                .size()
                        > 1;
    }

    void read(Sheet.Line line, Clause clause) {
        new One(line, clause).read();
    }

    /// One clause while it is read.
    private final class One extends Wishing {
        One(Sheet.Line line, Clause clause) {
            super(WishReader.this.so, line, clause);
        }

        void read() {
            if (ofTheLast()) return;
            labelled();
            parts();
            same();
            if (complaint() || notTo()) return;
            each(WishShapes.RECORD, this::record);
            each(WishShapes.NEITHER, this::mustNot);
            each(WishShapes.NEITHER_NOR, this::mustNot);
            each(WishShapes.ALONE_HEARS, m -> alone(m, m.group("who")));
            each(WishShapes.GIVE, this::give);
            each(WishShapes.SOUND_TO, this::goesTo);
            each(WishShapes.NOTHING_OF, this::nothingOf);
            each(WishShapes.NO_IN, this::mustNot);
            each(WishShapes.MUST_NOT, this::mustNot);
            each(WishShapes.HEARS_NO, this::mustNot);
            each(WishShapes.OUT_OF, this::must);
            each(WishShapes.ONLY, this::only);
            each(
                    WishShapes.REACH,
                    m ->
                            wish(
                                    m.group("who"),
                                    m.group("not") == null ? "must" : "must not",
                                    m.group("whom")));
            each(WishShapes.FOR_IS, this::forIs);
            each(WishShapes.MINUS, this::mixMinus);
            each(WishShapes.EACH_OTHER, this::eachOther);
            each(WishShapes.ONLY_GETS, m -> alone(m, m.group("who")));
            each(WishShapes.KEEP_OUT, this::mustNot);
            each(WishShapes.KEPT_OUT, this::mustNot);
            each(WishShapes.STAY_OUT, this::mustNot);
            each(WishShapes.DOES_WITHOUT, this::mustNot);
            neverOut();
            if (clause.has(Meant.OUT)) each(WishShapes.NO_ON_IT, this::notOnIt);
            each(WishShapes.TALKBACK_TO, this::talkbackTo);
            each(WishShapes.INTERCOM, this::intercom);
            each(WishShapes.TALKS, this::talks);
            if (clause.has(Meant.OUT)) each(WishShapes.NOT_ON_OUT, this::notOnOut);
            each(WishShapes.ONLY_TO, m -> alone(m, either(m, "who")));
            each(WishShapes.NOT_ON, this::mustNot);
            each(WishShapes.NO_FOR, this::mustNot);
            boolean carries =
                    clause.has(Meant.GEAR)
                            && SOUNDS.stream().anyMatch(word -> coded.contains(" " + word));
            if (clause.has(Meant.HEAR, Meant.OUT) || carries) {
                bare();
                each(WishShapes.MUST, this::must);
                carried();
                each(WishShapes.FRONTED, this::mustNot);
            }
            each(WishShapes.GOES_TO, this::goesTo);
            each(WishShapes.WITH, this::with);
            each(WishShapes.NOBODY_SELF, this::nobodySelf);
            each(WishShapes.BUT_SELF, m -> wish(m.group("who"), "must not", m.group("self")));
        }

        // By what was said before

        /// What is said by what was said last.
        ///
        /// @return whether that is all that the clause says
        private boolean ofTheLast() {
            if (so.wishes.isEmpty()) return false;
            Matcher ellipsis = so.effort.matcher(WishShapes.ELLIPSIS, coded);
            if (!ellipsis.find()) return false;
            Facts.Wish last = so.wishes.getLast();
            List<String> whom =
                    so.wishes.stream()
                            .filter(w -> w.line() == last.line() && w.who().equals(last.who()))
                            .map(Facts.Wish::whom)
                            .toList();
            String hears = ellipsis.group("not") == null ? "must" : "must not";
            for (String ear : ears(ellipsis.group("who")))
                for (String source : whom) add(ear, hears, source);
            return true;
        }

        /// "Didrik gets the same": what was last said of somebody else, not of themselves.
        private void same() {
            Matcher same = so.effort.matcher(WishShapes.SAME, coded);
            if (so.wishes.isEmpty() || !same.find()) return;
            Facts.Wish last = so.wishes.getLast();
            List<Facts.Wish> all =
                    so.wishes.stream().filter(w -> w.who().equals(last.who())).toList();
            for (String ear : ears(same.group("who")))
                for (Facts.Wish one : all)
                    add(ear, one.hears(), one.whom().equals(one.who()) ? ear : one.whom());
        }

        /// "Last time Bram heard himself": what went wrong then must not be.
        ///
        /// @return whether the clause tells of then
        private boolean complaint() {
            Matcher says = so.effort.matcher(WishShapes.SAYS_HEARS, coded);
            while (says.find())
                if (isSelf(clause.in(says.group("self"))))
                    for (String ear : ears(says.group("who"))) add(ear, "must not", ear);
            if (so.wishes.size() > before) return true;
            if (!clause.says("last", "complained", "complain", "never again", "again"))
                return false;
            Matcher complaint = so.effort.matcher(WishShapes.COMPLAINT, coded);
            while (complaint.find())
                if (isSelf(clause.in(complaint.group("self"))))
                    for (String ear : ears(complaint.group("who"))) add(ear, "must not", ear);
            return clause.says("last");
        }

        /// "Not to Sunniva", behind what somebody else hears.
        private boolean notTo() {
            Matcher notTo = so.effort.matcher(WishShapes.NOT_TO, coded);
            if (so.wishes.isEmpty() || !notTo.find()) return false;
            String last = so.wishes.getLast().whom();
            for (String ear : so.meant(clause.in(notTo.group("who")), List.of()))
                add(ear, "must not", last);
            return true;
        }

        /// "The recording without the open floor", "recording: only intro and talk": a part that is
        /// not in what goes out.
        private void parts() {
            Optional<Chunk> out =
                    clause.all(Meant.OUT).stream()
                            .filter(c -> Gathered.isOutput(c.value()))
                            .findFirst();
            if (out.isEmpty() || so.parts.isEmpty()) return;
            String words = clause.plain();
            List<Gathered.PartSoFar> only = new ArrayList<>();
            List<Gathered.PartSoFar> not = new ArrayList<>();
            for (Gathered.PartSoFar part : so.parts) {
                if (!words.contains(Names.singular(part.key))) continue;
                if (so.plays.stream().anyMatch(p -> Gathered.key(p.name()).equals(part.key)))
                    continue;
                String name =
                        Names.singular(part.key).equals(part.key)
                                ? Pattern.quote(part.key) + "s?"
                                : Pattern.quote(Names.singular(part.key)) + "s?";
                String list =
                        "(?:(?:the |of |in |for |during |from )*\\w+ (?:part )?(?:and|,|\\+|&|or) ){0,3}(?:the |of |in |for |during |from )*";
                if (so.effort.fits(words, ".*\\b(?:only|just) " + list + name + "(?: .*)?")
                        || so.effort.fits(words, ".*, " + list + name + "(?: part)? only(?: .*)?")
                        || so.effort.fits(words, ".* " + name + "(?: part)? only(?: .*)?"))
                    only.add(part);
                else if (so.effort.fits(
                                words,
                                ".*\\b(?:not|without|except|minus|no|never) "
                                        + list
                                        + name
                                        + "(?: .*)?")
                        || so.effort.fits(
                                words,
                                ".*\\b"
                                        + name
                                        + "(?: part)?(?: and \\w+)? (?:is |are |goes |go )*(?:not|never)(?: .*)?"))
                    not.add(part);
            }
            if (!only.isEmpty()) {
                not.addAll(so.parts);
                not.removeAll(only);
            }
            for (Gathered.PartSoFar part : not)
                so.wish(out.get().value(), "must not", "everything", part.name, line.number());
            if (!not.isEmpty()) said++;
        }

        // By shapes

        private void mustNot(Matcher match) {
            wish(match.group("who"), "must not", match.group("whom"));
            moreNot(match.end(), match.group("who"));
        }

        private void must(Matcher match) {
            boolean may = (" " + match.group()).contains(" may ");
            wish(match, match.group("who"), may ? "may" : "must");
            more(match);
        }

        private void only(Matcher match) {
            if (match.group("who2") != null && !isOnly(match)) return;
            wish(either(match, "who"), "only", either(match, "whom"));
            moreNot(match.end(), either(match, "who"));
        }

        /// Whether the words behind whom one hears say that those are all.
        private boolean isOnly(Matcher match) {
            List<Chunk> said = clause.in(match.group());
            boolean group = match.group().stripTrailing().endsWith(">");
            return !group || said.getLast().isNobodyElse();
        }

        /// Whom one hears, and nobody else does.
        private void alone(Matcher match, String who) {
            wish(who, "must", match.group("whom"));
            others(so.meant(clause.in(match.group("whom")), List.of()));
        }

        private void give(Matcher match) {
            if (match.group("whom") == null) {
                if (match.group("but") == null) return;
                for (String ear : ears(match.group("who"))) add(ear, "must", "programme");
            }
            wish(match, match.group("who"), "must");
        }

        private void nothingOf(Matcher match) {
            List<Chunk> first = clause.in(match.group());
            if (match.group().startsWith("<U") && !first.getFirst().value().equals("nobody"))
                return;
            mustNot(match);
        }

        /// "Record everybody but the callers": where recording is what is to be done.
        private void record(Matcher match) {
            if (!clause.in(match.group("who")).getFirst().text().equalsIgnoreCase("record")) return;
            wish(match, match.group("who"), match.group("not") == null ? "must" : "must not");
        }

        private void forIs(Matcher match) {
            boolean only = match.group().contains("only ") || match.group().contains("just ");
            Matcher none = so.effort.matcher(WishShapes.ELSE, coded);
            only |= none.find(match.end()) && none.start() == match.end();
            if (only) wish(match.group("who"), "only", match.group("whom"));
        }

        private void with(Matcher match) {
            if (!clause.in(match.group("who")).stream().allMatch(Wishing::isOut)
                    || !clause.in(match.group("whom")).stream().allMatch(Wishing::isHeard)) return;
            must(match);
        }

        private void goesTo(Matcher match) {
            wish(match.group("who"), "must", match.group("whom"));
            if (match.group("not") != null)
                wish(match.group("not"), "must not", match.group("whom"));
        }

        private void talkbackTo(Matcher match) {
            if (!isTalkback(match.group("whom"))) return;
            List<String> talkers = so.meant(clause.in(match.group("whom")), List.of());
            heardBy(match.group("who"), talkers);
            Matcher more = so.effort.matcher(WishShapes.AND_TO, coded.substring(match.end()));
            while (more.find()) heardBy(more.group("who"), talkers);
            Matcher not = so.effort.matcher(WishShapes.NOT_TO_ALSO, coded);
            if (not.find(match.end()) && not.start() == match.end())
                for (String ear : ears(not.group("who")))
                    for (String talker : talkers) add(ear, "must not", talker);
            if (match.group("only") != null) others(talkers);
        }

        /// Those who are on an intercom hear each other.
        private void intercom(Matcher match) {
            if (!isTalkback(match.group("gear"))) return;
            List<String> some = ears(match.group("whom"));
            List<String> others = match.group("who") == null ? some : ears(match.group("who"));
            for (String one : others)
                for (String other : some) if (!one.equals(other)) add(one, "must", other);
        }

        private boolean isTalkback(String coded) {
            return clause.in(coded).stream()
                    .anyMatch(c -> List.of("talkback mic", "intercom").contains(c.value()));
        }

        /// "Room hears the guests, nobody himself": of all who hear in this clause.
        private void nobodySelf(Matcher match) {
            List<Chunk> said = clause.in(match.group());
            if (!said.getFirst().value().equals("nobody") || !isSelf(said)) return;
            Set<String> ears = new LinkedHashSet<>();
            for (Facts.Wish wish : so.wishes)
                if (wish.line() == line.number() && wish.hears().equals("must"))
                    ears.add(wish.who());
            for (String ear : ears) add(ear, "must not", ear);
        }

        private void mixMinus(Matcher match) {
            for (String ear : ears(match.group("who"))) {
                add(ear, "must", "programme");
                add(ear, "must not", ear);
            }
        }

        private void eachOther(Matcher match) {
            List<String> all = so.meant(clause.in(match.group("who")), List.of());
            if (all.size() == 1
                    && so.roster.all().stream().noneMatch(one -> one.name.equals(all.getFirst())))
                add(all.getFirst(), "must", all.getFirst());
            for (String one : all)
                for (String other : all) if (!one.equals(other)) add(one, "must", other);
            if (match.group("whom") != null) wish(match.group("who"), "must", match.group("whom"));
            more(match);
        }

        private void notOnIt(Matcher match) {
            if (!clause.in(match.group()).getLast().value().equals("it")) return;
            String out = so.meant(clause.all(Meant.OUT), List.of()).getFirst();
            for (String source : so.meant(clause.in(match.group("whom")), List.of()))
                add(out, "must not", source);
        }

        private void notOnOut(Matcher match) {
            clause.first(Meant.NAME)
                    .ifPresent(
                            name -> {
                                for (String source : so.meant(List.of(name), List.of()))
                                    for (String out : ears(match.group("who")))
                                        add(out, "must not", source);
                            });
        }

        private void talks(Matcher match) {
            int verb = match.group("whom") == null ? 0 : match.group("whom").length();
            List<Chunk> behind = clause.in(match.group().substring(verb));
            boolean gear = !behind.isEmpty() && behind.getFirst().kind() == Meant.GEAR;
            if (gear && !behind.getFirst().value().equals("talkback mic")) return;
            List<String> talkers = talkers(match);
            heardBy(match.group("who"), talkers);
            Matcher more = so.effort.matcher(WishShapes.AND_TO, coded.substring(match.end()));
            while (more.find()) heardBy(more.group("who"), talkers);
            if (clause.tokens().stream().anyMatch(token -> token.low().equals("only")))
                others(talkers);
        }

        private void heardBy(String who, List<String> talkers) {
            for (String ear : ears(who))
                for (String source : talkers) if (!ear.equals(source)) add(ear, "must", source);
        }

        /// Who talks: those who are named, else the last named before, else who was spoken of.
        private List<String> talkers(Matcher match) {
            if (match.group("whom") != null) {
                List<String> named = ears(match.group("whom"));
                if (!named.isEmpty()) return named;
            }
            for (Chunk chunk : clause.in(coded.substring(0, match.start())).reversed())
                if (chunk.is(Meant.NAME)) return so.meant(List.of(chunk), List.of());
            return spokenOf();
        }

        /// "Hears the bandmaster, and no one else": of whoever was spoken of.
        private void bare() {
            Matcher bare = so.effort.matcher(WishShapes.BARE, coded);
            if (!bare.find() || spokenOf().isEmpty()) return;
            String ear = spokenOf().getFirst();
            String hears =
                    bare.group("not") != null
                            ? "must not"
                            : bare.group("only") != null ? "only" : "must";
            for (String source : so.meant(clause.in(bare.group("whom")), List.of(ear)))
                add(ear, hears, source);
            for (String source : so.meant(clause.in(bare.group("but")), List.of(ear)))
                add(ear, "must not", source);
            coded = "| ";
        }

        /// "Without it going out", "not on air".
        private void neverOut() {
            Matcher out = so.effort.matcher(WishShapes.NEVER_OUT, coded);
            StringBuilder left = new StringBuilder();
            int at = 0;
            boolean never = false;
            while (out.find()) {
                List<Chunk> said = clause.in(out.group());
                if (!said.isEmpty()
                        && said.stream()
                                .noneMatch(
                                        c ->
                                                List.of("programme", "it").contains(c.value())
                                                        || c.text().equalsIgnoreCase("out")))
                    continue;
                never = true;
                left.append(coded, at, out.start()).append(' ');
                at = out.end();
            }
            coded = left.append(coded.substring(at)).toString();
            if (never) programme();
        }

        private void programme() {
            Optional<Chunk> who = clause.first(Meant.NAME, Meant.ROLE, Meant.SOUND);
            if (who.isEmpty()) who = line.clauses().getFirst().first(Meant.NAME, Meant.SOUND);
            List<String> names =
                    who.map(chunk -> so.meant(List.of(chunk), List.of())).orElseGet(this::spokenOf);
            for (String name : names) so.wish("programme", "must not", name, "", line.number());
        }

        /// What the one who was named first hears besides what else they do.
        private void carried() {
            if (clause.chunks().isEmpty()
                    || !clause.chunks().getFirst().is(Meant.NAME, Meant.ROLE)
                    || clause.chunks().getFirst().from() > 1) return;
            String who = "<%s0> ".formatted(clause.chunks().getFirst().kind().letter());
            each(
                    WishShapes.CARRIED,
                    m -> {
                        String hears =
                                m.group("not") != null
                                        ? "must not"
                                        : m.group("only") != null ? "only" : "must";
                        wish(m, who, hears);
                        moreNot(m.end(), who);
                    });
        }

        // By labels

        /// "Moyo: everything, self", "Ciaran: clean feed, no jingles".
        private void feed() {
            Matcher feed = so.effort.matcher(WishShapes.FEED, coded);
            if (!feed.find()) return;
            List<Chunk> who = clause.in(feed.group("who"));
            if (!who.stream().allMatch(c -> c.is(Meant.NAME, Meant.ROLE, Meant.WAY))) return;
            if (feed.group("clean") != null) mixMinus(feed);
            else {
                List<Chunk> whom = clause.in(feed.group("whom"));
                boolean all =
                        whom.stream()
                                .anyMatch(
                                        c ->
                                                c.kind() == Meant.SOUND
                                                        || List.of(
                                                                        "everything",
                                                                        "programme",
                                                                        "themselves")
                                                                .contains(c.value()));
                if (!all || who.stream().anyMatch(c -> c.kind() != Meant.NAME)) return;
                wish(feed.group("who"), "must", feed.group("whom"));
            }
            if (feed.group("but") != null) wish(feed.group("who"), "must not", feed.group("but"));
            moreNot(feed.end(), feed.group("who"));
        }

        /// "callers: no beds, no jingles", "stream: both games", "click: the drummer only".
        private void labelled() {
            feed();
            if (said > 0) {
                coded = "";
                return;
            }
            Matcher ears = so.effort.matcher(WishShapes.EARS, coded);
            if (ears.find()) {
                must(ears);
                coded = "";
                return;
            }
            Matcher list = so.effort.matcher(WishShapes.LABELLED, coded);
            if (list.find()) {
                labelled(list);
                if (said > 0) {
                    int end = moreNot(list.end(), list.group("label"));
                    coded = "| " + coded.substring(end);
                }
                return;
            }
            Matcher label = so.effort.matcher(WishShapes.LABEL, coded);
            if (label.find()) {
                Matcher none = so.effort.matcher(WishShapes.NONE_OF, label.group("rest"));
                while (none.find())
                    for (String ear : ears(label.group("who")))
                        for (String source : so.meant(clause.in(none.group("whom")), List.of(ear)))
                            add(ear, "must not", source);
            }
        }

        private void labelled(Matcher list) {
            List<Chunk> label = clause.in(list.group("label"));
            List<Chunk> items = clause.in(list.group("list"));
            if (label.stream().allMatch(Wishing::isOut)
                    && items.stream().allMatch(Wishing::isHeard)) {
                wish(list.group("label"), "must", list.group("list"));
                if (list.group("but") != null)
                    wish(list.group("label"), "must not", list.group("but"));
            }
            boolean sound = label.stream().allMatch(chunk -> chunk.kind() == Meant.SOUND);
            if (!sound || !items.stream().allMatch(Wishing::isEar)) return;
            wish(list.group("list"), "must", list.group("label"));
            if (list.group("only") != null) others(so.meant(label, List.of()));
        }
    }
}
