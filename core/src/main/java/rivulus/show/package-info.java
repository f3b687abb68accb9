/// The show document: one immutable tree of records, edited by pure functions `Show -> Show`.
///
/// It says who is in the show, where they are, who listens, who must hear whom, which gear is
/// joined how, and what is turned from scene to scene. It knows nothing of graphs, verdicts or
/// files.
package rivulus.show;
