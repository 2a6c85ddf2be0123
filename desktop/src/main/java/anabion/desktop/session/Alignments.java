package anabion.desktop.session;

import anabion.core.align.Alignment;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Keeps the alignment of the band in hand, while its sheet is: computed anew only for another circuit or band. */
public final class Alignments {
    private final ObjectProperty<List<Double>> ownStations = new SimpleObjectProperty<>(List.of());
    private final Session session;
    private final ReadOnlyObjectWrapper<Optional<Shown>> shown = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<String> trouble = new ReadOnlyObjectWrapper<>("");
    private Optional<Ground> ground = Optional.empty();
    /** Solved on the compute side, where one job of a name runs at a time. */
    private volatile Optional<Alignment.Computed> computed = Optional.empty();

    private record Ground(SetRecord set, Band band) {}

    /** What the sheet shows, and of which set. */
    public record Shown(Alignment alignment, SetRecord of) {}

    Alignments(Session session) {
        this.session = session;
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        session.condition().addListener((o, a, b) -> look());
    }

    /** Empty before it is computed, and for a set without a band that is tuned. */
    public ReadOnlyObjectProperty<Optional<Shown>> shown() {
        return shown.getReadOnlyProperty();
    }

    /** Stations that are heard where the workshop is, in hertz, rising. */
    public ObjectProperty<List<Double>> ownStations() {
        return ownStations;
    }

    /** Keeps them for the whole workshop. */
    public CompletableFuture<?> keep(List<Double> stations) {
        ownStations.set(stations);
        session.remember(
                "stations",
                stations.stream().map(f -> String.valueOf(Math.round(f))).collect(Collectors.joining(" ")));
        return CompletableFuture.completedFuture(null);
    }

    /** Why nothing can be said; empty where something can. */
    public ReadOnlyObjectProperty<String> trouble() {
        return trouble.getReadOnlyProperty();
    }

    private void look() {
        if (session.step().get() != Step.ALIGN) return;
        Optional<Ground> now =
                session.set().get().flatMap(s -> band(s.chassis()).map(b -> new Ground(s, b)));
        if (now.isPresent() && now.equals(ground)) return;
        boolean same = now.isPresent()
                && ground.filter(g -> g.set()
                                        .chassis()
                                        .id()
                                        .equals(now.get().set().chassis().id())
                                && g.band().name().equals(now.get().band().name()))
                        .isPresent();
        ground = now;
        if (!same) shown.set(Optional.empty());
        trouble.set("");
        if (now.isEmpty()) return;
        session.compute()
                .ask(ComputeScheduler.Job.ALIGNMENT, () -> with(now.get()), a -> shown.set(Optional.of(a)), t -> {
                    if (!(t instanceof InputException)) session.report(t);
                    shown.set(Optional.empty());
                    trouble.set(String.valueOf(t.getMessage()));
                });
    }

    /**
     * The band of the set on the bench that is aligned, whether or not its lines are computed yet.
     *
     * @param line that asks, for the error
     * @throws InputException where no band is tuned
     */
    public Band band(String line) {
        return session.set().get().flatMap(s -> band(s.chassis())).orElseThrow(() -> InputException.at(line)
                .because(session.say("align.no-band"))
                .so(session.say("align.no-band.remedy")));
    }

    /** The band that was chosen if it is tuned, else the first that is. */
    private Optional<Band> band(Chassis chassis) {
        String chosen = session.condition().get().map(c -> c.band()).orElse("");
        return chassis.band(chosen)
                .filter(Alignments::tuned)
                .or(() -> chassis.bands().stream().filter(Alignments::tuned).findFirst());
    }

    private static boolean tuned(Band b) {
        return b.kind() == BandKind.AM || b.kind() == BandKind.FM;
    }

    private Shown with(Ground g) {
        Chassis chassis = g.set().chassis();
        Alignment.Computed c = computed.filter(
                        x -> x.chassis().equals(chassis) && x.procedure().band().equals(g.band()))
                .orElseGet(() -> Alignment.Computed.of(
                        new Simulator(),
                        chassis,
                        Setting.fed(chassis).withControls(Controls.volume(chassis, 1)),
                        g.band()));
        computed = Optional.of(c);
        return new Shown(c.with(g.set().job()), g.set());
    }
}
