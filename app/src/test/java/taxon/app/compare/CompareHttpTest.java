package taxon.app.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.table.WrittenWorkbook.formula;
import static taxon.formats.table.WrittenWorkbook.number;
import static taxon.formats.table.WrittenWorkbook.text;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonServer;
import taxon.formats.table.WrittenWorkbook;
import tools.jackson.databind.JsonNode;

/** The plan held against lists, revisions and other jobs; what is taken over, and what the other side is told to change. */
class CompareHttpTest {
    private static Http http;
    private String job;

    @BeforeAll
    static void start() {
        http = TaxonServer.shared().http();
    }

    /** Each test has a job of its own. */
    @BeforeEach
    void begin() {
        job = http.jobOfTerns("Lantern Pageant", 4);
        for (int i = 1; i <= 4; i++) {
            http.editOf(job, "/fixtures/" + i + "/address", "block", 1, "address", "2." + (1 + (i - 1) * 16));
        }
    }

    /** Gives its page. */
    private String against(String name, String... lines) {
        Answer given = http.upload(
                job + "/compare/file", name, String.join("\n", lines).getBytes(StandardCharsets.UTF_8));
        assertThat(given.status()).as(given.text()).isEqualTo(200);
        return job + "/comparisons/" + given.json().path("comparison").asInt();
    }

    /** The number of a job by its path. */
    private static String numberOfJob(String path) {
        return path.substring("/jobs/".length());
    }

    private JsonNode look(String page) {
        return http.get(page).json();
    }

    private static List<String> sentences(JsonNode list) {
        return list.valueStream().map(n -> n.path("sentence").asString()).toList();
    }

    private String address(int fixture) {
        return http.get(job)
                .json()
                .path("document")
                .path("fixtures")
                .get(fixture - 1)
                .toString();
    }

    @Test
    void aListThatSaysTheSameIsTheSameAndNothingIsAdded() {
        long version = http.version(job);
        String page = against(
                "list.csv",
                "ID,Type,Mode,Universe,Slot",
                "101,Tern,16ch,2,1",
                "102,Tern,16ch,2,17",
                "103,Tern,16ch,2,33",
                "104,Tern,16ch,2,49");
        assertThat(look(page).path("same").asBoolean()).isTrue();
        assertThat(http.page(page).text()).contains("Both sides say the same of all that both say.");
        assertThat(http.version(job)).isEqualTo(version);
    }

    @Test
    void universesCountedFromZeroAreReadSoAndToldInTheirNumbers() {
        String page = against("list.csv", "ID;Universe;Slot", "101;0;1", "102;1;17", "103;1;33", "104;1;65");
        JsonNode seen = look(page);
        assertThat(seen.path("universesFromZero").asBoolean()).isTrue();
        assertThat(seen.path("differences").valueStream().map(d -> d.path("who").asString()))
                .containsExactly("101", "104");
        JsonNode note = look(page + "/note");
        assertThat(note.path("lines")
                        .valueStream()
                        .map(l ->
                                l.path("who").asString() + ": " + l.path("now").asString() + " to "
                                        + l.path("wanted").asString()))
                .containsExactly("101: 0.001 to 1.001", "104: 1.065 to 1.049");
        assertThat(http.get(page + "/note.csv").text()).contains("Should be").contains("1.049");
        assertThat(new String(http.get(page + "/note.pdf").bytes(), 0, 5, StandardCharsets.ISO_8859_1))
                .isEqualTo("%PDF-");
    }

    @Test
    void aPatternIsTakenAsOneEditAndWhatIsLeftIsOpenAgain() {
        String page = against(
                "list.csv", "ID;Name;Universe;Slot", "101;;7;1", "102;;7;17", "103;;7;33", "104;;7;49", "105;;7;65");
        JsonNode seen = look(page);
        assertThat(sentences(seen.path("patterns"))).containsExactly("Universes are 5 higher there, in 4 rows.");
        assertThat(seen.path("onlyTheirs").size()).isEqualTo(1);
        assertThat(http.post(page + "/take", "pattern", 0).status()).isEqualTo(200);
        assertThat(http.page(page).text()).contains("4 things taken over, 1 difference left");
        long version = http.version(job);
        Answer applied = http.post(page + "/apply", "version", version);
        assertThat(applied.status()).as(applied.text()).isEqualTo(200);
        assertThat(http.version(job)).isEqualTo(version + 1);
        assertThat(address(4)).contains("7").contains("49");
        String next = applied.json().path("next").asString();
        assertThat(next).isNotEqualTo(page).startsWith(job + "/comparisons/");
        JsonNode left = look(next);
        assertThat(left.path("patterns").isEmpty()).isTrue();
        assertThat(left.path("onlyTheirs").size()).isEqualTo(1);
        assertThat(http.post(job + "/undo", "version", version + 1).status()).isEqualTo(200);
        assertThat(look(next).path("patterns").size()).isEqualTo(1);
    }

    @Test
    void whatIsOfAnUnknownTypeIsNotAddedAndSaidSo() {
        String page = against("list.csv", "ID;Type;Mode;Address", "900;Strange;9ch;9.001");
        int place = look(page).path("onlyTheirs").get(0).path("place").asInt();
        assertThat(http.post(page + "/take", "add", place).status()).isEqualTo(200);
        assertThat(sentences(look(page).path("notTaken")))
                .singleElement()
                .asString()
                .contains("is not known here");
        assertThat(http.page(page).text()).contains("is not known here");
    }

    @Test
    void whoIsWhoIsAskedAndCanBeTold() {
        String page = against("list.csv", "Type;Universe;Slot", "Tern;5;1", "Tern;5;17");
        String shown = http.page(page).text();
        assertThat(shown).contains("by type and order", "none of them");
        assertThat(http.post(page + "/pair", "ours", 4, "theirs", 0).status()).isEqualTo(200);
        JsonNode told = look(page);
        assertThat(told.path("differences")
                        .valueStream()
                        .filter(d -> d.path("matchedBy").asString().equals("told"))
                        .map(d -> d.path("who").asString()))
                .containsExactly("104");
        assertThat(http.post(page + "/pair", "ours", 4, "theirs", 99).status()).isEqualTo(422);
        assertThat(http.post(page + "/take", "row", 99).status()).isEqualTo(422);
        assertThat(http.post(page + "/take").status()).isEqualTo(422);
    }

    @Test
    void columnsOfAnUnknownHeaderAreToldAndKeptForTheNext() {
        String page = against("odd.csv", "Xyz;Abc;Qrs", "101;2;1", "102;2;99");
        assertThat(look(page).path("trouble").asString()).contains("What its columns hold is not known");
        Answer told = http.post(
                page + "/choices",
                "header",
                1,
                "column-0",
                "first-id",
                "column-1",
                "universe",
                "column-2",
                "slot",
                "keepAs",
                "Odd program");
        assertThat(told.status()).as(told.text()).isEqualTo(200);
        assertThat(look(page)
                        .path("differences")
                        .valueStream()
                        .map(d -> d.path("who").asString()))
                .containsExactly("102");
        String next = against("other.csv", "Xyz;Abc;Qrs", "101;2;1");
        assertThat(look(next).path("mapping").asString()).isEqualTo("Odd program");
    }

    @Test
    void aRevisionAndAnotherJobAreOtherSides() {
        assertThat(http.post(job + "/revisions", "version", http.version(job), "note", "first")
                        .status())
                .isEqualTo(200);
        http.editOf(job, "/fixtures/2/address", "block", 1, "address", "3.001");
        Answer held = http.post(job + "/compare/with", "with", "revision", "which", "A");
        String page = job + "/comparisons/" + held.json().path("comparison").asInt();
        assertThat(look(page)
                        .path("differences")
                        .valueStream()
                        .map(d -> d.path("who").asString()))
                .containsExactly("102");
        assertThat(http.post(page + "/take", "all", 1).status()).isEqualTo(200);
        assertThat(http.post(page + "/apply", "version", http.version(job)).status())
                .isEqualTo(200);
        assertThat(address(2)).contains("17");
        Answer other = http.post(job + "/compare/with", "with", "job", "which", numberOfJob(http.job("Empty")));
        String against = job + "/comparisons/" + other.json().path("comparison").asInt();
        assertThat(look(against).path("onlyOurs").size()).isEqualTo(4);
        assertThat(http.post(job + "/compare/with", "with", "revision", "which", "Z")
                        .status())
                .isEqualTo(422);
        assertThat(http.post(job + "/compare/with", "with", "rig").status())
                .as("the rig was not read")
                .isEqualTo(422);
    }

    @Test
    void whatWasChosenOfAnotherStateOfTheOtherSideIsLetGo() {
        String other = http.job("Other");
        Object[] made = {
            "version",
            http.version(other),
            "count",
            1,
            "type",
            "fernglass-tern/16-channel",
            "position",
            "Q",
            "firstId",
            900
        };
        assertThat(http.post(other + "/fixtures", made).status()).isEqualTo(200);
        Answer held = http.post(job + "/compare/with", "with", "job", "which", numberOfJob(other));
        String page = job + "/comparisons/" + held.json().path("comparison").asInt();
        http.post(page + "/take", "all", 1);
        assertThat(look(page).path("letGo").asBoolean()).isFalse();
        made[1] = http.version(other);
        http.post(other + "/fixtures", made);
        assertThat(look(page).path("letGo").asBoolean()).isTrue();
        assertThat(http.page(page).text()).contains("nothing is chosen any more");
    }

    @Test
    void pastedRowsAreASideToo() {
        Answer held = http.post(job + "/compare/rows", "rows", "ID\tUniverse\tSlot\n101\t2\t1\n102\t2\t99\n");
        assertThat(held.status()).as(held.text()).isEqualTo(200);
        String page = job + "/comparisons/" + held.json().path("comparison").asInt();
        assertThat(look(page).path("differences").size()).isEqualTo(1);
        assertThat(http.post(job + "/compare/rows", "rows", "").status()).isEqualTo(422);
    }

    @Test
    void theMvrThatWasWrittenSaysTheSame() {
        byte[] scene = http.get(job + "/scene.mvr").bytes();
        Answer held = http.upload(job + "/compare/file", "scene.mvr", scene);
        assertThat(held.status()).as(held.text()).isEqualTo(200);
        JsonNode seen =
                look(job + "/comparisons/" + held.json().path("comparison").asInt());
        assertThat(seen.path("same").asBoolean()).as(seen.toString()).isTrue();
        assertThat(seen.path("matched").asInt()).isEqualTo(4);
    }

    @Test
    void workbooksAreReadByWhatTheyShowAndBombsAreRefused() {
        byte[] book = new WrittenWorkbook()
                .sheet(
                        "Patch",
                        List.of(
                                List.of(text("ID"), text("Universe"), text("Slot")),
                                List.of(number("101"), number("2"), formula("B1*1", "1")),
                                List.of(number("102"), text(""), number("17"))))
                .bytes();
        Answer held = http.upload(job + "/compare/file", "book.xlsx", book);
        JsonNode seen =
                look(job + "/comparisons/" + held.json().path("comparison").asInt());
        assertThat(seen.path("differences").isEmpty()).isTrue();
        assertThat(sentences(seen.path("faults")))
                .as("of merged cells only the first row has the universe")
                .containsExactly("The universe is empty; it takes 1 to 63999 beside slot 17.");
        byte[] bomb = new WrittenWorkbook()
                .sheet("s", "ID,Slot\n1,1\n")
                .part("xl/sharedStrings.xml", " ".repeat(80 << 20))
                .bytes();
        Answer large = http.upload(job + "/compare/file", "bomb.xlsx", bomb);
        assertThat(look(job + "/comparisons/" + large.json().path("comparison").asInt())
                        .path("trouble")
                        .asString())
                .contains("unpacks to more than");
    }

    @Test
    void fiftyThousandRowsAreHeldAgainstThePlan() {
        StringBuilder rows = new StringBuilder("ID;Universe;Slot\n");
        for (int i = 0; i < 50_000; i++) {
            rows.append(101 + i)
                    .append(';')
                    .append(2 + i / 32)
                    .append(';')
                    .append(1 + i % 32 * 16)
                    .append('\n');
        }
        String page = against("long.csv", rows.toString());
        JsonNode seen = look(page);
        assertThat(seen.path("matched").asInt()).isEqualTo(4);
        assertThat(seen.path("onlyTheirs").size()).isEqualTo(49_996);
        assertThat(http.page(page + "?rows=theirs&from=49900").text()).contains("50100");
    }

    @Test
    void badFilesAreASentenceAndNothingIsLost() {
        long version = http.version(job);
        assertThat(http.upload(job + "/compare/file", "empty.csv", new byte[0]).status())
                .isEqualTo(422);
        assertThat(http.upload(job + "/compare/file", "x.xlsx", new byte[] {'P', 'K', 3, 4, 0, 0, 0})
                        .status())
                .isEqualTo(422);
        assertThat(http.upload(job + "/compare/file", "old.xls", new byte[] {
                            (byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, (byte) 0xA1, (byte) 0xB1, 0x1A, (byte) 0xE1
                        })
                        .reasons())
                .isNotEmpty();
        String twice = against("twice.csv", "ID;Universe;Slot", "101;2;1", "101;2;17", "102;2;1", "102;2;17");
        assertThat(look(twice).path("matched").asInt())
                .as("what is there twice is nobody's")
                .isZero();
        assertThat(look(twice).path("onlyTheirs").size()).isEqualTo(4);
        String strange = against("strange.csv", "ID;Type;Address", "9001;Wagtail;40.001", "9002;Wagtail;40.101");
        assertThat(look(strange).path("onlyTheirs").size()).isEqualTo(2);
        assertThat(look(strange).path("onlyOurs").size()).isEqualTo(4);
        assertThat(http.version(job)).isEqualTo(version);
    }
}
