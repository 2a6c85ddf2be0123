package anabion.desktop.session;

import anabion.core.device.DeviceLibrary;
import anabion.workshop.History;
import anabion.workshop.OwnLibrary;
import anabion.workshop.SetRecord;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** The types of tubes and semiconductors that can be named, the workshop's own among them. */
public final class Types {
    private final Session session;
    private final ObjectProperty<DeviceLibrary> library = new SimpleObjectProperty<>(DeviceLibrary.standard());
    private final ObjectProperty<History> history =
            new SimpleObjectProperty<>(new History(Optional.empty(), Optional.empty()));

    Types(Session session) {
        this.session = session;
    }

    /** The types that can be named. */
    public ObjectProperty<DeviceLibrary> library() {
        return library;
    }

    /** What of the library's changes can be undone. */
    public ObjectProperty<History> history() {
        return history;
    }

    void read() {
        session.ask(w -> new Stored(w.types().library(), w.types().history(), Optional.empty()), this::show);
    }

    /** Changes the workshop's own types, and the sets with them. */
    public CompletableFuture<DeviceLibrary> change(Function<OwnLibrary, DeviceLibrary> change) {
        return session.ask(
                        w -> {
                            DeviceLibrary now = change.apply(w.types());
                            Optional<SetRecord> set =
                                    session.set().get().map(s -> w.sets().get(s.id()));
                            return new Stored(now, w.types().history(), set);
                        },
                        this::show)
                .thenApply(Stored::library);
    }

    private void show(Stored now) {
        library.set(now.library());
        history.set(now.history());
        now.set().ifPresent(session::changed);
    }

    private record Stored(DeviceLibrary library, History history, Optional<SetRecord> set) {}
}
