package anabion.benchmarks;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.storage.CheckedPicture;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import javax.imageio.ImageIO;

/** A generated workshop of two hundred sets and five thousand photos. */
final class LargeWorkshop {
    static final int SETS = 200;
    static final int PHOTOS = 5000;

    private LargeWorkshop() {}

    static void make(Path folder) throws IOException {
        Random random = new Random(1);
        List<String> models = DemoWorkshop.names();
        try (Workshop w = Workshop.open(folder, Clock.systemUTC())) {
            for (int i = 0; i < SETS; i++) {
                SetRecord model = DemoWorkshop.set(i % 2 == 0 ? "halcyon" : models.get(i % models.size()));
                Identity old = model.chassis().identity();
                Chassis chassis = model.chassis()
                        .withId(new UUID(7, i))
                        .withIdentity(Identity.of(old.maker(), old.model() + " " + i, SetKind.HOME));
                List<Photo> photos = new ArrayList<>();
                for (int p = 0; p < PHOTOS / SETS; p++)
                    photos.add(w.storePhoto(
                            UUID.randomUUID(),
                            CheckedPicture.of(picture(random), "p.jpg"),
                            "photo " + p,
                            w.clock().instant()));
                var readings = model.readings().stream()
                        .map(r -> r.withId(UUID.randomUUID()))
                        .toList();
                w.sets().add(new SetRecord(chassis, model.job(), readings, photos, model.place()));
            }
        }
    }

    private static byte[] picture(Random random) throws IOException {
        BufferedImage image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(new Color(random.nextInt(0xFFFFFF)));
        g.fillRect(0, 0, 64, 48);
        g.setColor(new Color(random.nextInt(0xFFFFFF)));
        g.fillOval(random.nextInt(40), random.nextInt(30), 24, 18);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }
}
