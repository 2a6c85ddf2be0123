package anabion.core.format;

import anabion.core.job.ClosingEntry;
import anabion.core.job.FittedState;
import anabion.core.job.Note;
import anabion.core.job.Order;
import anabion.core.job.Step;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;

/** Notes, orders and what closes a job, as JSON. */
final class NoteCodec {
    private NoteCodec() {}

    static Note note(Fields f) {
        return new Note(
                f.id(),
                f.instant("at"),
                f.code("kind", Note.Kind.values()),
                f.text("text", ""),
                f.text("reason", ""),
                f.number("amount", 0),
                f.maybeCode("step", Step.values()),
                f.extra());
    }

    static Map<String, Object> note(Note n) {
        return new Writing()
                .put("id", n.id())
                .put("at", n.at())
                .put("kind", n.kind())
                .text("text", n.text())
                .text("reason", n.reason())
                .unless("amount", n.amount(), 0.0)
                .put("step", n.step())
                .with(n.extra());
    }

    static Order order(Fields f) {
        return new Order(
                f.id(),
                f.instant("at"),
                f.text("what"),
                f.text("from", ""),
                f.number("price", 0),
                due(f),
                f.has("arrived") ? Optional.of(f.instant("arrived")) : Optional.empty(),
                f.extra());
    }

    private static Optional<LocalDate> due(Fields f) {
        if (!f.has("due")) return Optional.empty();
        try {
            return Optional.of(LocalDate.parse(f.text("due")));
        } catch (DateTimeException e) {
            throw f.trouble("due", "\"" + f.text("due") + "\" is no day", "write it like 2026-12-10");
        }
    }

    static Map<String, Object> order(Order o) {
        return new Writing()
                .put("id", o.id())
                .put("at", o.at())
                .put("what", o.what())
                .text("from", o.from())
                .unless("price", o.price(), 0.0)
                .put("due", o.due().map(LocalDate::toString))
                .put("arrived", o.arrived())
                .with(o.extra());
    }

    static ClosingEntry closing(Fields f) {
        return new ClosingEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", ClosingEntry.Kind.values()),
                f.text("item", ""),
                f.numbers("values"),
                f.text("text", ""),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    static Map<String, Object> closing(ClosingEntry e) {
        return new Writing()
                .put("id", e.id())
                .put("at", e.at())
                .put("kind", e.kind())
                .text("item", e.item())
                .list("values", e.values())
                .text("text", e.text())
                .put("state", e.state())
                .with(e.extra());
    }
}
