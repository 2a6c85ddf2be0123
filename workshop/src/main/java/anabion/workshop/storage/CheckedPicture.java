package anabion.workshop.storage;

import anabion.core.error.InputException;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;

/**
 * A picture of which all can be read. To see that it is decoded, which takes a tenth of a second for a large one: on any thread but the one that reads and
 * writes, where it would keep readings waiting.
 */
public final class CheckedPicture {
    /** Pixels across of what is decoded to see whether it can be. */
    private static final int ENOUGH = 100;

    private final byte[] bytes;
    private final Stored stored;

    private CheckedPicture(byte[] bytes, Stored stored) {
        this.bytes = bytes;
        this.stored = stored;
    }

    /**
     * Looks at a picture.
     *
     * @param name its file name, for the error
     * @throws InputException if it is no picture
     */
    public static CheckedPicture of(byte[] bytes, String name) {
        return new CheckedPicture(bytes, new Stored(PhotoFiles.sha256(bytes), format(bytes, name)));
    }

    /** Its name and format among the photos. */
    Stored stored() {
        return stored;
    }

    /** Not copied: it has some megabytes. */
    byte[] bytes() {
        return bytes;
    }

    /** When a camera says that it took it; empty where none says it. */
    public Optional<Instant> taken(ZoneId zone) {
        return Pictures.taken(bytes, zone);
    }

    private static String format(byte[] bytes, String name) {
        try {
            return suffix(
                    Pictures.decode(new ByteArrayInputStream(bytes), ENOUGH).format());
        } catch (IOException e) {
            if (isHeic(bytes))
                throw InputException.at(name)
                        .because("this is a picture in HEIC, which is not read here")
                        .so("set the phone's camera to JPEG (most compatible), or save it as JPEG first");
            throw InputException.at(name)
                    .because("this is not a picture that can be read (" + e.getMessage() + ")")
                    .so("choose a JPEG or PNG file of up to 50 megapixels, or take it from the camera again");
        }
    }

    /** As the container of such files begins: a box of type {@code ftyp} with one of its brands. */
    private static boolean isHeic(byte[] bytes) {
        if (bytes.length < 12) return false;
        String brand = new String(bytes, 4, 8, StandardCharsets.ISO_8859_1);
        return brand.matches("ftyp(heic|heix|hevc|heim|heis|mif1|msf1)");
    }

    private static String suffix(String format) {
        return switch (format) {
            case "jpeg" -> "jpg";
            case "tiff" -> "tif";
            default -> format;
        };
    }
}
