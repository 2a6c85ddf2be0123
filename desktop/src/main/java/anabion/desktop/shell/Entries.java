package anabion.desktop.shell;

import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartLead;
import anabion.core.command.Entry;
import anabion.core.command.PowerRequest;
import anabion.core.command.ProbeParser;
import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Compared;
import anabion.core.job.Heard;
import anabion.core.job.LooseEnd;
import anabion.core.job.Note;
import anabion.core.job.Order;
import anabion.core.job.SignalKind;
import anabion.core.job.Step;
import anabion.core.job.SymptomKind;
import anabion.core.job.Trial;
import anabion.core.job.Whereabouts;
import anabion.core.json.Extra;
import anabion.desktop.bench.BenchPlace;
import anabion.desktop.instrument.InstrumentDesk;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Timer;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.application.Platform;

/** Carries out what was typed in the probe line of the Bench. */
final class Entries {
    private final LineQueue queue = new LineQueue();
    private final Session session;
    private final InstrumentDesk instruments;
    private final BenchPlace bench;
    private final Consumer<Optional<Duration>> stream;

    Entries(Session session, InstrumentDesk instruments, BenchPlace bench, Consumer<Optional<Duration>> stream) {
        this.session = session;
        this.instruments = instruments;
        this.bench = bench;
        this.stream = stream;
    }

    /** Keeps a line back while one for a row is still written. */
    boolean keeps(String text) {
        return queue.keeps(text, bench.sheet());
    }

    /** Whether a line could be carried out or not: those that were kept back may come now, each through what it is given. */
    void through(CompletableFuture<?> stored, boolean failed, Consumer<String> entered, Consumer<String> say) {
        queue.through(stored, failed);
        Optional<String> next = next(say);
        while (next.isPresent()) {
            entered.accept(next.get());
            next = next(say);
        }
    }

    private Optional<String> next(Consumer<String> say) {
        return queue.next(bench.sheet(), t -> say.accept(session.say("ui.not-taken", t)));
    }

    /** A line was refused. */
    void refused() {
        queue.refused();
    }

    /** Carries out a line. */
    CompletableFuture<?> typed(String text) {
        String word = text.strip().split("\\s+")[0].toLowerCase(Locale.ROOT);
        Entry entry = session.step().get() == Step.FIRST_POWER && PowerRequest.OWN.contains(word)
                ? new Entry.ForSheet(text.strip())
                : ProbeParser.parse(text, bench.sheet().takesReadings());
        return queue.follow(entry, carryOut(entry));
    }

    private CompletableFuture<?> carryOut(Entry entry) {
        CompletableFuture<?> done = CompletableFuture.completedFuture(null);
        if (entry instanceof Entry.Volts v) return bench.sheet().reading(v);
        if (entry instanceof Entry.ForSheet f) return bench.sheet().entered(f.text());
        if (entry instanceof Entry.Alter a) return alter(a);
        if (entry instanceof Entry.WaitsFor w)
            return session.putJob(
                    session.say("ui.change.waits"), session.need().job().withWaitsFor(w.what()));
        if (entry instanceof Entry.Loose l) {
            LooseEnd end = new LooseEnd(
                    UUID.randomUUID(), session.clock().instant(), l.kind(), l.part(), l.detail(), false, Extra.NONE);
            return session.putJob(
                    session.say("loose." + l.kind().code(), l.part()),
                    session.need().job().with(end));
        }
        if (entry instanceof Entry.Noted n) return noted(n);
        if (entry instanceof Entry.CameBack b) return cameBack(b);
        if (entry instanceof Entry.Ordered o) return ordered(o);
        if (entry instanceof Entry.Arrived a) return arrived(a);
        if (entry instanceof Entry.Settle s)
            return session.putJob(
                    session.say("ui.change.settled", s.part()),
                    session.need().job().settled(s.part()));
        if (entry instanceof Entry.StartTimer t) {
            Timer timer = Timer.starting(session.need().id(), t.label(), t.length(), session.clock());
            return session.change(session.say("ui.change.timer", t.label()), new Op.PutTimer(timer));
        }
        if (entry instanceof Entry.Tried t) return tried(t);
        if (entry instanceof Entry.Against a) return against(a);
        if (entry instanceof Entry.Turned t) return turned(t);
        if (entry instanceof Entry.Should s) return ShouldRead.ask(s, session);
        if (entry instanceof Entry.Connect c) return instruments.connect(c).thenApply(ShouldRead.Answer::new);
        if (entry instanceof Entry.Disconnect d) return instruments.disconnect(d);
        if (entry instanceof Entry.Turn t) return instruments.turn(t, bench.sheet());
        if (entry instanceof Entry.Sense s) return instruments.sense(s).thenApply(ShouldRead.Answer::new);
        if (entry instanceof Entry.Tester t) return instruments.test(t).thenApply(ShouldRead.Answer::new);
        if (entry instanceof Entry.Stream s) stream.accept(s.every());
        if (entry instanceof Entry.GoTo g) bench.sheet().goTo(g.point());
        if (entry instanceof Entry.Line l)
            session.condition().set(session.condition().get().map(c -> c.withLine(l.volts())));
        if (entry instanceof Entry.Meter m)
            session.condition().set(session.condition().get().map(c -> c.withMeter(m.meter())));
        if (entry instanceof Entry.Signal s)
            session.condition().set(session.condition().get().map(c -> c.withSignal(s.words())));
        if (entry instanceof Entry.BandChoice b) {
            if (b.name().equalsIgnoreCase("all")) bench.sheet().everyBand();
            else band(b.name());
        }
        return done;
    }

    private CompletableFuture<?> noted(Entry.Noted n) {
        Note note = new Note(
                UUID.randomUUID(),
                session.clock().instant(),
                n.kind(),
                n.text(),
                n.reason(),
                n.amount(),
                Optional.of(session.step().get()),
                Extra.NONE);
        return session.putJob(
                session.say("ui.change.note." + n.kind().code()),
                session.need().job().with(note));
    }

    /** It stands on the Shelf again, and what it had come with is a note of its history. */
    private CompletableFuture<?> cameBack(Entry.CameBack b) {
        SetRecord set = session.need();
        if (!Whereabouts.of(set.job()).away())
            throw InputException.at("came back")
                    .because(session.say("ui.not-away"))
                    .so(session.say("ui.not-away.remedy"));
        Alteration back = new Alteration(
                UUID.randomUUID(), session.clock().instant(), "", AlterationKind.CAME_BACK, b.complaint(), Extra.NONE);
        String had = set.job().arrival().complaints().stream()
                .filter(c -> c.symptom() != SymptomKind.UNTRIED)
                .map(c ->
                        (c.where() + ": " + session.say("symptom." + c.symptom().code()) + " " + c.note()).strip())
                .collect(Collectors.joining("; "));
        Note before = new Note(
                UUID.randomUUID(),
                session.clock().instant(),
                Note.Kind.REMARK,
                session.say("ui.came-before", had.isEmpty() ? session.say("symptom.untried") : had),
                "",
                0,
                Optional.of(Step.ARRIVAL),
                Extra.NONE);
        return session.change(
                        session.say("alteration.came-back"),
                        new Op.PutJob(set.job().cameBack(back, before)),
                        new Op.PutPlace(Op.Place.SHELF))
                .thenApply(s -> {
                    Platform.runLater(() -> session.step().set(Step.ARRIVAL));
                    return s;
                });
    }

    private CompletableFuture<?> ordered(Entry.Ordered o) {
        Order order = new Order(
                UUID.randomUUID(),
                session.clock().instant(),
                o.what(),
                o.from(),
                o.price(),
                o.due(),
                Optional.empty(),
                Extra.NONE);
        return session.putJob(
                session.say("ui.change.ordered", o.what()), session.need().job().with(order));
    }

    private CompletableFuture<?> arrived(Entry.Arrived a) {
        Order order = session.need().job().orders().stream()
                .filter(o -> o.arrived().isEmpty()
                        && o.what().toLowerCase(Locale.ROOT).startsWith(a.what().toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> InputException.at(a.what())
                        .because(session.say("ui.not-ordered"))
                        .so(session.say("ui.not-ordered.remedy")));
        return session.putJob(
                session.say("ui.change.arrived", order.what()),
                session.need().job().with(order.arrived(session.clock().instant())));
    }

    private CompletableFuture<?> tried(Entry.Tried t) {
        Part part = session.need().chassis().part(t.part()).orElseThrow(() -> InputException.at(t.part())
                .because(session.say("ui.tried.no-part"))
                .so(session.say("ui.tried.no-part.remedy")));
        if (t.how() == Trial.How.ACROSS && !(part.component() instanceof Component.Capacitor))
            throw InputException.at(t.part())
                    .because(session.say("ui.tried.no-capacitor"))
                    .so(session.say("ui.tried.no-capacitor.remedy", t.part()));
        Trial trial = new Trial(
                UUID.randomUUID(),
                session.clock().instant(),
                t.how(),
                t.part(),
                t.better(),
                session.need().job().fitted().id(),
                Extra.NONE);
        return session.putJob(
                session.say("ui.change.tried", t.part()), session.need().job().with(trial));
    }

    private CompletableFuture<?> turned(Entry.Turned t) {
        boolean control = session.need()
                .chassis()
                .part(t.control())
                .filter(p -> p.component() instanceof Component.Potentiometer)
                .isPresent();
        if (!control)
            throw InputException.at(t.control())
                    .because(session.say("ui.turned.no-control"))
                    .so(session.say("ui.turned.no-control.remedy"));
        Heard heard = new Heard(
                UUID.randomUUID(),
                session.clock().instant(),
                known(session.condition().get().map(c -> c.band()).orElse("")),
                Heard.How.TURNED,
                SignalKind.AF,
                t.control() + (t.up() ? ".1" : ".2"),
                t.outcome(),
                0,
                session.need().job().fitted().id(),
                Extra.NONE);
        return session.putJob(
                session.say("ui.change.turned", t.control()),
                session.need().job().with(heard));
    }

    private CompletableFuture<?> against(Entry.Against a) {
        String band = known(a.band());
        Compared compared = new Compared(
                UUID.randomUUID(),
                session.clock().instant(),
                band,
                a.decibels(),
                session.need().job().fitted().id(),
                Extra.NONE);
        return session.putJob(
                session.say("ui.change.compared", band), session.need().job().with(compared));
    }

    private void band(String name) {
        String known = known(name);
        session.condition().set(session.condition().get().map(c -> c.withBand(known)));
    }

    private String known(String name) {
        List<String> all = session.need().chassis().bands().stream()
                .map(anabion.core.chassis.Band::name)
                .toList();
        return all.stream().filter(name::equalsIgnoreCase).findFirst().orElseThrow(() -> InputException.at(name)
                .because(session.say("ui.no-band"))
                .so(session.say("ui.no-band.remedy", String.join(", ", all))));
    }

    /** The next band of the set, round and round. */
    void nextBand() {
        List<anabion.core.chassis.Band> bands = session.need().chassis().bands();
        if (bands.isEmpty()) return;
        String now = session.condition().get().map(c -> c.band()).orElse("");
        int at = 0;
        for (int i = 0; i < bands.size(); i++) if (bands.get(i).name().equals(now)) at = i;
        band(bands.get((at + 1) % bands.size()).name());
    }

    private CompletableFuture<?> alter(Entry.Alter a) {
        SetRecord now = session.need();
        boolean whole = now.chassis().part(a.part()).isPresent();
        Optional<String> lead = whole
                ? Optional.empty()
                : PartLead.named(now.chassis(), a.part()).map(PartLead::text);
        if (!whole && lead.isEmpty())
            throw InputException.at(a.part()).because(session.say("ui.no-part")).so(session.say("ui.no-part.remedy"));
        if (lead.isPresent() && a.kind() != AlterationKind.LIFTED && a.kind() != AlterationKind.REFITTED)
            throw InputException.at(a.part())
                    .because(session.say("ui.lead-alone"))
                    .so(session.say("ui.lead-alone.remedy", PartLead.owner(lead.get())));
        String named = lead.orElse(a.part());
        Alteration alteration =
                new Alteration(UUID.randomUUID(), session.clock().instant(), named, a.kind(), a.detail(), Extra.NONE);
        return session.putJob(
                session.say("alteration." + a.kind().code(), named), now.job().altered(alteration));
    }
}
