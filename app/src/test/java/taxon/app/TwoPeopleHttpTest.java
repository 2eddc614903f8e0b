package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;

/** Nobody overwrites silently what someone else did. */
class TwoPeopleHttpTest {
    private static Http http;
    private String job = "";
    private long seen;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void makeJob() {
        job = http.job("Two people");
        http.post(
                job + "/fixtures",
                "version",
                0,
                "count",
                8,
                "type",
                "generic-rgb/3-channel",
                "position",
                "Pipe",
                "firstId",
                1);
        seen = http.version(job);
    }

    @Test
    void theLaterOfTwoEditsOfOneFixtureIsToldWhatChangedAndKeepsItsInput() {
        assertThat(rename("by the first", seen).status()).isEqualTo(200);
        Answer later = http.postPage(
                job + "/fixtures/1",
                "version",
                seen,
                "id",
                1,
                "unit",
                1,
                "mode",
                "3-channel",
                "position",
                "Pipe",
                "name",
                "by the second",
                "note",
                "",
                "back",
                job + "/rig?sel=1");
        assertThat(later.status()).isEqualTo(409);
        assertThat(later.text()).contains("The job changed since this page was made", "value=\"by the second\"");
        assertThat(http.get(job + "/fixtures").text()).contains("by the first").doesNotContain("by the second");
    }

    @Test
    void editsOfDifferentFixturesMadeOnOnePageBothGoThrough() {
        assertThat(rename("one", seen).status()).isEqualTo(200);
        assertThat(http.post(job + "/fixtures/2/address", "version", seen, "block", 1, "address", "1.1")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aStaleFormPostedTwiceAddsOnlyOnce() {
        Object[] form = {
            "version", seen, "count", 4, "type", "generic-rgb/3-channel", "position", "Pipe", "firstId", 101
        };
        assertThat(http.post(job + "/fixtures", form).status()).isEqualTo(200);
        assertThat(http.post(job + "/fixtures", form).status()).isEqualTo(409);
        assertThat(http.get(job + "/fixtures").json().path("fixtures")).hasSize(12);
    }

    @Test
    void anEquipmentListIsAppliedOnlyOnce() {
        int id = http.upload(
                        job + "/imports",
                        "l.csv",
                        "Qty,Type,Mode,Position\n2,Tern,16,Quay\n".getBytes(StandardCharsets.UTF_8))
                .json()
                .path("import")
                .asInt();
        String apply = job + "/imports/" + id + "/apply";
        assertThat(http.post(apply, "version", seen).status()).isEqualTo(200);
        Answer again = http.post(apply, "version", http.version(job));
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.reasons()).contains("applied already");
    }

    @Test
    void aProposalMadeBeforeSomeoneElsesEditIsNotApplied() {
        int id = http.post(job + "/proposals", "scope", "all", "from", "1.1", "gap", 0)
                .json()
                .path("proposal")
                .asInt();
        rename("meanwhile", seen);
        Answer answer = http.post(job + "/proposals/" + id + "/apply");
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.reasons()).contains("The job changed", "Fixture 1 changed");
    }

    @Test
    void postingTheSameValueAgainChangesNothingAndSaysSo() {
        rename("same", seen);
        Answer again = rename("same", http.version(job));
        assertThat(again.json().path("told").asString()).isEqualTo("Nothing to change.");
    }

    @Test
    void manyAtOnceLoseNothing() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(8);
        CountDownLatch go = new CountDownLatch(1);
        List<Future<Integer>> answers = IntStream.rangeClosed(1, 8)
                .mapToObj(key -> people.submit(() -> {
                    go.await();
                    return http.post(
                                    job + "/fixtures/" + key + "/address",
                                    "version",
                                    seen,
                                    "block",
                                    1,
                                    "address",
                                    "1." + (key * 10))
                            .status();
                }))
                .toList();
        go.countDown();
        for (Future<Integer> answer : answers) {
            assertThat(answer.get()).isEqualTo(200);
        }
        people.shutdown();
        assertThat(http.version(job)).isEqualTo(seen + 8);
        assertThat(http.get(job + "/fixtures").text()).contains("1.010", "1.080");
    }

    private Answer rename(String name, long version) {
        return http.post(
                job + "/fixtures/1",
                "version",
                version,
                "id",
                1,
                "unit",
                1,
                "mode",
                "3-channel",
                "position",
                "Pipe",
                "name",
                name,
                "note",
                "");
    }
}
