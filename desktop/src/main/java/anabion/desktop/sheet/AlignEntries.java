package anabion.desktop.sheet;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentTable;
import anabion.core.align.Indicator;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.command.AlignRequest;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.SignalKind;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;

/** What is typed on the Align sheet, as entries of its log. */
final class AlignEntries {
    private final Session session;

    AlignEntries(Session session) {
        this.session = session;
    }

    /** A station where the dial shows another frequency, in hertz. */
    AlignmentEntry station(String band, double dial, double heard) {
        return entry(AlignmentEntry.Kind.STATION, band).withBefore(dial).withAfter(heard);
    }

    /**
     * What instruments would read of a line: at the speaker, or in direct volts where the circuit tells the place. A lead beside a loop is moved by hand.
     *
     * @param level of the generator; empty where nobody knows one
     */
    static Optional<ReadingRequest> request(Chassis chassis, Band band, AlignmentLine line, Optional<Double> level) {
        if (line.point().isEmpty() || level.isEmpty()) return Optional.empty();
        if (line.indicator() == Indicator.OUTPUT_METER)
            return Optional.of(new ReadingRequest.Output(
                    line.point(),
                    line.dial().isPresent() ? SignalKind.RF : SignalKind.IF,
                    line.hertz(),
                    line.dial(),
                    level.get()));
        return line.indicator()
                .leads(chassis, band)
                .map(l -> new ReadingRequest.Carrier(l.plus(), l.minus(), line.hertz(), level.get()));
    }

    /** What the indicator of a line showed at several frequencies. */
    AlignmentEntry curve(String band, AlignmentTable.Row row, List<AlignmentEntry.Sample> samples) {
        return entry(AlignmentEntry.Kind.CURVE, band)
                .withPurpose(Optional.of(row.line().purpose()))
                .withAdjusters(row.line().letters())
                .withGiven(row.given())
                .withCurve(samples);
    }

    /** What belongs to no line. */
    AlignmentEntry of(AlignmentEntry.Kind kind, String band, String text) {
        return entry(kind, band).withText(text);
    }

    /** Of the adjuster that was named, else of all of its line; a level that was said holds for the line until another is. */
    AlignmentEntry of(String band, AlignmentTable.Row row, AlignRequest.Take t) {
        return entry(t.kind(), band)
                .withPurpose(Optional.of(row.line().purpose()))
                .withAdjusters(t.adjuster().orElse(row.line().letters()))
                .withBefore(t.before())
                .withAfter(t.after())
                .withTurns(t.turns())
                .withGiven(t.given().equals(Given.NOT_SAID) ? row.given() : t.given());
    }

    private AlignmentEntry entry(AlignmentEntry.Kind kind, String band) {
        return AlignmentEntry.of(
                UUID.randomUUID(),
                session.clock().instant(),
                kind,
                band,
                session.need().job().fitted().id());
    }

    /** Whoever types each turn and looks what comes of it stays on the line until it is at its peak. */
    static boolean closes(AlignmentTable.Row row, AlignmentEntry e) {
        boolean step = e.kind() == AlignmentEntry.Kind.READ && e.before() == 0;
        if (step && (e.turns() != 0 || !row.turns().isEmpty())) return false;
        return new AlignmentTable.Row(
                        row.line(),
                        Stream.concat(row.entries().stream(), Stream.of(e)).toList())
                .done();
    }
}
