package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.workshop.archive.SetArchive;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A workshop and an archive from before part roles were typed: they open as they are, and nothing is written into them that nobody changed. */
class EarlierFilesTest {
    private static final Path FIXTURES = Path.of("src/test/resources/fixtures/2026-11");

    @TempDir
    Path folder;

    private record Stored(String chassis, String job) {}

    private Map<UUID, Stored> stored() throws Exception {
        Map<UUID, Stored> all = new LinkedHashMap<>();
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("workshop.db"));
                ResultSet r = c.createStatement().executeQuery("SELECT id, chassis, job FROM sets")) {
            while (r.next()) all.put(UUID.fromString(r.getString(1)), new Stored(r.getString(2), r.getString(3)));
        }
        return all;
    }

    @Test
    void aWorkshopOpensAndItsSetsStayAsTheyWereWritten() throws Exception {
        try (InputStream in = new GZIPInputStream(Files.newInputStream(FIXTURES.resolve("workshop.db.gz")))) {
            Files.copy(in, folder.resolve("workshop.db"));
        }
        Map<UUID, Stored> before = stored();
        assertThat(before).hasSizeGreaterThanOrEqualTo(7);
        try (Workshop w = Temp.open(folder)) {
            for (Map.Entry<UUID, Stored> s : before.entrySet()) {
                SetRecord set = w.doing(() -> w.sets().get(s.getKey()));
                assertThat(ChassisCodec.text(set.chassis()))
                        .as(set.chassis().name())
                        .isEqualTo(s.getValue().chassis());
                assertThat(JobCodec.text(set.job())).isEqualTo(s.getValue().job());
                assertThat(set.chassis().parts().stream().anyMatch(p -> p.role().isPresent())
                                || set.chassis().parts().isEmpty())
                        .as("roles of %s", set.chassis().name())
                        .isTrue();
            }
        }
        assertThat(stored()).isEqualTo(before);
    }

    @Test
    void anArchiveIsReadAndWrittenAgainByteForByte() throws IOException {
        Path archive = FIXTURES.resolve("halcyon.anabion");
        ByteArrayOutputStream again = new ByteArrayOutputStream();
        SetArchive.write(SetArchive.open(archive).set(), p -> Path.of("none"), again);
        assertThat(again.toByteArray()).isEqualTo(Files.readAllBytes(archive));
    }
}
