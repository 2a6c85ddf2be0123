package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Part;
import anabion.core.coldcheck.ColdRow;
import anabion.core.coldcheck.ColdTable;
import anabion.core.job.Job;
import anabion.core.job.RecapLog;
import anabion.core.job.Trial;
import anabion.core.reading.Standing;
import anabion.core.recap.Tested;
import anabion.core.text.Phrase;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A part that a direct test has shown to be bad: lifted and measured, its leak test failed, a good one held across or put in its place and all is well, risen above all that lies in parallel, or next to no
 * ohms across one part with nothing of low ohms beside it. It says that the part is bad; whether that explains the complaint is another question, which the odds answer: a resistor may have drifted and be innocent.
 *
 * @param part its reference
 * @param says what was found
 */
public record DirectProof(String part, Phrase says) {
    /** Share of such tests that err: a slip of the probe, a part that was not lifted, another that was moved meanwhile (general practice: a few in a hundred). */
    public static final double ERROR = 0.03;

    /** Ohms across one part, without those of the leads, that nothing but a short gives. */
    private static final double SHORT = 0.5;
    /** Ohms that a sound set must show there for it. */
    private static final double FAR = 50;

    /**
     * Of the parts that are still in the set, each with its last proof; one that a later test of the same kind cleared is not among them.
     *
     * @param taken the rows of cold ohms that were read
     */
    public static List<DirectProof> of(Chassis chassis, Job job, List<ColdRow> taken) {
        Map<String, DirectProof> all = new LinkedHashMap<>();
        tests(chassis, job, all);
        trials(chassis, job, all);
        for (ColdRow r : taken) ohms(chassis, r, all);
        return new ArrayList<>(all.values());
    }

    private static void tests(Chassis chassis, Job job, Map<String, DirectProof> all) {
        Map<String, RecapLog.Tested> last = new LinkedHashMap<>();
        for (RecapLog.Tested t : job.recap().tests())
            last.put(t.test().key() + " " + t.test().what().code(), t);
        for (RecapLog.Tested t : last.values()) {
            Optional<Part> part = chassis.part(t.test().key().replaceFirst("\\..*", ""));
            if (part.isEmpty() || exchanged(job, part.get(), t.at())) continue;
            Evidence.verdict(chassis, part.get(), t.test())
                    .filter(Tested.Verdict::fails)
                    .ifPresent(v -> all.put(
                            part.get().reference(),
                            new DirectProof(
                                    part.get().reference(),
                                    Phrase.of("proof.test", t.test().key(), v.words()))));
        }
    }

    private static void trials(Chassis chassis, Job job, Map<String, DirectProof> all) {
        for (Trial t : job.trials()) {
            Optional<Part> part = chassis.part(t.part());
            if (part.isEmpty() || exchanged(job, part.get(), t.at())) continue;
            if (t.better() && t.how() != Trial.How.TAPPED)
                all.put(
                        t.part(),
                        new DirectProof(t.part(), Phrase.of("proof." + t.how().code(), t.part())));
        }
    }

    /** Between its electrodes it shows a few ohms where they touch, not tenths of one. */
    private static boolean isTube(Part p) {
        return p.device().filter(d -> d.deviceKind() == DeviceKind.TUBE).isPresent();
    }

    private static boolean exchanged(Job job, Part part, Instant since) {
        return job.alterations().stream()
                .anyMatch(a -> a.concerns(part.reference())
                        && a.at().isAfter(since)
                        && a.kind().exchanges());
    }

    private static void ohms(Chassis chassis, ColdRow r, Map<String, DirectProof> all) {
        if (r.reading().isEmpty() || r.standing() != Standing.OUT) return;
        double read = r.reading().get().value();
        Optional<Part> own = chassis.part(r.part());
        if (own.isPresent() && own.get().component() instanceof Component.Resistor x && read > ColdTable.most(x))
            all.put(
                    r.part(),
                    new DirectProof(
                            r.part(),
                            Phrase.of("proof.risen", r.part(), r.read().orElse("∞"))));
        if (read > SHORT || r.usual() < FAR) return;
        List<Part> between = chassis.parts().stream()
                .filter(p -> p.touches(r.net()) && p.touches(r.against()) && !isTube(p))
                .toList();
        if (between.size() == 1 && between.get(0).component() instanceof Component.Capacitor)
            all.put(
                    between.get(0).reference(),
                    new DirectProof(
                            between.get(0).reference(),
                            Phrase.of(
                                    "proof.short",
                                    between.get(0).reference(),
                                    r.read().orElse("0 Ω"))));
    }
}
