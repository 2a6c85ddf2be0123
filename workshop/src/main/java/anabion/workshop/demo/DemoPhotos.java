package anabion.workshop.demo;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.job.Step;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.storage.CheckedPicture;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RadialGradientPaint;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;

/** A picture for a demo set: its chassis from above, drawn from its list of parts, with pins on what stands there. */
public final class DemoPhotos {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 800;
    private static final int COLUMNS = 5;

    private static final String PICTURED = "halcyon";

    private final Graphics2D g;
    private final List<PhotoMark> marks = new ArrayList<>();

    private DemoPhotos(Graphics2D g) {
        this.g = g;
    }

    /** Adds it to a workshop that has just been filled with the demo. */
    public static void add(Workshop workshop) {
        Chassis chassis = DemoWorkshop.chassis(PICTURED);
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        DemoPhotos drawing = new DemoPhotos(image.createGraphics());
        drawing.chassis(chassis);
        drawing.g.dispose();
        SetRecord with = workshop.addPhoto(
                chassis.id(),
                CheckedPicture.of(jpeg(image), "above.jpg"),
                "chassis from above (a drawing)",
                Optional.of(Step.ARRIVAL));
        Photo photo = with.photos().get(with.photos().size() - 1);
        workshop.sets().change(chassis.id(), "pins", List.of(new Op.PutPhoto(photo.withMarks(drawing.marks))));
    }

    private static byte[] jpeg(BufferedImage image) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "jpg", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void chassis(Chassis chassis) {
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setPaint(new GradientPaint(0, 0, new Color(0x8A6B4A), WIDTH, HEIGHT, new Color(0x5E4630)));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setPaint(new GradientPaint(0, 120, new Color(0xC3C5C0), 0, 680, new Color(0x8E918C)));
        g.fill(new RoundRectangle2D.Double(90, 110, 1020, 580, 18, 18));
        g.setColor(new Color(0x6E716C));
        g.setStroke(new BasicStroke(3));
        g.draw(new RoundRectangle2D.Double(90, 110, 1020, 580, 18, 18));
        List<Part> standing =
                chassis.parts().stream().filter(DemoPhotos::stands).toList();
        for (int n = 0; n < standing.size(); n++) {
            double x = 190 + 205.0 * (n % COLUMNS);
            double y = 220 + 180.0 * Math.floorDiv(n, COLUMNS);
            draw(standing.get(n), x, y);
            String type = standing.get(n).device().map(d -> " " + d.type()).orElse("");
            marks.add(pin(standing.get(n).reference() + type, x, y));
        }
    }

    /** What stands on a chassis: tubes, cans, the gang, a transformer. */
    private static boolean stands(Part p) {
        if (p.component() instanceof Component.Device d) return d.base().length() > 0;
        if (p.component() instanceof Component.Windings w)
            return w.isMainsTransformer() || p.role().isPresent();
        return p.component() instanceof Component.Capacitor c && c.farads().size() > 1;
    }

    private void draw(Part p, double x, double y) {
        if (p.component() instanceof Component.Device) round(x, y, 52, new Color(0xE8ECEA), new Color(0x55605E));
        else if (p.component() instanceof Component.Capacitor)
            round(x, y, 46, new Color(0xD9DCD8), new Color(0x7F837E));
        else if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
            block(x, y, 150, 120, new Color(0x3A3D3C));
        else block(x, y, 74, 74, new Color(0xB9BCB7));
    }

    private void round(double x, double y, double radius, Color light, Color dark) {
        g.setPaint(new RadialGradientPaint(
                (float) (x - radius / 3),
                (float) (y - radius / 3),
                (float) (1.4 * radius),
                new float[] {0, 1},
                new Color[] {light, dark}));
        g.fill(new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius));
        g.setColor(new Color(0x3C403F));
        g.draw(new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius));
    }

    private void block(double x, double y, double width, double height, Color colour) {
        g.setPaint(new GradientPaint(
                (float) x,
                (float) (y - height / 2),
                colour.brighter(),
                (float) x,
                (float) (y + height / 2),
                colour.darker()));
        g.fill(new RoundRectangle2D.Double(x - width / 2, y - height / 2, width, height, 10, 10));
        g.setColor(new Color(0x3C403F));
        g.draw(new RoundRectangle2D.Double(x - width / 2, y - height / 2, width, height, 10, 10));
    }

    private static PhotoMark pin(String text, double x, double y) {
        double across = x / WIDTH;
        double down = y / HEIGHT;
        return new PhotoMark(UUID.randomUUID(), PhotoMark.Kind.PIN, across, down, across, down, text, "");
    }
}
