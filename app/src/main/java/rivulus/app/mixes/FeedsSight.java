package rivulus.app.mixes;

import java.util.List;
import rivulus.app.session.Picture;
import rivulus.check.Prover;
import rivulus.mix.Feed;
import rivulus.mix.Feeds;
import rivulus.mix.MixLanguage;

/// The feeds of a show, those that somebody relies on or has said something of before the others.
record FeedsSight(List<Feed> reliedOn, List<Feed> others, MixLanguage language) {
    static FeedsSight of(Picture picture, Prover prover) {
        List<Feed> all = Feeds.of(prover, picture.proof());
        List<Feed> relied = Feeds.reliedOn(all);
        List<Feed> first =
                all.stream().filter(f -> relied.contains(f) || f.says().isPresent()).toList();
        return new FeedsSight(
                first,
                all.stream().filter(feed -> !first.contains(feed)).toList(),
                new MixLanguage(picture.show().cast()));
    }
}
