package anabion.workshop;

import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.WorkOrder;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.json.Writing;
import anabion.core.reading.judgement.Judge;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * What the Shelf shows of a set. Kept beside the set, so that a shelf of hundreds opens without reading hundreds of chassis.
 *
 * @param next the one next action, in words
 * @param picture its first photo; empty without one
 * @param verdict headline of the first finding; empty for none
 */
public record Summary(
        UUID id,
        String name,
        String kind,
        String arrangement,
        Step step,
        StepState state,
        String next,
        String waitsFor,
        int openEnds,
        int temporary,
        int read,
        int charted,
        String verdict,
        Op.Place place,
        boolean hasParts,
        Optional<Stored> picture,
        List<String> loose) {
    public Summary {
        loose = List.copyOf(loose);
    }

    /** With its readings judged. */
    static Summary of(SetRecord set, Predictors predictors) {
        return of(set, set.judged(set.usual(), predictors));
    }

    /** Of a set that has just come: what its readings say follows. */
    static Summary unjudged(SetRecord set) {
        return of(set, new Judge.Verdict(List.of(), List.of(), Map.of()));
    }

    /** @param verdict on the set in its usual condition */
    static Summary of(SetRecord set, Judge.Verdict verdict) {
        List<WorkOrder.Item> order = WorkOrder.of(set.chassis(), set.job(), verdict.read(), verdict.charted());
        WorkOrder.Item current = WorkOrder.current(order);
        Words words = new Words(Vocabulary.STANDARD);
        return new Summary(
                set.id(),
                set.chassis().name(),
                set.chassis().identity().kind().code(),
                set.chassis().supply().arrangement().code(),
                current.step(),
                current.state(),
                words.say(current.next()),
                set.job().waiting(),
                set.job().fitted().openEnds().size(),
                set.job().fitted().temporary().size(),
                verdict.read(),
                verdict.charted(),
                verdict.findings().stream()
                        .findFirst()
                        .map(f -> words.say(f.headline()))
                        .orElse(""),
                set.place(),
                !set.chassis().parts().isEmpty(),
                set.photos().stream().findFirst().map(Photo::file),
                set.job().unsettled().stream()
                        .map(l -> (words.say("loose." + l.kind().code(), l.part()) + " " + l.detail()).strip())
                        .toList());
    }

    private static Stored stored(String name) {
        int dot = name.indexOf('.');
        return new Stored(name.substring(0, dot), name.substring(dot + 1));
    }

    String text() {
        return TreeWriter.text(new Writing()
                .put("name", name)
                .put("kind", kind)
                .put("arrangement", arrangement)
                .put("step", step)
                .put("state", state)
                .put("next", next)
                .text("waitsFor", waitsFor)
                .put("openEnds", openEnds)
                .put("temporary", temporary)
                .put("read", read)
                .put("charted", charted)
                .text("verdict", verdict)
                .put("hasParts", hasParts)
                .put("picture", picture.map(p -> p.hash() + "." + p.suffix()))
                .list("loose", loose)
                .with(anabion.core.json.Extra.NONE));
    }

    static Summary read(UUID id, String json, Op.Place place) {
        try {
            Fields f = Fields.of(TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))), "");
            return new Summary(
                    id,
                    f.text("name", ""),
                    f.text("kind", "home"),
                    f.text("arrangement", "transformer"),
                    f.code("step", Step.values(), Step.ARRIVAL),
                    f.code("state", StepState.values(), StepState.OPEN),
                    f.text("next", ""),
                    f.text("waitsFor", ""),
                    f.integer("openEnds", 0),
                    f.integer("temporary", 0),
                    f.integer("read", 0),
                    f.integer("charted", 0),
                    f.text("verdict", ""),
                    place,
                    f.flag("hasParts", false),
                    f.maybeText("picture").map(Summary::stored),
                    f.strings("loose"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
