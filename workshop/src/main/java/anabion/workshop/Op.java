package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.job.Job;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Reading;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** The smallest changes to a set. Each can be written down and carried out again; its inverse is found when it is done. */
public sealed interface Op {
    /** Version of the written form. */
    int VERSION = 1;

    record PutChassis(Chassis chassis) implements Op {}

    record PutJob(Job job) implements Op {}

    record PutReading(Reading reading) implements Op {}

    record DropReading(UUID id) implements Op {}

    record PutPhoto(Photo photo) implements Op {}

    record DropPhoto(UUID id) implements Op {}

    record PutTimer(Timer timer) implements Op {}

    record DropTimer(UUID id) implements Op {}

    record PutPlace(Place place) implements Op {}

    /** Where a set stands. */
    enum Place {
        SHELF,
        ARCHIVE,
        TRASH;

        /** Its name in files. */
        public String code() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        /** The shelf for a word that names none. */
        public static Place named(String code) {
            for (Place p : values()) if (p.code().equals(code)) return p;
            return SHELF;
        }

        static Place of(String code) {
            return valueOf(code.toUpperCase(java.util.Locale.ROOT));
        }
    }

    private static Map<String, Object> tree(Op op) {
        if (op instanceof PutChassis c) return Map.of("op", "chassis", "value", ChassisCodec.text(c.chassis()));
        if (op instanceof PutJob j) return Map.of("op", "job", "value", JobCodec.text(j.job()));
        if (op instanceof PutReading r) return Map.of("op", "reading", "value", ReadingCodec.tree(r.reading()));
        if (op instanceof DropReading r) return Map.of("op", "drop-reading", "value", r.id().toString());
        if (op instanceof PutPhoto p)
            return Map.of("op", "photo", "value", p.photo().tree());
        if (op instanceof DropPhoto p) return Map.of("op", "drop-photo", "value", p.id().toString());
        if (op instanceof PutTimer t)
            return Map.of("op", "timer", "value", t.timer().tree());
        if (op instanceof DropTimer t) return Map.of("op", "drop-timer", "value", t.id().toString());
        return Map.of("op", "place", "value", ((PutPlace) op).place().code());
    }

    private static Op read(Fields f) {
        return switch (f.text("op")) {
            case "chassis" -> new PutChassis(ChassisCodec.read(f.text("value")));
            case "job" -> new PutJob(JobCodec.read(f.text("value")));
            case "reading" -> new PutReading(ReadingCodec.read(f.object("value")));
            case "drop-reading" -> new DropReading(UUID.fromString(f.text("value")));
            case "photo" -> new PutPhoto(Photo.read(f.object("value")));
            case "drop-photo" -> new DropPhoto(UUID.fromString(f.text("value")));
            case "timer" -> new PutTimer(Timer.read(f.object("value")));
            case "drop-timer" -> new DropTimer(UUID.fromString(f.text("value")));
            case "place" -> new PutPlace(Place.of(f.text("value")));
            default -> throw f.trouble("op", "this change was written by another release", "undo stops here");
        };
    }

    static String text(List<Op> ops) {
        return TreeWriter.text(Map.of("ops", ops.stream().map(Op::tree).toList()));
    }

    static List<Op> read(String json) {
        try {
            Fields all =
                    Fields.of(TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))), "");
            List<Op> ops = new ArrayList<>();
            for (Fields f : all.objects("ops")) ops.add(read(f));
            return ops;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
