package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.app.testing.OneJob;
import tools.jackson.databind.JsonNode;

/** "Carry all": a port for every universe, after a look. */
class RoutesHttpTest {
    private static List<String> outlets(OneJob job) {
        return job.get("/network")
                .json()
                .path("universes")
                .valueStream()
                .map(u -> u.path("ways").path(0).path("outlet").asString("nowhere"))
                .toList();
    }

    @Test
    void whatIsRoutedNowhereIsCarriedAfterALookAndTakenBack() {
        OneJob job = OneJob.shared("Carry");
        for (int universe = 1; universe <= 3; universe++) {
            job.edit(
                    "/fixtures",
                    "count",
                    1,
                    "type",
                    "fernglass-tern/16-channel",
                    "position",
                    "Pipe",
                    "firstId",
                    100 + universe);
            job.edit("/fixtures/" + universe + "/address", "block", 1, "address", universe + ".1");
        }
        job.edit("/boxes", "name", "Two", "ip", "10.0.0.11", "ports", 2, "position", 1);
        job.edit("/boxes", "name", "Four", "ip", "10.0.0.12", "ports", 4);
        int id = job.edit("/routes", "aim", "fewest-boxes")
                .json()
                .path("proposal")
                .asInt();
        JsonNode proposal = job.get("/routes/" + id).json();
        assertThat(proposal.path("moves")
                        .valueStream()
                        .map(m -> m.path("outlet").asString()))
                .containsExactly("2/1", "2/2", "2/3");
        assertThat(proposal.path("certain").asString())
                .isEqualTo("1 box is in use then; with fewer not as many universes have a port.");
        assertThat(job.page("/routes/" + id).text()).contains("3 ports to be patched anew", "a place is not said");
        assertThat(outlets(job)).containsOnly("nowhere");
        job.post("/routes/" + id + "/apply");
        assertThat(outlets(job)).containsExactly("2/1", "2/2", "2/3");
        job.edit("/undo");
        assertThat(outlets(job)).containsOnly("nowhere");
        assertThat(job.edit("/routes", "aim", "prettiest").reasons()).contains("one of fewest-boxes, least-cable");
        int near = job.edit("/routes", "aim", "least-cable", "protocol", "sacn")
                .json()
                .path("proposal")
                .asInt();
        assertThat(job.get("/routes/" + near).json().path("certain").asString())
                .contains("as far as it can be reckoned: of 3 universes a place is not said");
    }
}
