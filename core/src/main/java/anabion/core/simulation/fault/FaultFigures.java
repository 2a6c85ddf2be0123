package anabion.core.simulation.fault;

import anabion.core.chassis.FaultMode;
import anabion.core.chassis.PartClass;
import anabion.core.error.InputException;
import anabion.core.job.Circumstance;
import anabion.core.json.Coded;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;

/** How often and how badly parts fail: the figures of {@code faults.properties}, which says where they come from. */
public final class FaultFigures {
    /** What makes a fault more or less frequent. */
    public enum Factor implements Coded {
        REST,
        CONTACT,
        TOGETHER,
        CONDUCTING,
        DISTURBED,
        ACCIDENT,
        WAXED,
        LATE_PAPER,
        FALLEN,
        DRIFT_POWER,
        DRIFT_SELDOM,
        DRIFT_OFTEN,
        COUPLING,
        BYPASS,
        LOADED,
        IDLE;

        @Override
        public String code() {
            return FaultFigures.code(this);
        }
    }

    /** Lists of severities, each from the least to the greatest. */
    public enum Severity implements Coded {
        SHORT_OHMS,
        LEAK_OHMS,
        ELECTROLYTIC_LEAK_OHMS,
        MICA_LEAK_OHMS,
        WINDING_LEAK_OHMS,
        CORE_OHMS,
        SHORTED_TURNS,
        DETUNED,
        HEATER_CATHODE_OHMS,
        JOINT_OHMS,
        RISEN,
        FALLEN,
        TOO_LARGE,
        TOO_SMALL,
        FARADS_TOO_SMALL,
        FARADS_TOO_LARGE,
        DRIED,
        WEAK_OHMS,
        EMISSION,
        GAS_AMPERES,
        GAIN,
        TRANSISTOR_LEAK_OHMS;

        @Override
        public String code() {
            return FaultFigures.code(this);
        }
    }

    private static final String FILE = "/anabion/faults.properties";
    private static final FaultFigures STANDARD = shipped();

    private final Map<PartClass, Map<FaultMode, Double>> priors = new EnumMap<>(PartClass.class);
    private final Map<Circumstance, Map<FaultMode, Double>> appears = new EnumMap<>(Circumstance.class);
    private final Map<Factor, Double> factors = new EnumMap<>(Factor.class);
    private final Map<Severity, List<String>> severities = new EnumMap<>(Severity.class);

    private FaultFigures() {}

    private static String code(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Those that the program comes with. */
    public static FaultFigures standard() {
        return STANDARD;
    }

    private static FaultFigures shipped() {
        try (InputStream in = FaultFigures.class.getResourceAsStream(FILE)) {
            return read(new InputStreamReader(in, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Reads a file of figures.
     *
     * @throws InputException naming the entry that is unknown, missing, or no positive number
     */
    public static FaultFigures read(Reader in) throws IOException {
        Properties lines = new Properties();
        lines.load(in);
        Map<String, String> left = new HashMap<>();
        for (String name : lines.stringPropertyNames()) left.put(name, lines.getProperty(name));
        FaultFigures f = new FaultFigures();
        for (Factor x : Factor.values())
            f.factors.put(x, number("factor." + x.code(), need(left, "factor." + x.code())));
        for (Severity x : Severity.values()) {
            String name = "severity." + x.code();
            List<String> amounts = List.of(need(left, name).strip().split("\\s+"));
            for (String a : amounts) number(name, a);
            f.severities.put(x, amounts);
        }
        for (PartClass c : PartClass.values()) {
            Map<FaultMode, Double> modes = new EnumMap<>(FaultMode.class);
            for (FaultMode m : FaultMode.values()) {
                String name = "prior." + c.code() + "." + m.code();
                Optional.ofNullable(left.remove(name)).ifPresent(v -> modes.put(m, number(name, v)));
            }
            f.priors.put(c, Collections.unmodifiableMap(modes));
        }
        for (Circumstance c : Circumstance.values()) {
            if (c == Circumstance.ALWAYS) continue;
            Map<FaultMode, Double> modes = new EnumMap<>(FaultMode.class);
            double rest = share("appears." + c.code() + ".rest", need(left, "appears." + c.code() + ".rest"));
            for (FaultMode m : FaultMode.values()) {
                String name = "appears." + c.code() + "." + m.code();
                modes.put(
                        m,
                        Optional.ofNullable(left.remove(name))
                                .map(v -> share(name, v))
                                .orElse(rest));
            }
            f.appears.put(c, Collections.unmodifiableMap(modes));
        }
        List<String> unknown = new ArrayList<>(left.keySet());
        Collections.sort(unknown);
        if (!unknown.isEmpty())
            throw InputException.at(unknown.get(0))
                    .because("no figure has this name")
                    .so("names are prior.CLASS.MODE, factor.NAME, severity.NAME and appears.CIRCUMSTANCE.MODE");
        return f;
    }

    private static String need(Map<String, String> left, String name) {
        String value = left.remove(name);
        if (value == null)
            throw InputException.at(name).because("this figure is missing").so("add it");
        return value;
    }

    private static double share(String name, String text) {
        double share = number(name, text);
        if (share < 1) return share;
        throw InputException.at(name).because("\"" + text + "\" is no share").so("write it like 0.35");
    }

    private static double number(String name, String text) {
        try {
            double value = Double.parseDouble(text.strip());
            if (value > 0 && value < Double.POSITIVE_INFINITY) return value;
        } catch (NumberFormatException e) {
            // said below
        }
        throw InputException.at(name)
                .because("\"" + text + "\" is no positive number")
                .so("write it like 0.35 or 330e3");
    }

    /** How often parts of a class fail so, relative to a leaky paper capacitor. */
    public double prior(PartClass kind, FaultMode mode) {
        return priors.get(kind).getOrDefault(mode, factor(Factor.REST));
    }

    /** Share of faults of a mode that show under a circumstance alone; of all of them where it is none. */
    public double appears(Circumstance when, FaultMode mode) {
        return when == Circumstance.ALWAYS ? 1 : appears.get(when).get(mode);
    }

    /** A factor of the priors file. */
    public double factor(Factor f) {
        return factors.get(f);
    }

    /** Severities as they are written, from the least to the greatest. */
    public List<String> written(Severity s) {
        return severities.get(s);
    }

    /** Severities as numbers. */
    public double[] severities(Severity s) {
        return severities.get(s).stream().mapToDouble(Double::parseDouble).toArray();
    }
}
