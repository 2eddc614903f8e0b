package taxon.app.store.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.start.StartRefusedException;
import taxon.app.testing.TaxonServer;

/** Whose file it is, and that what is not ours stays as it is. */
class StoreFileTest {
    @TempDir
    Path folder;

    private StoreFile file(String name) {
        return new StoreFile(folder.resolve(name));
    }

    @ParameterizedTest
    @ValueSource(strings = {"what?now=1.db", "a%20b#c.db", "Bühne – Süd.db", "plus+and&and=.db"})
    void aStoreMayHaveAnyName(String name) throws Exception {
        StoreFile file = file(name);
        try (TaxonServer server = TaxonServer.on(file.path())) {
            assertThat(server.http().post("/jobs", "name", "Named").status()).isEqualTo(200);
        }
        assertThat(file.path()).exists();
        assertThat(StoreInspector.of(file)).isEqualTo(new StoreContent.Store(StoreVersions.newest()));
    }

    @Test
    void nothingAndAnEmptyFileAreTakenForANewStore() throws Exception {
        assertThat(StoreVersions.writable(file("none.db"))).isEqualTo(new StoreContent.Nothing());
        Files.createFile(folder.resolve("empty.db"));
        assertThat(StoreVersions.writable(file("empty.db"))).isEqualTo(new StoreContent.Nothing());
    }

    @Test
    void aFileOfAnotherProgramIsRefusedAndKeptToTheByte() throws Exception {
        Files.writeString(folder.resolve("letter.txt"), "Dear Ada, the rig is up.");
        try (Connection other = file("other.db").source("busy_timeout=100").getConnection();
                Statement statement = other.createStatement()) {
            statement.execute("create table job (id integer)");
        }
        for (String name : new String[] {"letter.txt", "other.db"}) {
            byte[] before = Files.readAllBytes(folder.resolve(name));
            assertThatThrownBy(() -> TaxonServer.on(folder.resolve(name)))
                    .rootCause()
                    .isInstanceOf(StartRefusedException.class)
                    .hasMessageContaining("is no store of Taxon");
            assertThat(folder.resolve(name)).hasBinaryContent(before);
        }
    }

    @Test
    void aNewerStoreIsRefusedByTheNamesOfBothVersions() throws Exception {
        StoreFile file = new StoreFile(TaxonServer.readyStore());
        int newer = StoreVersions.newest() + 2;
        try (Connection connection = file.source("busy_timeout=100").getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("insert into flyway_schema_history (installed_rank, version, description, type, script,"
                    + " installed_by, execution_time, success) values (99, '" + newer
                    + "', 'later', 'SQL', 'V.sql', 'x', 1, 1)");
        }
        byte[] before = Files.readAllBytes(file.path());
        assertThatThrownBy(() -> TaxonServer.on(file.path()))
                .rootCause()
                .isInstanceOf(StartRefusedException.class)
                .hasMessageContaining("version " + newer)
                .hasMessageContaining("this Taxon knows version " + StoreVersions.newest())
                .hasMessageContaining("left as it is");
        assertThat(file.path()).hasBinaryContent(before);
    }

    @Test
    void aSecondTaxonOnTheSameFileIsRefusedUntilTheFirstIsGone() {
        Path data = folder.resolve("shared.db");
        try (TaxonServer first = TaxonServer.on(data)) {
            assertThatThrownBy(() -> TaxonServer.on(data))
                    .rootCause()
                    .isInstanceOf(StartRefusedException.class)
                    .hasMessageContaining("Another Taxon has " + data);
            assertThat(first.http().get("/jobs").status()).isEqualTo(200);
        }
        TaxonServer.on(data).close();
    }
}
