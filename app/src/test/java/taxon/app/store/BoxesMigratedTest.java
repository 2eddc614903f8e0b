package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** A store from before there were other boxes than nodes, and other than one way for a universe. */
class BoxesMigratedTest {
    private static Path older() throws SQLException {
        Path data = TaxonServer.newStore();
        Flyway.configure()
                .dataSource("jdbc:sqlite:" + data, "", "")
                .locations("classpath:db/migration")
                .target("16")
                .load()
                .migrate();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + data);
                Statement statement = connection.createStatement()) {
            statement.executeUpdate("""
                    insert into job (id, name, venue, note, version, created_at, counting)
                    values (1, 'Old evening', '', '', 1, '2026-05-01T10:00:00Z', '{"firstPortAddress":0}')""");
            statement.executeUpdate("insert into node values (1, 1, 'Quay “node”', '10.0.0.11', 4)");
            statement.executeUpdate("insert into node values (1, 2, 'Gate node', '192.168.0.12', 2)");
            statement.executeUpdate("insert into universe values (1, 1, 'racks', 'art-net', 0, 1, 2)");
            statement.executeUpdate("insert into universe values (1, 5, 'hull', 'sacn', 5, 2, 1)");
            statement.executeUpdate("insert into universe values (1, 7, 'wireless', null, null, null, null)");
            statement.executeUpdate("""
                    insert into journal (id, job_id, version, title, who, at, kind, state, delta)
                    values (1, 1, 1, 'Node Gate node at 192.168.0.12', 'crew', '2026-05-01T10:00:00Z', 'PLAN', 'DONE',
                    '{"changes":[{"kind":"NODE",
                      "before":{"number":2,"name":"Gate","ip":"192.168.0.12","ports":2},
                      "after":{"number":2,"name":"Gate node","ip":"192.168.0.12","ports":2}}]}')""");
        }
        return data;
    }

    @Test
    void nodesAndRoutesAreBoxesAndWaysAndTheLastEditCanStillBeUndone() throws SQLException {
        try (TaxonServer server = TaxonServer.on(older())) {
            Http http = server.http();
            JsonNode network = http.get("/jobs/1/network").json();
            JsonNode quay = network.path("boxes").get(0);
            assertThat(quay.path("kind").asString()).isEqualTo("node");
            assertThat(quay.path("name").asString()).isEqualTo("Quay “node”");
            assertThat(quay.path("card").path("ip").asString()).isEqualTo("10.0.0.11");
            assertThat(quay.path("card").path("prefix").asInt()).isEqualTo(8);
            assertThat(quay.path("ports")).hasSize(4);
            assertThat(network.path("universes").valueStream().map(BoxesMigratedTest::words))
                    .containsExactly(
                            "1 racks: art-net 0 to 1/2, as counted",
                            "5 hull: sacn 5 to 2/1, as counted",
                            "7 wireless: nowhere");
            http.post("/jobs/1/undo", "version", http.version(1));
            assertThat(http.get("/jobs/1/boxes/2").json().path("name").asString())
                    .isEqualTo("Gate");
            http.post("/jobs/1/redo", "version", http.version(1));
            assertThat(http.get("/jobs/1/boxes/2").json().path("name").asString())
                    .isEqualTo("Gate node");
        }
    }

    private static String words(JsonNode universe) {
        JsonNode way = universe.path("ways").path(0);
        return universe.path("number").asInt() + " " + universe.path("label").asString() + ": "
                + (way.isMissingNode()
                        ? "nowhere"
                        : way.path("protocol").asString() + " "
                                + way.path("carriedAs").asInt() + " to "
                                + way.path("outlet").asString()
                                + (way.path("exception").asBoolean() ? ", otherwise" : ", as counted"));
    }
}
