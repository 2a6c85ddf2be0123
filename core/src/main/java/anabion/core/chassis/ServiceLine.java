package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * One line of the maker's alignment table.
 *
 * @param band name
 * @param point where the generator goes, as printed
 * @param through what is in its lead, as printed
 * @param hertz of the generator
 * @param dial what the dial shows, in hertz; empty where the gang stands anywhere, away from stations
 * @param adjusters their letters, in the order of the work
 * @param rocked whether the gang is to be moved to and fro meanwhile
 * @param note whatever else is printed
 */
public record ServiceLine(
        UUID id,
        String band,
        String point,
        String through,
        double hertz,
        Optional<Double> dial,
        List<String> adjusters,
        Aim aim,
        boolean rocked,
        String note,
        Extra extra) {
    public ServiceLine {
        adjusters = List.copyOf(adjusters);
    }
}
