package anabion.core.json;

import anabion.core.error.InputException;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;

/** Takes a JSON object apart. It notes every name that it was asked for; {@link #extra()} is the rest. */
public final class Fields {
    private static final double LEAST = 1e-30;
    private static final double MOST = 1e30;
    private static final double MOST_VOLTS = 1e5;

    private final Tree.Obj object;
    private final String path;
    private final Set<String> asked = new HashSet<>();

    private Fields(Tree.Obj object, String path) {
        this.object = object;
        this.path = path;
    }

    /**
     * The fields of a tree.
     *
     * @param path where the tree stands, for errors; empty for a whole document
     * @throws InputException if the tree is no object
     */
    public static Fields of(Tree tree, String path) {
        if (tree instanceof Tree.Obj o) return new Fields(o, path);
        throw InputException.at("line " + tree.line() + (path.isEmpty() ? "" : ", field " + path))
                .because("an object belongs here, not " + tree.describe())
                .so("see the format's description in docs/formats");
    }

    private Optional<Tree> find(String name) {
        asked.add(name);
        return Optional.ofNullable(object.fields().get(name))
                .filter(t -> !(t instanceof Tree.Leaf l && l.value().isEmpty()));
    }

    private Tree need(String name) {
        return find(name).orElseThrow(() -> trouble(name, "this field is missing", "add it"));
    }

    /** The names of all fields, in their order. */
    public List<String> names() {
        return List.copyOf(object.fields().keySet());
    }

    /** Whether a field is there, whatever its kind. */
    public boolean has(String name) {
        return object.fields().containsKey(name);
    }

    /** An error at one field of this object. */
    public InputException trouble(String name, String what, String remedy) {
        Tree at = object.fields().get(name);
        int line = at == null ? object.line() : at.line();
        return InputException.at("line " + line + ", field " + join(name))
                .because(what)
                .so(remedy);
    }

    private String join(String name) {
        return path.isEmpty() ? name : path + "." + name;
    }

    private <T> T as(String name, Tree tree, Class<T> type, String wanted) {
        if (tree instanceof Tree.Leaf l && l.value().filter(type::isInstance).isPresent())
            return type.cast(l.value().get());
        throw trouble(name, wanted + " belongs here, not " + tree.describe(), "write " + wanted);
    }

    /**
     * A text.
     *
     * @throws InputException if it is missing or no text
     */
    public String text(String name) {
        return as(name, need(name), String.class, "a text");
    }

    /**
     * A text, or another where it is missing.
     *
     * @throws InputException if it is no text
     */
    public String text(String name, String otherwise) {
        return find(name).map(t -> as(name, t, String.class, "a text")).orElse(otherwise);
    }

    /**
     * A text that may be missing.
     *
     * @throws InputException if it is no text
     */
    public Optional<String> maybeText(String name) {
        return find(name).map(t -> as(name, t, String.class, "a text"));
    }

    /**
     * A number.
     *
     * @throws InputException if it is missing, no number, or not finite
     */
    public double number(String name) {
        return number(name, need(name));
    }

    /** Beyond what any quantity here has, so that no sum of them overflows and no ratio vanishes. */
    private double number(String name, Tree tree) {
        BigDecimal exact = as(name, tree, BigDecimal.class, "a number");
        double value = exact.doubleValue();
        boolean sane = exact.signum() == 0 || (Math.abs(value) >= LEAST && Math.abs(value) <= MOST);
        if (!sane) throw trouble(name, "no quantity has this size", "write a number from 1e-30 to 1e30, or 0");
        return value;
    }

    /**
     * A number, or another where it is missing.
     *
     * @throws InputException if it is no number, or not finite
     */
    public double number(String name, double otherwise) {
        return maybeNumber(name).orElse(otherwise);
    }

    /**
     * A number that may be missing.
     *
     * @throws InputException if it is no number, or not finite
     */
    public OptionalDouble maybeNumber(String name) {
        Optional<Tree> found = find(name);
        return found.isPresent() ? OptionalDouble.of(number(name, found.get())) : OptionalDouble.empty();
    }

    /** A number that cannot be negative. */
    public double size(String name, double otherwise) {
        return notNegative(name, number(name, otherwise));
    }

    /** Volts of a part or a line: no receiver has more than {@value #MOST_VOLTS}. */
    public double volts(String name) {
        double value = size(name, 0);
        if (value > MOST_VOLTS) throw trouble(name, "no receiver has so many volts", "write at most 100000");
        return value;
    }

    /**
     * A whole number, or another where it is missing.
     *
     * @throws InputException if it is no whole number
     */
    public int integer(String name, int otherwise) {
        Optional<Tree> found = find(name);
        if (found.isEmpty()) return otherwise;
        double value = as(name, found.get(), BigDecimal.class, "a whole number").doubleValue();
        // not intValueExact: of a number with a thousand million digits it would write them all
        if (value != Math.rint(value) || Math.abs(value) > Integer.MAX_VALUE)
            throw trouble(name, "a whole number belongs here", "write it without decimals");
        return (int) value;
    }

    /**
     * A truth value, or another where it is missing.
     *
     * @throws InputException if it is neither true nor false
     */
    public boolean flag(String name, boolean otherwise) {
        return find(name).map(t -> as(name, t, Boolean.class, "true or false")).orElse(otherwise);
    }

    /** The object's id; where a hand-written file gives none, it gets a fresh one. */
    public UUID id() {
        return maybeText("id").isEmpty() ? UUID.randomUUID() : id("id", "leave the field out to get a fresh one");
    }

    /** The id of something else, or another where none is given. */
    public UUID id(String name, UUID otherwise) {
        return find(name).isEmpty() ? otherwise : id(name, "leave the field out");
    }

    private UUID id(String name, String remedy) {
        String text = text(name);
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            throw trouble(name, "\"" + text + "\" is no UUID", remedy);
        }
    }

    /**
     * A moment, as ISO 8601 writes it.
     *
     * @throws InputException if it is missing or no moment
     */
    public Instant instant(String name) {
        try {
            return Instant.parse(text(name));
        } catch (DateTimeException e) {
            throw trouble(name, "this is no moment in time", "write it like 2026-05-04T09:30:00Z");
        }
    }

    /**
     * One of a closed set by its code, or another where it is missing.
     *
     * @throws InputException if no member has that code
     */
    public <E extends Enum<E> & Coded> E code(String name, E[] all, E otherwise) {
        return maybeCode(name, all).orElse(otherwise);
    }

    /**
     * One of a closed set by its code.
     *
     * @throws InputException if it is missing or no member has that code
     */
    public <E extends Enum<E> & Coded> E code(String name, E[] all) {
        return maybeCode(name, all).orElseThrow(() -> trouble(name, "this field is missing", "add it"));
    }

    /**
     * One of a closed set by its code, which may be missing.
     *
     * @throws InputException if no member has that code
     */
    public <E extends Enum<E> & Coded> Optional<E> maybeCode(String name, E[] all) {
        Optional<String> text = maybeText(name);
        if (text.isEmpty()) return Optional.empty();
        Optional<E> found = Coded.find(all, text.get());
        if (found.isEmpty())
            throw trouble(name, "\"" + text.get() + "\" is not known here", "use one of " + Coded.codes(all));
        return found;
    }

    /** A code, or nothing where the word is not known here: it is kept among {@link #extra()} and written back. */
    public <E extends Enum<E> & Coded> Optional<E> knownCode(String name, E[] all) {
        Tree found = object.fields().get(name);
        if (found == null) return Optional.empty();
        for (E e : all)
            if (found instanceof Tree.Leaf l
                    && l.value().filter(e.code()::equals).isPresent()) {
                asked.add(name);
                return Optional.of(e);
            }
        return Optional.empty();
    }

    /**
     * An object that may be missing.
     *
     * @throws InputException if it is no object
     */
    public Optional<Fields> maybeObject(String name) {
        return find(name).map(t -> of(t, join(name)));
    }

    /**
     * An object.
     *
     * @throws InputException if it is missing or no object
     */
    public Fields object(String name) {
        return of(need(name), join(name));
    }

    /**
     * A list of objects; empty where it is missing.
     *
     * @throws InputException if it is no list of objects
     */
    public List<Fields> objects(String name) {
        List<Fields> all = new ArrayList<>();
        List<Tree> items = items(name);
        for (int i = 0; i < items.size(); i++) all.add(of(items.get(i), join(name) + "[" + i + "]"));
        return all;
    }

    /**
     * A list of objects, each read; empty where it is missing.
     *
     * @throws InputException if it is no list of objects, or one cannot be read
     */
    public <T> List<T> list(String name, Function<Fields, T> read) {
        List<T> all = new ArrayList<>();
        for (Fields f : objects(name)) all.add(read.apply(f));
        return List.copyOf(all);
    }

    /**
     * A list of texts; empty where it is missing.
     *
     * @throws InputException if it is no list of texts
     */
    public List<String> strings(String name) {
        List<String> all = new ArrayList<>();
        for (Tree t : items(name)) all.add(as(name, t, String.class, "a text"));
        return List.copyOf(all);
    }

    /**
     * A list of numbers; empty where it is missing.
     *
     * @throws InputException if it is no list of numbers
     */
    public List<Double> numbers(String name) {
        List<Double> all = new ArrayList<>();
        for (Tree t : items(name)) all.add(number(name, t));
        return List.copyOf(all);
    }

    /** Numbers that cannot be negative. */
    public List<Double> sizes(String name) {
        List<Double> all = numbers(name);
        for (double value : all) notNegative(name, value);
        return all;
    }

    private double notNegative(String name, double value) {
        if (value < 0) throw trouble(name, "a negative number cannot be here", "write a number from 0 up");
        return value;
    }

    /** An object whose values are all texts, in file order. */
    public Map<String, String> texts(String name) {
        Map<String, String> all = new LinkedHashMap<>();
        find(name).ifPresent(t -> of(t, join(name))
                .object
                .fields()
                .forEach((k, v) -> all.put(k, as(name, v, String.class, "a text"))));
        return java.util.Collections.unmodifiableMap(all);
    }

    private List<Tree> items(String name) {
        Optional<Tree> found = find(name);
        if (found.isEmpty()) return List.of();
        if (found.get() instanceof Tree.Arr a) return a.items();
        throw trouble(name, "a list belongs here, not " + found.get().describe(), "write it in square brackets");
    }

    /** Everything nobody asked for, to be written back as it was. Call it last. */
    public Extra extra() {
        Map<String, Object> rest = new LinkedHashMap<>();
        object.fields().forEach((k, v) -> {
            if (!asked.contains(k)) rest.put(k, v.plain());
        });
        return rest.isEmpty() ? Extra.NONE : new Extra(rest);
    }
}
