package taxon.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.testing.TaxonServer;

/** Files that come with proposals are kept in parts, and come out as they went in. */
class GivenFilesTest {
    private static TaxonServer server;
    private static ProposalStore store;

    @TempDir
    private Path folder;

    @BeforeAll
    static void start() {
        server = TaxonServer.empty();
        server.http().post("/jobs", "name", "Files");
        store = server.bean(ProposalStore.class);
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, (1 << 20) - 1, 1 << 20, (1 << 20) + 1, 2_700_000})
    void aFileOfAnyLengthComesOutAsItWentIn(int length) throws IOException {
        byte[] content = new byte[length];
        new Random(length).nextBytes(content);
        Path file = Files.write(folder.resolve("given"), content);
        int id = store.add(1, 0, "{\"kind\":\"scene\"}", new GivenFile("dock.mvr", file));
        Files.delete(file);
        assertThat(store.file(id, GivenFilesTest::bytes)).contains(content);
        assertThat(store.find(1, id).orElseThrow().state()).isEqualTo(Progress.OPEN);
    }

    @Test
    void theFileThatAReaderGetsIsGoneAfterwards() throws IOException {
        Path file = Files.write(folder.resolve("given"), new byte[] {1, 2, 3});
        int id = store.add(1, 0, "{\"kind\":\"scene\"}", new GivenFile("dock.mvr", file));
        Path read = store.file(id, f -> f).orElseThrow();
        assertThat(read).doesNotExist();
        assertThatThrownBy(() -> store.file(id, f -> {
                    throw new IllegalStateException(f.toString());
                }))
                .satisfies(
                        e -> assertThat(Path.of(String.valueOf(e.getMessage()))).doesNotExist());
    }

    @Test
    void oneWhoseFileCannotBeReadToItsEndIsNeverOpen() {
        assertThatThrownBy(
                        () -> store.add(1, 0, "{\"kind\":\"half\"}", new GivenFile("gone.mvr", folder.resolve("gone"))))
                .isInstanceOf(UncheckedIOException.class);
        assertThat(store.newestFile(1, "half")).isEmpty();
        int last = store.add(1, 0, "{\"kind\":\"cells\"}");
        assertThat(store.find(1, last - 1).orElseThrow().state()).isEqualTo(Progress.DROPPED);
        assertThat(store.file(last - 1, GivenFilesTest::bytes)).isEmpty();
    }

    @Test
    void oneWithoutAFileHasNone() {
        int id = store.add(1, 0, "{\"kind\":\"cells\"}");
        assertThat(store.file(id, GivenFilesTest::bytes)).isEmpty();
    }
}
