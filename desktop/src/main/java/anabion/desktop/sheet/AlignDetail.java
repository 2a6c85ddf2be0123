package anabion.desktop.sheet;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure.Output;
import anabion.core.align.AlignmentTable;
import anabion.core.align.Indicator;
import anabion.core.align.WindingTuning;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.job.AlignmentPurpose;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.desktop.session.Session;
import java.util.Optional;
import java.util.stream.Collectors;

/** The lit line of an alignment in words: which adjusters, what to watch, how strong a signal, what to mind. */
final class AlignDetail {
    private final Session session;

    AlignDetail(Session session) {
        this.session = session;
    }

    /** @param output what the speaker gets; empty where the circuit does not tell */
    String of(AlignmentTable.Row r, Band band, Optional<Output> output) {
        StringBuilder text = new StringBuilder();
        for (Adjuster a : r.line().adjusters())
            text.append(session.say(
                            a.side().isEmpty() ? "align.adjuster" : "align.adjuster.side",
                            a.letter(),
                            a.what().isEmpty() ? a.part() : a.what(),
                            a.place().isEmpty() ? a.part() : a.place(),
                            a.side()))
                    .append(' ');
        String beside = r.line().adjusters().stream()
                .flatMap(a -> a.neighbours(session.need().chassis().adjusters()).stream())
                .filter(a -> !r.line().adjusters().contains(a))
                .map(Adjuster::letter)
                .distinct()
                .collect(Collectors.joining(", "));
        if (!beside.isEmpty())
            text.append(session.say("align.beside-it", beside)).append(' ');
        r.line()
                .printed()
                .map(AlignmentLine.Printed::note)
                .filter(n -> !n.isEmpty())
                .ifPresent(n -> text.append(session.say("align.printed", n)).append(' '));
        text.append(session.say("align.watch." + r.line().indicator().code()));
        r.line().indicator().leads(session.need().chassis(), band).ifPresent(l -> text.append(' ')
                .append(session.say("align.leads", l.plus(), l.minus())));
        r.level(output).ifPresent(v -> text.append(' ').append(session.say(levelWord(r), AlignRows.volts(v))));
        if (r.flattened(output)) text.append(' ').append(session.say("align.flattened"));
        if (r.line().purpose() == AlignmentPurpose.OSCILLATOR_HIGH)
            text.append(' ')
                    .append(session.say("align.image." + band.oscillator().code()));
        if (r.line().purpose().ofOscillator()) text.append(' ').append(session.say("align.in-turn"));
        if (r.line().rocked()) text.append(' ').append(session.say("align.rock"));
        r.turns().forEach((letter, turns) -> text.append(' ')
                .append(session.say(
                        turns > 0 ? "align.stood-out" : "align.stood-in", letter, Figures.fixed(Math.abs(turns), 2))));
        return text.toString();
    }

    /** What belongs across a winding. */
    String of(WindingTuning w) {
        String where = w.coil().reference()
                + (w.winding().name().isEmpty() ? "" : " " + w.winding().name());
        return session.say(
                w.wanted() > 0 ? "align.across" : "align.across-none",
                where,
                Figures.si(Quantity.hertz(w.hertz())),
                Figures.si(Quantity.farads(w.wanted()), 3),
                Figures.si(Quantity.farads(w.made()), 2),
                Figures.si(Quantity.farads(Math.max(0, w.least())), 2),
                Figures.si(Quantity.farads(Math.max(0, w.most())), 2),
                Figures.si(Quantity.henries(w.henries()), 3),
                session.say(w.inferred() ? "align.across.inferred" : "align.across.sheet"));
    }

    private static String levelWord(AlignmentTable.Row r) {
        if (r.line().indicator().wantsControl()) return "align.level-above";
        if (r.given().volts() > 0) return "align.level-now";
        return r.line().indicator() == Indicator.OUTPUT_METER ? "align.begin-level" : "align.begin-level.fm";
    }
}
