package anabion.desktop.instrument;

import anabion.core.command.Entry;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.json.Coded;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.ReadingRequest;
import anabion.desktop.sheet.Sheet;
import anabion.instruments.Address;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentConnector;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Variac;
import anabion.instruments.process.BenchProcess;
import anabion.workshop.SetRecord;
import anabion.workshop.demo.DemoWorkshop;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;

/** The instruments on the bench, asked on a thread of their own so that a slow one never holds the window up. */
public final class InstrumentDesk implements AutoCloseable {
    private static final String SETTING = "instrument.";
    /** Milliseconds that a variac is given to go down when the program ends: as long as an answer may take, and to connect anew. */
    private static final int DOWN_MS = 7000;
    /** A variac is turned no higher than so many nominal lines. */
    private static final double MOST = 1.1;

    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "instruments");
        t.setDaemon(true);
        return t;
    });
    private final Session session;
    private final InstrumentConnector connector;
    private final BenchStarter benches;
    private final Rig rig;
    private final Readings readings;
    /** Whether the program has turned the variac up. */
    private volatile boolean up;

    private Optional<BenchProcess> bench = Optional.empty();
    /** Written on the thread of the instruments. */
    private volatile Optional<Follow> follow = Optional.empty();

    /** Starts a simulated bench. A port: tests have one that runs quicker. */
    @FunctionalInterface
    public interface BenchStarter {
        /**
         * @param chassis of the set, as its file has it
         * @param condition names what is wrong with it
         * @throws InstrumentException if it does not start
         */
        BenchProcess start(String chassis, String condition);
    }

    public InstrumentDesk(Session session, InstrumentConnector connector, BenchStarter benches) {
        this.session = session;
        this.connector = connector;
        this.benches = benches;
        this.rig = new Rig(session, connector);
        this.readings = new Readings(session, rig);
        session.set().addListener((o, a, b) -> {
            switchedOff(a, b);
            if (!a.map(SetRecord::id).equals(b.map(SetRecord::id))) offered(b);
        });
        session.ask(
                w -> {
                    Map<InstrumentRole, String> all = new EnumMap<>(InstrumentRole.class);
                    for (InstrumentRole r : InstrumentRole.values())
                        w.setting(SETTING + r.code()).filter(s -> !s.isEmpty()).ifPresent(s -> all.put(r, s));
                    return all;
                },
                all -> later(() -> all.forEach(rig::remember)));
    }

    /** Whether a simulated bench belongs to the set. */
    private void offered(Optional<SetRecord> set) {
        session.instruments().bench().set(Optional.empty());
        set.ifPresent(s -> session.ask(w -> w.setting(DemoWorkshop.benchOf(s.id())), b -> {
            if (session.set().get().filter(now -> now.id().equals(s.id())).isPresent())
                session.instruments().bench().set(b);
        }));
    }

    private <T> CompletableFuture<T> asked(Supplier<T> work) {
        return CompletableFuture.supplyAsync(work, thread);
    }

    // --- which instruments ---

    /** Speaks to one, or to all of a bench. */
    public CompletableFuture<String> connect(Entry.Connect c) {
        if (c.role().isEmpty()) return c.address().isEmpty() ? own() : all(c.address(), session.need());
        InstrumentRole role = role(c.role().get());
        return asked(() -> {
            if (role == InstrumentRole.VARIAC) letDown();
            String name = rig.connect(role, c.address()).name();
            if (!c.address().isEmpty())
                remember(role, Address.parse(c.address()).text());
            return name;
        });
    }

    private InstrumentRole role(String code) {
        return Coded.find(InstrumentRole.values(), code).orElseThrow(() -> InputException.at(code)
                .because(session.say("instrument.no-role"))
                .so(session.say("instrument.no-role.remedy", Coded.codes(InstrumentRole.values()))));
    }

    private void remember(InstrumentRole role, String address) {
        session.remember(SETTING + role.code(), address);
    }

    private CompletableFuture<String> all(String address, SetRecord set) {
        return asked(() -> connected(address, set));
    }

    private String connected(String address, SetRecord set) {
        letDown();
        List<InstrumentRole> roles = connector.roles(address);
        for (InstrumentRole r : roles)
            rig.connect(r, Address.parse(address).on(r.code()).text());
        follow = Optional.of(new Follow(session, set));
        return session.say("instrument.bench", roles.size());
    }

    /** The simulated bench that belongs to the set in hand. */
    private CompletableFuture<String> own() {
        SetRecord set = session.need();
        String condition = session.instruments().bench().get().orElseThrow(() -> InputException.at("connect bench")
                .because(session.say("instrument.no-bench"))
                .so(session.say("instrument.no-bench.remedy")));
        return asked(() -> {
            letDown();
            bench.ifPresent(BenchProcess::close);
            BenchProcess started = benches.start(ChassisCodec.text(set.chassis()), condition);
            bench = Optional.of(started);
            return connected(started.address(), set);
        });
    }

    public CompletableFuture<Void> disconnect(Entry.Disconnect d) {
        List<InstrumentRole> roles =
                d.role().isPresent() ? List.of(role(d.role().get())) : List.of(InstrumentRole.values());
        return asked(() -> {
            if (roles.contains(InstrumentRole.VARIAC)) letDown();
            for (InstrumentRole r : roles) {
                rig.disconnect(r);
                remember(r, "");
            }
            if (roles.size() > 1) {
                follow = Optional.empty();
                bench.ifPresent(BenchProcess::close);
                bench = Optional.empty();
            }
            return null;
        });
    }

    // --- the variac ---

    /** Turns the variac; up only while the log says that the set is on and nothing stopped it. */
    public CompletableFuture<Double> turn(Entry.Turn t, Sheet sheet) {
        Optional<ReadingRequest> request = sheet.request();
        double volts = t.volts()
                .orElseGet(() -> request.flatMap(InstrumentDesk::line).orElseThrow(() -> InputException.at("turn")
                        .because(session.say("instrument.turn-where"))
                        .so(session.say("instrument.turn-where.remedy"))));
        Job job = session.need().job();
        double nominal = session.need().chassis().supply().volts();
        if (volts > 0 && !job.power().on())
            throw InputException.at("turn " + Figures.fixed(volts, 0))
                    .because(session.say("instrument.turn-off"))
                    .so(session.say("instrument.turn-off.remedy"));
        if (volts > 0 && stopped(job))
            throw InputException.at("turn " + Figures.fixed(volts, 0))
                    .because(session.say("instrument.turn-stopped"))
                    .so(session.say("instrument.turn-stopped.remedy"));
        if (nominal > 0 && volts > MOST * nominal)
            throw InputException.at("turn " + Figures.fixed(volts, 0))
                    .because(session.say("instrument.turn-high", Figures.fixed(nominal, 0)))
                    .so(session.say("instrument.turn-high.remedy"));
        Runnable following = following(request);
        return asked(() -> {
            Variac variac = rig.need(rig.variac(), InstrumentRole.VARIAC);
            if (volts > 0) following.run();
            turned(variac, volts);
            return volts;
        });
    }

    private static Optional<Double> line(ReadingRequest r) {
        if (r instanceof ReadingRequest.Step s) return Optional.of(s.dial());
        return r instanceof ReadingRequest.OfStage s ? Optional.of(s.row().line()) : Optional.empty();
    }

    private static boolean stopped(Job job) {
        return job.power().latest().stream().anyMatch(InstrumentDesk::stops);
    }

    private static boolean stops(PowerEntry e) {
        return e.kind() == PowerEntry.Kind.SIGN
                && WatchSign.named(e.what()).filter(s -> !s.leavesOn()).isPresent();
    }

    /** Whoever switches off in the log, or says what must stop it, has the variac at nothing at once. */
    private void switchedOff(Optional<SetRecord> before, Optional<SetRecord> now) {
        boolean same = before.map(SetRecord::id).equals(now.map(SetRecord::id));
        boolean was =
                before.filter(s -> s.job().power().on() && !stopped(s.job())).isPresent();
        boolean is = now.filter(s -> s.job().power().on() && !stopped(s.job())).isPresent();
        if (!was
                || (same && is)
                || session.instruments().of(InstrumentRole.VARIAC).isEmpty()) return;
        later(this::down);
    }

    /** A variac that is not spoken to any more must not stay up. */
    private void letDown() {
        if (up) down();
    }

    private void down() {
        try {
            rig.variac().ifPresent(v -> turned(v, 0));
        } catch (InstrumentException | InputException e) {
            InstrumentException failed = new InstrumentException(
                    InstrumentException.Kind.GONE,
                    session.say("instrument.down-failed"),
                    session.say("instrument.down-failed.remedy"),
                    e);
            Platform.runLater(() -> session.report(failed));
        }
    }

    private void turned(Variac variac, double volts) {
        rig.asked(
                InstrumentRole.VARIAC,
                () -> {
                    variac.turn(volts);
                    return volts;
                },
                Rig::volts);
        up = volts > 0;
    }

    // --- readings ---

    /** The record as it is now, on the interface's thread: what is done by hand with it on the instruments'. */
    private Runnable following(Optional<ReadingRequest> request) {
        SetRecord set = session.need();
        String band = session.condition().get().map(c -> c.band()).orElse("");
        follow.ifPresent(f -> f.need(set));
        return () -> {
            if (follow.isPresent()) rig.hands().ifPresent(h -> follow.get().record(h, set, band, request));
        };
    }

    /**
     * Takes what the lit row asks for, wherever the user has gone until the instruments answer.
     *
     * @throws InputException if the sheet takes nothing from instruments
     */
    public CompletableFuture<?> take(Sheet sheet) {
        ReadingRequest request = sheet.request().orElseThrow(() -> InputException.at("")
                .because(session.say("ui.meter.elsewhere"))
                .so(session.say("ui.meter.elsewhere.remedy")));
        UUID set = session.need().id();
        Runnable following = following(Optional.of(request));
        return asked(() -> {
                    following.run();
                    return readings.take(request);
                })
                .thenComposeAsync(
                        taken -> {
                            here(set, request, sheet);
                            return entered(taken, sheet);
                        },
                        Platform::runLater);
    }

    /** A volt names its point, and ohms their nets; what does not say where it belongs is entered only where it was asked for. */
    private void here(UUID set, ReadingRequest request, Sheet sheet) {
        boolean named = request instanceof ReadingRequest.Volts
                || request instanceof ReadingRequest.Ohms
                || request instanceof ReadingRequest.Level;
        boolean same = session.set().get().filter(s -> s.id().equals(set)).isPresent();
        if (same && (named || sheet.request().filter(request::sameRow).isPresent())) return;
        throw InputException.at("").because(session.say("ui.meter.gone")).so(session.say("ui.meter.gone.remedy"));
    }

    private CompletableFuture<?> entered(Readings.Taken taken, Sheet sheet) {
        taken.line().ifPresent(v -> session.condition()
                .set(session.condition().get().map(c -> c.withLine(Math.rint(v)))));
        // all at once: between two of them another row could be lit
        List<CompletableFuture<?>> all = new ArrayList<>();
        for (Entry e : taken.entries())
            all.add(e instanceof Entry.Volts v ? sheet.reading(v) : sheet.entered(((Entry.ForSheet) e).text()));
        return CompletableFuture.allOf(all.toArray(CompletableFuture[]::new));
    }

    // --- eyes and ears of a simulated bench ---

    private Hands hands(Runnable following) {
        Hands hands = rig.hands().orElseThrow(() -> InputException.at("")
                .because(session.say("instrument.no-hands"))
                .so(session.say("instrument.no-hands.remedy")));
        following.run();
        return hands;
    }

    /** @return what a tester says of a part, in words */
    public CompletableFuture<String> test(Entry.Tester t) {
        Runnable following = following(Optional.empty());
        return asked(() -> {
            boolean good = hands(following).test(t.part());
            return session.say(good ? "instrument.good" : "instrument.bad", t.part());
        });
    }

    /** @return what was found, in words */
    public CompletableFuture<String> sense(Entry.Sense s) {
        Runnable following = following(Optional.empty());
        return asked(() -> {
            Hands hands = hands(following);
            return switch (s.what()) {
                case LOOK -> rig.words(rig.looked(hands));
                case LISTEN ->
                    rig.asked(
                            InstrumentRole.HANDS,
                            () -> session.words().get().say(Phrase.of("outcome." + hands.listen())),
                            w -> w);
                case PAUSE -> {
                    hands.pause(s.length().toMillis() / 1000.0);
                    yield session.say(
                            "instrument.paused", Figures.fixed(s.length().toMillis() / 1000.0, 0));
                }
            };
        });
    }

    /** On the thread of the instruments; not any more once they are let go. */
    private void later(Runnable work) {
        if (!thread.isShutdown()) thread.execute(work);
    }

    /** What the program turned up it turns down when it ends. */
    @Override
    public void close() {
        later(() -> {
            letDown();
            rig.close();
            bench.ifPresent(BenchProcess::close);
        });
        boolean turning = up;
        thread.shutdown();
        try {
            // the program must not end before the variac is down
            if (turning && !thread.awaitTermination(DOWN_MS, TimeUnit.MILLISECONDS)) thread.shutdownNow();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
