package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** "Carry all": a port for every universe, after a look. */
class RoutesHttpTest {
    private static List<String> outlets(Http http) {
        return http.get("/jobs/1/network")
                .json()
                .path("universes")
                .valueStream()
                .map(u -> u.path("ways").path(0).path("outlet").asString("nowhere"))
                .toList();
    }

    @Test
    void whatIsRoutedNowhereIsCarriedAfterALookAndTakenBack() {
        try (TaxonServer server = TaxonServer.empty()) {
            Http http = server.http();
            http.job("Carry");
            for (int universe = 1; universe <= 3; universe++) {
                http.edit(
                        "/fixtures",
                        "count",
                        1,
                        "type",
                        "fernglass-tern/16-channel",
                        "position",
                        "Pipe",
                        "firstId",
                        100 + universe);
                http.edit("/fixtures/" + universe + "/address", "block", 1, "address", universe + ".1");
            }
            http.edit("/boxes", "name", "Two", "ip", "10.0.0.11", "ports", 2, "position", 1);
            http.edit("/boxes", "name", "Four", "ip", "10.0.0.12", "ports", 4);
            int id = http.edit("/routes", "aim", "fewest-boxes")
                    .json()
                    .path("proposal")
                    .asInt();
            JsonNode proposal = http.get("/jobs/1/routes/" + id).json();
            assertThat(proposal.path("moves")
                            .valueStream()
                            .map(m -> m.path("outlet").asString()))
                    .containsExactly("2/1", "2/2", "2/3");
            assertThat(proposal.path("certain").asString())
                    .isEqualTo("1 box is in use then; with fewer not as many universes have a port.");
            assertThat(http.page("/jobs/1/routes/" + id).text())
                    .contains("3 ports to be patched anew", "a place is not said");
            assertThat(outlets(http)).containsOnly("nowhere");
            http.post("/jobs/1/routes/" + id + "/apply");
            assertThat(outlets(http)).containsExactly("2/1", "2/2", "2/3");
            http.edit("/undo");
            assertThat(outlets(http)).containsOnly("nowhere");
            assertThat(http.edit("/routes", "aim", "prettiest").reasons()).contains("one of fewest-boxes, least-cable");
            int near = http.edit("/routes", "aim", "least-cable", "protocol", "sacn")
                    .json()
                    .path("proposal")
                    .asInt();
            assertThat(http.get("/jobs/1/routes/" + near).json().path("certain").asString())
                    .contains("as far as it can be reckoned: of 3 universes a place is not said");
        }
    }
}
