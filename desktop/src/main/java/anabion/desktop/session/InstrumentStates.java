package anabion.desktop.session;

import anabion.instruments.InstrumentRole;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** The instruments that are connected or remembered, and what each last said: for whoever shows them. Changed from any thread, told on the interface's. */
public final class InstrumentStates {
    private final ReadOnlyObjectWrapper<List<InstrumentStatus>> all = new ReadOnlyObjectWrapper<>(List.of());
    private final ObjectProperty<Optional<String>> bench = new SimpleObjectProperty<>(Optional.empty());
    private List<InstrumentStatus> held = List.of();

    /** In the order of their roles. */
    public ReadOnlyObjectProperty<List<InstrumentStatus>> all() {
        return all.getReadOnlyProperty();
    }

    /** What is wrong with the set in hand on the simulated bench that belongs to it, by a name that tells nobody; empty where none does. */
    public ObjectProperty<Optional<String>> bench() {
        return bench;
    }

    /** The one of a role. */
    public Optional<InstrumentStatus> of(InstrumentRole role) {
        return all.get().stream().filter(s -> s.role() == role).findFirst();
    }

    /** In the place of what was known of its role. */
    public synchronized void put(InstrumentStatus status) {
        List<InstrumentStatus> next = new ArrayList<>(held);
        next.removeIf(s -> s.role() == status.role());
        next.add(status);
        next.sort(Comparator.comparing(InstrumentStatus::role));
        tell(next);
    }

    /** Forgets a role. */
    public synchronized void remove(InstrumentRole role) {
        tell(held.stream().filter(s -> s.role() != role).toList());
    }

    /** What one said. */
    public synchronized void said(InstrumentRole role, String words, Instant when) {
        tell(held.stream()
                .map(s -> s.role() == role ? s.saying(words, when) : s)
                .toList());
    }

    /** That one said nothing. */
    public synchronized void failed(InstrumentRole role, String why, Instant when) {
        tell(held.stream().map(s -> s.role() == role ? s.failing(why, when) : s).toList());
    }

    private void tell(List<InstrumentStatus> next) {
        held = List.copyOf(next);
        List<InstrumentStatus> told = held;
        if (Platform.isFxApplicationThread()) all.set(told);
        else Platform.runLater(() -> all.set(told));
    }
}
