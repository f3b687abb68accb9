package rivulus.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Collectors;
import rivulus.disk.Entry;
import rivulus.disk.Extras;
import rivulus.disk.FileTrouble;
import rivulus.disk.Json;
import rivulus.disk.JsonText;
import rivulus.disk.SafeFile;
import rivulus.gear.Catalogue;
import rivulus.gear.Connector;
import rivulus.gear.LeadKind;
import rivulus.gear.Leads;
import rivulus.gear.Template;
import rivulus.show.Brief;
import rivulus.show.OwnTemplate;
import rivulus.show.Wish;

/// The templates and the brief's defaults that ship with the program, and templates from files.
public final class Templates {
    private static final String FOLDER = "/rivulus/templates/";

    private Templates() {}

    /// The catalogue that ships: every file named in `templates/index.txt`.
    public static Catalogue shipped() {
        return Catalogue.reading(Shipped.IDS, Templates::read);
    }

    private static Template read(String id) {
        String name = id + ".json";
        try {
            return parse(resource(FOLDER + name), "templates/" + name);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// Reads one template from text.
    ///
    /// @param file the file's name, for messages
    /// @throws FileTrouble where it is not JSON or does not hold together
    public static Template parse(String text, String file) throws FileTrouble {
        return TemplateReader.read(Entry.root(file, Json.parse(text, file)));
    }

    /// Reads one template with what it was written as.
    ///
    /// @param file the file's name, for messages
    /// @throws FileTrouble where it is not JSON or does not hold together
    public static OwnTemplate parseOwn(String text, String file) throws FileTrouble {
        return own(Entry.root(file, Json.parse(text, file)));
    }

    /// A template that is being read, with what it was written as.
    static OwnTemplate own(Entry entry) throws FileTrouble {
        SequencedMap<String, Object> written = new LinkedHashMap<>();
        entry.each().forEach((name, field) -> written.put(name, field.json().plain()));
        return new OwnTemplate(TemplateReader.read(entry), new Extras(written));
    }

    /// Reads a template file.
    ///
    /// @throws FileTrouble in one line that names the file, the place and what would be right
    public static OwnTemplate open(Path file) throws FileTrouble {
        return parseOwn(SafeFile.read(file).text(), SafeFile.name(file));
    }

    /// Writes a template to a file, whole or not at all.
    public static void save(OwnTemplate own, Path file) throws FileTrouble {
        SafeFile.replace(file, JsonText.of(own.written().fields()));
    }

    /// A shipped template with what it was written as; empty where none of that id ships.
    public static Optional<OwnTemplate> shipped(String id) {
        if (!isShipped(id)) return Optional.empty();
        try {
            return Optional.of(parseOwn(resource(FOLDER + id + ".json"), id + ".json"));
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// Whether a template of that id ships.
    public static boolean isShipped(String id) {
        return Shipped.IDS.contains(id);
    }

    /// The defaults of the brief.
    public static Brief.Defaults briefDefaults() {
        String file = "/rivulus/brief-defaults.json";
        try {
            List<Brief.Default> rows = new ArrayList<>();
            Entry root = Entry.root(file, Json.parse(resource(file), file));
            for (Entry row : root.items("defaults")) {
                Wish wish =
                        row.field("wish")
                                .word(
                                        Map.of(
                                                "must",
                                                Wish.MUST,
                                                "may",
                                                Wish.MAY,
                                                "mustNot",
                                                Wish.MUST_NOT));
                rows.add(
                        new Brief.Default(
                                row.texts("ears"), row.texts("sources"), wish, row.text("why")));
            }
            return new Brief.Defaults(rows);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    /// The kinds of connector and lead that ship.
    public static Leads leads() {
        return Shipped.LEADS;
    }

    /// The names of the connectors there are.
    static Set<String> connectors() {
        return Shipped.LEADS.connectors().keySet();
    }

    /// Read once.
    private static final class Shipped {
        private static final Leads LEADS = readLeads();
        private static final Set<String> IDS =
                resource(FOLDER + "index.txt")
                        .lines()
                        .filter(name -> !name.isBlank())
                        .map(name -> name.replace(".json", ""))
                        .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static Leads readLeads() {
        String file = "/rivulus/leads.json";
        try {
            Entry root = Entry.root(file, Json.parse(resource(file), file));
            List<Connector> connectors = new ArrayList<>();
            for (Entry connector : root.items("connectors")) {
                connectors.add(
                        new Connector(
                                connector.text("name"),
                                connector.text("body"),
                                connector.whole("contacts", 0, 100, 0),
                                connector.truth("pins", false),
                                connector.truth("power", false)));
            }
            Map<String, List<String>> fits = new HashMap<>();
            Entry said = root.field("fits");
            for (String connector : said.each().keySet())
                fits.put(connector, said.texts(connector));
            List<LeadKind> kinds = new ArrayList<>();
            for (Entry lead : root.items("leads")) {
                List<String> ends = lead.texts("ends");
                kinds.add(
                        new LeadKind(
                                lead.text("name"),
                                ends.getFirst(),
                                ends.getLast(),
                                lead.truth("balanced", false),
                                lead.truth("conducts", true),
                                lead.number("longestM", 0, 1e6, 10),
                                lead.whole("cost", 0, 100, 2),
                                lead.text("adapts", "")));
            }
            return new Leads(connectors, kinds, fits);
        } catch (FileTrouble broken) {
            throw new IllegalStateException(
                    "the program is damaged: " + broken.getMessage(), broken);
        }
    }

    public static String resource(String path) {
        try (InputStream in = Templates.class.getResourceAsStream(path)) {
            if (in == null)
                throw new IllegalStateException("the program is damaged: " + path + " is missing");
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new IllegalStateException(
                    "the program is damaged: " + path + " cannot be read", unreadable);
        }
    }
}
