package taxon.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;
import taxon.formats.bundle.Bundle;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrWriter;

class CommandsTest {
    @TempDir
    private Path folder;

    private final ByteArrayOutputStream said = new ByteArrayOutputStream();

    private String told() {
        return said.toString(StandardCharsets.UTF_8);
    }

    private int check(Object... arguments) {
        return new CheckCommand(new PrintStream(said, true, StandardCharsets.UTF_8)).run(words("check", arguments));
    }

    private int compare(Object... arguments) {
        return new CompareCommand(new PrintStream(said, true, StandardCharsets.UTF_8)).run(words("compare", arguments));
    }

    private static List<String> words(String command, Object... arguments) {
        List<String> all = new ArrayList<>(List.of(command));
        for (Object one : arguments) {
            all.add(one.toString());
        }
        return all;
    }

    private Path file(String name, String... lines) throws IOException {
        return Files.writeString(folder.resolve(name), String.join("\n", lines));
    }

    private static Plan plan(int secondSlot) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan=128")), 2, 101);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(1, 1));
        return Rigs.place(plan, 2, 1, StartAddress.of(1, secondSlot));
    }

    @Test
    void aJobIsCheckedByTheRulesOfTheApplication() throws IOException {
        assertThat(check(file("good.json", JobJson.print(plan(11))))).isZero();
        said.reset();
        assertThat(check(file("bad.json", JobJson.print(plan(2))))).isEqualTo(1);
        assertThat(told()).contains("stop  ");
        said.reset();
        assertThat(check(folder.resolve("bad.json"), "--json")).isEqualTo(1);
        assertThat(Json.parse(told().getBytes(StandardCharsets.UTF_8))
                        .path("stops")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void aListIsCheckedByWhatItsRowsSay() throws IOException {
        Path list = file(
                "list.csv",
                "ID;Type;Mode;Universe;Slot",
                "101;Tern;16ch;1;1",
                "102;Tern;16ch;1;10",
                "103;Tern;16ch;1;500",
                "103;Tern;16ch;2;1",
                "104;Tern;16ch;;",
                "105;Tern;16ch;1;900");
        assertThat(check(list)).isEqualTo(1);
        assertThat(told())
                .contains("stop  Line 3: 102 at 1.010 lies on 101, which ends at 1.016.")
                .contains("stop  Line 4: 103 at 1.500 with 16 slots ends 3 past slot 512.")
                .contains("warn  Line 5: Fixture ID 103 is there 2 times.")
                .contains("warn  Line 6: 104 has no address.")
                .contains(
                        "warn  Line 7: The address is 900, but the universe beside it is 1, and 900 is on universe 2.");
    }

    @Test
    void aSceneAndABundleAreChecked() throws IOException {
        Path scene = Files.write(folder.resolve("rig.mvr"), MvrWriter.write(plan(11), Instant.EPOCH));
        assertThat(check(scene)).as(told()).isZero();
        byte[] zip = new Bundle(
                        "Lantern Pageant",
                        "A",
                        Instant.parse("2026-11-29T08:00:00Z"),
                        Map.of("job.json", JobJson.print(plan(2)).getBytes(StandardCharsets.UTF_8)))
                .zip();
        Path bundle = Files.write(folder.resolve("bundle.zip"), zip);
        assertThat(check(bundle)).isEqualTo(1);
        assertThat(told()).contains("Whole: Revision A of Lantern Pageant").contains("stop  ");
        assertThat(compare(scene, bundle)).isEqualTo(1);
    }

    @Test
    void twoPatchesAreHeldAgainstEachOther() throws IOException {
        Path job = file("job.json", JobJson.print(plan(11)));
        Path same = file("same.csv", "ID,Address", "101,1.001", "102,1.011");
        assertThat(compare(job, same)).as(told()).isZero();
        Path off = file("off.csv", "ID,Address", "101,2.001", "102,2.011");
        assertThat(compare(job, off)).isEqualTo(1);
        assertThat(told())
                .contains("* Universes are one higher there, in 2 rows")
                .contains("102, universe: 1.011 here, 2.011 there (line 3, by fixture ID)");
        said.reset();
        assertThat(compare(job, off, "--json")).isEqualTo(1);
        assertThat(Json.parse(told().getBytes(StandardCharsets.UTF_8))
                        .path("patterns")
                        .get(0)
                        .path("kind")
                        .asString())
                .isEqualTo("universes-off");
    }

    @Test
    void whatCannotBeReadIsASentenceAndStatusTwo() throws IOException {
        assertThat(check()).isEqualTo(2);
        assertThat(check(folder.resolve("none.csv"))).isEqualTo(2);
        assertThat(check(file("words.csv", "to whom it may concern"))).isEqualTo(2);
        assertThat(check(file("broken.json", "{\"format\": 7}"))).isEqualTo(2);
        assertThat(compare(file("one.csv", "ID,Address", "1,1.001"))).isEqualTo(2);
        assertThat(compare(folder.resolve("one.csv"), folder.resolve("none.csv")))
                .isEqualTo(2);
        assertThat(told().lines()).allMatch(l -> l.startsWith("taxon: "));
    }

    @Test
    void anArchiveThatIsNothingElseIsSaidToBeNoBundle() throws IOException {
        assertThat(check(Files.write(folder.resolve("x.zip"), new byte[] {'P', 'K', 3, 4, 9})))
                .isEqualTo(1);
        assertThat(told()).contains("Not a bundle of Taxon.");
    }
}
