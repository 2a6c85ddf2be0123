package anabion.core.power;

import anabion.core.json.Coded;
import anabion.core.power.LookAlike.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What eyes, ears and nose say during a power-up: each switches the set off first and asks afterwards. */
public enum WatchSign implements Coded {
    LAMP_BRIGHT('l'),
    RED_PLATE('r'),
    SMOKE('s'),
    SMELL('m'),
    HUM_RISING('h'),
    HOT_PART('t'),
    ARC('a'),
    CRACKLE('c'),
    DARK_TUBE('d');

    private final char key;

    WatchSign(char key) {
        this.key = key;
    }

    /** The kinds of fault that it speaks for, the likeliest first. */
    private List<Kind> points() {
        return switch (this) {
            case LAMP_BRIGHT -> List.of(Kind.RAIL_SHORTED, Kind.TURNS_SHORTED, Kind.OUTPUT_SHORTED);
            case RED_PLATE -> List.of(Kind.COUPLING_LEAKY, Kind.FILTER_LEAKY);
            case SMOKE -> List.of(Kind.RAIL_SHORTED, Kind.FILTER_LEAKY, Kind.TURNS_SHORTED);
            case SMELL -> List.of(Kind.FILTER_LEAKY, Kind.TURNS_SHORTED, Kind.RECTIFIER_WEAK);
            case HUM_RISING -> List.of(Kind.RESERVOIR_DRIED, Kind.FILTER_LEAKY);
            case HOT_PART -> List.of(Kind.FILTER_LEAKY, Kind.TURNS_SHORTED, Kind.OUTPUT_SHORTED);
            case ARC -> List.of(Kind.RAIL_SHORTED, Kind.RECTIFIER_DEAD);
            case CRACKLE -> List.of(Kind.FILTER_LEAKY);
            case DARK_TUBE -> List.of(Kind.HEATER_OPEN);
        };
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
        return points().stream()
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
