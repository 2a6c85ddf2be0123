package anabion.desktop.session;

import anabion.instruments.InstrumentRole;
import java.time.Instant;
import java.util.Optional;

/**
 * An instrument as it is known.
 *
 * @param name what it calls itself; empty before it was first spoken to
 * @param address where it is
 * @param last what it last said, with its unit; empty before
 * @param at when it last said something, or failed; empty before
 * @param trouble why it gave nothing; empty while it does
 */
public record InstrumentStatus(
        InstrumentRole role, String name, String address, String last, Optional<Instant> at, Optional<String> trouble) {
    /** Whether it was spoken to since the program was started. */
    public boolean met() {
        return !name.isEmpty();
    }

    InstrumentStatus saying(String words, Instant when) {
        return new InstrumentStatus(role, name, address, words, Optional.of(when), Optional.empty());
    }

    InstrumentStatus failing(String why, Instant when) {
        return new InstrumentStatus(role, name, address, last, Optional.of(when), Optional.of(why));
    }
}
