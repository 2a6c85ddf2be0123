package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.format.ReadingCodec;
import anabion.core.reading.Reading;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.Database;
import java.io.IOException;
import java.io.StringReader;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Readings and photos belong to their set, whatever ids they come with. */
class RowsOfSetsTest {
    @TempDir
    Path folder;

    private static SetRecord twin(SetRecord set) {
        Chassis chassis = set.chassis().withId(UUID.randomUUID());
        return new SetRecord(chassis, set.job(), set.readings(), set.photos(), set.place());
    }

    @Test
    void twoSetsMayUseTheSameIds() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            SetRecord first = w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "underside");
            SetRecord second = twin(first);
            w.sets().add(second);
            Reading changed = first.readings().get(0).withValue(1.25);
            w.sets().change(second.id(), "changed", List.of(new Op.PutReading(changed)));
            w.sets()
                    .change(
                            second.id(),
                            "gone",
                            List.of(new Op.DropReading(first.readings().get(1).id())));
            w.sets()
                    .change(
                            second.id(),
                            "photo",
                            List.of(new Op.DropPhoto(first.photos().get(0).id())));
            assertThat(w.sets().get(first.id())).isEqualTo(first);
            assertThat(w.sets().get(second.id()).readings())
                    .hasSize(first.readings().size() - 1)
                    .contains(changed);
            for (int i = 0; i < 3; i++) w.sets().undo(second.id());
            assertThat(w.sets().get(second.id())).isEqualTo(second);
            assertThat(w.sets().get(first.id())).isEqualTo(first);
        }
    }

    private static List<Reading> csv(SetRecord set, String csv) throws IOException {
        return ReadingCodec.csv(
                new StringReader(csv),
                set.chassis(),
                new ReadingCodec.Usual(set.usual(), Temp.NOW, set.job().fitted().id()));
    }

    private static SetRecord with(SetRecord set, List<Reading> more) {
        return new SetRecord(
                set.chassis(),
                set.job(),
                Stream.concat(set.readings().stream(), more.stream()).toList(),
                set.photos(),
                set.place());
    }

    @Test
    void aTableReadTwiceAddsNothing() throws IOException {
        SetRecord set = Temp.halcyon();
        StringBuilder own = new StringBuilder();
        ReadingCodec.csv(set.readings(), own);
        assertThat(set.lacking(csv(set, own.toString()))).isEmpty();

        String plain = "point,value\nV3.7,85\nV3.7,85\nV4.1,2\n";
        List<Reading> once = csv(set, plain);
        assertThat(once)
                .as("two equal lines are two readings")
                .extracting(Reading::id)
                .doesNotHaveDuplicates();
        assertThat(set.lacking(once)).hasSize(3);
        assertThat(with(set, once).lacking(csv(set, plain))).isEmpty();
    }

    @Test
    void aLineThatSaysSomethingElseUnderAKnownIdIsKeptBesideIt() throws IOException {
        SetRecord set = Temp.halcyon();
        Reading known = set.readings().get(0);
        String line = "point,value,id\n" + known.point() + ",77.5," + known.id() + "\n";
        List<Reading> lacking = set.lacking(csv(set, line));
        assertThat(lacking).singleElement().satisfies(r -> {
            assertThat(r.value()).isEqualTo(77.5);
            assertThat(r.id()).isNotEqualTo(known.id());
        });
        assertThat(with(set, lacking).lacking(csv(set, line))).as("once").isEmpty();
    }

    @Test
    void theSchemaNumberIsThatOfTheLastMigration() throws IOException, URISyntaxException {
        Path migrations = Path.of(Database.class.getResource("/anabion/schema").toURI());
        try (Stream<Path> files = Files.list(migrations)) {
            int last = files.map(f -> f.getFileName().toString().replaceAll("^V(\\d+)__.*", "$1"))
                    .mapToInt(Integer::parseInt)
                    .max()
                    .orElseThrow();
            assertThat(Database.SCHEMA).isEqualTo(last);
        }
    }

    /** Each schema in which rows lay before. */
    @Test
    void olderSchemasAreBroughtAlong() throws SQLException {
        for (int schema = 1; schema < Database.SCHEMA; schema++) {
            Path old = folder.resolve("schema-" + schema);
            SetRecord set = Temp.halcyon();
            Reading reading = set.readings().get(0);
            old(old, schema, set);
            try (Workshop w = Temp.open(old)) {
                assertThat(w.sets().get(set.id()).readings())
                        .as("schema %d", schema)
                        .containsExactly(reading);
                assertThat(w.types().own()).isEmpty();
                assertThat(w.timers()).isEmpty();
            }
            assertThat(old.resolve("backups/before-schema-" + schema + ".db")).exists();
        }
    }

    private static void old(Path folder, int schema, SetRecord set) throws SQLException {
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        String url = "jdbc:sqlite:" + Database.in(folder);
        Flyway.configure()
                .dataSource(url, "", "")
                .locations("classpath:anabion/schema")
                .target(String.valueOf(schema))
                .load()
                .migrate();
        try (Connection c = DriverManager.getConnection(url);
                Statement s = c.createStatement()) {
            s.execute("PRAGMA user_version=" + schema);
            try (var row = c.prepareStatement(
                    "INSERT INTO sets(id, chassis, job, summary, place, added) VALUES (?, ?, ?, '{}', 'shelf', ?)")) {
                row.setString(1, set.id().toString());
                row.setString(2, anabion.core.format.ChassisCodec.text(set.chassis()));
                row.setString(3, anabion.core.format.JobCodec.text(set.job()));
                row.setString(4, Temp.NOW.toString());
                row.execute();
            }
            try (var row = c.prepareStatement("INSERT INTO readings(id, set_id, at, body) VALUES (?, ?, ?, ?)")) {
                Reading r = set.readings().get(0);
                row.setString(1, r.id().toString());
                row.setString(2, set.id().toString());
                row.setString(3, r.at().toString());
                row.setString(4, anabion.core.json.TreeWriter.text(ReadingCodec.tree(r)));
                row.execute();
            }
        }
    }
}
