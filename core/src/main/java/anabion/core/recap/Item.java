package anabion.core.recap;

import anabion.core.text.Phrase;
import java.util.List;

/**
 * One capacitor in the plan.
 *
 * @param byHand whether somebody said the role
 * @param seen ohms that its circuit shows it for direct current; 0 where nothing says
 * @param neighbours other values that would do, with what they change
 */
public record Item(
        CapacitorSection piece,
        Role role,
        Phrase why,
        boolean byHand,
        Stress stress,
        Choice choice,
        double seen,
        List<Neighbour> neighbours) {
    /**
     * Another value.
     *
     * @param deviation from the old value, as a fraction
     * @param stock how many are in the drawer
     * @param effect what it changes, computed; empty where nothing can be said
     */
    public record Neighbour(double farads, double deviation, int stock, List<Phrase> effect) {}

    public Item {
        neighbours = List.copyOf(neighbours);
    }

    /** The key of the plan: {@code C14}, or {@code C18.2}. */
    public String key() {
        return piece.key();
    }

    Item with(Choice other) {
        return new Item(piece, role, why, byHand, stress, other, seen, neighbours);
    }

    Item with(List<Neighbour> others) {
        return new Item(piece, role, why, byHand, stress, choice, seen, others);
    }
}
