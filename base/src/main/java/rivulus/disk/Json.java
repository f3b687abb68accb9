package rivulus.disk;

import java.io.Reader;
import java.io.StringReader;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SequencedMap;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;

/// A JSON value that knows where in its file it stood, so that a complaint can name the line.
public sealed interface Json {
    /// Line and column, counted from 1; 0 for what was not read from a file.
    record Spot(int line, int column) {
        /// No place in a file.
        public static final Spot NOWHERE = new Spot(0, 0);
    }

    /// An object; keys in the order of the file.
    record Obj(SequencedMap<String, Json> fields, Spot spot) implements Json {}

    /// An array.
    record Arr(List<Json> items, Spot spot) implements Json {}

    /// A string.
    record Text(String value, Spot spot) implements Json {}

    /// A number, with the digits it was written with.
    record Num(double value, String digits, Spot spot) implements Json {}

    /// True or false.
    record Bool(boolean value, Spot spot) implements Json {}

    /// Null.
    record Nil(Spot spot) implements Json {}

    /// Where it stood.
    Spot spot();

    /// What it is, in a word for messages.
    default String kind() {
        return switch (this) {
            case Obj _ -> "an object";
            case Arr _ -> "a list";
            case Text _ -> "text";
            case Num _ -> "a number";
            case Bool _ -> "true or false";
            case Nil _ -> "null";
        };
    }

    /// What the parser adds about itself.
    String PARSERS_OWN = " ?[(\\[](start marker|Source:|for type).*$";

    /// Nesting deeper than this is refused.
    int DEEPEST = 40;

    /// Reads one JSON document.
    ///
    /// @param file the file's name, for messages
    /// @throws FileTrouble where the text is not JSON, is nested too deeply, or names a field twice
    static Json parse(String text, String file) throws FileTrouble {
        return parse(new StringReader(text), file);
    }

    private static Json parse(Reader text, String file) throws FileTrouble {
        try (JsonParser parser = Factory.JSON.createParser(ObjectReadContext.empty(), text)) {
            parser.nextToken();
            if (parser.currentToken() == null)
                throw new FileTrouble(file + ": the file is empty; a JSON object was expected");
            Json json = value(parser, file);
            if (parser.nextToken() != null) {
                TokenStreamLocation at = parser.currentTokenLocation();
                throw FileTrouble.at(
                        new FileTrouble.Place(file, "", new Spot(at.getLineNr(), at.getColumnNr())),
                        "there is more after the end of the JSON document");
            }
            return json;
        } catch (JacksonException broken) {
            TokenStreamLocation at = broken.getLocation();
            Spot spot = at == null ? Spot.NOWHERE : new Spot(at.getLineNr(), at.getColumnNr());
            throw FileTrouble.at(
                    new FileTrouble.Place(file, "", spot),
                    "this is not JSON: " + firstLine(broken),
                    broken);
        }
    }

    private static String firstLine(JacksonException broken) {
        if (broken instanceof StreamConstraintsException tooMuch) return why(tooMuch);
        String message = broken.getOriginalMessage();
        return message.lines().findFirst().orElse("").replaceFirst(PARSERS_OWN, "");
    }

    private static String why(StreamConstraintsException tooMuch) {
        return tooMuch.getOriginalMessage().contains("depth")
                ? "lists and objects are nested more than %d deep".formatted(DEEPEST)
                : "a number or a name is longer than any that means something";
    }

    private static Json value(JsonParser parser, String file) throws FileTrouble {
        TokenStreamLocation at = parser.currentTokenLocation();
        Spot spot = new Spot(at.getLineNr(), at.getColumnNr());
        return switch (parser.currentToken()) {
            case START_OBJECT -> object(parser, spot, file);
            case START_ARRAY -> array(parser, spot, file);
            case VALUE_STRING -> new Text(parser.getString(), spot);
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> number(parser.getString(), spot, file);
            case VALUE_TRUE -> new Bool(true, spot);
            case VALUE_FALSE -> new Bool(false, spot);
            default -> new Nil(spot);
        };
    }

    /// A number that can be reckoned with: its exponent has at most three digits, and it is finite.
    private static Num number(String digits, Spot spot, String file) throws FileTrouble {
        int e = Math.max(digits.indexOf('e'), digits.indexOf('E'));
        String exponent = e < 0 ? "" : digits.substring(e + 1).replaceFirst("^[+-]?0*", "");
        double value = Double.parseDouble(digits);
        if (exponent.length() > 3 || Double.isInfinite(value))
            throw FileTrouble.at(
                    new FileTrouble.Place(file, "", spot),
                    "the number %s is out of all bounds".formatted(Line.clipped(digits, 24)));
        return new Num(value, digits, spot);
    }

    private static Obj object(JsonParser parser, Spot spot, String file) throws FileTrouble {
        SequencedMap<String, Json> fields = new LinkedHashMap<>();
        while (parser.nextToken() != JsonToken.END_OBJECT) {
            String name = parser.currentName();
            parser.nextToken();
            fields.put(name, value(parser, file));
        }
        return new Obj(fields, spot);
    }

    private static Arr array(JsonParser parser, Spot spot, String file) throws FileTrouble {
        List<Json> items = new ArrayList<>();
        while (parser.nextToken() != JsonToken.END_ARRAY) items.add(value(parser, file));
        return new Arr(items, spot);
    }

    /// Plain values as JSON: maps, lists, text, numbers, booleans and null.
    ///
    /// @throws IllegalArgumentException for anything else
    static Json of(Object plain) {
        return switch (plain) {
            case null -> new Nil(Spot.NOWHERE);
            case Json json -> json;
            case Map<?, ?> map -> {
                SequencedMap<String, Json> fields = new LinkedHashMap<>();
                map.forEach((key, value) -> fields.put((String) key, of(value)));
                yield new Obj(fields, Spot.NOWHERE);
            }
            case List<?> list -> new Arr(list.stream().map(Json::of).toList(), Spot.NOWHERE);
            case String text -> new Text(text, Spot.NOWHERE);
            case Boolean bool -> new Bool(bool, Spot.NOWHERE);
            case BigDecimal exact -> new Num(exact.doubleValue(), exact.toString(), Spot.NOWHERE);
            case Number number ->
                    new Num(number.doubleValue(), digits(number.doubleValue()), Spot.NOWHERE);
            default -> throw new IllegalArgumentException("not a plain value: " + plain.getClass());
        };
    }

    private static String digits(double value) {
        if (Double.isInfinite(value) || Double.isNaN(value))
            throw new IllegalArgumentException("no number: " + value);
        if (value == Math.rint(value) && Math.abs(value) < 1e15) return Long.toString((long) value);
        return Double.toString(value);
    }

    /// This value without its spots: maps, lists, text, numbers, booleans and null. Numbers stay as
    /// written.
    default Object plain() {
        return switch (this) {
            case Obj(var fields, _) -> {
                Map<String, Object> map = new LinkedHashMap<>();
                fields.forEach((key, value) -> map.put(key, value.plain()));
                yield map;
            }
            case Arr(var items, _) -> items.stream().map(Json::plain).toList();
            case Text(var value, _) -> value;
            case Num(_, var digits, _) -> new BigDecimal(digits);
            case Bool(var value, _) -> value;
            case Nil _ -> null;
        };
    }

    /// The one parser factory.
    final class Factory {
        private static final JsonFactory JSON =
                JsonFactory.builder()
                        .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                        .streamReadConstraints(
                                StreamReadConstraints.builder()
                                        .maxNestingDepth(DEEPEST)
                                        .maxNumberLength(60)
                                        .build())
                        .build();

        private Factory() {}
    }
}
