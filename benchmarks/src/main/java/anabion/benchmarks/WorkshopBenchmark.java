package anabion.benchmarks;

import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.json.Extra;
import anabion.core.reading.Reading;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.Op;
import anabion.workshop.SearchIndex;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.timeline.Timeline;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** What a large workshop costs: opening, the shelf, one set, one acknowledged reading; and the same in the real window. */
final class WorkshopBenchmark {
    private static final int ENTRIES = 20_000;

    private WorkshopBenchmark() {}

    static Map<String, Object> measure(Path root) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("anabion-bench");
        LargeWorkshop.make(folder);
        Map<String, Object> results = new LinkedHashMap<>();
        results.put("sets", LargeWorkshop.SETS);
        results.put("photos", LargeWorkshop.PHOTOS);
        long start = System.nanoTime();
        try (Workshop w = Workshop.open(folder, Clock.systemUTC())) {
            results.put("open the workshop, ms", ms(start));
            results.put("read the shelf, ms (median of 20)", median(20, () -> w.sets()
                    .summaries()));
            results.put(
                    "read one set, ms (median of 20)", median(20, () -> w.sets().get(new UUID(7, 100))));
            SetRecord set = w.sets().get(new UUID(7, 100));
            Reading r = set.readings().get(0);
            List<Double> times = new ArrayList<>();
            for (int i = 0; i < 200; i++) {
                Reading fresh = new Reading(
                        UUID.randomUUID(),
                        r.point(),
                        r.reference(),
                        r.measure(),
                        r.value() + i,
                        false,
                        r.condition(),
                        r.state(),
                        r.at(),
                        r.extra());
                long t = System.nanoTime();
                w.sets().change(set.id(), "reading", List.of(new Op.PutReading(fresh)));
                times.add(ms(t));
            }
            Collections.sort(times);
            results.put("store a reading, ms (median of 200, forced to disk)", times.get(100));
            results.put("store a reading, ms (95th of 100)", times.get(190));
        }
        try (Workshop w = Workshop.open(folder, Clock.systemUTC())) {
            search(w, results);
        }
        Startup.window(root, folder, "").forEach((k, v) -> results.put("window: " + k, v));
        return results;
    }

    /** Notes make up twenty thousand entries of all the timelines together. */
    private static void search(Workshop w, Map<String, Object> results) {
        for (UUID id : w.sets().ids()) {
            SetRecord set = w.sets().get(id);
            Job job = set.job();
            for (int n = 0; n < ENTRIES / LargeWorkshop.SETS; n++)
                job = job.with(new Note(
                        UUID.randomUUID(),
                        w.clock().instant(),
                        Note.Kind.REMARK,
                        "entry " + n + " of the " + set.chassis().identity().model() + (n % 50 == 0 ? " beeswax" : ""),
                        "",
                        0,
                        Optional.empty(),
                        Extra.NONE));
            w.sets().change(id, "notes", List.of(new Op.PutJob(job)));
        }
        long start = System.nanoTime();
        SearchIndex index = w.search();
        for (UUID id : index.stale()) index.index(id);
        results.put("read the words of all sets, ms", ms(start));
        start = System.nanoTime();
        index.index(new UUID(7, 100));
        results.put("read the words of one set, ms", ms(start));
        results.put("search, ms (median of 20)", median(20, () -> index.find("beeswax entry")));
        results.put("search by two letters, ms (median of 20)", median(20, () -> index.find("en")));
        SetRecord set = w.sets().get(new UUID(7, 100));
        Words words = new Words(Vocabulary.STANDARD);
        results.put("timeline of a set, ms (median of 20)", median(20, () -> Timeline.of(set, words)));
    }

    private static double median(int times, Runnable work) {
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            long start = System.nanoTime();
            work.run();
            all.add(ms(start));
        }
        Collections.sort(all);
        return all.get(times / 2);
    }

    private static double ms(long start) {
        return Math.round((System.nanoTime() - start) / 10_000.0) / 100.0;
    }
}
