package anabion.desktop.instrument;

import anabion.core.align.AlignmentTable;
import anabion.core.error.InputException;
import anabion.core.job.SignalKind;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.ReadingRequest;
import anabion.instruments.Generator;
import anabion.instruments.InstrumentRole;
import anabion.instruments.OutputMeter;

/**
 * Finds the level that brings the standard output.
 *
 * <p>Method: what comes without a signal is hum, and is taken off by squares; the generator is turned in proportion to what is lacking, a step at a time, since
 * sets with volume control and stages near their limit do not follow in proportion.
 */
final class Levels {
    private static final double DEPTH = 0.3;
    private static final double CLOSE = 0.03;
    private static final int STEPS = 12;
    private static final double MOST_STEP = 10;
    /** Volts that usual generators give. */
    private static final double STRONGEST = 10;
    /** Share of the hum below which nothing can be told from it. */
    private static final double DROWNED = 0.3;

    private final Session session;
    private final Rig rig;

    Levels(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /** @return the line: the level, or that nothing comes */
    String level(ReadingRequest.Level at) {
        Generator generator = rig.need(rig.generator(), InstrumentRole.GENERATOR);
        rig.hands().ifPresent(h -> h.inject(at.point(), at.signal()));
        double depth = at.signal() == SignalKind.AF ? 0 : DEPTH;
        if (rig.outputMeter().isEmpty()) {
            give(generator, at, at.volts(), depth);
            throw InputException.at(at.place())
                    .because(session.say("instrument.given", Readings.level(at.volts())))
                    .so(session.say("instrument.given.remedy"));
        }
        OutputMeter meter = rig.outputMeter().get();
        double hum = hum(generator, meter);
        double volts = Math.min(STRONGEST, at.volts());
        for (int n = 0; n < STEPS; n++) {
            give(generator, at, volts, depth);
            double signal = signal(meter, hum);
            double lacking = at.output() / Math.max(signal, 1e-9);
            if (Math.abs(lacking - 1) < CLOSE)
                return at.place() + " " + Readings.level(volts).replace(" ", "");
            if (volts >= STRONGEST && lacking > 1) break;
            volts = Math.min(STRONGEST, volts * Math.max(1 / MOST_STEP, Math.min(MOST_STEP, lacking)));
        }
        return at.place() + " nothing";
    }

    /** @return the line: what the output meter shows of the signal at the level of an alignment, or at more where hum would drown it */
    String output(ReadingRequest.Output at) {
        Generator generator = rig.need(rig.generator(), InstrumentRole.GENERATOR);
        OutputMeter meter = rig.need(rig.outputMeter(), InstrumentRole.OUTPUT_METER);
        rig.hands().ifPresent(h -> {
            at.dial().ifPresent(h::tune);
            h.inject(at.point(), at.signal());
        });
        double hum = hum(generator, meter);
        double volts = at.volts();
        give(generator, at.hertz(), volts, DEPTH);
        double signal = signal(meter, hum);
        while (signal < hum && volts * MOST_STEP <= AlignmentTable.STRONGEST) {
            volts *= MOST_STEP;
            give(generator, at.hertz(), volts, DEPTH);
            signal = signal(meter, hum);
        }
        String level = Readings.level(volts).replace(" ", "");
        if (signal < DROWNED * hum || signal == 0)
            throw InputException.at("")
                    .because(session.say("instrument.drowned", level))
                    .so(session.say("instrument.drowned.remedy"));
        return Readings.level(signal).replace(" ", "") + " at " + level;
    }

    /** A carrier for what is read in direct volts. */
    void unmodulated(double hertz, double volts) {
        give(rig.need(rig.generator(), InstrumentRole.GENERATOR), hertz, volts, 0);
    }

    private double hum(Generator generator, OutputMeter meter) {
        rig.asked(
                InstrumentRole.GENERATOR,
                () -> {
                    generator.rest();
                    return 0;
                },
                x -> session.say("instrument.rests"));
        return read(meter);
    }

    private double signal(OutputMeter meter, double hum) {
        double all = read(meter);
        return Math.sqrt(Math.max(0, all * all - hum * hum));
    }

    private void give(Generator generator, ReadingRequest.Level at, double volts, double depth) {
        give(generator, at.hertz(), volts, depth);
    }

    private void give(Generator generator, double hertz, double volts, double depth) {
        rig.asked(
                InstrumentRole.GENERATOR,
                () -> {
                    generator.give(hertz, volts, depth);
                    return 0;
                },
                x -> Readings.level(volts));
    }

    private double read(OutputMeter meter) {
        return rig.asked(InstrumentRole.OUTPUT_METER, meter::volts, Readings::level);
    }
}
