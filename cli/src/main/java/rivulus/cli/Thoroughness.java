package rivulus.cli;

import picocli.CommandLine.Option;
import rivulus.search.Budget;

/// How far to search: as far as usual, or on from there.
final class Thoroughness {
    static final String SEARCHES_ON = "Not everything was tried; --thorough searches on.";

    @Option(
            names = "--thorough",
            description = "Search eight times as far; given twice, eight times farther still.")
    private boolean[] more = {};

    /// What a search may cost that usually may cost so many steps.
    long steps(long usual) {
        long steps = usual;
        for (int i = 0; i < more.length; i++) steps *= Budget.MORE;
        return steps;
    }
}
