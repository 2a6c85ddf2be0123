package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Fault;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.signal.Loudness;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What bands of a set let through with each single fault, and what an ohmmeter shows: what takes longest to compute, to be kept from one start to the next. It
 * holds for the same chassis and the same release alone, of which whoever keeps it takes care.
 */
public final class ComputedStates {
    private static final int FORMAT = 2;

    private final FaultStates states;
    private final boolean ohms;

    /** @param ohms whether they take long, too */
    ComputedStates(FaultStates states, boolean ohms) {
        this.states = states;
        this.ohms = ohms;
    }

    /** How many answers there are; it only grows. */
    public int size() {
        return states.singly().stream()
                .mapToInt(s -> s.heard().size() + (ohms ? s.unplugged().size() : 0))
                .sum();
    }

    /** Writes all of it. */
    public void write(DataOutput out) throws IOException {
        Kept<Optional<Loudness>> loudness = new Kept<>();
        Kept<ColdResistanceModel.At> shown = new Kept<>();
        List<FaultState> all = states.singly();
        for (FaultState s : all) {
            s.heard().values().forEach(loudness::number);
            if (ohms) s.unplugged().values().forEach(shown::number);
        }
        out.writeInt(FORMAT);
        out.writeInt(loudness.all().size());
        for (Optional<Loudness> l : loudness.all()) write(l, out);
        out.writeInt(shown.all().size());
        for (ColdResistanceModel.At a : shown.all()) a.write(out);
        out.writeInt(all.size());
        for (FaultState s : all) {
            out.writeUTF(s.faults().isEmpty() ? "" : s.faults().get(0).text());
            out.writeInt(s.heard().size());
            for (Map.Entry<String, Optional<Loudness>> e : s.heard().entrySet()) {
                out.writeUTF(e.getKey());
                out.writeInt(loudness.number(e.getValue()));
            }
            out.writeInt(ohms ? s.unplugged().size() : 0);
            if (!ohms) continue;
            for (Map.Entry<Measurement.Ohms, ColdResistanceModel.At> e :
                    s.unplugged().entrySet()) {
                write(e.getKey(), out);
                out.writeInt(shown.number(e.getValue()));
            }
        }
    }

    /**
     * Takes what was written; what is known already stays.
     *
     * @throws IOException if it was not written by {@link #write}, or is cut off; then nothing of it is taken
     */
    public void read(DataInput in) throws IOException {
        try {
            if (in.readInt() != FORMAT) throw new IOException("another format");
            List<Optional<Loudness>> loudness = new ArrayList<>();
            for (int n = in.readInt(); n > 0; n--) loudness.add(loudness(in));
            List<ColdResistanceModel.At> shown = new ArrayList<>();
            for (int n = in.readInt(); n > 0; n--) shown.add(ColdResistanceModel.At.read(in));
            List<Runnable> taken = new ArrayList<>();
            for (int n = in.readInt(); n > 0; n--) {
                String fault = in.readUTF();
                Map<String, Optional<Loudness>> heard = new LinkedHashMap<>();
                for (int k = in.readInt(); k > 0; k--) heard.put(in.readUTF(), loudness.get(in.readInt()));
                Map<Measurement.Ohms, ColdResistanceModel.At> unplugged = new LinkedHashMap<>();
                for (int k = in.readInt(); k > 0; k--) unplugged.put(ohms(in), shown.get(in.readInt()));
                List<Fault> faults = fault.isEmpty() ? List.of() : List.of(Fault.parse(fault));
                taken.add(() -> {
                    FaultState s = states.of(faults);
                    heard.forEach(s.heard()::putIfAbsent);
                    unplugged.forEach(s.unplugged()::putIfAbsent);
                });
            }
            taken.forEach(Runnable::run);
        } catch (RuntimeException e) {
            throw new IOException("not what was written", e);
        }
    }

    private static void write(Optional<Loudness> l, DataOutput out) throws IOException {
        out.writeBoolean(l.isPresent());
        if (l.isEmpty()) return;
        out.writeInt(l.get().decibels().size());
        for (Map.Entry<String, Double> e : l.get().decibels().entrySet()) {
            out.writeUTF(e.getKey());
            out.writeDouble(e.getValue());
            out.writeBoolean(l.get().beyond().contains(e.getKey()));
        }
        out.writeDouble(l.get().hum());
        out.writeBoolean(l.get().distorted());
        out.writeBoolean(l.get().noisy());
        out.writeBoolean(l.get().mute());
    }

    private static Optional<Loudness> loudness(DataInput in) throws IOException {
        if (!in.readBoolean()) return Optional.empty();
        Map<String, Double> decibels = new LinkedHashMap<>();
        Set<String> beyond = new LinkedHashSet<>();
        for (int n = in.readInt(); n > 0; n--) {
            String point = in.readUTF();
            decibels.put(point, in.readDouble());
            if (in.readBoolean()) beyond.add(point);
        }
        return Optional.of(
                new Loudness(decibels, beyond, in.readDouble(), in.readBoolean(), in.readBoolean(), in.readBoolean()));
    }

    private static void write(Measurement.Ohms o, DataOutput out) throws IOException {
        out.writeUTF(o.net());
        out.writeUTF(o.against());
        out.writeDouble(o.test());
        out.writeInt(o.off().size());
        for (Fault f : o.off()) out.writeUTF(f.text());
    }

    private static Measurement.Ohms ohms(DataInput in) throws IOException {
        String net = in.readUTF();
        String against = in.readUTF();
        double test = in.readDouble();
        List<Fault> off = new ArrayList<>();
        for (int n = in.readInt(); n > 0; n--) off.add(Fault.parse(in.readUTF()));
        return new Measurement.Ohms(net, against, test, off);
    }

    /** Answers that many states share, each once. */
    private static final class Kept<T> {
        private final IdentityHashMap<T, Integer> numbers = new IdentityHashMap<>();
        private final List<T> all = new ArrayList<>();

        int number(T answer) {
            return numbers.computeIfAbsent(answer, a -> {
                all.add(a);
                return all.size() - 1;
            });
        }

        List<T> all() {
            return all;
        }
    }
}
