package anabion.core.recap;

import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What to renew, in order.
 *
 * @param items every capacitor of the set, in the order of its parts
 * @param resistors those that want attention
 * @param tubes those that tested below their reject line
 * @param swaps metal rectifiers that have a silicon diode and a resistor waiting for them
 */
public record Plan(
        Policy policy,
        List<Item> items,
        List<ResistorItem> resistors,
        List<TubeItem> tubes,
        List<SeleniumSwap> swaps,
        List<Batch> batches) {
    /**
     * Parts that are done before the next test.
     *
     * @param keys of items, resistors and rectifiers
     * @param test what to do before going on
     */
    public record Batch(Phrase title, List<String> keys, Phrase test) {
        public Batch {
            keys = List.copyOf(keys);
        }
    }

    /** A resistor that is near its rating or has drifted. */
    public record ResistorItem(
            anabion.core.chassis.Part part,
            double watts,
            double rated,
            double wanted,
            Choice.Action action,
            Phrase rule) {}

    /** A tube that tested bad, with the best spare; the words say both. */
    public record TubeItem(anabion.core.chassis.Part part, Phrase test, Phrase spare) {}

    public Plan {
        tubes = List.copyOf(tubes);
        items = List.copyOf(items);
        resistors = List.copyOf(resistors);
        swaps = List.copyOf(swaps);
        batches = List.copyOf(batches);
    }

    /** @param key of a part or section: {@code C18.1} */
    public Optional<Item> item(String key) {
        return items.stream().filter(i -> i.key().equals(key)).findFirst();
    }

    /** The batch in which a part is done; empty for one that stays. */
    public Optional<Batch> batchOf(String key) {
        return batches.stream().filter(b -> b.keys().contains(key)).findFirst();
    }

    /** How many parts are to be renewed. */
    public long renewed() {
        return items.stream()
                .filter(i -> i.choice().action() == Choice.Action.RENEW)
                .count();
    }

    /** All warnings, in the order of the parts. */
    public List<Phrase> warnings() {
        return items.stream().flatMap(i -> i.choice().warnings().stream()).toList();
    }

    /** What this plan does otherwise than an earlier one, part by part. */
    public List<Phrase> since(Plan before) {
        List<Phrase> changes = new ArrayList<>();
        for (Item now : items) {
            Optional<Item> was = before.item(now.key());
            if (was.isEmpty()) continue;
            Choice a = was.get().choice();
            Choice b = now.choice();
            if (a.action() != b.action())
                changes.add(Phrase.of(
                        "recap.change.action",
                        now.key(),
                        Phrase.of("recap.action." + a.action().code()),
                        Phrase.of("recap.action." + b.action().code())));
            else if (a.value() != b.value() || a.volts() != b.volts())
                changes.add(Phrase.of("recap.change.value", now.key(), Labels.of(a), Labels.of(b)));
        }
        if (batches.size() != before.batches.size())
            changes.add(Phrase.of("recap.change.batches", before.batches.size(), batches.size()));
        return changes;
    }
}
