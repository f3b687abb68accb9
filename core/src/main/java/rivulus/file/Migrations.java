package rivulus.file;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;
import java.util.function.UnaryOperator;
import rivulus.disk.Entry;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.show.Show;

/// Brings an older show file to the present version, one version at a time, before it is read.
final class Migrations {
    /// Step n leads from version n to n + 1.
    private static final List<UnaryOperator<Json.Obj>> STEPS =
            List.of(Migrations::briefWasCalledWishes);

    private Migrations() {}

    /// The document as of [Show#VERSION].
    static Entry toPresent(Entry root) throws FileTrouble {
        Entry field = root.field("rivulus");
        double version = field.number(0, 1_000_000);
        if (version != Math.rint(version))
            throw field.trouble("a whole version number was expected");
        if (version > Show.VERSION) {
            throw field.trouble(
                    "this show was written by a newer Rivulus (file version %.0f; this one reads up to %d)",
                    version, Show.VERSION);
        }
        Json.Obj document = (Json.Obj) root.json();
        for (int step = (int) version; step < Show.VERSION; step++)
            document = STEPS.get(step).apply(document);
        return root.like(document);
    }

    /// Drafts before the first release kept exceptions from the brief under `wishes`.
    private static Json.Obj briefWasCalledWishes(Json.Obj document) {
        SequencedMap<String, Json> fields = new LinkedHashMap<>();
        document.fields()
                .forEach(
                        (name, value) -> fields.put(name.equals("wishes") ? "brief" : name, value));
        fields.put("rivulus", new Json.Num(1, "1", document.spot()));
        return new Json.Obj(fields, document.spot());
    }
}
