package anabion.core.chassis;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import java.util.Locale;

/**
 * A fault in the grammar that all commands and files share: {@code C12:leaky:1M}, {@code R5:open}, {@code V4:emission:0.3},
 * {@code V2.6:joint}.
 *
 * @param target reference of a part, or a pin
 * @param mode how it fails
 * @param amount how much, in the notation of the mode; empty where none is needed
 */
public record Fault(String target, FaultMode mode, String amount) {
    /**
     * With the usual amount of its mode.
     *
     * @param target a part, section ({@code C18.1}), winding ({@code T1.primary}), pin or contact
     */
    public static Fault of(String target, FaultMode mode) {
        return new Fault(target, mode, "");
    }

    /** @param ohms of the leak, joint or drifted part */
    public static Fault of(String target, FaultMode mode, double ohms) {
        return of(target, mode, Quantity.ohms(ohms));
    }

    /** With an amount of ohms, or farads where a wrong capacitor is fitted, to two figures. */
    public static Fault of(String target, FaultMode mode, Quantity amount) {
        double two = Double.parseDouble(String.format(Locale.ROOT, "%.1e", amount.value()));
        return new Fault(
                target,
                mode,
                amount.unit() == Unit.FARAD
                        ? Figures.si(Quantity.farads(two), 2).replace(" ", "").replace("µ", "u")
                        : Figures.rkm(Quantity.ohms(two)));
    }

    /**
     * Reads the grammar.
     *
     * @throws InputException if the mode is not known
     */
    public static Fault parse(String text) {
        String[] parts = text.strip().split(":", 3);
        FaultMode mode = FaultMode.named(parts.length < 2 ? "" : parts[1])
                .orElseThrow(() -> InputException.at("\"" + text + "\"")
                        .because("this is no fault")
                        .so("write it like C12:leaky:1M, with one of " + Coded.codes(FaultMode.values())));
        return new Fault(parts[0], mode, parts.length > 2 ? parts[2] : "");
    }

    /** One contact of a switch that no longer closes: {@code S2:open:7/8}. */
    public static Fault of(String target, Contact contact) {
        return new Fault(target, FaultMode.OPEN, contact.pair());
    }

    /** What would be repaired, whatever the severity: part and way of failing, and of a switch the contact. */
    public String cause() {
        return unsized().text();
    }

    /** Without its severity; the contact of a switch and the piece of a heater are none. */
    public Fault unsized() {
        return mode == FaultMode.OPEN || mode == FaultMode.HEATER_OPEN ? this : of(target, mode);
    }

    /**
     * This fault at a severity between this and another, by ratio.
     *
     * @param share of the way
     */
    public Fault toward(Fault other, double share) {
        if (amount.equals(other.amount)) return this;
        boolean plain = plain();
        double a = plain ? Double.parseDouble(amount) : size().value();
        double b = plain ? Double.parseDouble(other.amount) : other.size().value();
        double between = a * Math.pow(b / a, share);
        return plain
                ? new Fault(target, mode, String.format(Locale.ROOT, "%.2g", between))
                : of(target, mode, new Quantity(between, size().unit()));
    }

    /** Whether its amount is a plain number: a share, or amperes. */
    public boolean plain() {
        boolean either = mode == FaultMode.SHORT || mode == FaultMode.MISTUNED;
        return either ? isShare() : mode.isPlain();
    }

    /** Of shorted turns the amount is a share, of a shorted capacitor ohms with their letter; of a core a share, farads or henries. */
    private boolean isShare() {
        try {
            double share = Double.parseDouble(amount);
            return share > 0 && share < 1;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    /** As it is typed: {@code C14:leaky:5M}. */
    public String text() {
        return target + ":" + mode.code() + (amount.isEmpty() ? "" : ":" + amount);
    }

    /** The reference of the part meant, without a pin. */
    public String part() {
        int dot = target.indexOf('.');
        return dot < 0 ? target : target.substring(0, dot);
    }

    /**
     * The amount as ohms. In this grammar M is always mega, whatever it means on old lists.
     *
     * @throws InputException if it is no resistance
     */
    public Quantity ohms() {
        return Quantity.ohms(Notation.metered(amount));
    }

    /**
     * The amount as farads.
     *
     * @throws InputException if it is no capacitance
     */
    public Quantity farads() {
        return Quantity.farads(Notation.exact(amount, Unit.FARAD));
    }

    /** As farads or henries where it ends with their letter, else as ohms. */
    public Quantity size() {
        if (amount.endsWith(Unit.HENRY.code())) return Quantity.henries(Notation.exact(amount, Unit.HENRY));
        return amount.endsWith(Unit.FARAD.code()) ? farads() : ohms();
    }
}
