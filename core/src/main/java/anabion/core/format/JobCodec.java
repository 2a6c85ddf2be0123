package anabion.core.format;

import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Arrival;
import anabion.core.job.Circumstance;
import anabion.core.job.Compared;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Marked;
import anabion.core.job.Outcome;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerLog;
import anabion.core.job.RecapLog;
import anabion.core.job.SignalKind;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.SymptomKind;
import anabion.core.job.Trial;
import anabion.core.job.VisitorEvidence;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.json.Writing;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;

/** The job file: {@code docs/formats/job.schema.json}. */
public final class JobCodec {
    public static final String NAME = "anabion-job";

    private JobCodec() {}

    /** @throws InputException with line and field */
    public static Job read(InputStream in) throws IOException {
        Fields f = Fields.of(TreeReader.read(in), "");
        String format = f.text("format");
        if (!format.equals(NAME))
            throw f.trouble("format", "this is \"" + format + "\", not a job", "choose a file whose format is " + NAME);
        int version = f.integer("version", 0);
        if (version < 1 || version > Job.FORMAT)
            throw f.trouble("version", "version " + version + " is not known here", "use a newer release to open it");
        return new Job(
                f.maybeObject("arrival").map(JobCodec::arrival).orElse(Arrival.NONE),
                steps(f, version),
                f.list("alterations", JobCodec::alteration),
                f.text("waitsFor", ""),
                f.maybeObject("recap").map(RecapCodec::read).orElse(RecapLog.NONE),
                f.list("loose", RecapCodec::loose),
                f.list("heard", JobCodec::heard),
                f.list("trials", JobCodec::trial),
                f.list("compared", JobCodec::compared),
                new PowerLog(f.list("power", JobCodec::power)),
                f.list("alignment", AlignmentCodec::read),
                f.list("stripDown", StripDownCodec::read),
                f.list("soak", SoakCodec::read),
                f.list("cords", DriveCodec::cord),
                f.list("casework", DriveCodec::work),
                f.list("notes", NoteCodec::note),
                f.list("orders", NoteCodec::order),
                f.list("closing", NoteCodec::closing),
                f.extra());
    }

    /** @throws InputException as {@link #read(InputStream)} */
    public static Job read(String json) {
        try {
            return read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Arrival arrival(Fields f) {
        Set<VisitorEvidence> visitors = new TreeSet<>();
        for (String code : f.strings("visitors")) {
            for (VisitorEvidence v : VisitorEvidence.values()) if (v.code().equals(code)) visitors.add(v);
        }
        return new Arrival(
                f.text("owner", ""),
                f.text("price", ""),
                f.list("complaints", JobCodec::complaint),
                visitors,
                f.strings("found"),
                f.text("note", ""),
                f.extra());
    }

    private static Complaint complaint(Fields f) {
        return new Complaint(
                f.text("where"),
                f.code("symptom", SymptomKind.values(), SymptomKind.UNTRIED),
                f.code("when", Circumstance.values(), Circumstance.ALWAYS),
                f.text("note", ""),
                f.extra());
    }

    private static List<Marked> steps(Fields f, int version) {
        if (version > 1) return f.list("steps", JobCodec::marked);
        List<Marked> steps = new ArrayList<>();
        f.maybeObject("steps").ifPresent(s -> {
            for (Step step : Step.values())
                if (s.has(step.code()))
                    steps.add(new Marked(
                            UUID.randomUUID(),
                            step,
                            s.code(step.code(), StepState.values(), StepState.OPEN),
                            Extra.NONE));
        });
        return steps;
    }

    private static Marked marked(Fields f) {
        return new Marked(
                f.id(),
                f.code("step", Step.values(), Step.ARRIVAL),
                f.code("state", StepState.values(), StepState.OPEN),
                f.extra());
    }

    private static Alteration alteration(Fields f) {
        return new Alteration(
                f.id(),
                f.instant("at"),
                f.text("part"),
                f.code("kind", AlterationKind.values(), AlterationKind.RENEWED),
                f.text("detail", ""),
                f.extra());
    }

    private static Compared compared(Fields f) {
        return new Compared(
                f.id(),
                f.instant("at"),
                f.text("band"),
                f.number("decibels"),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    private static Map<String, Object> compared(Compared c) {
        return new Writing()
                .put("id", c.id())
                .put("at", c.at())
                .put("band", c.band())
                .put("decibels", c.decibels())
                .put("state", c.state())
                .with(c.extra());
    }

    private static PowerEntry power(Fields f) {
        return new PowerEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", PowerEntry.Kind.values(), PowerEntry.Kind.NOTE),
                f.number("dial", 0),
                f.number("atSet", 0),
                f.text("what", ""),
                f.text("against", ""),
                f.number("value", 0),
                f.text("text", ""),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    private static Map<String, Object> power(PowerEntry e) {
        return new Writing()
                .put("id", e.id())
                .put("at", e.at())
                .put("kind", e.kind())
                .unless("dial", e.dial(), 0.0)
                .unless("atSet", e.atSet(), 0.0)
                .text("what", e.what())
                .text("against", e.against())
                .unless("value", e.value(), 0.0)
                .text("text", e.text())
                .put("state", e.state())
                .with(e.extra());
    }

    private static Trial trial(Fields f) {
        return new Trial(
                f.id(),
                f.instant("at"),
                f.code("how", Trial.How.values(), Trial.How.SWAPPED),
                f.text("part"),
                f.flag("better", false),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    private static Map<String, Object> trial(Trial t) {
        return new Writing()
                .put("id", t.id())
                .put("at", t.at())
                .put("how", t.how())
                .put("part", t.part())
                .put("better", t.better())
                .put("state", t.state())
                .with(t.extra());
    }

    private static Heard heard(Fields f) {
        return new Heard(
                f.id(),
                f.instant("at"),
                f.text("band", ""),
                f.code("how", Heard.How.values(), Heard.How.INJECT),
                f.code("signal", SignalKind.values()),
                f.text("point"),
                f.code("outcome", Outcome.values(), Outcome.LOUD),
                f.size("volts", 0),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    private static Map<String, Object> heard(Heard h) {
        return new Writing()
                .put("id", h.id())
                .put("at", h.at())
                .text("band", h.band())
                .text("how", h.how() == Heard.How.INJECT ? "" : h.how().code())
                .put("signal", h.signal())
                .put("point", h.point())
                .put("outcome", h.outcome())
                .unless("volts", h.volts(), 0.0)
                .put("state", h.state())
                .with(h.extra());
    }

    /** As JSON. */
    public static String text(Job job) {
        return TreeWriter.text(tree(job));
    }

    /** As maps and lists. */
    public static Map<String, Object> tree(Job job) {
        return new Writing()
                .put("format", NAME)
                .put("version", Job.FORMAT)
                .put("arrival", arrival(job.arrival()))
                .list("steps", job.steps().stream().map(JobCodec::marked).toList())
                .list(
                        "alterations",
                        job.alterations().stream().map(JobCodec::alteration).toList())
                .text("waitsFor", job.waitsFor())
                .map("recap", RecapCodec.write(job.recap()))
                .list("loose", job.loose().stream().map(RecapCodec::write).toList())
                .list("heard", job.heard().stream().map(JobCodec::heard).toList())
                .list("trials", job.trials().stream().map(JobCodec::trial).toList())
                .list(
                        "compared",
                        job.compared().stream().map(JobCodec::compared).toList())
                .list(
                        "power",
                        job.power().entries().stream().map(JobCodec::power).toList())
                .list(
                        "alignment",
                        job.alignment().stream().map(AlignmentCodec::write).toList())
                .list(
                        "stripDown",
                        job.stripDown().stream().map(StripDownCodec::write).toList())
                .list("soak", job.soak().stream().map(SoakCodec::write).toList())
                .list("cords", job.cords().stream().map(DriveCodec::cord).toList())
                .list("casework", job.casework().stream().map(DriveCodec::work).toList())
                .list("notes", job.notes().stream().map(NoteCodec::note).toList())
                .list("orders", job.orders().stream().map(NoteCodec::order).toList())
                .list("closing", job.closing().stream().map(NoteCodec::closing).toList())
                .with(job.extra());
    }

    private static Map<String, Object> marked(Marked m) {
        return new Writing()
                .put("id", m.id())
                .put("step", m.step())
                .put("state", m.state())
                .with(m.extra());
    }

    private static Map<String, Object> arrival(Arrival a) {
        return new Writing()
                .text("owner", a.owner())
                .text("price", a.price())
                .list(
                        "complaints",
                        a.complaints().stream().map(JobCodec::complaint).toList())
                .list(
                        "visitors",
                        a.visitors().stream().map(VisitorEvidence::code).toList())
                .list("found", a.found())
                .text("note", a.note())
                .with(a.extra());
    }

    private static Map<String, Object> complaint(Complaint c) {
        return new Writing()
                .put("where", c.where())
                .put("symptom", c.symptom())
                .unless("when", c.when(), Circumstance.ALWAYS)
                .text("note", c.note())
                .with(c.extra());
    }

    private static Map<String, Object> alteration(Alteration a) {
        return new Writing()
                .put("id", a.id())
                .put("at", a.at())
                .put("part", a.part())
                .put("kind", a.kind())
                .text("detail", a.detail())
                .with(a.extra());
    }
}
