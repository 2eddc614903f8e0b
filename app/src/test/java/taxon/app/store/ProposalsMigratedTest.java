package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import taxon.app.store.file.StoreContent;
import taxon.app.store.file.StoreFile;
import taxon.app.store.file.StoreInspector;
import taxon.app.store.file.StoreVersions;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;

class ProposalsMigratedTest {
    private static final byte[] LIST =
            "Qty,Type,Mode,Position\n2,Tern,16,Quay\n1,Nonsense,,Quay\n".getBytes(StandardCharsets.UTF_8);

    @Test
    void listsAndScenesOfAnOlderStoreAreStillThereWithWhatWasChosen() throws SQLException {
        Path data = TaxonServer.newStore();
        Flyway.configure()
                .dataSource("jdbc:sqlite:" + data, "", "")
                .locations("classpath:db/migration")
                .target("5")
                .load()
                .migrate();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + data)) {
            run(
                    connection,
                    "insert into job (id, name, venue, note, version, created_at)"
                            + " values (1, 'Old evening', '', '', 0, '2026-05-01T10:00:00Z')");
            run(
                    connection,
                    "insert into proposal (id, job_id, base_version, state, request, made_at)"
                            + " values (4, 1, 0, 'DROPPED', '{\"kind\":\"cells\",\"title\":\"t\"}', '2026-05-01T10:00:00Z')");
            run(
                    connection,
                    "insert into equipment_import (id, job_id, file_name, content, choices, state, made_at)"
                            + " values (1, 1, 'first.csv', ?, '{}', 'APPLIED', '2026-05-01T10:00:00Z')",
                    LIST);
            run(
                    connection,
                    "insert into equipment_import (id, job_id, file_name, content, choices, state, made_at)"
                            + " values (2, 1, 'list.csv', ?, '{\"3\":{\"type\":\"fernglass-tern\",\"mode\":\"16-channel\"}}',"
                            + " 'OPEN', '2026-05-01T10:00:00Z')",
                    LIST);
            run(
                    connection,
                    "insert into scene_import (id, job_id, file_name, content, request, state, made_at)"
                            + " values (1, 1, 'dock.mvr', ?, '{\"removal\":true}', 'DROPPED', '2026-05-01T10:00:00Z')",
                    LIST);
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            StoreFile file = new StoreFile(data);
            assertThat(StoreInspector.of(new StoreFile(file.beforeMigration(5, StoreVersions.newest()))))
                    .as("the store as it was before it was changed")
                    .isEqualTo(new StoreContent.Store(5));
            Http http = server.http();
            assertThat(http.get("/jobs/1/cells/4").status()).isEqualTo(200);
            assertThat(http.get("/jobs/1/imports/5").json().path("file").asString())
                    .isEqualTo("first.csv");
            assertThat(http.get("/jobs/1/imports/5").json().path("state").asString())
                    .isEqualTo("applied");
            assertThat(http.get("/jobs/1/imports/6").json().path("fixtures").asInt())
                    .isEqualTo(3);
            ProposalStore store = server.bean(ProposalStore.class);
            ProposalStore.StoredProposal scene = store.find(1, 7).orElseThrow();
            assertThat(scene.fileName()).isEqualTo("dock.mvr");
            assertThat(scene.request()).contains("\"kind\":\"scene\"", "\"removal\":true");
            assertThat(store.file(7, GivenFilesTest::bytes)).contains(LIST);
        }
    }

    private static void run(Connection connection, String sql, byte[]... content) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < content.length; i++) {
                statement.setBytes(i + 1, content[i]);
            }
            statement.executeUpdate();
        }
    }
}
