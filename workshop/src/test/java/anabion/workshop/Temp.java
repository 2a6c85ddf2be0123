package anabion.workshop;

import anabion.core.chassis.Measure;
import anabion.core.json.Extra;
import anabion.core.reading.Reading;
import anabion.workshop.demo.DemoWorkshop;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;

/** What the workshop's tests share: a fixed clock, the Halcyon, readings and small pictures. */
final class Temp {
    static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");
    static final Clock CLOCK = Clock.fixed(NOW, ZoneOffset.UTC);

    private Temp() {}

    static Workshop open(Path folder) {
        return Workshop.open(folder, CLOCK);
    }

    static SetRecord halcyon() {
        return DemoWorkshop.set("halcyon");
    }

    static Reading reading(SetRecord set, String point, double volts) {
        return new Reading(
                UUID.randomUUID(),
                point,
                "CHASSIS",
                Measure.DC_VOLTS,
                volts,
                false,
                set.usual(),
                set.job().fitted().id(),
                NOW,
                Extra.NONE);
    }

    static SetRecord take(Workshop w, SetRecord set, String point, double volts) {
        return w.doing(() ->
                w.sets().change(set.id(), "reading " + point, List.of(new Op.PutReading(reading(set, point, volts)))));
    }

    static byte[] picture(int seed) {
        BufferedImage image = new BufferedImage(32, 24, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 24; i++) image.setRGB(i, i, 0xFF0000 + seed * 7919 + i);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
