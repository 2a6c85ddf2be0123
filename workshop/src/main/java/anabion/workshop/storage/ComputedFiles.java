package anabion.workshop.storage;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.prediction.ComputedStates;
import anabion.core.format.ChassisCodec;
import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;

/**
 * What was computed of the faults of sets, a file for each chassis, from one start to the next. Nothing else depends on these files: they may be deleted at any
 * time, and one that cannot be read or written is as if it were not there. A file belongs to one chassis, as it stands, and to one build of the engine; others are
 * named otherwise. The oldest go when there are more than {@link #MOST}. For several threads at once.
 */
public final class ComputedFiles {
    static final int MOST = 40;
    private static final String SUFFIX = ".computed";

    private final Path workshop;
    private final Path folder;
    private final BooleanSupplier there;

    /**
     * @param workshop its folder
     * @param there whether that is still the one that was opened: into another nothing is written
     */
    public ComputedFiles(Path workshop, BooleanSupplier there) {
        this.workshop = workshop;
        this.folder = workshop.resolve("computed");
        this.there = there;
    }

    /** Takes what a file holds of a chassis, where there is one. */
    public void read(Chassis chassis, ComputedStates into) {
        if (Engine.BUILD.isEmpty()) return;
        try (InputStream in = new GZIPInputStream(Files.newInputStream(file(chassis)))) {
            // all of it first: its checksum stands at the end
            into.read(new DataInputStream(new ByteArrayInputStream(in.readAllBytes())));
        } catch (NoSuchFileException e) {
            // computed for the first time
        } catch (IOException e) {
            // damaged: computed anew, and then replaced
        }
    }

    /** Keeps what was computed of a chassis. */
    public void write(Chassis chassis, ComputedStates states) {
        if (Engine.BUILD.isEmpty() || !there.getAsBoolean()) return;
        try {
            ForcedFiles.createFolders(workshop, folder);
            ForcedFiles.write(file(chassis), out -> {
                try (DataOutputStream data =
                        new DataOutputStream(new BufferedOutputStream(new GZIPOutputStream(out)))) {
                    states.write(data);
                }
            });
            sweep();
        } catch (IOException e) {
            // the next start computes it again
        }
    }

    private void sweep() throws IOException {
        List<Path> all;
        try (Stream<Path> files = Files.list(folder)) {
            all = files.filter(f -> f.toString().endsWith(SUFFIX)).toList();
        }
        if (all.size() <= MOST) return;
        Map<Path, FileTime> written = new HashMap<>();
        for (Path f : all) written.put(f, Files.getLastModifiedTime(f));
        List<Path> oldest = all.stream()
                .sorted(Comparator.comparing(written::get))
                .limit(all.size() - MOST)
                .toList();
        for (Path f : oldest) Files.deleteIfExists(f);
    }

    private Path file(Chassis chassis) {
        MessageDigest digest = digest();
        digest.update(Engine.BUILD.orElseThrow());
        digest.update(ChassisCodec.text(chassis).getBytes(StandardCharsets.UTF_8));
        return folder.resolve(HexFormat.of().formatHex(digest.digest()) + SUFFIX);
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The engine by its own bytes: a version's number stays the same while it is worked on. */
    private static final class Engine {
        /** Empty where the program's own files cannot be read: then nothing is kept. */
        static final Optional<byte[]> BUILD = build();

        private static Optional<byte[]> build() {
            MessageDigest digest = digest();
            try (Stream<Path> files = Files.walk(Path.of(ComputedStates.class
                    .getProtectionDomain()
                    .getCodeSource()
                    .getLocation()
                    .toURI()))) {
                for (Path f : files.filter(Files::isRegularFile).sorted().toList()) update(digest, f);
            } catch (IOException | URISyntaxException | RuntimeException e) {
                return Optional.empty();
            }
            return Optional.of(digest.digest());
        }

        private static void update(MessageDigest digest, Path file) throws IOException {
            byte[] some = new byte[1 << 16];
            try (InputStream in = Files.newInputStream(file)) {
                for (int n = in.read(some); n >= 0; n = in.read(some)) digest.update(some, 0, n);
            }
        }
    }
}
