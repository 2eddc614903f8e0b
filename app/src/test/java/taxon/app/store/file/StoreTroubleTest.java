package taxon.app.store.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.dao.DataAccessResourceFailureException;
import org.sqlite.SQLiteDataSource;

/** What SQLite says when the file cannot be written, provoked on real files, is told as what it is. */
class StoreTroubleTest {
    @TempDir
    Path folder;

    private StoreFile file = new StoreFile(Path.of("none"));

    @BeforeEach
    void make() throws SQLException {
        file = new StoreFile(folder.resolve("jobs.db"));
        run("busy_timeout=100", "create table note (text)", "insert into note values (zeroblob(100000))");
    }

    private void run(String settings, String... statements) throws SQLException {
        run(file.source(settings), statements);
    }

    private static void run(SQLiteDataSource source, String... statements) throws SQLException {
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private Throwable failing(String settings, String... statements) {
        return failing(file.source(settings), statements);
    }

    private static Throwable failing(SQLiteDataSource source, String... statements) {
        Throwable thrown = catchThrowable(() -> run(source, statements));
        assertThat(thrown).isNotNull();
        // As it comes out of the mappers.
        return new DataAccessResourceFailureException("not written", thrown);
    }

    @Test
    void aFullDisk() {
        Throwable failure =
                failing("busy_timeout=100", "pragma max_page_count = 30", "insert into note values (zeroblob(400000))");
        assertThat(StoreTrouble.behind(failure)).contains(StoreTrouble.FULL);
    }

    @Test
    void aFileThatMayNotBeWritten() {
        assertThat(StoreTrouble.behind(failing(file.reading(), "insert into note values ('x')")))
                .contains(StoreTrouble.READ_ONLY);
    }

    @Test
    void aFileThatAnotherHoldsLocked() throws SQLException {
        try (Connection other = file.source("busy_timeout=100").getConnection();
                Statement statement = other.createStatement()) {
            statement.execute("begin immediate");
            assertThat(StoreTrouble.behind(failing("busy_timeout=1", "insert into note values ('x')")))
                    .contains(StoreTrouble.BUSY);
        }
    }

    @Test
    void aFileWithDamagedPages() throws Exception {
        byte[] bytes = Files.readAllBytes(file.path());
        Arrays.fill(bytes, 100, 4096, (byte) 0x5a);
        Files.write(file.path(), bytes);
        assertThat(StoreTrouble.behind(failing("busy_timeout=100", "select count(*) from note")))
                .contains(StoreTrouble.DAMAGED);
    }

    @Test
    void whatHasNothingToDoWithTheFileIsNone() {
        assertThat(StoreTrouble.behind(failing("busy_timeout=100", "insert into nothing values (1)")))
                .isEmpty();
        assertThat(StoreTrouble.behind(new IllegalStateException("elsewhere"))).isEmpty();
    }
}
