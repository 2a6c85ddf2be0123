package anabion.workshop.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** Backups on a disk that fills while one is made. */
@ExtendWith(MockitoExtension.class)
class BackupsTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 16);

    @TempDir
    Path folder;

    @Mock
    private Connection connection;

    @Mock
    private PreparedStatement statement;

    /** As the database does it: a file begins to be there, and then there is no more room. */
    private void fills() throws SQLException {
        Path[] begun = new Path[1];
        when(connection.prepareStatement("VACUUM INTO ?")).thenReturn(statement);
        doAnswer(call -> begun[0] = Path.of((String) call.getArgument(1)))
                .when(statement)
                .setString(eq(1), anyString());
        when(statement.execute()).thenAnswer(call -> {
            Files.writeString(begun[0], "half a database");
            throw new SQLException("[SQLITE_FULL] Insertion failed because the database is full");
        });
    }

    private List<String> files() throws IOException {
        try (Stream<Path> all = Files.list(folder.resolve("backups"))) {
            return all.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void aFullDiskLeavesNoHalfBackupAndSweepsNoOldOne() throws Exception {
        fills();
        Files.createDirectories(folder.resolve("backups"));
        for (int day = 1; day <= 3; day++)
            Files.writeString(folder.resolve("backups/workshop-2026-05-0" + day + ".db"), "whole");
        assertThatThrownBy(() -> new Backups(folder, 2).daily(connection, TODAY))
                .isInstanceOf(SQLException.class);
        assertThat(files())
                .containsExactly("workshop-2026-05-01.db", "workshop-2026-05-02.db", "workshop-2026-05-03.db");
    }

    @Test
    void todaysBackupIsMadeOnce() throws Exception {
        Files.createDirectories(folder.resolve("backups"));
        Files.writeString(folder.resolve("backups/workshop-" + TODAY + ".db"), "whole");
        new Backups(folder, 2).daily(connection, TODAY);
        verify(connection, never()).prepareStatement(anyString());
    }
}
