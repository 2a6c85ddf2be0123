package anabion.core.chassis;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** What a net's name hints at, where something is plugged in: no rule hangs on it alone. */
public final class TerminalNames {
    private static final Pattern AERIALS = Pattern.compile("A\\d?|AE\\d?|AER(IAL)?\\d?|ANT(ENNA)?\\d?|DIPOLE\\d?|FMA");
    private static final Pattern EARTHS = Pattern.compile("E\\d?|EARTH|GROUND|ERDE");
    private static final Pattern SOCKETS =
            Pattern.compile("PU\\d?|P\\.U\\.|PICK-?UP|GRAM|PHONO|TAPE|TB|PHONES?|HEADPHONES?|EXT(-?LS|-?SPK)?|LS-?EXT");

    private TerminalNames() {}

    /** Something outside. */
    public enum Terminal {
        AERIAL,
        EARTH,
        SOCKET
    }

    /** What a net is by its name alone, as a hint; empty for most. */
    public static Optional<Terminal> of(String net) {
        String name = net.toUpperCase(Locale.ROOT);
        if (AERIALS.matcher(name).matches()) return Optional.of(Terminal.AERIAL);
        if (EARTHS.matcher(name).matches()) return Optional.of(Terminal.EARTH);
        return SOCKETS.matcher(name).matches() ? Optional.of(Terminal.SOCKET) : Optional.empty();
    }
}
