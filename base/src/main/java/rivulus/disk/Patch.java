package rivulus.disk;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/// What leads from one plain document to another, as a JSON Patch (RFC 6902) of additions, removals
/// and replacements.
///
/// Documents are plain values, as [Json#plain()] gives them. Keeps the order of fields, too.
public final class Patch {
    private static final String ADD = "add";
    private static final String REMOVE = "remove";
    private static final String REPLACE = "replace";

    private Patch() {}

    /// The operations, one after the other. Small where little has changed: a list that has grown
    /// somewhere takes what has come and nothing else.
    public static List<Map<String, Object>> between(Object before, Object after) {
        List<Map<String, Object>> all = new ArrayList<>();
        compare("", before, after, all);
        return all;
    }

    private static void compare(
            String at, Object before, Object after, List<Map<String, Object>> all) {
        if (before == after) return;
        if (before instanceof Map<?, ?> from && after instanceof Map<?, ?> to) {
            if (keepsOrder(from, to)) {
                fields(at, from, to, all);
                return;
            }
        } else if (before instanceof List<?> from && after instanceof List<?> to) {
            items(at, from, to, all);
            return;
        } else if (Objects.equals(before, after)) {
            return;
        }
        all.add(operation(REPLACE, at, after));
    }

    /// Whether what comes new stands behind all that stays, as an addition puts it.
    private static boolean keepsOrder(Map<?, ?> from, Map<?, ?> to) {
        List<Object> order = new ArrayList<>(from.keySet());
        order.removeIf(name -> !to.containsKey(name));
        for (Object name : to.keySet()) if (!from.containsKey(name)) order.add(name);
        return order.equals(List.copyOf(to.keySet()));
    }

    private static void fields(
            String at, Map<?, ?> from, Map<?, ?> to, List<Map<String, Object>> all) {
        for (Object name : from.keySet())
            if (!to.containsKey(name)) all.add(operation(REMOVE, in(at, name)));
        to.forEach(
                (name, value) -> {
                    if (from.containsKey(name)) compare(in(at, name), from.get(name), value, all);
                    else all.add(operation(ADD, in(at, name), value));
                });
    }

    private static void items(String at, List<?> from, List<?> to, List<Map<String, Object>> all) {
        int shorter = Math.min(from.size(), to.size());
        int head = 0;
        while (head < shorter && Objects.equals(from.get(head), to.get(head))) head++;
        int tail = 0;
        while (tail < shorter - head
                && Objects.equals(from.get(from.size() - 1 - tail), to.get(to.size() - 1 - tail)))
            tail++;
        int both = shorter - tail;
        for (int i = head; i < both; i++) compare(in(at, i), from.get(i), to.get(i), all);
        for (int i = from.size() - tail - 1; i >= both; i--) all.add(operation(REMOVE, in(at, i)));
        for (int i = both; i < to.size() - tail; i++) all.add(operation(ADD, in(at, i), to.get(i)));
    }

    private static String in(String at, Object name) {
        return at + "/" + name.toString().replace("~", "~0").replace("/", "~1");
    }

    private static Map<String, Object> operation(String op, String path) {
        Map<String, Object> operation = new LinkedHashMap<>();
        operation.put("op", op);
        operation.put("path", path);
        return operation;
    }

    private static Map<String, Object> operation(String op, String path, Object value) {
        Map<String, Object> operation = operation(op, path);
        operation.put("value", value);
        return operation;
    }

    /// The document with operations done to it.
    ///
    /// @throws IllegalArgumentException where one does not fit
    public static Object applied(Object document, List<?> operations) {
        Object now = document;
        for (Object one : operations) {
            if (!(one instanceof Map<?, ?> operation)
                    || !(operation.get("op") instanceof String op)
                    || !(operation.get("path") instanceof String path))
                throw new IllegalArgumentException("this is no operation of a patch");
            String[] names = path.isEmpty() ? new String[0] : path.substring(1).split("/", -1);
            now = done(now, names, 0, op, operation.get("value"));
        }
        return now;
    }

    private static Object done(Object at, String[] names, int depth, String op, Object value) {
        if (depth == names.length) {
            if (!op.equals(REPLACE)) throw unfit(names);
            return value;
        }
        String name = names[depth].replace("~1", "/").replace("~0", "~");
        boolean last = depth == names.length - 1;
        if (at instanceof Map<?, ?> map) {
            Map<Object, Object> fields = new LinkedHashMap<>(map);
            if (!fields.containsKey(name) && !(last && op.equals(ADD))) throw unfit(names);
            if (last && op.equals(REMOVE)) fields.remove(name);
            else if (last) fields.put(name, value);
            else fields.put(name, done(fields.get(name), names, depth + 1, op, value));
            return fields;
        }
        if (!(at instanceof List<?> list)) throw unfit(names);
        List<Object> items = new ArrayList<>(list);
        int index = index(name, items.size(), last && op.equals(ADD), names);
        if (last && op.equals(ADD)) items.add(index, value);
        else if (last && op.equals(REMOVE)) items.remove(index);
        else if (last) items.set(index, value);
        else items.set(index, done(items.get(index), names, depth + 1, op, value));
        return items;
    }

    private static int index(String name, int size, boolean adds, String[] names) {
        if (!name.matches("\\d{1,9}")) throw unfit(names);
        int index = Integer.parseInt(name);
        if (index > size || index == size && !adds) throw unfit(names);
        return index;
    }

    private static IllegalArgumentException unfit(String[] names) {
        return new IllegalArgumentException(
                "there is no place /%s to change".formatted(String.join("/", names)));
    }
}
