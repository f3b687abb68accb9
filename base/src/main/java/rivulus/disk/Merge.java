package rivulus.disk;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;

/// Two changes of one document put together, and what differs between two documents.
///
/// Documents are plain values, as [Json#plain()] gives them. Objects are taken field by field.
/// Lists of objects that can be told apart by a name of their own are taken item by item; all other
/// lists are taken as one value. Costs as much as there is to compare.
public final class Merge {
    /// What names an item, tried in this order: all of a row have to be there, but for those that
    /// end in a question mark.
    private static final List<List<String>> KEYS =
            List.of(
                    List.of("id"),
                    List.of("template"),
                    List.of("what", "metres?"),
                    List.of("ear", "source", "scene?"),
                    List.of("from", "to"),
                    List.of("at"));

    private Merge() {}

    /// A change that does not fit any more: what it changes has gone, or has come already and is
    /// something else.
    public static final class Conflict extends Exception {
        private static final long serialVersionUID = 1;

        private Conflict(String where) {
            super(where);
        }
    }

    /// One thing that differs.
    ///
    /// @param path names from the outside in
    /// @param before empty where it was not there
    /// @param after empty where it is not there any more
    public record Difference(List<String> path, Optional<Object> before, Optional<Object> after) {
        public Difference {
            path = List.copyOf(path);
        }
    }

    /// What was changed from `base` to `mine`, done to `theirs`. Where both changed the same value,
    /// mine holds.
    ///
    /// @throws Conflict where that does not fit
    public static Object of(Object base, Object mine, Object theirs) throws Conflict {
        return merged(base, mine, theirs, "");
    }

    /// A value that is not there.
    private enum Absent {
        ABSENT
    }

    private static Object merged(Object base, Object mine, Object theirs, String where)
            throws Conflict {
        if (Objects.equals(base, mine)) return theirs;
        if (Objects.equals(base, theirs) || Objects.equals(mine, theirs)) return mine;
        if (mine == Absent.ABSENT) return mine;
        if (mine instanceof Map<?, ?> to && theirs instanceof Map<?, ?> on) {
            if (base == Absent.ABSENT) throw new Conflict(where);
            return fields(base, to, on, where);
        }
        Optional<SequencedMap<String, Object>> to = named(mine);
        Optional<SequencedMap<String, Object>> on = named(theirs);
        Optional<SequencedMap<String, Object>> from = named(base);
        if (to.isPresent() && on.isPresent() && from.isPresent())
            return items(from.get(), to.get(), on.get(), where);
        if (theirs == Absent.ABSENT && base != Absent.ABSENT && base instanceof Map<?, ?>)
            throw new Conflict(where);
        return mine;
    }

    private static Map<String, Object> fields(
            Object base, Map<?, ?> mine, Map<?, ?> theirs, String where) throws Conflict {
        Map<?, ?> from = base instanceof Map<?, ?> map ? map : Map.of();
        Set<Object> names = new LinkedHashSet<>(theirs.keySet());
        names.addAll(mine.keySet());
        Map<String, Object> all = new LinkedHashMap<>();
        for (Object name : names) {
            Object value =
                    merged(at(from, name), at(mine, name), at(theirs, name), where + "/" + name);
            if (value != Absent.ABSENT) all.put((String) name, value);
        }
        return all;
    }

    private static Object at(Map<?, ?> map, Object name) {
        return map.containsKey(name) ? map.get(name) : Absent.ABSENT;
    }

    /// Theirs in their order, without what mine took out; what mine put in stands behind what it
    /// stood behind.
    private static List<Object> items(
            SequencedMap<String, Object> base,
            SequencedMap<String, Object> mine,
            SequencedMap<String, Object> theirs,
            String where)
            throws Conflict {
        List<String> order = new ArrayList<>(theirs.keySet());
        Map<String, Object> all = new LinkedHashMap<>(theirs);
        String behind = null;
        for (String name : mine.keySet()) {
            Object value =
                    merged(at(base, name), mine.get(name), at(theirs, name), where + "/" + name);
            if (value == Absent.ABSENT) continue;
            if (all.put(name, value) == null)
                order.add(behind == null ? order.size() : order.indexOf(behind) + 1, name);
            behind = name;
        }
        for (String name : base.keySet()) if (!mine.containsKey(name)) order.remove(name);
        return order.stream().map(all::get).toList();
    }

    /// The items of a list by their names; empty where they cannot be told apart by any.
    private static Optional<SequencedMap<String, Object>> named(Object value) {
        if (value == Absent.ABSENT) return Optional.of(new LinkedHashMap<>());
        if (!(value instanceof List<?> list)) return Optional.empty();
        for (List<String> key : KEYS) {
            SequencedMap<String, Object> items = new LinkedHashMap<>();
            for (Object item : list) name(item, key).ifPresent(name -> items.put(name, item));
            if (items.size() == list.size()) return Optional.of(items);
        }
        return Optional.empty();
    }

    private static Optional<String> name(Object item, List<String> key) {
        if (!(item instanceof Map<?, ?> fields)) return Optional.empty();
        List<String> parts = new ArrayList<>();
        for (String part : key) {
            boolean optional = part.endsWith("?");
            Object value = fields.get(optional ? part.substring(0, part.length() - 1) : part);
            if (value == null && !optional) return Optional.empty();
            parts.add(value == null ? "" : value.toString());
        }
        return Optional.of(String.join(" ", parts).strip());
    }

    /// What differs from one document to another, in the order of the documents.
    public static List<Difference> between(Object before, Object after) {
        List<Difference> all = new ArrayList<>();
        compare(List.of(), before, after, all);
        return all;
    }

    private static void compare(
            List<String> path, Object before, Object after, List<Difference> into) {
        if (Objects.equals(before, after)) return;
        Optional<SequencedMap<String, Object>> from = parts(before);
        Optional<SequencedMap<String, Object>> to = parts(after);
        if (from.isEmpty() || to.isEmpty()) {
            into.add(new Difference(path, there(before), there(after)));
            return;
        }
        Set<String> names = new LinkedHashSet<>(from.get().keySet());
        names.addAll(to.get().keySet());
        int known = into.size();
        for (String name : names) {
            Object was = at(from.get(), name);
            Object is = at(to.get(), name);
            List<String> deeper = new ArrayList<>(path);
            deeper.add(called(is == Absent.ABSENT ? was : is, name));
            compare(deeper, was, is, into);
        }
        // the same items in another order
        if (into.size() == known) into.add(new Difference(path, there(before), there(after)));
    }

    private static Optional<SequencedMap<String, Object>> parts(Object value) {
        if (value instanceof Map<?, ?> map) {
            SequencedMap<String, Object> fields = new LinkedHashMap<>();
            map.forEach((name, field) -> fields.put((String) name, field));
            return Optional.of(fields);
        }
        return value instanceof List<?> ? named(value) : Optional.empty();
    }

    private static String called(Object item, String otherwise) {
        return item instanceof Map<?, ?> fields && fields.get("name") instanceof String name
                ? name
                : otherwise;
    }

    private static Optional<Object> there(Object value) {
        return value == Absent.ABSENT ? Optional.empty() : Optional.ofNullable(value);
    }
}
