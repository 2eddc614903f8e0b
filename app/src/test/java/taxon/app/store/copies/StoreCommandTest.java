package taxon.app.store.copies;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import taxon.app.testing.TaxonServer;

/** Copying a store by command while it is in use, and putting a copy back. */
class StoreCommandTest {
    /** Of what several tests begin with each is made once. */
    private static final Map<String, byte[]> MADE = new ConcurrentHashMap<>();

    @TempDir
    Path folder;

    private final ByteArrayOutputStream said = new ByteArrayOutputStream();
    private final StoreCommand command = new StoreCommand(
            new PrintStream(said, true, StandardCharsets.UTF_8),
            Clock.fixed(Instant.parse("2026-11-28T03:04:05Z"), ZoneOffset.UTC));

    private int run(Object... arguments) {
        said.reset();
        return command.run(List.of(arguments).stream().map(String::valueOf).toList());
    }

    private String said() {
        return said.toString(StandardCharsets.UTF_8);
    }

    private Path storeWith(String name, int edits) throws IOException {
        return Files.write(
                folder.resolve(name + ".db"), MADE.computeIfAbsent(name + " " + edits, n -> made(name, edits)));
    }

    private static byte[] made(String name, int edits) {
        Path data = TaxonServer.readyStore();
        try (TaxonServer server = TaxonServer.on(data)) {
            String job = server.http().job(name);
            for (int n = 0; n < edits; n++) {
                server.http().post(job + "/positions", "version", n, "name", "Pipe " + n);
            }
        }
        try {
            return Files.readAllBytes(data);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void aStoreIsCopiedWhileItIsInUseAndTheCopySaysWhatItHolds() throws IOException {
        Path data = Files.copy(TaxonServer.readyStore(), folder.resolve("busy.db"));
        try (TaxonServer server = TaxonServer.on(data)) {
            server.http().job("Quay lights");
            assertThat(run("backup", data, folder.resolve("copy.db"))).isZero();
            server.http().job("After the copy");
        }
        assertThat(said()).contains("Copied and checked", "job 1, Quay lights: 0 fixtures, version 0");
        try (TaxonServer copy = TaxonServer.on(folder.resolve("copy.db"))) {
            assertThat(copy.http().get("/jobs").json().path("jobs")).hasSize(1);
        }
    }

    @Test
    void aBackupReplacesNoFileAndCopiesNothingThatIsNoStore() throws IOException {
        Path data = storeWith("Then", 1);
        Files.writeString(folder.resolve("letter.txt"), "Dear Ada");
        assertThat(run("backup", data, folder.resolve("letter.txt"))).isEqualTo(1);
        assertThat(said()).contains("exists already");
        assertThat(run("backup", folder.resolve("letter.txt"), folder.resolve("new.db")))
                .isEqualTo(1);
        assertThat(said()).contains("is no store of Taxon");
        assertThat(folder.resolve("letter.txt")).hasContent("Dear Ada");
        assertThat(folder.resolve("new.db")).doesNotExist();
    }

    @Test
    void restoringTellsWhatItWouldReplaceAndDoesNothingUntilItIsToldTo() throws IOException {
        Path data = storeWith("Now", 2);
        Path copy = storeWith("Then", 1);
        byte[] before = Files.readAllBytes(data);
        assertThat(run("restore", data, copy)).isZero();
        assertThat(said())
                .contains("job 1, Then: 0 fixtures, version 1", "It would replace", "job 1, Now: 0 fixtures, version 2")
                .contains("Nothing was changed");
        assertThat(data).hasBinaryContent(before);
    }

    @Test
    void aRestoredStoreIsTheCopyAndWhatItReplacedStaysBesideIt() throws IOException {
        Path data = storeWith("Now", 2);
        Path copy = storeWith("Then", 1);
        assertThat(run("restore", data, copy, "--yes")).isZero();
        try (TaxonServer server = TaxonServer.on(data)) {
            assertThat(server.http().get("/jobs").text()).contains("Then").doesNotContain("Now");
        }
        try (TaxonServer old = TaxonServer.on(folder.resolve("Now.db.replaced-20261128T030405Z"))) {
            assertThat(old.http().get("/jobs").text()).contains("Now");
        }
    }

    @Test
    void aStoreInUseIsNotReplaced() throws IOException {
        Path copy = storeWith("Then", 1);
        Path data = Files.copy(TaxonServer.readyStore(), folder.resolve("busy.db"));
        try (TaxonServer server = TaxonServer.on(data)) {
            server.http().job("Now");
            assertThat(run("restore", data, copy, "--yes")).isEqualTo(1);
            assertThat(said()).contains("Another Taxon has");
            assertThat(server.http().get("/jobs").text()).contains("Now");
        }
    }

    @Test
    void aDamagedCopyIsNotPutBack() throws IOException {
        Path data = storeWith("Now", 2);
        Path copy = storeWith("Then", 40);
        byte[] bytes = Files.readAllBytes(copy);
        for (int at = 3 * 4096; at < bytes.length; at += 4096) {
            Arrays.fill(bytes, at, at + 200, (byte) 0x5a);
        }
        Files.write(copy, bytes);
        assertThat(run("restore", data, copy, "--yes")).isEqualTo(1);
        assertThat(said()).containsAnyOf("is no whole store", "is no store of Taxon");
        try (TaxonServer server = TaxonServer.on(data)) {
            assertThat(server.http().get("/jobs").text()).contains("Now");
        }
    }

    @Test
    void aStoreThatIsDamagedCanStillBeReplaced() throws IOException {
        Path copy = storeWith("Then", 1);
        Path data = folder.resolve("broken.db");
        Files.write(data, new byte[5000]);
        assertThat(run("restore", data, copy, "--yes")).isZero();
        try (TaxonServer server = TaxonServer.on(data)) {
            assertThat(server.http().get("/jobs").text()).contains("Then");
        }
    }

    @Test
    void aCommandWithoutItsPathsSaysWhatItNeeds() {
        assertThat(run("backup", "only-one.db")).isEqualTo(2);
        assertThat(said()).contains("backup needs a store");
    }
}
