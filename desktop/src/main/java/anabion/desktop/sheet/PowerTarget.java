package anabion.desktop.sheet;

import anabion.core.job.PowerStage;
import anabion.core.power.GateItem;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerStep;
import anabion.core.power.Rail;
import anabion.core.power.SeriesLamp;
import anabion.core.power.StageProgress;
import anabion.core.reading.Standing;
import anabion.desktop.session.PowerUps.PowerUp;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A row of a power-up: what is typed goes to the one that is lit. */
sealed interface PowerTarget {
    /** A condition before it. */
    record Condition(GateItem item) implements PowerTarget {}

    /** What is read in a stage before the whole set. */
    record Reading(PowerStage stage, StageProgress.Taken taken) implements PowerTarget {}

    /** A step of the whole set. */
    record Step(PowerProgress.Row row) implements PowerTarget {}

    /** Whether it waits for somebody. */
    default boolean isWanted() {
        if (this instanceof Condition c) return c.item().state().stops();
        if (this instanceof Reading r) return r.taken().standing() == Standing.NOT_TAKEN;
        return ((Step) this).row().standing() == Standing.NOT_TAKEN;
    }

    /** The stage that begins where it is lit. */
    default PowerStage begins(PowerUp p) {
        if (this instanceof Reading r) return r.stage();
        return this instanceof Condition ? p.next() : PowerStage.WHOLE_SET;
    }

    /** What instruments would read for it; empty for a condition. */
    default Optional<ReadingRequest> request(PowerUp p) {
        if (this instanceof Reading r) return Optional.of(request(p, r));
        return this instanceof Step s ? Optional.of(request(p, s.row().step())) : Optional.empty();
    }

    private static ReadingRequest request(PowerUp p, Reading r) {
        String against = r.taken().row().against();
        String reference = p.of().chassis().reference();
        return new ReadingRequest.OfStage(r.stage(), r.taken().row(), against.isEmpty() ? reference : against);
    }

    private static ReadingRequest request(PowerUp p, PowerStep step) {
        Optional<Rail> rail = p.model().rail();
        String net = rail.map(Rail::net).orElse("");
        return new ReadingRequest.Step(
                step.dial(),
                p.progress().plan().lamp().filter(l -> step.lamp()).map(SeriesLamp::text),
                net,
                rail.map(Rail::foot).orElse(""),
                step.warm().rail(net),
                p.model().rectified());
    }

    /** All that are listed: once the set is on, those of its stage alone. */
    static List<PowerTarget> of(PowerUp p) {
        List<PowerTarget> all = new ArrayList<>();
        if (!p.progress().on()) p.gate().forEach(i -> all.add(new Condition(i)));
        for (StageProgress s : stages(p))
            s.rows().forEach(t -> all.add(new Reading(s.table().stage(), t)));
        if (p.atHand().isEmpty()) p.progress().rows().forEach(r -> all.add(new Step(r)));
        return all;
    }

    /** The stages before the whole set that are listed. */
    static List<StageProgress> stages(PowerUp p) {
        return p.progress().on() ? p.atHand().stream().toList() : p.stages();
    }
}
