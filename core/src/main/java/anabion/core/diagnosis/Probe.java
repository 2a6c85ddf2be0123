package anabion.core.diagnosis;

import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.engine.Setting;
import anabion.core.signal.Domain;
import java.util.List;

/** Something that can be measured or tried on a set. */
public sealed interface Probe {
    /** Bench time that it takes, in minutes (general practice: a pin is read in half a minute, a part lifted in four). */
    double minutes();

    /** The words of commands and files. */
    String text();

    /** What is asked for with a number as its answer. */
    sealed interface Measured extends Probe {}

    /**
     * Direct volts of a net against the reference.
     *
     * @param point as it is named
     */
    record Volts(String point, String net, Setting setting, MeterSpec meter) implements Measured {
        /** The parts that are off meanwhile. */
        public List<String> lifted() {
            return setting.faults().stream().map(Fault::part).distinct().toList();
        }

        @Override
        public double minutes() {
            return lifted().isEmpty() ? 0.5 : 4;
        }

        @Override
        public String text() {
            return "volts " + point + (lifted().isEmpty() ? "" : " with " + String.join(", ", lifted()) + " lifted");
        }
    }

    /**
     * Ohms between two nets, power off.
     *
     * @param test volts of the ohmmeter with open probes
     */
    record Ohms(String net, String against, double test) implements Measured {
        @Override
        public double minutes() {
            return 0.7;
        }

        @Override
        public String text() {
            return "ohms " + net + " to " + against;
        }
    }

    /** A signal put in at a point, with volume up: what comes from the speaker? */
    record Inject(String band, Domain domain, String point) implements Probe {
        @Override
        public double minutes() {
            return 1;
        }

        @Override
        public String text() {
            return "inject " + domain.code() + " at " + point + " on " + band;
        }
    }

    /** A band, listened to as it is: the complaint, in an outcome's words. */
    record Listen(String band) implements Probe {
        @Override
        public double minutes() {
            return 0.3;
        }

        @Override
        public String text() {
            return "listen " + band;
        }
    }

    /** A part lifted and tested, or swapped for a good one. */
    record Try(String part) implements Probe {
        @Override
        public double minutes() {
            return 4;
        }

        @Override
        public String text() {
            return "test " + part;
        }
    }
}
