package anabion.workshop;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.workshop.storage.CheckedPicture;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Random;
import java.util.UUID;

/** A program that stores readings as fast as it can and says of each when it is acknowledged; it is killed from outside. */
final class KillChild {
    /** A set without a circuit, so that nearly all of the time goes into storing. */
    static final UUID SET = UUID.fromString("8f0c3c1e-7d0f-4a59-9a6e-3f1f0b1b7a11");

    /** Whether what is committed is forced to disk. */
    enum Forcing {
        ON,
        OFF
    }

    private KillChild() {}

    private static Chassis box() {
        Supply battery = new Supply(Arrangement.BATTERY, 9, 0, "", Extra.NONE);
        return Chassis.blank(SET, Identity.of("", "Box", SetKind.HOME), battery);
    }

    public static void main(String[] args) {
        try (Workshop w = Workshop.open(Path.of(args[0]), Clock.systemUTC())) {
            if (!w.sets().has(SET)) w.sets().add(Sets.fresh(box()));
            Random random = new Random(Long.parseLong(args[1]));
            SetRecord set = w.sets().get(SET);
            System.out.println("ready");
            int entries = args.length > 2 ? Integer.parseInt(args[2]) : 100_000;
            if (args.length > 3 && Forcing.valueOf(args[3]) == Forcing.OFF)
                w.handle().execute("PRAGMA synchronous=OFF");
            for (int i = 0; i < entries; i++) {
                if (i % 20 == 19) {
                    set = w.addPhoto(set.id(), CheckedPicture.of(Temp.picture(random.nextInt()), "p.png"), "p" + i);
                    System.out.println(
                            "photo " + set.photos().get(set.photos().size() - 1).id());
                } else {
                    var reading = Temp.reading(set, "B+", random.nextInt(300));
                    w.sets().change(set.id(), "reading", java.util.List.of(new Op.PutReading(reading)));
                    System.out.println("reading " + reading.id());
                }
                System.out.flush();
                // what the Shelf shows follows now and then, so that kills come before, within and after it
                if (i % 5 == 4) w.sets().summaries();
            }
        } catch (InputException e) {
            System.err.println(e.getMessage());
            System.exit(2);
        }
    }
}
