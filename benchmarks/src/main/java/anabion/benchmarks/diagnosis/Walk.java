package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Ways of choosing the next test. All hand the same evidence to the same verdict. */
interface Walk {
    /** Empty when it has no more to ask. */
    Optional<Measurement> next(Diagnosis now, List<Observation> evidence);

    /** Whether it needs to be told what the diagnosis would ask. */
    default boolean asks() {
        return false;
    }

    /** What the diagnosis asks for. */
    static Walk led() {
        return new Walk() {
            @Override
            public Optional<Measurement> next(Diagnosis now, List<Observation> evidence) {
                return now.next().stream().findFirst().map(RatedMeasurement::measurement);
            }

            @Override
            public boolean asks() {
                return true;
            }
        };
    }

    /** The pins of one device after the other from the rectifier, then the ohms. */
    static Walk pinByPin(PredictionModel predictions, List<Measurement> allowed) {
        List<Measurement> order = new ArrayList<>();
        List<Part> devices = new ArrayList<>(predictions.chassis().parts().stream()
                .filter(p -> p.device().isPresent())
                .toList());
        java.util.Collections.reverse(devices); // the rectifier stands last in a line-up
        for (Part p : devices) order.addAll(pins(p, allowed));
        allowed.stream().filter(p -> p instanceof Measurement.Ohms).forEach(order::add);
        return inOrder(order);
    }

    private static List<Measurement> pins(Part p, List<Measurement> allowed) {
        return allowed.stream()
                .filter(x -> x instanceof Measurement.Volts v && p.touches(v.net()))
                .toList();
    }

    private static Walk inOrder(List<Measurement> order) {
        Set<Measurement> done = new HashSet<>();
        return (now, evidence) -> order.stream().filter(done::add).findFirst();
    }

    /** A signal in the middle of what is left until one stage is left; then its pins, its ohms, its parts one by one, then the rest. */
    static Walk halfSplit(PredictionModel predictions, List<Measurement> allowed) {
        List<Measurement.Inject> points = new ArrayList<>();
        for (Measurement p : allowed)
            if (p instanceof Measurement.Inject i
                    && (points.isEmpty() || points.get(0).band().equals(i.band()))) points.add(i);
        return new Walk() {
            private int good = -1;
            private int bad = points.size();
            private int asked = -1;
            private Optional<Walk> rest = Optional.empty();

            @Override
            public Optional<Measurement> next(Diagnosis now, List<Observation> evidence) {
                if (asked >= 0 && evidence.get(evidence.size() - 1) instanceof Observation.Heard h) {
                    if (h.outcome() == Outcome.LOUD) good = asked;
                    else bad = asked;
                    asked = -1;
                }
                if (bad - good > 1) {
                    asked = (good + bad) / 2;
                    return Optional.of(points.get(asked));
                }
                if (rest.isEmpty()) rest = Optional.of(inside(predictions.chassis(), allowed, points, good, bad));
                return rest.get().next(now, evidence);
            }
        };
    }

    private static Walk inside(
            Chassis chassis, List<Measurement> allowed, List<Measurement.Inject> points, int good, int bad) {
        Set<String> near = new HashSet<>();
        for (int n : new int[] {Math.max(0, good), Math.min(bad, points.size() - 1)}) {
            if (points.isEmpty()) break;
            String at = points.get(n).point();
            for (Stage s : chassis.stages())
                if (s.parts().stream().anyMatch(r -> at.startsWith(r + ".") || touches(chassis, r, at)))
                    near.addAll(s.parts());
        }
        List<Measurement> order = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.device().isPresent() && near.contains(p.reference())) order.addAll(pins(p, allowed));
        for (Measurement x : allowed)
            if (x instanceof Measurement.Ohms o && near.stream().anyMatch(r -> touches(chassis, r, o.net())))
                order.add(x);
        for (Part p : chassis.parts()) if (near.contains(p.reference())) order.add(Measurement.Try.of(p));
        for (Part p : chassis.parts()) if (p.device().isPresent()) order.addAll(pins(p, allowed));
        allowed.stream().filter(p -> p instanceof Measurement.Ohms).forEach(order::add);
        return inOrder(order);
    }

    private static boolean touches(Chassis chassis, String reference, String net) {
        return chassis.part(reference).filter(p -> p.touches(net)).isPresent();
    }
}
