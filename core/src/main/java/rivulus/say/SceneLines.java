package rivulus.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rivulus.show.Source;

/// "scene Tales, 20 min, Bram rests".
final class SceneLines implements Said.Reader {
    private static final String SCENE = "scene ";
    private static final String RESTS = " rests";
    private static final double MOST_MINUTES = 6000;

    @Override
    public Optional<Said> read(Spoken line) {
        if (!Said.low(line.first()).startsWith(SCENE)) return Optional.empty();
        double minutes = 0;
        List<String> rests = new ArrayList<>();
        List<String> unclear = new ArrayList<>();
        for (String part : line.rest()) {
            Optional<Double> said = minutes(part);
            Optional<String> resting = resting(part, line);
            if (said.isPresent()) minutes = said.get();
            else if (resting.isPresent()) rests.add(resting.get());
            else unclear.add(part);
        }
        String name = Spoken.clipped(line.first().substring(SCENE.length()).strip());
        return Optional.of(Said.of(line, new Meaning.Part(name, minutes, rests), unclear));
    }

    /// "Maren rests": the id of who or what does.
    private static Optional<String> resting(String part, Spoken line) {
        if (!Said.low(part).endsWith(RESTS)) return Optional.empty();
        return line.source(part.substring(0, part.length() - RESTS.length())).map(Source::id);
    }

    private static Optional<Double> minutes(String part) {
        String number = Said.low(part).replaceFirst("\\s*(minutes?|min\\.?|')$", "").strip();
        if (!number.matches("\\d{1,4}([.,]\\d{1,2})?")) return Optional.empty();
        double minutes = Double.parseDouble(number.replace(',', '.'));
        return Optional.of(minutes).filter(m -> m <= MOST_MINUTES);
    }
}
