package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.app.testing.Http;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** Boxes of every kind and the ways of universes to them, as people type them. */
class BoxesHttpTest {
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void job() {
        job = http.job("Boxes");
    }

    private Http.Answer post(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post(job + path, all.toArray());
    }

    private JsonNode box(int number) {
        return http.get(job + "/boxes/" + number).json();
    }

    private JsonNode ways(int universe) {
        return http.get(job + "/network/universes/" + universe).json().path("ways");
    }

    @ParameterizedTest
    @CsvSource({
        "node, 10.0.0.11",
        "interface, ''",
        "transmitter, ''",
        "receiver, ''",
        "unit, 10.0.0.12",
        "server, 10.0.0.13",
        "console, 10.0.0.1",
        "switch, ''",
        "splitter, ''"
    })
    void aBoxOfEveryKindIsAddedAndShowsItsSettings(String kind, String ip) {
        assertThat(post("/boxes", "kind", kind, "name", "Box", "ip", ip).status())
                .isEqualTo(200);
        assertThat(box(1).path("kind").asString()).isEqualTo(kind);
        assertThat(box(1).path("card").path("ip").asString("")).isEqualTo(ip);
        assertThat(http.page(job + "/boxes/1").text()).contains("<h1>Box</h1>", "Keep");
    }

    @Test
    void settingsOfAPortAreKeptAndTheOthersStayAsTheyWere() {
        post("/boxes", "name", "Quay node", "ip", "10.0.0.11", "mask", "255.255.255.0", "ports", 3);
        post(
                "/boxes/1",
                "port-2-direction",
                "in",
                "port-2-rdm",
                "no",
                "port-2-when-lost",
                "zero",
                "shows",
                "subnet-universe");
        JsonNode box = box(1);
        assertThat(box.path("name").asString()).isEqualTo("Quay node");
        assertThat(box.path("card").path("prefix").asInt()).isEqualTo(24);
        assertThat(box.path("ports").get(0).size()).isZero();
        assertThat(box.path("ports").get(1).path("direction").asString()).isEqualTo("in");
        assertThat(box.path("ports").get(1).path("rdm").asBoolean()).isFalse();
        assertThat(box.path("ports").get(1).path("whenLost").asString()).isEqualTo("zero");
        http.post(job + "/undo", "version", http.version(job));
        assertThat(box(1).path("ports").get(1).size()).isZero();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ip|010.0.0.1|none with a zero before it",
                "ip|10.0.0.256|four numbers",
                "ip|239.255.0.1|the first 1 to 223",
                "mask|255.0.255.0|ones without a hole",
                "mask|31|1 to 30",
                "ports|0|1 to 64",
                "ports|1000|1 to 64",
                "kind|toaster|it takes one of node",
                "position|7|no position 7",
                "shows|roman|it takes one of",
                "reaches|1/9|box",
                "reaches|9/1|no box 9",
                "mostUniverses|0|1 to 63999",
                "megabits|1|10 to 100000",
                "fixture|12|no fixture 12",
                "port-1-socket|scart|it takes one of"
            })
    void whatABoxCannotBeIsRefusedWithWhatItTakesAndNothingChanges(String field, String value, String reason) {
        post("/boxes", "name", "Quay node", "ip", "10.0.0.11", "ports", 2);
        JsonNode before = box(1);
        Http.Answer answer = post("/boxes/1", field, value);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(reason);
        assertThat(box(1)).isEqualTo(before);
    }

    @Test
    void switchesThatAreCabledInALoopAreRefused() {
        post("/boxes", "kind", "switch", "name", "One", "ports", 4);
        post("/boxes", "kind", "switch", "name", "Two", "ports", 4);
        assertThat(post("/boxes/2", "reaches", "1/1").status()).isEqualTo(200);
        assertThat(post("/boxes/1", "reaches", "2/1").reasons()).contains("a box that is not linked to it");
        assertThat(post("/boxes/1", "reaches", "1/2").reasons()).contains("a box that is not linked to it");
    }

    @Test
    void aUniverseLeavesByManyWaysEachWithItsOwnNumber() {
        post("/boxes", "name", "Quay node", "ip", "10.0.0.11", "shows", "subnet-universe");
        post("/boxes", "kind", "interface", "name", "Stick", "ports", 1);
        post("/universes", "universe", 20, "label", "Quays");
        assertThat(post(
                                "/universes/20/ways",
                                "protocol",
                                "art-net",
                                "carriedAs",
                                19,
                                "outlet",
                                "1/1",
                                "delivery",
                                "to-all")
                        .status())
                .isEqualTo(200);
        assertThat(ways(20).get(0).path("carriedAs").asInt()).isEqualTo(19);
        post(
                "/universes/20/ways",
                "protocol",
                "art-net",
                "carriedAs",
                "0·1·3",
                "outlet",
                "1/1",
                "instead",
                "1/1",
                "delivery",
                "to-all");
        assertThat(ways(20).get(0).path("carriedAs").asInt()).isEqualTo(19);
        post("/universes/20/ways", "protocol", "sacn", "outlet", "1/2", "priority", 120);
        post("/universes/20/ways", "protocol", "direct", "outlet", "2/1");
        assertThat(ways(20)).hasSize(3);
        assertThat(ways(20).get(0).path("typed").asString()).isEqualTo("1·3");
        assertThat(ways(20).get(0).path("exception").asBoolean()).isTrue();
        assertThat(ways(20).get(1).path("shown").asString()).isEqualTo("universe 20, group 239.255.0.20");
        assertThat(ways(20).get(2).path("shown").asString()).contains("no number");
        post("/universes/20/ways", "protocol", "sacn", "outlet", "1/3", "instead", "1/2");
        assertThat(ways(20)).hasSize(3);
        assertThat(ways(20).get(1).path("outlet").asString()).isEqualTo("1/3");
        post("/universes/20/ways/remove", "outlet", "1/3");
        assertThat(ways(20)).hasSize(2);
        assertThat(post("/universes/20/ways/remove", "outlet", "1/3").reasons()).contains("does not go there");
        assertThat(http.page(job + "/network/universes/20").text()).contains("Quay node port 1", "Stick port 1");
        assertThat(post("/boxes/1/remove").reasons()).contains("in use by universe 20");
        assertThat(post("/boxes/1", "ip", "10.0.0.11", "ports", 1).status()).isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "art-net|32768|1/1|0 to 32767",
                "art-net|128·0·1|1/1|such as 0·1·3",
                "art-net|0·16·1|1/1|such as 0·1·3",
                "sacn|0|1/1|1 to 63999",
                "sacn|64000|1/1|1 to 63999",
                "art-net|1|1/0|count from 1",
                "art-net|1|1/5|1 to 4",
                "art-net|1|7/1|no box 7",
                "direct||1/1|Art-Net or streaming ACN",
                "art-net|1|2/1|no protocol of a network",
                "art-net|1|3/1|a box that hears universes",
                "pigeon|1|1/1|one of art-net, sacn and direct"
            })
    void aWayThatCannotBeIsRefusedWithWhatItTakes(String protocol, String number, String outlet, String reason) {
        post("/boxes", "name", "Quay node", "ip", "10.0.0.11", "ports", 4);
        post("/boxes", "kind", "interface", "name", "Stick", "ports", 1);
        post("/boxes", "kind", "switch", "name", "Switch", "ports", 8);
        Http.Answer answer = post(
                "/universes/1/ways", "protocol", protocol, "carriedAs", number == null ? "" : number, "outlet", outlet);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains(reason);
        assertThat(ways(1)).isEmpty();
    }

    @Test
    void whoSendsAUniverseIsKeptWithItsPriority() {
        post("/boxes", "kind", "console", "name", "Desk", "ip", "10.0.0.1");
        post("/boxes", "kind", "console", "name", "Spare desk", "ip", "10.0.0.2");
        post("/universes/1/sources", "priority-1", 100, "priority-2", 90);
        JsonNode sources = http.get(job + "/network/universes/1").json().path("sources");
        assertThat(sources.valueStream().map(JsonNode::asString)).containsExactly("Desk", "Spare desk, priority 90");
        assertThat(post("/universes/1/sources", "priority-1", 201).reasons()).contains("0 to 200");
        assertThat(post("/boxes/2/remove").reasons()).contains("in use by universe 1");
    }
}
