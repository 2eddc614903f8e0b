package taxon.app.proposals;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import tools.jackson.databind.JsonNode;

/** What is the same for proposals of every kind: the preview says what applying then does, once. */
class ProposalsHttpTest {
    private static Http http;
    private String job = "";

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    @BeforeEach
    void makeJob() {
        job = http.job("Proposals");
        post(
                job + "/fixtures",
                "count",
                8,
                "type",
                "fernglass-heron-380/24-channel",
                "position",
                "Rail",
                "firstId",
                201);
        post(job + "/cells", "key", 1, "column", "address", "text", "1.001");
        post(job + "/cells", "key", 2, "column", "address", "text", "1.025");
    }

    private Answer post(String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post(path, all.toArray());
    }

    /** How one of a kind is asked for. */
    private record Asked(String kind, String path, Object... fields) {
        @Override
        public String toString() {
            return kind;
        }
    }

    static Stream<Asked> kinds() {
        return Stream.of(
                new Asked("placement", "/proposals", "scope", "unplaced"),
                new Asked(
                        "numbering",
                        "/numbering",
                        "scope",
                        "all",
                        "families",
                        "one",
                        "by",
                        "position",
                        "side",
                        "left",
                        "first",
                        301,
                        "room",
                        "none"),
                new Asked("arranging", "/arranging", "sel", "1,2,3", "way", "centred", "pitch", "1"),
                new Asked("change", "/changes", "sel", "1", "to", "fernglass-tern/20-channel", "style", "keep-starts"),
                new Asked("cells", "/cells/fill", "keys", "1,2,3", "column", "address"),
                new Asked("equipment-list", "/imports"));
    }

    private String open(Asked asked) {
        Answer answer = asked.kind().equals("equipment-list")
                ? http.upload(
                        job + "/imports",
                        "list.csv",
                        "Qty,Type,Mode,Position,ID\n2,Tern,16,Quay,201\n1,Nonsense,,Quay,\n"
                                .getBytes(StandardCharsets.UTF_8))
                : post(job + asked.path(), asked.fields());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json().path("next").asString().replaceAll("\\?.*", "");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void whatThePreviewSaysIsBroughtIsWhatApplyingTells(Asked asked) {
        String page = open(asked);
        JsonNode preview = http.get(page).json();
        assertThat(preview.path("kind").asString()).isEqualTo(asked.kind());
        assertThat(preview.path("changesNothing").asBoolean()).isFalse();
        String told = post(page + "/apply").json().path("told").asString();
        preview.path("brought")
                .forEach(b -> assertThat(told).contains(b.path("sentence").asString()));
        assertThat(told.contains("It brought"))
                .isEqualTo(!preview.path("brought").isEmpty());
        assertThat(http.get(page).json().path("state").asString()).isEqualTo("applied");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void itIsAppliedOnceAndCannotBeDroppedAfterwards(Asked asked) {
        String page = open(asked);
        assertThat(post(page + "/apply").status()).isEqualTo(200);
        long version = http.version(job);
        Answer again = post(page + "/apply");
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.reasons()).contains("was applied already");
        assertThat(post(page + "/drop").status()).isEqualTo(409);
        assertThat(http.version(job)).isEqualTo(version);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void oneThatWasDroppedIsNotApplied(Asked asked) {
        String page = open(asked);
        long version = http.version(job);
        assertThat(post(page + "/drop").status()).isEqualTo(200);
        assertThat(post(page + "/apply").status()).isEqualTo(409);
        assertThat(http.version(job)).isEqualTo(version);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void whatSomeoneElseDidAfterThePageWasSeenIsAConflict(Asked asked) {
        String page = open(asked);
        long seen = http.version(job);
        post(job + "/cells", "key", 8, "column", "note", "text", "someone else");
        Answer late = http.post(page + "/apply", "version", seen);
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.reasons()).contains("The job changed since");
        assertThat(http.get(page).json().path("state").asString()).isEqualTo("open");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void itsPageShowsItWithItsEndingsAndIsOnlyOfItsKind(Asked asked) {
        String page = open(asked);
        String text = http.page(page).text();
        assertThat(text)
                .contains(
                        "Proposal: " + http.get(page).json().path("headline").asString(),
                        page + "/apply",
                        page + "/drop");
        for (String other : List.of("proposals", "numbering", "arranging", "changes", "cells", "imports", "scenes")) {
            if (!page.contains("/" + other + "/")) {
                String wrong = job + "/" + other + page.substring(page.lastIndexOf('/'));
                assertThat(http.get(wrong).status()).as(wrong).isEqualTo(404);
            }
        }
    }

    @Test
    void aListOfWhichNoRowCanBeAddedIsRefusedAndStaysOpen() {
        String page = http.upload(job + "/imports", "l.csv", "Qty,Type\n1,Nonsense\n".getBytes(StandardCharsets.UTF_8))
                .json()
                .path("next")
                .asString();
        Answer answer = post(page + "/apply");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.reasons()).contains("No row of the list can be added yet");
        assertThat(http.get(page).json().path("leftOut").asInt()).isEqualTo(1);
        assertThat(http.get(page).json().path("state").asString()).isEqualTo("open");
    }

    @Test
    void anAnswerIsComputedAnewWhenTheLibraryLearnsTheTypeThatWasMissing() {
        String page = http.upload(
                        job + "/imports",
                        "l.csv",
                        "Qty,Type,Mode,Position\n3,Ruff,1-channel,Quay\n".getBytes(StandardCharsets.UTF_8))
                .json()
                .path("next")
                .asString();
        assertThat(http.get(page).json().path("fixtures").asInt()).isZero();
        Answer built = http.post(
                job + "/types/build",
                "version",
                http.version(job),
                "maker",
                "Oxbow",
                "name",
                "Ruff",
                "sheet",
                "Mode: 1-channel\nDimmer");
        assertThat(built.status()).as(built.text()).isEqualTo(200);
        assertThat(http.get(page).json().path("fixtures").asInt()).isEqualTo(3);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void onlyASearchSaysThatItWasStopped(Asked asked) {
        String page = open(asked);
        Answer answer = post(page + "/stop");
        assertThat(answer.status()).isEqualTo(asked.kind().equals("placement") ? 200 : 409);
        assertThat(http.get(page).json().path("state").asString()).isEqualTo("open");
    }
}
