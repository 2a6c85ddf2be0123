package anabion.core.tracing;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Odds of every stage, from stages and bands alone: for sets whose circuit nobody has, and for the chains of a display.
 *
 * <p>Method: Bayes' rule over single causes. A cause is a stage, or in a stage that several bands share what one band alone has there, its coil or the
 * contact of its switch. A signal's way runs through the stages from where it is put in to the end, or from the beginning to where it is followed to; a
 * cause on the way spoils it nearly always, one beside it nearly never. What plays on one band so clears the stages that it shares with another. The
 * frequencies with which ears and causes agree are general practice, set right on sets whose circuit is known; a test holds them to within ten points.
 *
 * @param odds the likeliest first
 * @param other odds of what is in no stage
 */
public record StageOdds(Map<Cause, Double> odds, double other) {
    private static final double OTHER = 0.05;
    private static final double OWN = 0.3;

    /** How often each kind of outcome is called: as it should be, hum, anything else. */
    private record Calls(double good, double hum, double bad) {
        double of(Clue c) {
            return c.good() ? good : c.outcome() == Outcome.HUM ? hum : bad;
        }
    }

    private static final Calls ON_THE_WAY = new Calls(0.04, 0.06, 0.90);
    /** The stage whose input is tried: what is wrong may lie before that pin. */
    private static final Calls AT = new Calls(0.22, 0.08, 0.70);
    /** The stage before it: what is wrong there may load the point. */
    private static final Calls BEFORE = new Calls(0.80, 0.03, 0.17);

    private static final Calls BESIDE = new Calls(0.95, 0.01, 0.04);
    /** A supply that fails takes everything with it, or hums. */
    private static final List<Calls> SUPPLY = List.of(new Calls(0.07, 0.13, 0.80), new Calls(0.32, 0.60, 0.08));

    /** What has no tube or transistor fails seldomer. */
    private static final double SELDOM = 0.25;

    private static final double SUPPLIES = 0.35;
    private static final Calls UNKNOWN = new Calls(0.4, 0.2, 0.4);

    /**
     * A stage.
     *
     * @param band the band whose own part of it is meant; empty for all of it
     */
    public record Cause(String stage, String band) {}

    /**
     * One signal's way, and what came of it.
     *
     * @param at the stage whose input was tried, where it lies on the way; else empty
     * @param before the stage next to that input off the way; else empty
     */
    private record Clue(String band, List<String> way, String at, String before, Outcome outcome, boolean good) {}

    public StageOdds {
        odds = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(odds));
    }

    /**
     * Empty where nothing was tried, or there are no stages.
     *
     * @param wanted the bands to look at; those of the supply count with bands of sound
     */
    public static Optional<StageOdds> of(Chassis chassis, Job job, Predicate<Band> wanted) {
        List<Band> bands = chassis.bands().stream().filter(wanted).toList();
        List<Clue> clues = new ArrayList<>(complaints(bands, job));
        for (Heard h : job.heard())
            if (FittedState.since(h.state(), job.alterations()).isEmpty())
                bands.stream()
                        .filter(b -> b.name().equals(h.band()))
                        .findFirst()
                        .flatMap(b -> clue(b, h))
                        .ifPresent(clues::add);
        List<Cause> causes = causes(chassis, bands);
        return clues.isEmpty() || causes.isEmpty() ? Optional.empty() : Optional.of(weigh(chassis, causes, clues));
    }

    private static List<Cause> causes(Chassis chassis, List<Band> bands) {
        boolean sound = bands.stream().anyMatch(b -> b.kind() != BandKind.DISPLAY);
        List<Cause> all = new ArrayList<>();
        for (Stage s : chassis.stages()) {
            List<Band> in =
                    bands.stream().filter(b -> b.stages().contains(s.name())).toList();
            if ((sound && s.line() == StripRow.SUPPLY) || !in.isEmpty()) all.add(new Cause(s.name(), ""));
            if (in.size() > 1) in.forEach(b -> all.add(new Cause(s.name(), b.name())));
        }
        return all;
    }

    private static StageOdds weigh(Chassis chassis, List<Cause> causes, List<Clue> clues) {
        Map<Cause, Double> weights = new LinkedHashMap<>();
        boolean known = causes.stream().anyMatch(c -> hasDevice(chassis, c.stage()));
        double sum = 0;
        for (Cause c : causes) {
            boolean supply = chassis.stage(c.stage())
                    .filter(s -> s.line() == StripRow.SUPPLY)
                    .isPresent();
            double w = supply ? supply(clues) : prior(chassis, c, known);
            if (!supply) for (Clue k : clues) w *= calls(c, k).of(k);
            weights.put(c, w);
            sum += w;
        }
        double prior =
                causes.stream().mapToDouble(c -> c.band().isEmpty() ? 1 : OWN).sum();
        double other = OTHER / (1 - OTHER) * prior;
        for (Clue k : clues) other *= UNKNOWN.of(k);
        double all = sum + other;
        Map<Cause, Double> odds = new LinkedHashMap<>();
        weights.entrySet().stream()
                .sorted(Map.Entry.<Cause, Double>comparingByValue(Comparator.reverseOrder()))
                .forEach(e -> odds.put(e.getKey(), e.getValue() / all));
        return new StageOdds(odds, other / all);
    }

    /** Whether a tube or transistor stands in a stage: among its parts, or by the type number that is written beside it. */
    static boolean hasDevice(Chassis chassis, String name) {
        return chassis.stage(name).filter(s -> hasDevice(chassis, s)).isPresent();
    }

    private static boolean hasDevice(Chassis chassis, Stage s) {
        Stream<DeviceType> parts =
                s.parts().stream().flatMap(r -> chassis.part(r).stream()).flatMap(p -> Sockets.type(p).stream());
        Stream<DeviceType> written =
                Arrays.stream(s.detail().split("[\\s,;/]+")).flatMap(w -> DeviceLibrary.standard().find(w).stream());
        return Stream.concat(parts, written).anyMatch(t -> !t.rectifies());
    }

    /** @param known whether any stage is known to have a device: else none is known to have none */
    private static double prior(Chassis chassis, Cause c, boolean known) {
        if (!c.band().isEmpty()) return OWN;
        return known && !hasDevice(chassis, c.stage()) ? SELDOM : 1;
    }

    /** Either way of failing spoils all clues alike. */
    private static double supply(List<Clue> clues) {
        double sum = 0;
        for (Calls way : SUPPLY) {
            double w = SUPPLIES / SUPPLY.size();
            for (Clue k : clues) w *= way.of(k);
            sum += w;
        }
        return sum;
    }

    private static Calls calls(Cause c, Clue k) {
        if (!c.band().isEmpty() && !c.band().equals(k.band())) return BESIDE;
        if (k.way().contains(c.stage())) return c.stage().equals(k.at()) ? AT : ON_THE_WAY;
        return c.stage().equals(k.before()) ? BEFORE : BESIDE;
    }

    private static List<Clue> complaints(List<Band> bands, Job job) {
        List<Clue> all = new ArrayList<>();
        if (!job.fitted().id().equals(FittedState.AS_FOUND)) return all;
        for (Band b : bands)
            for (Complaint c : job.arrival().complaints())
                if (c.where().equalsIgnoreCase(b.name()) && !b.stages().isEmpty())
                    c.symptom()
                            .outcome()
                            .ifPresent(o -> all.add(new Clue(b.name(), b.stages(), "", "", o, o == Outcome.LOUD)));
        return all;
    }

    /** The input of a stage, touched, fed or followed to; pins are for those who have the circuit. */
    private static Optional<Clue> clue(Band band, Heard h) {
        int at = band.stages().indexOf(h.point());
        if (at < 0) return Optional.empty();
        List<String> way = h.how() == Heard.How.TAP
                ? band.stages().subList(0, at)
                : band.stages().subList(at, band.stages().size());
        boolean tap = h.how() == Heard.How.TAP;
        String here = band.stages().get(at);
        String previous = at == 0 ? "" : band.stages().get(at - 1);
        return Optional.of(
                new Clue(band.name(), way, tap ? previous : here, tap ? here : previous, h.outcome(), h.good()));
    }

    /** Whether it was weighed. */
    public boolean covers(String stage) {
        return odds.keySet().stream().anyMatch(c -> c.stage().equals(stage));
    }

    /** Odds that the fault is in a stage, whatever the band. */
    public double of(String stage) {
        return odds.entrySet().stream()
                .filter(e -> e.getKey().stage().equals(stage))
                .mapToDouble(Map.Entry::getValue)
                .sum();
    }
}
