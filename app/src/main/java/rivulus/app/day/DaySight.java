package rivulus.app.day;

import java.util.Optional;
import rivulus.air.Board;
import rivulus.app.session.Picture;
import rivulus.check.Proof;
import rivulus.setup.Progress;
import rivulus.setup.SetUp;
import rivulus.show.Day;
import rivulus.show.Now;
import rivulus.show.Profile;
import rivulus.show.Show;
import rivulus.trouble.Soundcheck;

/// What the stage shows of a picture; only the part that is looked at is worked out.
record DaySight(
        Picture picture,
        Optional<Progress> progress,
        Optional<Soundcheck> check,
        Optional<Board> board) {
    /// The parts of the stage.
    enum Part {
        SET_UP("Set-up"),
        SOUNDCHECK("Soundcheck"),
        TROUBLE("Find the fault"),
        AIR("On air"),
        LOG("Log");

        private final String title;

        Part(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }
    }

    /// The last list that was made: it is the same as long as only the day goes on. Used by one
    /// thread at a time.
    static final class Memo {
        private Show plan;
        private Optional<Profile> left = Optional.empty();
        private SetUp list;

        private synchronized SetUp list(Proof proof, Optional<Profile> from) {
            Show now = proof.show().withDay(Day.AHEAD);
            if (!now.equals(plan) || !from.equals(left)) {
                list = SetUp.of(proof, from);
                plan = now;
                left = from;
            }
            return list;
        }
    }

    /// @param left how the gear was left; empty where it stands as it comes
    static DaySight of(Picture picture, Part part, Now now, Memo memo, Optional<Profile> left) {
        Proof proof = picture.proof();
        boolean checks = part == Part.SOUNDCHECK || part == Part.TROUBLE;
        return new DaySight(
                picture,
                part == Part.SET_UP
                        ? Optional.of(Progress.of(memo.list(proof, left), picture.show().day()))
                        : Optional.empty(),
                checks ? Optional.of(Soundcheck.of(proof)) : Optional.empty(),
                part == Part.AIR ? Optional.of(Board.of(proof, now)) : Optional.empty());
    }
}
