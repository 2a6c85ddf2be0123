package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.isolation.Isolation;
import anabion.core.signal.CircuitCheck;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** What follows from the circuit of the set on the bench alone, whatever is read. */
final class CircuitFacts {
    private final ComputeScheduler compute;
    private final Consumer<Throwable> trouble;
    private final ObjectProperty<List<CircuitCheck.Remark>> remarks = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<Optional<Isolation>> isolation = new SimpleObjectProperty<>(Optional.empty());

    CircuitFacts(ComputeScheduler compute, Consumer<Throwable> trouble) {
        this.compute = compute;
        this.trouble = trouble;
    }

    ObjectProperty<List<CircuitCheck.Remark>> remarks() {
        return remarks;
    }

    ObjectProperty<Optional<Isolation>> isolation() {
        return isolation;
    }

    /** @param known whether what was found of the set before its change serves until the new is computed */
    void of(Optional<Chassis> circuit, boolean known) {
        if (circuit.isEmpty()) {
            remarks.set(List.of());
            isolation.set(Optional.empty());
            return;
        }
        Chassis chassis = circuit.get();
        compute.ask(ComputeScheduler.Job.CHECKS, () -> CircuitCheck.of(chassis), remarks::set, t -> {
            remarks.set(List.of());
            trouble.accept(t);
        });
        Optional<Isolation> unproved = Optional.of(Isolation.unproved(chassis));
        if (!known) isolation.set(unproved);
        compute.ask(
                ComputeScheduler.Job.ISOLATION, () -> Isolation.of(chassis), i -> isolation.set(Optional.of(i)), t -> {
                    // what was true of the circuit before its change may not be true of it now
                    isolation.set(unproved);
                    trouble.accept(t);
                });
    }
}
