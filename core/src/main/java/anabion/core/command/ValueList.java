package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Joins a drawing that has only references with a separate list of values, and reports where the two do not agree. */
public final class ValueList {
    private ValueList() {}

    /** One line of a parts list. */
    public record Listed(String reference, String value, String note) {}

    /** A reference whose values do not agree, with both. */
    public record Contradiction(String reference, String drawing, String list) {}

    /**
     * @param parts the chassis' parts with the values filled in
     * @param missing on the drawing, but without a value in the list
     * @param unplaced in the list, but not on the drawing
     * @param doubled twice in the list with different values: none of them was taken
     * @param contradictory with another value on the drawing, which was kept
     * @param unreadable values that make no sense, with the reason
     */
    public record Report(
            List<Part> parts,
            List<String> missing,
            List<String> unplaced,
            List<String> doubled,
            List<Contradiction> contradictory,
            List<InputException> unreadable) {
        /** Whether every reference found its value and none disagreed. */
        public boolean clean() {
            return missing.isEmpty()
                    && unplaced.isEmpty()
                    && doubled.isEmpty()
                    && contradictory.isEmpty()
                    && unreadable.isEmpty();
        }
    }

    /** Fills the list's values into the chassis' parts by reference. Pure: the chassis stays as it is. */
    public static Report join(Chassis chassis, List<Listed> rows) {
        Map<String, Listed> byReference = new LinkedHashMap<>();
        Set<String> doubled = new LinkedHashSet<>();
        for (Listed row : rows) {
            Listed before = byReference.putIfAbsent(row.reference(), row);
            if (before != null && !before.value().equals(row.value())) doubled.add(row.reference());
        }
        List<Part> parts = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        List<Contradiction> contradictory = new ArrayList<>();
        List<InputException> unreadable = new ArrayList<>();
        for (Part part : chassis.parts()) {
            Optional<Listed> row = Optional.ofNullable(byReference.remove(part.reference()));
            boolean usable = row.isPresent() && !doubled.contains(part.reference());
            if (row.isEmpty() && part.printed().isEmpty()) missing.add(part.reference());
            parts.add(usable ? filled(part, row.get(), chassis, contradictory, unreadable) : part);
        }
        List<String> unplaced = new ArrayList<>(byReference.keySet());
        return new Report(parts, missing, unplaced, List.copyOf(doubled), contradictory, unreadable);
    }

    private static Part filled(
            Part part,
            Listed row,
            Chassis chassis,
            List<Contradiction> contradictory,
            List<InputException> unreadable) {
        try {
            Part read = WiringLine.parse(part.reference() + " " + row.value().strip(), chassis);
            if (part.printed().isEmpty()) {
                return part.withValue(read.component(), row.value().strip());
            }
            if (!same(part.component(), read.component()))
                contradictory.add(new Contradiction(part.reference(), part.printed(), row.value()));
            return part;
        } catch (InputException e) {
            unreadable.add(e.inside("value of " + part.reference()));
            return part;
        }
    }

    private static boolean same(Component one, Component other) {
        if (one instanceof Component.Resistor a && other instanceof Component.Resistor b)
            return close(a.ohms(), b.ohms());
        if (one instanceof Component.Potentiometer a && other instanceof Component.Potentiometer b)
            return close(a.ohms(), b.ohms());
        if (one instanceof Component.Device a && other instanceof Component.Device b)
            return a.type().equals(b.type());
        if (one instanceof Component.Capacitor a && other instanceof Component.Capacitor b) {
            if (a.farads().size() != b.farads().size()) return false;
            for (int i = 0; i < a.farads().size(); i++)
                if (!close(a.farads().get(i), b.farads().get(i))) return false;
            return true;
        }
        return one.kind().equals(other.kind());
    }

    private static boolean close(double a, double b) {
        return Math.abs(a - b) <= 1e-6 * Math.max(Math.abs(a), Math.abs(b));
    }
}
