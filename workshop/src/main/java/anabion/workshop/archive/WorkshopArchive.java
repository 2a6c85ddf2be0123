package anabion.workshop.archive;

import anabion.core.device.DeviceType;
import anabion.core.device.TypeCodec;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.json.Writing;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Timer;
import anabion.workshop.Workshop;
import anabion.workshop.storage.ForcedFiles;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.zip.ZipOutputStream;

/**
 * A whole workshop as one file: every set wherever it stands, photos, timers, own types, settings, all as the open formats have them. What can be undone is not in
 * it.
 */
public final class WorkshopArchive {
    private static final String CONTENTS = "workshop.json";
    private static final int FORMAT = 1;
    /** Settings that say something of one workshop on one machine. */
    private static final Set<String> OF_THE_PLACE = Set.of("demo", "window", "last.set", "last.step", "keep.folder");

    private WorkshopArchive() {}

    /**
     * A workshop as it was at one moment, to be written at leisure.
     *
     * @param photos where each lies
     */
    public record Snapshot(
            List<SetRecord> sets,
            List<Timer> timers,
            List<DeviceType> types,
            Map<String, String> settings,
            Map<UUID, Path> photos) {
        /** On the thread that owns the workshop. */
        public static Snapshot of(Workshop w) {
            List<SetRecord> sets = w.sets().ids().stream().map(w.sets()::get).toList();
            Map<UUID, Path> photos = new HashMap<>();
            sets.forEach(s -> s.photos().forEach(p -> photos.put(p.id(), w.file(p))));
            return new Snapshot(sets, w.timers(), w.types().own(), w.settings(), photos);
        }
    }

    /** Writes it. */
    public static void write(Snapshot all, OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            SetArchive.text(zip, CONTENTS, TreeWriter.text(contents(all)));
            for (SetRecord s : all.sets()) SetArchive.write(s, folder(s.id()), zip);
            SetArchive.pictures(all.sets(), p -> all.photos().get(p.id()), zip);
        }
    }

    /** Writes it to a file, beside its name first. */
    public static void write(Snapshot all, Path file) throws IOException {
        ForcedFiles.write(file, out -> write(all, out));
    }

    private static String folder(UUID set) {
        return "sets/" + set + "/";
    }

    private static Map<String, Object> contents(Snapshot all) {
        return new Writing()
                .put("format", FORMAT)
                .list(
                        "sets",
                        all.sets().stream()
                                .map(s -> new Writing()
                                        .put("id", s.id())
                                        .put("name", s.chassis().name())
                                        .put("place", s.place().code())
                                        .with(Extra.NONE))
                                .toList())
                .list("timers", all.timers().stream().map(Timer::tree).toList())
                .list("types", all.types().stream().map(TypeCodec::write).toList())
                .map("settings", all.settings())
                .with(Extra.NONE);
    }

    /**
     * What came in.
     *
     * @param added sets that are new here
     * @param beside those of them of which there was another record here: both are kept
     * @param there how many were here already, alike
     * @param types own types that are new here
     * @param differing own types that are here, too, but say something else: those here stay
     */
    public record Added(
            List<SetRecord> added, List<SetRecord> beside, int there, List<String> types, List<String> differing) {}

    /** Whether a file is one, by its contents. */
    public static boolean isOne(Path file) {
        try {
            return Files.isRegularFile(file) && ZipContents.has(file, CONTENTS);
        } catch (IOException e) {
            return false;
        }
    }

    /**
     * Brings all that is in an archive into a workshop; what is here stays as it is.
     *
     * @param label what was done, for "undo …"
     * @throws InputException if it is none, or a part of it is unsound: nothing is changed then
     */
    public static Added addTo(Workshop workshop, Path file, String label) throws IOException {
        ZipContents zip = ZipContents.of(file, ZipContents.OF_A_WORKSHOP);
        Fields contents = Fields.of(TreeReader.read(new ByteArrayInputStream(zip.need(CONTENTS))), CONTENTS);
        if (contents.integer("format", FORMAT) > FORMAT)
            throw InputException.at(file.getFileName().toString())
                    .because("this archive was written by a newer release")
                    .so("use that release");
        List<SetArchive.Unpacked> sets = new ArrayList<>();
        for (Listed l : contents.list("sets", Listed::read)) sets.add(SetArchive.read(zip, folder(l.id()), l.place()));
        List<Timer> timers = contents.list("timers", Timer::read);
        List<DeviceType> types = contents.list("types", TypeCodec::read);
        Map<String, String> settings = contents.texts("settings");
        List<SetRecord> added = new ArrayList<>();
        List<SetRecord> beside = new ArrayList<>();
        int there = 0;
        for (SetArchive.Unpacked u : sets) {
            Optional<SetArchive.Added> one = SetArchive.addUnlessThere(workshop, u, label);
            if (one.isEmpty()) there++;
            one.ifPresent(a -> {
                added.add(a.set());
                if (a.beside()) beside.add(a.set());
                ring(workshop, u.set().id(), a.set().id(), timers, label);
            });
        }
        List<String> differing = new ArrayList<>();
        List<String> fresh = types(workshop, types, differing, label);
        settings.forEach((name, value) -> {
            if (!OF_THE_PLACE.contains(name) && workshop.setting(name).isEmpty()) workshop.setting(name, value);
        });
        return new Added(added, beside, there, fresh, differing);
    }

    private static void ring(Workshop workshop, UUID was, UUID now, List<Timer> timers, String label) {
        List<Op> ops = timers.stream()
                .filter(t -> t.set().equals(was))
                .map(t -> (Op) new Op.PutTimer(new Timer(UUID.randomUUID(), now, t.label(), t.ends())))
                .toList();
        if (!ops.isEmpty()) workshop.sets().change(now, label, ops);
    }

    /** @return the names of those that are new */
    private static List<String> types(Workshop workshop, List<DeviceType> all, List<String> differing, String label) {
        Map<String, DeviceType> here = new HashMap<>();
        workshop.types().own().forEach(t -> here.put(t.name(), t));
        List<DeviceType> rows = new ArrayList<>(workshop.types().own());
        Set<String> fresh = new HashSet<>();
        for (DeviceType t : all) {
            DeviceType mine = here.get(t.name());
            if (mine == null) {
                rows.add(t);
                fresh.add(t.name());
            } else if (!mine.equals(t)) differing.add(t.name());
        }
        if (!fresh.isEmpty()) workshop.types().put(label, rows);
        return fresh.stream().sorted().toList();
    }

    private record Listed(UUID id, Op.Place place) {
        static Listed read(Fields f) {
            return new Listed(f.id(), Op.Place.named(f.text("place", "shelf")));
        }
    }
}
