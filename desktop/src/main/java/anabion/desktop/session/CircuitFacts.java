package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.isolation.Isolation;
import anabion.core.isolation.MainsReach;
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

    private record Found(Isolation isolation, List<CircuitCheck.Remark> remarks) {
        static Found of(Chassis chassis) {
            MainsReach reach = MainsReach.of(chassis);
            return new Found(Isolation.of(chassis, reach), CircuitCheck.of(chassis, reach));
        }
    }

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
        Isolation unproved = Isolation.unproved(chassis);
        if (!known) isolation.set(Optional.of(unproved));
        compute.ask(ComputeScheduler.Job.CIRCUIT, () -> Found.of(chassis), this::show, t -> {
            // what was true of the circuit before its change may not be true of it now
            show(new Found(unproved, List.of()));
            trouble.accept(t);
        });
    }

    private void show(Found found) {
        isolation.set(Optional.of(found.isolation()));
        remarks.set(found.remarks());
    }
}
