package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.desktop.bench.BenchPlace;
import anabion.desktop.instrument.InstrumentDesk;
import anabion.desktop.library.LibraryPlace;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.Sheet;
import anabion.desktop.shelf.ShelfPlace;
import anabion.desktop.theme.Look;
import anabion.workshop.StorageException;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.transform.Scale;

/** The window's content: top line, the place, probe line, overlays. */
public final class Shell extends StackPane {
    /** The places that work so far. */
    public enum Where {
        SHELF,
        BENCH,
        LIBRARY
    }

    private final Session session;
    private final Actions actions = new Actions();
    private final Overlay overlay = new Overlay();
    private final BorderPane frame = new BorderPane();
    private final TopLine top;
    private final ProbeLine probe;
    private final ShelfPlace shelf;
    private final BenchPlace bench;
    private final LibraryPlace library;
    private final Entries entries;
    private final Scale scale = new Scale(1, 1, 0, 0);
    private final InstrumentDesk instruments;
    private final ErrorPresenter troubles;
    private final InstrumentTaking taking;
    private Where where = Where.SHELF;
    private boolean dim;
    /** Lines carried out so far. */
    private int lines;

    private final Exporting exporting;
    private final Keeping keeping;

    public Shell(Session session, Ports ports) {
        this.session = session;
        instruments = new InstrumentDesk(session, ports.instruments(), ports.benches());
        troubles = new ErrorPresenter(this, ports.files());
        session.onTrouble(this::trouble);
        top = new TopLine(session, this::go);
        probe = new ProbeLine(session);
        exporting = new Exporting(session, probe, this::trouble);
        keeping = new Keeping(session, probe::say);
        taking = new InstrumentTaking(this, instruments);
        ShellActions own = new ShellActions(this, session, ports.files());
        own.register(actions);
        own.photos().on(this);
        shelf = new ShelfPlace(session, this::openSet);
        bench = new BenchPlace(session, this::trouble);
        session.diagnoses().found().addListener((o, a, b) -> {
            if (a.isPresent() != b.isPresent()) showProbe();
        });
        bench.onTest(p -> guarded(() -> begin(nextTest().to(p))));
        bench.onShown(this::showProbe);
        library = new LibraryPlace(session);
        entries = new Entries(session, instruments, bench, e -> taking.stream(e, this::takeFromInstruments));
        probe.onEntered(this::entered);
        probe.onMoved(this::moved);
        probe.field().textProperty().addListener((o, a, b) -> {
            if (where == Where.SHELF) shelf.filter(b);
            if (where == Where.LIBRARY) library.filter(b);
        });
        frame.setPadding(new Insets(6, 14, 10, 14));
        frame.setTop(top);
        frame.setBottom(probe);
        BorderPane.setMargin(probe, new Insets(8, 0, 0, 0));
        frame.getTransforms().add(scale);
        getChildren().addAll(frame, overlay);
        session.instruments().all().addListener((o, a, b) -> showProbe());
        session.step().addListener((o, a, b) -> {
            taking.stop();
            probe.left();
            showProbe();
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::keyPressed);
        addEventFilter(KeyEvent.KEY_TYPED, this::keyTyped);
        theme(false);
        go(Where.SHELF);
    }

    // --- what the actions ask for ---

    public Session session() {
        return session;
    }

    public Actions actions() {
        return actions;
    }

    public Overlay overlay() {
        return overlay;
    }

    public ProbeLine probe() {
        return probe;
    }

    ShelfPlace shelf() {
        return shelf;
    }

    BenchPlace bench() {
        return bench;
    }

    Entries entries() {
        return entries;
    }

    LibraryPlace library() {
        return library;
    }

    public Where where() {
        return where;
    }

    public boolean dim() {
        return dim;
    }

    public void theme(boolean dimTheme) {
        dim = dimTheme;
        Look.dress(this, dim);
    }

    public double scaled() {
        return scale.getX();
    }

    public void scale(double factor) {
        double bounded = Math.max(0.8, Math.min(2.5, factor));
        scale.setX(bounded);
        scale.setY(bounded);
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        frame.resizeRelocate(0, 0, getWidth() / scale.getX(), getHeight() / scale.getY());
    }

    public void go(Where to) {
        where = to;
        probe.left();
        probe.clear();
        Region place =
                switch (to) {
                    case SHELF -> shelf;
                    case BENCH -> bench;
                    case LIBRARY -> library;
                };
        frame.setCenter(place);
        BorderPane.setMargin(place, new Insets(4, 0, 0, 0));
        if (to == Where.SHELF) {
            shelf.filter("");
            session.refreshShelf();
        }
        library.inSight(to == Where.LIBRARY);
        top.show(where);
        showProbe();
        probe.field().requestFocus();
    }

    public void openSet(UUID id) {
        session.open(id, () -> {
            session.step()
                    .set(anabion.core.job.WorkOrder.current(session.order()).step());
            if (session.need().readings().size() > 0) session.step().set(anabion.core.job.Step.VOLTAGES);
            go(Where.BENCH);
        });
    }

    public void closeInstruments() {
        taking.stop();
        instruments.close();
    }

    private void showProbe() {
        boolean onBench = where == Where.BENCH && session.set().get().isPresent();
        Optional<Sheet> sheet = onBench ? Optional.of(bench.sheet()) : Optional.empty();
        String place = where.name().toLowerCase(java.util.Locale.ROOT);
        String prompt = session.say(where == Where.BENCH ? "ui.bench.empty-prompt" : place + ".prompt");
        probe.show(
                sheet.map(Sheet::where).orElse(session.say("place." + place)),
                taking.gone(sheet).or(() -> sheet.map(Sheet::prompt)).orElse(prompt));
        List<String[]> hints = new java.util.ArrayList<>(sheet.map(Sheet::hints).orElse(hints()));
        if (!session.instruments().all().get().isEmpty()
                && sheet.flatMap(Sheet::request).isPresent())
            hints.add(0, new String[] {"F6", session.say("ui.hint.meter")});
        if (onBench && session.diagnoses().found().get().isPresent())
            hints.add(new String[] {"Ctrl G", session.say("ui.hint.next-test")});
        hints.add(new String[] {"Ctrl K", session.say("ui.hint.actions")});
        probe.hints(hints);
    }

    private List<String[]> hints() {
        return switch (where) {
            case SHELF ->
                List.of(
                        new String[] {"Enter", session.say("ui.hint.open")},
                        new String[] {"Ctrl N", session.say("ui.hint.new")});
            case BENCH -> List.of();
            case LIBRARY -> List.<String[]>of(new String[] {"F5", session.say("ui.hint.side")});
        };
    }

    // --- keys ---

    private void keyPressed(KeyEvent e) {
        boolean typing = e.getTarget() instanceof TextInputControl field && field != probe.field();
        if (typing
                && (e.isShortcutDown()
                        && List.of(KeyCode.C, KeyCode.V, KeyCode.X, KeyCode.A, KeyCode.Z, KeyCode.Y)
                                .contains(e.getCode()))) return;
        if (e.getTarget() == probe.field()
                && e.isShortcutDown()
                && ((e.getCode() == KeyCode.C
                                && !probe.field().getSelectedText().isEmpty())
                        || e.getCode() == KeyCode.X
                        || e.getCode() == KeyCode.A)) return;
        if (overlay.isOpen()) {
            if (e.isShortcutDown() || e.isAltDown() || e.getCode().isFunctionKey()) e.consume();
            return;
        }
        if (e.getCode() == KeyCode.ESCAPE) {
            escape();
            e.consume();
            return;
        }
        actions.matching(e).ifPresent(a -> {
            e.consume();
            guarded(a.run());
        });
    }

    private void escape() {
        if (exporting.stop()) return;
        if (!probe.field().isFocused()) probe.field().requestFocus();
        else if (!probe.field().getText().isEmpty()) probe.clear();
        else session.stage().set(Optional.empty());
    }

    /** Printable keys pressed on anything that does not take text belong to the probe line. */
    private void keyTyped(KeyEvent e) {
        boolean takesText = e.getTarget() instanceof TextInputControl;
        String c = e.getCharacter();
        if (takesText
                || overlay.isOpen()
                || e.isControlDown()
                || e.isAltDown()
                || c.isEmpty()
                || c.charAt(0) <= ' '
                || c.charAt(0) == 127) return;
        probe.type(c);
        e.consume();
    }

    /** Runs something the user asked for; what goes wrong is said in the probe line. */
    public void guarded(Runnable run) {
        try {
            run.run();
        } catch (InputException | StorageException e) {
            probe.complain(e.getMessage(), "");
        }
    }

    // --- entries ---

    private void moved(KeyCode key) {
        if (where == Where.SHELF) shelf.moved(key);
        else if (where == Where.LIBRARY) library.moved(key);
        else bench.sheet().moved(key);
    }

    private void entered(String text) {
        if (where == Where.SHELF) {
            shelf.chosen().ifPresent(s -> openSet(s.id()));
            return;
        }
        if (where == Where.LIBRARY) {
            if (!text.isBlank()) carriedOut(text, () -> library.entered(text));
            return;
        }
        if (session.set().get().isEmpty()) {
            go(Where.SHELF);
            return;
        }
        if (entries.keeps(text)) probe.clear();
        else if (!text.isBlank()) carriedOut(text, () -> entries.typed(text));
        else if (bench.sheet().edit().isEmpty()) moved(KeyCode.DOWN);
        else probe.offer(bench.sheet().edit());
    }

    private void carriedOut(String text, Supplier<CompletableFuture<?>> work) {
        carriedOut(text, work, probe::clear);
    }

    /** A line that was kept back comes now. What stands in the probe line is a newer one that somebody is typing: it stays. */
    private void keptBack(String text) {
        if (!entries.keeps(text)) carriedOut(text, () -> entries.typed(text), () -> {});
    }

    private void carriedOut(String text, Supplier<CompletableFuture<?>> work, Runnable taken) {
        int mine = ++lines;
        try {
            CompletableFuture<?> stored = work.get();
            taken.run();
            probe.say(session.say("ui.writing", text));
            stored.whenComplete((r, e) -> Platform.runLater(() -> {
                if (e == null) {
                    // what is said of a newer line stays
                    if (mine == lines) probe.say(r instanceof ShouldRead.Answer a ? a.words() : "");
                    showProbe();
                } else troubles.say(e, text);
                entries.through(stored, e != null, this::keptBack, probe::say);
            }));
        } catch (InputException | StorageException e) {
            entries.refused();
            troubles.say(e, text);
        }
    }

    public void trouble(Throwable t) {
        troubles.say(t, "");
    }

    ErrorPresenter troubles() {
        return troubles;
    }

    /** @param handler closes the workshop, does what it is given, opens the folder that this returns in the same window, and says the words */
    public void onReopen(BiConsumer<Supplier<Path>, String> handler) {
        troubles.onReopen(handler);
    }

    /** Shows a set that came from a file. */
    public void added(SetArchive.Added added) {
        openSet(added.set().id());
        if (added.beside())
            probe.say(session.say("ui.beside", added.set().chassis().name()));
    }

    NextTest nextTest() {
        return new NextTest(session, bench);
    }

    /** Begins the probe line. */
    void begin(String text) {
        if (where != Where.BENCH) go(Where.BENCH);
        showProbe();
        probe.field().setText(text);
        probe.field().requestFocus();
        probe.field().end();
    }

    /** Takes what the lit row asks for from the instruments. */
    void takeFromInstruments() {
        taking.take(where == Where.BENCH, bench.sheet());
    }

    /** Writes a set to a file while work goes on; Escape stops it. */
    void export(Export export, Path file) {
        exporting.run(export, file);
    }

    /** What is kept without being asked for. */
    public Keeping keeping() {
        return keeping;
    }
}
