package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.app.testing.OneJob;
import tools.jackson.databind.JsonNode;

/** Lines: drawn after a look, changed by hand, and what to take along for them. */
class LinesHttpTest {
    /** Five units on a pipe, universe 1 at a node of two ports. */
    private static OneJob rig() {
        OneJob job = OneJob.shared("Lines");
        job.edit("/fixtures", "count", 5, "type", "fernglass-tern/16-channel", "position", "Pipe", "firstId", 101);
        for (int i = 1; i <= 5; i++) {
            job.edit("/fixtures/" + i + "/address", "block", 1, "address", "1." + (1 + 16 * (i - 1)));
        }
        job.edit("/boxes", "name", "Node", "ip", "10.0.0.11", "ports", 2, "position", 1);
        job.edit("/universes/1/ways", "protocol", "art-net", "outlet", "1/1");
        return job;
    }

    private static int proposed(OneJob job, Object... fields) {
        return job.edit("/line-plan", fields).json().path("proposal").asInt();
    }

    private static List<String> stops(OneJob job, int line) {
        return job.get("/lines/" + line)
                .json()
                .path("stops")
                .valueStream()
                .map(s -> s.path("what").asString().split(" ")[0])
                .toList();
    }

    @Test
    void linesAreDrawnAfterALookAndTakenBack() {
        OneJob job = rig();
        int id = proposed(job, "mostUnits", 3);
        JsonNode proposal = job.get("/line-plan/" + id).json();
        assertThat(proposal.path("splitters").path(0).asString()).isEqualTo("Splitter 2 with 8 outputs at Pipe");
        assertThat(proposal.path("certain").path(0).asString())
                .startsWith(
                        "Universe 1: 5 units on 2 lines, 0.0 m of cable as far as it can be reckoned (5 ways cannot)")
                .endsWith("With 5 units a line it takes a line less.");
        assertThat(job.page("/line-plan/" + id).text()).contains("3 lines to be run");
        assertThat(job.get("/lines").json().path("lines")).isEmpty();
        job.post("/line-plan/" + id + "/apply");
        assertThat(job.get("/lines").json().path("lines")).hasSize(3);
        assertThat(job.page("/lines").text()).contains("Splitter 2 port 1", "To take along", "splitter");
        job.edit("/undo");
        assertThat(job.get("/lines").json().path("lines")).isEmpty();
    }

    @Test
    void aLineIsChangedByHand() {
        OneJob job = rig();
        job.edit("/lines", "name", "Left", "outlet", "1/1");
        job.edit("/lines/1/stops", "ids", "101, 103-105");
        job.edit("/lines/1/stops", "ids", "102", "place", 2);
        assertThat(stops(job, 1)).containsExactly("101", "102", "103", "104", "105");
        job.edit("/lines/1/stops", "fixture", 5, "place", 1);
        assertThat(stops(job, 1)).containsExactly("105", "101", "102", "103", "104");
        job.edit("/lines/1/stops/remove", "fixture", 5);
        job.edit("/lines/1", "name", "Quay left");
        assertThat(job.page("/lines/1").text()).contains("Line Quay left", "universe 1; 4 units");
        assertThat(job.page("/lines").text()).contains("Universe 1: no line reaches 105.");
        job.edit("/lines/1/remove");
        assertThat(job.get("/lines").json().path("lines")).isEmpty();
    }

    @Test
    void whatCannotBeIsRefusedWithASentence() {
        OneJob job = rig();
        job.edit("/lines", "name", "A", "outlet", "1/1");
        assertThat(job.edit("/lines", "name", "B", "outlet", "1/1").reasons()).contains("taken by line A");
        assertThat(job.edit("/lines", "name", "B", "outlet", "1/0").reasons()).contains("box/port");
        assertThat(job.edit("/lines", "name", "B", "outlet", "7/1").reasons()).contains("There is no box 7");
        assertThat(job.edit("/lines/1/stops", "ids", "101 to 104").reasons()).contains("such as 4-6");
        assertThat(job.edit("/lines/1/stops", "ids", "999").reasons()).contains("There is no fixture 999.");
        assertThat(job.edit("/lines/1/stops").reasons()).contains("Nothing to plug in");
        assertThat(job.edit("/lines/1/stops", "ids", "101", "place", 9).reasons())
                .contains("1 to 1");
        assertThat(job.edit("/lines/1/stops", "box", 1).reasons()).contains("anything but the box where it begins");
        assertThat(job.edit("/line-plan", "mostUnits", 33).reasons()).contains("1 to 32");
        assertThat(job.edit("/line-plan", "longest", "far").reasons()).contains("reads far");
        assertThat(job.edit("/line-plan", "slack", "-1").reasons()).contains("0 to 50 m");
        assertThat(job.edit("/line-plan", "stock", "5, ten").reasons()).contains("reads ten");
        assertThat(job.edit("/line-plan", "stock", "").reasons()).contains("0 lengths on the shelf");
        assertThat(job.edit("/line-plan", "trusses", "Moon").reasons()).contains("no position Moon");
        assertThat(job.edit("/line-plan", "universes", "0").reasons()).contains("it takes 1 to");
        assertThat(job.edit("/line-plan", "splitterOutputs", "1").reasons()).contains("2 to 64");
        assertThat(job.get("/lines").json().path("lines")).hasSize(1);
    }
}
