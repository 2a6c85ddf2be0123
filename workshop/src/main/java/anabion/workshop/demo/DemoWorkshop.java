package anabion.workshop.demo;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.reading.Reading;
import anabion.workshop.Folders;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Sets;
import anabion.workshop.Timer;
import anabion.workshop.Workshop;
import anabion.workshop.storage.Database;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Fills a workshop with the demo sets. */
public final class DemoWorkshop {
    private static final List<String> SETS =
            List.of("halcyon", "brae", "rover", "lark", "trunk-road", "concerto", "moor");
    private static final String MARK = "demo";

    /** The set that the demo offers a simulated bench for. */
    private static final String ON_BENCH = "brae";

    private DemoWorkshop() {}

    /** The name of the setting that says what is wrong with a set on its simulated bench. */
    public static String benchOf(UUID set) {
        return "bench." + set;
    }

    /**
     * Adds the demo sets to an empty workshop, once.
     *
     * @return whether they were added now
     * @throws InputException if there are sets in it that are somebody's own; nothing is added then
     */
    public static boolean fill(Workshop workshop) {
        if (workshop.setting(MARK).isPresent()) return false;
        if (!workshop.sets().ids().isEmpty()) throw own(workshop.folder());
        for (String name : SETS) workshop.sets().add(set(name));
        Timer glue = Timer.starting(
                chassis("lark").id(), "glue on the dial pulley", Duration.ofMinutes(72), workshop.clock());
        workshop.sets().change(glue.set(), "timer", List.of(new Op.PutTimer(glue)));
        workshop.setting(benchOf(chassis(ON_BENCH).id()), ON_BENCH);
        workshop.setting(MARK, "skerry-point");
        return true;
    }

    /**
     * Empties a folder that holds a demo workshop; anything else in it is left alone.
     *
     * @throws InputException if the workshop there is no demo, holds a set of somebody's own, or is open elsewhere; nothing is removed then
     */
    public static void reset(Path folder) throws IOException {
        if (!Files.exists(folder.resolve("workshop.db"))) return;
        try (Workshop workshop = Workshop.open(folder, Clock.systemUTC())) {
            Set<UUID> demo = SETS.stream().map(n -> chassis(n).id()).collect(Collectors.toSet());
            boolean untouched = demo.containsAll(workshop.sets().ids());
            if (workshop.setting(MARK).isEmpty() || !untouched) throw own(folder);
        }
        Folders.delete(folder.resolve("backups")); // before the database: it is never missing beside backups
        for (Path file : Database.companions(folder)) Files.deleteIfExists(file);
        Files.deleteIfExists(Database.in(folder));
        Files.deleteIfExists(folder.resolve("workshop.lock"));
        Folders.delete(folder.resolve("photos"));
    }

    private static InputException own(Path folder) {
        return InputException.at(folder.toString())
                .because("this is somebody's own workshop, or holds sets that are no demo's")
                .so("open it with: anabion app " + folder + "; for the demo name another folder");
    }

    /** The chassis of a demo set, by the name of its file. */
    public static Chassis chassis(String name) {
        try (InputStream in = resource(name + ".json")) {
            return ChassisCodec.read(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The circuit that a set really has, also where its papers are lost: for simulated instruments, never for the restorer. */
    public static Chassis trueCircuit(String name) {
        if (DemoWorkshop.class.getResource("/anabion/demo/true/" + name + ".json") == null) return chassis(name);
        return chassis("true/" + name);
    }

    /** One demo set with its job and readings. */
    public static SetRecord set(String name) {
        try (InputStream job = resource(name + ".job.json")) {
            Chassis chassis = chassis(name);
            Job read = JobCodec.read(job);
            SetRecord bare = new SetRecord(chassis, read, List.of(), List.of(), Op.Place.SHELF);
            return new SetRecord(chassis, read, readings(name, bare), List.of(), Op.Place.SHELF);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Reading> readings(String name, SetRecord bare) throws IOException {
        if (DemoWorkshop.class.getResource("/anabion/demo/" + name + ".readings.csv") == null) return List.of();
        try (InputStream in = resource(name + ".readings.csv")) {
            return ReadingCodec.csv(
                    new InputStreamReader(in, StandardCharsets.UTF_8),
                    bare.chassis(),
                    new ReadingCodec.Usual(bare.usual(), Instant.EPOCH, FittedState.AS_FOUND));
        }
    }

    private static InputStream resource(String name) {
        return DemoWorkshop.class.getResourceAsStream("/anabion/demo/" + name);
    }

    /** The names of the demo sets' files. */
    public static List<String> names() {
        return SETS;
    }

    static SetRecord blank(Chassis chassis) {
        return Sets.fresh(chassis);
    }
}
