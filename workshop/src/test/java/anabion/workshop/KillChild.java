package anabion.workshop;

import anabion.core.input.BadInput;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Random;

/** A program that stores readings as fast as it can and says of each when it is acknowledged; it is killed from outside. */
final class KillChild {
    private KillChild() {}

    public static void main(String[] args) {
        try (Workshop w = Workshop.open(Path.of(args[0]), Clock.systemUTC())) {
            if (!w.sets().has(Temp.halcyon().id())) w.sets().add(Temp.halcyon());
            Random random = new Random(Long.parseLong(args[1]));
            SetRecord set = w.sets().get(Temp.halcyon().id());
            System.out.println("ready");
            for (int i = 0; i < 100_000; i++) {
                if (i % 20 == 19) {
                    set = w.addPhoto(set.id(), Temp.picture(random.nextInt()), "p.png", "p" + i);
                    System.out.println(
                            "photo " + set.photos().get(set.photos().size() - 1).id());
                } else {
                    var reading = Temp.reading(set, "V3.7", random.nextInt(300));
                    w.sets().change(set.id(), "reading", java.util.List.of(new Op.PutReading(reading)));
                    System.out.println("reading " + reading.id());
                }
                System.out.flush();
            }
        } catch (BadInput e) {
            System.err.println(e.getMessage());
            System.exit(2);
        }
    }
}
