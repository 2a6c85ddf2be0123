package anabion.workshop.report;

import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.SetRecord;
import anabion.workshop.storage.Pictures;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.function.Function;
import javax.imageio.ImageIO;

/** The photos of a set as they stand on paper: upright, small, with what was drawn on them. */
final class PagePictures {
    private static final Color PETROL = new Color(0x1D5B63);
    private static final Color AMBER = new Color(0xC97B12);

    private PagePictures() {}

    /** @param width in pixels at most */
    static List<RecordPage.Picture> of(SetRecord set, Words words, Function<Photo, Path> file, int width) {
        return set.photos().parallelStream()
                .map(p -> picture(p, words, file.apply(p), width))
                .toList();
    }

    /** One that cannot be read is said in its place: it must not keep the rest of the record from being written. */
    private static RecordPage.Picture picture(Photo photo, Words words, Path file, int width) {
        String caption = caption(photo);
        try {
            BufferedImage image = small(Pictures.upright(Files.readAllBytes(file), width), width);
            draw(image, photo.marks());
            return new RecordPage.Picture(caption, data(image), "");
        } catch (IOException e) {
            String lost = words.say("record.picture.lost", String.valueOf(file.getFileName()));
            return new RecordPage.Picture(caption, "", lost);
        }
    }

    /** With what its numbered marks carry. */
    private static String caption(Photo photo) {
        StringBuilder text = new StringBuilder(photo.caption());
        for (int n = 0; n < photo.marks().size(); n++) {
            PhotoMark m = photo.marks().get(n);
            if (!m.text().isEmpty())
                text.append(text.isEmpty() ? "" : "; ")
                        .append(n + 1)
                        .append(" ")
                        .append(m.colour().isEmpty() ? "" : m.colour() + ": ")
                        .append(m.text());
        }
        return text.toString();
    }

    private static String data(BufferedImage image) throws IOException {
        return data(image, "jpg", "jpeg");
    }

    /** Without loss, for what must stay sharp. */
    static String png(BufferedImage image) throws IOException {
        return data(image, "png", "png");
    }

    private static String data(BufferedImage image, String format, String type) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return "data:image/" + type + ";base64," + Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private static BufferedImage small(BufferedImage image, int most) {
        int width = Math.min(most, image.getWidth());
        int height = Math.max(1, image.getHeight() * width / image.getWidth());
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        return small;
    }

    private static void draw(BufferedImage image, List<PhotoMark> marks) {
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        double w = image.getWidth();
        double h = image.getHeight();
        double size = w / 24;
        g.setStroke(new BasicStroke((float) (size / 6)));
        g.setFont(new Font(Font.SANS_SERIF, Font.BOLD, (int) (size * 0.7)));
        for (int n = 0; n < marks.size(); n++) {
            PhotoMark m = marks.get(n);
            double x = m.x() * w;
            double y = m.y() * h;
            double toX = m.toX() * w;
            double toY = m.toY() * h;
            double reach = Math.hypot(toX - x, toY - y);
            g.setColor(AMBER);
            switch (m.kind()) {
                case WIRE -> g.draw(new CubicCurve2D.Double(x, y, x, y + reach / 8, toX, toY + reach / 8, toX, toY));
                case CIRCLE -> g.draw(new Ellipse2D.Double(x - reach, y - reach, 2 * reach, 2 * reach));
                case ARROW -> {
                    g.draw(new Line2D.Double(x, y, toX, toY));
                    double a = Math.atan2(toY - y, toX - x);
                    for (double side : new double[] {-0.5, 0.5})
                        g.draw(new Line2D.Double(
                                toX, toY, toX - size * Math.cos(a + side), toY - size * Math.sin(a + side)));
                }
                case PIN -> {} // its number is all
            }
            boolean arrow = m.kind() == PhotoMark.Kind.ARROW;
            number(g, n + 1, arrow ? x : toX, arrow ? y : toY, size);
        }
        g.dispose();
    }

    private static void number(Graphics2D g, int n, double x, double y, double size) {
        g.setColor(PETROL);
        g.fill(new Ellipse2D.Double(x - size / 2, y - size / 2, size, size));
        g.setColor(Color.WHITE);
        String text = String.valueOf(n);
        double wide = g.getFontMetrics().stringWidth(text);
        g.drawString(text, (float) (x - wide / 2), (float) (y + size * 0.25));
    }
}
