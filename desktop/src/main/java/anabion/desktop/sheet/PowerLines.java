package anabion.desktop.sheet;

import anabion.core.chassis.Band;
import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.json.Extra;
import anabion.core.power.GateItem;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerReading;
import anabion.core.power.Rail;
import anabion.core.power.SeriesLamp;
import anabion.core.power.StageProgress;
import anabion.core.power.StageTable;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Carries out what is typed during a power-up: each line becomes one of the log. */
final class PowerLines {
    private final Session session;
    private final Supplier<Optional<PowerTarget>> lit;

    /** @param lit the row that is lit */
    PowerLines(Session session, Supplier<Optional<PowerTarget>> lit) {
        this.session = session;
        this.lit = lit;
    }

    private Optional<PowerUp> now() {
        return session.power().shown().get();
    }

    /** @throws InputException if it makes no sense for this set, or at this time */
    CompletableFuture<?> carryOut(PowerUp p, PowerRequest request, String line) {
        if (request instanceof PowerRequest.Met m) return met(p, m);
        PowerEntry entry = entry(p, request, line);
        Job before = entry.kind() == PowerEntry.Kind.BEGAN ? withLamp(p) : job();
        return put(line, before.with(entry));
    }

    /** The log tells which lamp is in the line, where nobody named another than the one advised. */
    private Job withLamp(PowerUp p) {
        Optional<SeriesLamp> lamp = p.progress().plan().lamp();
        boolean said = job().power().entries().stream().anyMatch(e -> e.kind() == PowerEntry.Kind.LAMP);
        return said || lamp.isEmpty()
                ? job()
                : job().with(entry(
                        PowerEntry.Kind.LAMP, Optional.empty(), lamp.get().text(), 0, ""));
    }

    private Optional<PowerProgress.Row> step() {
        return lit.get().flatMap(t -> t instanceof PowerTarget.Step s ? Optional.of(s.row()) : Optional.empty());
    }

    private Optional<PowerTarget.Reading> reading() {
        return lit.get().flatMap(t -> t instanceof PowerTarget.Reading r ? Optional.of(r) : Optional.empty());
    }

    /** A number alone is in the unit of the lit row. */
    String withUnit(String line) {
        boolean bare = line.strip().matches("[-−]?\\d[\\d.,]*");
        if (!bare || reading().isEmpty()) return line;
        return line
                + switch (reading().get().taken().row().what()) {
                    case DIRECT_VOLTS -> " V";
                    case ALTERNATING_VOLTS -> " V AC";
                    case WATTS -> " W";
                    case AMPERES -> " A";
                    case WARMTH -> "";
                };
    }

    private Job job() {
        return session.need().job();
    }

    private CompletableFuture<?> put(String label, Job job) {
        return session.putJob(session.say("power.change", label), job);
    }

    private PowerEntry entry(PowerUp p, PowerRequest request, String line) {
        if (request instanceof PowerRequest.Read r) return read(p, r, line);
        if (request instanceof PowerRequest.AtSet s) {
            on(line);
            return entry(PowerEntry.Kind.AT_SET, step(), "", s.volts(), "");
        }
        if (request instanceof PowerRequest.Sign s)
            return entry(PowerEntry.Kind.SIGN, step(), s.sign().code(), 0, "");
        if (request instanceof PowerRequest.Lamp l) return lamp(p, l);
        if (request instanceof PowerRequest.Overrule o) return overrule(p, o);
        if (request instanceof PowerRequest.Cause c) return cause(c);
        if (request instanceof PowerRequest.On o) return begun(p, o, line);
        if (request instanceof PowerRequest.Load l)
            return entry(PowerEntry.Kind.LOAD, Optional.empty(), "", l.ohms(), "");
        if (request instanceof PowerRequest.Feels f) return felt(p, f, line);
        if (request instanceof PowerRequest.Off) return entry(PowerEntry.Kind.OFF, step(), "", 0, "");
        if (request instanceof PowerRequest.Controls c) return heard(PowerEntry.Kind.CONTROLS, "", c.words(), line);
        if (request instanceof PowerRequest.Aerial a) return heard(PowerEntry.Kind.AERIAL, "", a.words(), line);
        if (request instanceof PowerRequest.BandHeard b)
            return heard(PowerEntry.Kind.BAND, band(p, b.band()), b.outcome().code(), line);
        return entry(PowerEntry.Kind.NOTE, step(), "", 0, ((PowerRequest.Note) request).text());
    }

    private PowerEntry entry(
            PowerEntry.Kind kind, Optional<PowerProgress.Row> at, String what, double value, String text) {
        double dial = at.map(r -> r.step().dial()).orElse(0.0);
        double atSet =
                at.filter(r -> !r.step().lamp()).map(r -> r.step().dial()).orElse(0.0);
        return new PowerEntry(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                dial,
                atSet,
                what,
                against(kind, what),
                value,
                text,
                job().fitted().id(),
                Extra.NONE);
    }

    private PowerEntry heard(PowerEntry.Kind kind, String what, String text, String line) {
        on(line);
        return entry(kind, step(), what, 0, text);
    }

    private static String band(PowerUp p, String said) {
        return p.of().chassis().bands().stream()
                .map(Band::name)
                .filter(n -> n.equalsIgnoreCase(said))
                .findFirst()
                .orElseThrow(() -> InputException.at(said)
                        .because("this set has no such band")
                        .so("name one of "
                                + p.of().chassis().bands().stream()
                                        .map(Band::name)
                                        .collect(Collectors.joining(", "))));
    }

    private String against(PowerEntry.Kind kind, String net) {
        boolean rail = kind == PowerEntry.Kind.RAIL || kind == PowerEntry.Kind.RIPPLE;
        return now().filter(p -> rail).stream()
                .flatMap(p -> p.model().rails().stream())
                .filter(r -> r.net().equals(net))
                .map(Rail::foot)
                .findFirst()
                .orElse("");
    }

    private void on(String line) {
        if (!job().power().on())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.is-off"))
                    .so(session.say("power.is-off.remedy"));
    }

    private PowerEntry begun(PowerUp p, PowerRequest.On request, String line) {
        if (job().power().on())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.is-on"))
                    .so(session.say("power.is-on.remedy"));
        SetRecord now = session.need();
        boolean seen = p.of().job().equals(now.job())
                && p.of().chassis().equals(now.chassis())
                && p.of().readings().equals(now.readings());
        if (!seen)
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.not-looked-at"))
                    .so(session.say("power.not-looked-at.remedy"));
        PowerStage stage = request.whole()
                ? PowerStage.WHOLE_SET
                : lit.get().map(t -> t.begins(p)).orElse(PowerStage.WHOLE_SET);
        List<String> missing = p.missing(stage).stream()
                .map(i -> session.say("power.gate.name." + i.kind().code()))
                .toList();
        if (!missing.isEmpty())
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.gate.closed", String.join(", ", missing)))
                    .so(session.say("power.gate.closed.remedy"));
        return entry(PowerEntry.Kind.BEGAN, step(), stage.code(), 0, "");
    }

    /** In a stage before the whole set, of the row that is lit. */
    private PowerEntry read(PowerUp p, PowerTarget.Reading at, PowerRequest.Read r, String line) {
        StageTable.Row row = at.taken().row();
        atHand(p, at, line);
        boolean fits =
                switch (row.what()) {
                    case DIRECT_VOLTS -> r.what() == PowerReading.What.RAIL;
                    case ALTERNATING_VOLTS ->
                        r.what() == PowerReading.What.RIPPLE || r.what() == PowerReading.What.RAIL;
                    case WATTS -> r.what() == PowerReading.What.WATTS;
                    case AMPERES -> r.what() == PowerReading.What.AMPERES;
                    case WARMTH -> false;
                };
        if (!fits || !r.net().isEmpty()) throw notHere(row, line);
        double value = row.what() == StageTable.What.ALTERNATING_VOLTS ? Math.abs(r.value()) : r.value();
        return entry(row, StageProgress.kind(row.what()), row.point(), value);
    }

    private PowerEntry felt(PowerUp p, PowerRequest.Feels f, String line) {
        PowerTarget.Reading at = reading().orElseThrow(() -> InputException.at("\"" + line + "\"")
                .because(session.say("power.no-warmth"))
                .so(session.say("power.no-warmth.remedy")));
        atHand(p, at, line);
        if (at.taken().row().what() != StageTable.What.WARMTH)
            throw notHere(at.taken().row(), line);
        return entry(
                at.taken().row(),
                PowerEntry.Kind.WARMTH,
                f.warmth().code(),
                f.warmth().ordinal());
    }

    private void atHand(PowerUp p, PowerTarget.Reading at, String line) {
        on(line);
        if (!p.progress().stage().equals(Optional.of(at.stage())))
            throw InputException.at("\"" + line + "\"")
                    .because(session.say("power.other-stage"))
                    .so(session.say("power.other-stage.remedy"));
    }

    private InputException notHere(StageTable.Row row, String line) {
        return InputException.at("\"" + line + "\"")
                .because(session.say("power.other-unit"))
                .so(session.say("power.prompt." + PowerRows.code(row.what())));
    }

    private PowerEntry entry(StageTable.Row row, PowerEntry.Kind kind, String what, double value) {
        return new PowerEntry(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                row.line(),
                row.line(),
                what,
                row.against(),
                value,
                "",
                job().fitted().id(),
                Extra.NONE);
    }

    private PowerEntry read(PowerUp p, PowerRequest.Read r, String line) {
        if (reading().isPresent()) return read(p, reading().get(), r, line);
        on(line);
        PowerEntry.Kind kind =
                switch (r.what()) {
                    case RAIL -> PowerEntry.Kind.RAIL;
                    case RIPPLE -> PowerEntry.Kind.RIPPLE;
                    case WATTS -> PowerEntry.Kind.WATTS;
                    case AMPERES -> PowerEntry.Kind.AMPERES;
                    case GLOW -> PowerEntry.Kind.GLOW;
                    case DARK -> PowerEntry.Kind.LIT;
                };
        if (kind == PowerEntry.Kind.GLOW) {
            if (p.progress().plan().lamp().isEmpty())
                throw InputException.at("\"" + line + "\"")
                        .because(session.say("power.no-lamp"))
                        .so(session.say("power.no-lamp.remedy"));
            return entry(kind, step(), SeriesLamp.Glow.values()[(int) r.value()].code(), 0, "");
        }
        String net = kind != PowerEntry.Kind.RAIL && kind != PowerEntry.Kind.RIPPLE
                ? ""
                : p.model().rails().stream()
                        .map(Rail::net)
                        .filter(n -> n.equalsIgnoreCase(r.net()))
                        .findFirst()
                        .or(() -> p.model().rail().map(Rail::net))
                        .orElse("");
        return entry(kind, step(), net, r.value(), "");
    }

    private PowerEntry lamp(PowerUp p, PowerRequest.Lamp l) {
        if (!p.progress().plan().kind().takesLamp())
            throw InputException.at("lamp")
                    .because(session.say("power.lamp.battery"))
                    .so(session.say("power.lamp.battery.remedy"));
        return entry(
                PowerEntry.Kind.LAMP,
                Optional.empty(),
                l.lamp().map(SeriesLamp::text).orElse(""),
                0,
                "");
    }

    private PowerEntry overrule(PowerUp p, PowerRequest.Overrule o) {
        GateItem item = p.gate().stream()
                .filter(i -> i.kind() == o.kind())
                .findFirst()
                .orElseThrow(() -> InputException.at(o.kind().code())
                        .because(session.say("power.gate.not-asked"))
                        .so(session.say("power.gate.not-asked.remedy")));
        if (item.state() == GateItem.State.BARRED)
            throw InputException.at(o.kind().code())
                    .because(session.say("power.gate.barred"))
                    .so(session.words().get().say(item.why()));
        return entry(PowerEntry.Kind.OVERRULED, Optional.empty(), o.kind().code(), 0, o.reason());
    }

    private PowerEntry cause(PowerRequest.Cause c) {
        String part = session.need()
                .chassis()
                .part(c.part().toUpperCase(java.util.Locale.ROOT))
                .or(() -> session.need().chassis().part(c.part()))
                .orElseThrow(() -> InputException.at(c.part())
                        .because(session.say("ui.no-part"))
                        .so(session.say("ui.no-part.remedy")))
                .reference();
        return entry(PowerEntry.Kind.CAUSE, Optional.empty(), part, 0, c.words());
    }

    /** {@code ok} alone says it of the condition in hand, {@code ok all} of all that are asked by hand. */
    private CompletableFuture<?> met(PowerUp p, PowerRequest.Met m) {
        List<GateItem.Kind> asked = p.gate().stream()
                .map(GateItem::kind)
                .filter(GateItem.Kind::isByHand)
                .toList();
        Job job = job();
        List<GateItem.Kind> here = lit.get().stream()
                .flatMap(t -> t instanceof PowerTarget.Condition c
                        ? Stream.of(c.item().kind())
                        : Stream.empty())
                .toList();
        for (GateItem.Kind k : m.all() ? asked : m.kinds().isEmpty() ? here : m.kinds()) {
            if (!asked.contains(k))
                throw InputException.at(k.code())
                        .because(session.say("power.gate.by-record"))
                        .so(session.say("power.gate.by-record.remedy"));
            job = job.with(entry(PowerEntry.Kind.MET, Optional.empty(), k.code(), 0, ""));
        }
        return put("ok", job);
    }
}
