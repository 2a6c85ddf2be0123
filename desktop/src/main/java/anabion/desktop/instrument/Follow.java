package anabion.desktop.instrument;

import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.power.StageTables;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.ReadingRequest;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentException;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Keeps the set on a simulated bench as the record has it: what is lifted, what was renewed, which band, which lamp. On a real one hands have done it. */
final class Follow {
    private final Session session;
    private final SetRecord of;
    private final Set<UUID> done = new HashSet<>();
    /** What was turned on the bench, by the entry that says so. */
    private final Map<UUID, AlignmentEntry> turned = new HashMap<>();

    private List<String> off = List.of();
    private Optional<Optional<String>> lamp = Optional.empty();
    private String band = "";

    /** @param set as it is fitted when the bench begins: what was done before is done */
    Follow(Session session, SetRecord set) {
        this.session = session;
        this.of = set;
        set.job().alterations().forEach(a -> done.add(a.id()));
        set.job().alignment().forEach(e -> turned.put(e.id(), e));
    }

    /**
     * What is measured on a bench belongs to the set that was in hand when it was connected.
     *
     * @throws InputException if that is another
     */
    void need(SetRecord set) {
        if (set.id().equals(of.id())) return;
        throw InputException.at("")
                .because(session.say("instrument.other-set", of.chassis().name()))
                .so(session.say("instrument.other-set.remedy"));
    }

    /**
     * Does with the hands what the record says, before something is read or the set is fed.
     *
     * @param set as the record has it now
     * @param chosen the band in hand; empty for none
     * @param request what is read; empty where the set is fed
     */
    void record(Hands hands, SetRecord set, String chosen, Optional<ReadingRequest> request) {
        Job job = set.job();
        if (!chosen.isEmpty() && !chosen.equals(band)) {
            hands.band(chosen);
            band = chosen;
        }
        List<String> parts = off(set, request);
        if (!parts.equals(off)) {
            byHand(() -> hands.lift(parts));
            off = parts;
        }
        request.filter(r -> r instanceof ReadingRequest.Step)
                .map(r -> ((ReadingRequest.Step) r).lamp())
                .ifPresent(l -> lamp(hands, l));
        adjusters(hands, job);
        for (Alteration a : job.alterations())
            if (a.kind().exchanges() && !done.contains(a.id())) {
                byHand(() -> hands.renew(a.part()));
                done.add(a.id());
            }
    }

    /** Turns what the record says was turned, and turns back what it no longer says. */
    private void adjusters(Hands hands, Job job) {
        for (AlignmentEntry e : job.alignment())
            if (turned.putIfAbsent(e.id(), e) == null && e.moved() != 0) hands.adjust(e.letter(), e.moved());
        Set<UUID> kept = job.alignment().stream().map(AlignmentEntry::id).collect(Collectors.toSet());
        for (AlignmentEntry e : List.copyOf(turned.values()))
            if (!kept.contains(e.id())) {
                turned.remove(e.id());
                if (e.moved() != 0) hands.adjust(e.letter(), -e.moved());
            }
    }

    private void lamp(Hands hands, Optional<String> words) {
        if (lamp.filter(words::equals).isPresent()) return;
        byHand(() -> hands.lamp(words));
        lamp = Optional.of(words);
    }

    /** Hands work on a set that is off. */
    private void byHand(Runnable work) {
        try {
            work.run();
        } catch (InstrumentException e) {
            if (e.kind() != InstrumentException.Kind.NONSENSE) throw e;
            throw InputException.at("")
                    .because(session.say("instrument.follow", e.what()))
                    .so(session.say("instrument.follow.remedy"));
        }
    }

    private static List<String> off(SetRecord set, Optional<ReadingRequest> request) {
        List<String> all = new ArrayList<>(
                set.job().fitted().openEnds().stream().map(Alteration::part).toList());
        if (request.isPresent() && request.get() instanceof ReadingRequest.OfStage s)
            all.addAll(StageTables.out(set.chassis(), s.stage()));
        return all.stream().distinct().sorted().toList();
    }
}
