package rivulus.disk;

import java.util.Iterator;
import java.util.List;
import java.util.SequencedMap;
import tools.jackson.core.io.JsonStringEncoder;

/// JSON as text that reads well in a diff: what has no nesting and fits goes on one line, the rest
/// a line for each item.
public final class JsonPrinter {
    private static final int WIDTH = 118;

    private final StringBuilder out = new StringBuilder();

    private JsonPrinter() {}

    /// A document that ends in a line break.
    public static String print(Json json) {
        JsonPrinter printer = new JsonPrinter();
        printer.value(json, 0);
        return printer.out.append('\n').toString();
    }

    /// A document as one line, without a line break.
    public static String line(Json json) {
        return flat(json);
    }

    private void value(Json json, int indent) {
        String flat = isShallow(json) ? flat(json) : null;
        if (flat != null && flat.length() + indent <= WIDTH) {
            out.append(flat);
            return;
        }
        switch (json) {
            case Json.Obj(var fields, _) -> object(fields, indent);
            case Json.Arr(var items, _) -> array(items, indent);
            default -> out.append(flat(json));
        }
    }

    private static boolean isShallow(Json json) {
        return switch (json) {
            case Json.Obj(var fields, _) ->
                    fields.values().stream().allMatch(JsonPrinter::isScalarOrWords);
            case Json.Arr(var items, _) -> items.stream().allMatch(JsonPrinter::isScalar);
            default -> true;
        };
    }

    private static boolean isScalar(Json json) {
        return !(json instanceof Json.Obj) && !(json instanceof Json.Arr);
    }

    private static boolean isScalarOrWords(Json json) {
        return isScalar(json)
                || json instanceof Json.Arr(var items, _)
                        && items.stream().allMatch(JsonPrinter::isScalar);
    }

    private void object(SequencedMap<String, Json> fields, int indent) {
        out.append("{\n");
        Iterator<String> names = fields.keySet().iterator();
        while (names.hasNext()) {
            String name = names.next();
            pad(indent + 2).append(quote(name)).append(": ");
            value(fields.get(name), indent + 2);
            out.append(names.hasNext() ? ",\n" : "\n");
        }
        pad(indent).append('}');
    }

    private void array(List<Json> items, int indent) {
        out.append("[\n");
        for (int i = 0; i < items.size(); i++) {
            pad(indent + 2);
            value(items.get(i), indent + 2);
            out.append(i < items.size() - 1 ? ",\n" : "\n");
        }
        pad(indent).append(']');
    }

    private StringBuilder pad(int indent) {
        return out.append(" ".repeat(indent));
    }

    private static String flat(Json json) {
        return switch (json) {
            case Json.Obj(var fields, _) -> {
                StringBuilder text = new StringBuilder("{");
                fields.forEach(
                        (name, value) -> {
                            if (text.length() > 1) text.append(", ");
                            text.append(quote(name)).append(": ").append(flat(value));
                        });
                yield text.append('}').toString();
            }
            case Json.Arr(var items, _) -> {
                StringBuilder text = new StringBuilder("[");
                for (Json item : items) {
                    if (text.length() > 1) text.append(", ");
                    text.append(flat(item));
                }
                yield text.append(']').toString();
            }
            case Json.Text(var value, _) -> quote(value);
            case Json.Num(_, var digits, _) -> digits;
            case Json.Bool(var value, _) -> Boolean.toString(value);
            case Json.Nil _ -> "null";
        };
    }

    private static String quote(String text) {
        return '"' + new String(JsonStringEncoder.getInstance().quoteAsCharArray(text)) + '"';
    }
}
