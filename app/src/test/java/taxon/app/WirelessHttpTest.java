package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.OneJob;
import tools.jackson.databind.JsonNode;

/** Wireless links: made, lost and forgotten, by form and by script, and taken back. */
class WirelessHttpTest {
    /** Three wireless units on universe 7, sent by the one output of a transmitter. */
    private static OneJob rig() {
        OneJob job = OneJob.shared("Radio");
        job.edit("/fixtures", "count", 3, "type", "oxbow-dunlin/5-channel", "position", "Steps", "firstId", 901);
        for (int i = 1; i <= 3; i++) {
            assertThat(job.edit("/fixtures/" + i + "/address", "block", 1, "address", "7." + (1 + 20 * (i - 1)))
                            .status())
                    .isEqualTo(200);
        }
        job.edit("/boxes", "kind", "transmitter", "name", "Dock radio", "ip", "10.0.0.11", "ports", 2);
        job.edit("/universes/7/ways", "protocol", "sacn", "outlet", "1/1");
        return job;
    }

    private static List<String> states(OneJob job) {
        return job.get("/wireless")
                .json()
                .path("receivers")
                .valueStream()
                .map(r -> r.path("state").asString())
                .toList();
    }

    @Test
    void receiversAreLinkedAsPlannedLostAndLinkedAnew() {
        OneJob job = rig();
        assertThat(states(job)).containsOnly("never-linked");
        assertThat(job.page("/wireless").text())
                .contains("901, 902 and 903 have never been linked to Dock radio port 1");
        assertThat(job.edit("/wireless/link", "receiver", "fixture/1,fixture/2,fixture/3", "to", "planned")
                        .status())
                .isEqualTo(200);
        assertThat(states(job)).containsOnly("linked");
        assertThat(job.page("/network").text()).contains("3 of 3 linked to Dock radio port 1");
        assertThat(job.page("/rig?sel=1").text()).contains("by radio, linked");
        job.edit("/wireless/lost", "channel", "1/1", "after", "transmitter reset");
        assertThat(states(job)).containsOnly("lost");
        JsonNode first = job.get("/wireless").json().path("receivers").path(0);
        assertThat(first.path("link").asString())
                .startsWith("Dock radio port 1, ")
                .contains("at this machine; lost after transmitter reset");
        job.edit("/wireless/link", "receiver", "fixture/2", "to", "1/2");
        assertThat(states(job)).containsExactly("lost", "linked-elsewhere", "lost");
        job.edit("/undo");
        assertThat(states(job)).containsOnly("lost");
        job.edit("/wireless/forget", "receiver", "fixture/1");
        assertThat(states(job)).containsExactly("never-linked", "lost", "lost");
    }

    /** What was said outlives the process, a copy of the job and the document. */
    @Test
    void linksAreInTheDocumentOfTheJob() {
        OneJob job = rig();
        job.edit("/wireless/link", "receiver", "fixture/1", "to", "1/1");
        JsonNode links = job.get("/job.json").json().path("links");
        assertThat(links).hasSize(1);
        assertThat(links.path(0).path("to").path("box").asInt()).isEqualTo(1);
    }

    @Test
    void whatCannotBeIsRefusedWithASentence() {
        OneJob job = rig();
        refuses(job.edit("/wireless/link", "receiver", ""), "No receiver is ticked; tick some first.");
        refuses(job.edit("/wireless/link", "receiver", "fixture/99", "to", "1/1"), "The receiver cannot be");
        refuses(job.edit("/wireless/link", "receiver", "fixture/0", "to", "1/1"), "There is no receiver fixture/0");
        refuses(job.edit("/wireless/link", "receiver", "box/999999999", "to", "1/1"), "There is no receiver box/9");
        refuses(job.edit("/wireless/link", "receiver", "fixture/1", "to", "1/9"), "The channel cannot be");
        refuses(job.edit("/wireless/link", "receiver", "fixture/1", "to", "first"), "Choose a box and a port");
        refuses(job.edit("/wireless/lost", "receiver", "fixture/1", "after", "reset"), "There is no link 901");
        refuses(job.edit("/wireless/lost", "channel", "1/1", "after", "reset"), "No receiver is known");
        job.edit("/wireless/link", "receiver", "fixture/1", "to", "1/1");
        refuses(job.edit("/wireless/lost", "receiver", "fixture/1", "after", ""), "reason for the loss");
        job.edit("/universes/7/ways", "protocol", "sacn", "outlet", "1/2");
        refuses(
                job.edit("/wireless/link", "receiver", "fixture/1,fixture/2", "to", "planned"),
                "The plan has no one channel for 901 and 902; choose the channel.");
        assertThat(states(job)).containsExactly("linked", "never-linked", "never-linked");
    }

    private static void refuses(Http.Answer answer, String sentence) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.text()).contains(sentence);
    }
}
