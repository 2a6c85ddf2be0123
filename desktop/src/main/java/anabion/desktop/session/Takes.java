package anabion.desktop.session;

import anabion.core.chassis.Measure;
import anabion.core.chassis.Point;
import anabion.core.command.Entry;
import anabion.core.error.InputException;
import anabion.core.format.ReadingCodec;
import anabion.core.json.Extra;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;

/** Takes readings on the set on the bench, in the condition and fitted state of now. */
public final class Takes {
    private Takes() {}

    /** Volts at a point, against the net that the chart measures against. */
    public static CompletableFuture<SetRecord> volts(Session session, Point point, Measure measure, Entry.Volts entry) {
        Condition now = session.condition().get().orElseThrow();
        Condition ranged = entry.range().isPresent()
                ? now.withMeter(now.meter().onRange(entry.range().getAsDouble()))
                : now;
        String reference = session.need().chassis().reference();
        Reading reading = reading(
                session,
                point.label(),
                reference,
                entry.ac() ? Measure.AC_VOLTS : measure,
                entry.value(),
                entry.doubtful(),
                ranged);
        return session.change(
                session.say("ui.change.reading", point.label(), Figures.volts(entry.value())),
                new Op.PutReading(reading));
    }

    /** Ohms between two nets, power off. */
    public static CompletableFuture<SetRecord> ohms(
            Session session, String net, String against, double ohms, boolean doubtful) {
        Condition now = session.condition().get().orElseThrow();
        Reading reading = reading(session, net, against, Measure.OHMS, ohms, doubtful, now);
        return session.change(
                session.say("ui.change.ohms", net, against, Figures.si(Quantity.ohms(ohms))),
                new Op.PutReading(reading));
    }

    /**
     * Readings in a table.
     *
     * @param csv as {@link ReadingCodec#csv} reads it
     * @throws InputException if it cannot be read, or all of them are here already
     */
    public static CompletableFuture<SetRecord> pasted(Session session, String csv) {
        SetRecord set = session.need();
        ReadingCodec.Usual usual = new ReadingCodec.Usual(
                session.condition().get().orElseThrow(),
                session.clock().instant(),
                set.job().fitted().id());
        try {
            List<Reading> lacking = set.lacking(ReadingCodec.csv(new StringReader(csv), set.chassis(), usual));
            if (lacking.isEmpty())
                throw InputException.at("")
                        .because(session.say("ui.pasted.known"))
                        .so(session.say("ui.pasted.known.remedy"));
            return session.change(
                    session.say("ui.change.pasted", lacking.size()),
                    lacking.stream().map(Op.PutReading::new).toArray(Op[]::new));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Reading reading(
            Session session,
            String point,
            String reference,
            Measure measure,
            double value,
            boolean doubtful,
            Condition condition) {
        return new Reading(
                UUID.randomUUID(),
                point,
                reference,
                measure,
                value,
                doubtful,
                condition,
                session.need().job().fitted().id(),
                session.clock().instant(),
                Extra.NONE);
    }
}
