package anabion.desktop.shell;

import anabion.core.chassis.Component;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.Step;
import anabion.core.signal.Domain;
import anabion.desktop.bench.BenchPlace;
import anabion.desktop.session.Found;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.Optional;

/** Goes to where a test of the diagnosis is made. */
final class NextTest {
    private final Session session;
    private final BenchPlace bench;

    NextTest(Session session, BenchPlace bench) {
        this.session = session;
        this.bench = bench;
    }

    /**
     * To the most telling test.
     *
     * @return what the probe line begins with; empty where the row for it is lit
     * @throws InputException if nothing is worth asking, or the odds are behind the evidence
     */
    String first() {
        Found found = session.diagnoses().found().get().filter(f -> !f.old()).orElseThrow(() -> InputException.at("")
                .because(session.say("next-test.none"))
                .so(session.say("next-test.none.remedy")));
        return found.next().stream()
                .findFirst()
                .map(n -> to(n.test().measurement()))
                .orElseThrow(() -> InputException.at("")
                        .because(session.say("next-test.enough"))
                        .so(session.say("next-test.enough.remedy")));
    }

    /** @return what the probe line begins with; empty where the row for it is lit */
    String to(Measurement p) {
        if (p instanceof Measurement.Volts v) return off(v.lifted()).orElseGet(() -> row(Step.VOLTAGES, v.point()));
        if (p instanceof Measurement.Ohms o)
            return off(o.lifted()).orElseGet(() -> row(Step.COLD_CHECKS, o.net() + " " + o.against()));
        if (p instanceof AlternatingVolts v) return row(Step.VOLTAGES, v.point());
        if (p instanceof Measurement.Powered) return row(Step.FIRST_POWER, "");
        if (p instanceof Frequency f) return tuned(f.band());
        if (p instanceof Measurement.Value v) return measured("measured ", v.part());
        if (p instanceof Measurement.Inject i) return traced(i.band(), i.domain(), i.point());
        if (p instanceof Measurement.Level l) return traced(l.band(), l.domain(), l.point());
        if (p instanceof Measurement.Listen l) return listened(l);
        if (p instanceof Tapped t) return "tapped " + t.part() + " ";
        if (p instanceof Across a) return "across " + a.part() + " ";
        return p instanceof Measurement.Try t && t.plugged()
                ? "swapped " + t.part() + " "
                : tested((Measurement.PartTest) p);
    }

    private String listened(Measurement.Listen l) {
        if (l.controls().isEmpty()) return row(Step.ARRIVAL, "");
        session.condition().set(session.condition().get().map(c -> c.withBand(l.band())));
        String up = l.controls().containsValue(1.0) ? " up " : " down ";
        return "turned " + l.controls().keySet().iterator().next() + up;
    }

    private String tuned(String band) {
        session.condition().set(session.condition().get().map(c -> c.withBand(band)));
        return row(Step.ALIGN, "");
    }

    private String traced(String band, Domain domain, String point) {
        session.condition().set(session.condition().get().map(c -> c.withBand(band)));
        return row(Step.TRACE, domain.code() + " " + point);
    }

    /** On the Recap sheet, where what is measured of a part is typed; other parts are swapped. */
    private String tested(Measurement.PartTest p) {
        Component c = session.need().chassis().part(p.part()).orElseThrow().component();
        boolean value = p instanceof Measurement.Lifted l && l.what() == Measurement.Lifted.What.VALUE;
        String word = value
                ? "measured "
                : c instanceof Component.Capacitor ? "leak " : c instanceof Component.Device ? "gain " : "";
        return word.isEmpty() ? "swapped " + p.part() + " " : measured(word, p.part());
    }

    private String measured(String word, String part) {
        session.step().set(Step.RECAP);
        return word + part + " ";
    }

    /** First off with what has to be off; empty where all of it is. */
    private Optional<String> off(List<String> lifted) {
        List<String> off = session.need().job().fitted().openEnds().stream()
                .map(Alteration::part)
                .toList();
        return lifted.stream().filter(p -> !off.contains(p)).findFirst().map(p -> "lift " + p);
    }

    /** A sheet shown for the first time computes its rows first: then, as for what has no row, its name begins the line. */
    private String row(Step step, String name) {
        session.step().set(step);
        if (name.isEmpty()) return "";
        try {
            bench.sheet().goTo(name);
            return "";
        } catch (InputException e) {
            return name + " ";
        }
    }
}
