package anabion.core.power;

import anabion.core.json.Coded;
import anabion.core.power.LookAlike.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What eyes, ears and nose say during a power-up: each switches the set off first and asks afterwards. */
public enum WatchSign implements Coded {
    LAMP_BRIGHT('l', Kind.RAIL_SHORTED, Kind.TURNS_SHORTED, Kind.OUTPUT_SHORTED),
    RED_PLATE('r', Kind.COUPLING_LEAKY, Kind.FILTER_LEAKY),
    SMOKE('s', Kind.RAIL_SHORTED, Kind.FILTER_LEAKY, Kind.TURNS_SHORTED),
    SMELL('m', Kind.FILTER_LEAKY, Kind.TURNS_SHORTED, Kind.RECTIFIER_WEAK),
    HUM_RISING('h', Kind.RESERVOIR_DRIED, Kind.FILTER_LEAKY),
    HOT_PART('t', Kind.FILTER_LEAKY, Kind.TURNS_SHORTED, Kind.OUTPUT_SHORTED),
    ARC('a', Kind.RAIL_SHORTED, Kind.RECTIFIER_DEAD),
    CRACKLE('c', Kind.FILTER_LEAKY),
    DARK_TUBE('d', Kind.HEATER_OPEN);

    private final char key;
    private final List<Kind> points;

    WatchSign(char key, Kind... points) {
        this.key = key;
        this.points = List.of(points);
    }

    /** The letter that says it. */
    public char key() {
        return key;
    }

    /** Whether the set may stay on while somebody looks: a dark tube harms nothing. */
    public boolean leavesOn() {
        return this == DARK_TUBE;
    }

    /** The faults of this set that it speaks for, those of the likeliest kind first. */
    public List<LookAlike> suspects(PowerModel model) {
        return points.stream()
                .flatMap(k ->
                        model.others().stream().map(PowerModel.Faulty::what).filter(w -> w.kind() == k))
                .toList();
    }

    /** By its letter or its code; empty for another word. */
    public static Optional<WatchSign> named(String word) {
        String said = word.strip().toLowerCase(Locale.ROOT);
        for (WatchSign s : values())
            if (said.equals(String.valueOf(s.key)) || said.replace(' ', '-').equals(s.code())) return Optional.of(s);
        return Optional.empty();
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
