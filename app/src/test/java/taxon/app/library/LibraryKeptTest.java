package taxon.app.library;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.GdtfByHand.channel;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import taxon.app.library.TypeLibrary.Entry;
import taxon.app.library.TypeLibrary.Import;
import taxon.app.testing.TaxonServer;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.library.ModeRef;
import taxon.core.library.Source;
import taxon.core.library.TypeQuery;
import taxon.core.typesheet.SheetReader;
import taxon.formats.testing.GdtfByHand;

class LibraryKeptTest {
    private static final TypeId WADER = TypeId.of("pellucid-wader");
    private static final byte[] FILE = new GdtfByHand()
            .mode("2-channel", channel("1", "Dimmer"), channel("2", "Blorp"))
            .file();

    @Test
    void theLibraryOutlivesARestartWithFilesNotesShelfAndDoubts() {
        Path data = TaxonServer.readyStore();
        Entry before;
        try (TaxonServer server = TaxonServer.on(data)) {
            TypeLibrary library = server.bean(TypeLibrary.class);
            assertThat(library.importFile("wader.gdtf", FILE)).isInstanceOf(Import.Done.class);
            library.keep(made("Ruff"), Optional.empty(), Optional.of(WADER));
            library.own(WADER, Optional.of(7));
            library.doubt(new ModeRef(WADER, "2-channel"), "Blorp is a strobe.", "crew");
            before = library.entry(WADER).orElseThrow();
            assertThat(before.stored().orElseThrow().notes()).anyMatch(n -> n.contains("Blorp"));
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            TypeLibrary library = server.bean(TypeLibrary.class);
            assertThat(library.entry(WADER)).contains(before);
            assertThat(library.original(before.originals().get(0).digest())).contains(FILE);
            assertThat(library.shop().owned(WADER)).contains(7);
            assertThat(library.shop().doubt(WADER, "2-channel").orElseThrow().note())
                    .isEqualTo("Blorp is a strobe.");
            assertThat(library.index().search(TypeQuery.of("ruff 1 ch"), 5).hits())
                    .extracting(h -> h.type().source())
                    .containsExactly(Source.DERIVED);
        }
    }

    @Test
    void aRefusedFileLeavesNeitherTypeNorFile() throws SQLException {
        try (TaxonServer server = TaxonServer.empty()) {
            TypeLibrary library = server.bean(TypeLibrary.class);
            byte[] broken = GdtfByHand.zip("description.xml", "<GDTF".getBytes(StandardCharsets.UTF_8));
            assertThat(library.importFile("broken.gdtf", broken)).isInstanceOf(Import.Refused.class);
            assertThat(rows(server.data(), "library_type")).isZero();
            assertThat(rows(server.data(), "original_file")).isZero();
        }
    }

    @Test
    void aTypePutAwayStaysAwayAfterARestart() {
        Path data = TaxonServer.readyStore();
        TypeId id;
        try (TaxonServer server = TaxonServer.on(data)) {
            TypeLibrary library = server.bean(TypeLibrary.class);
            id = library.keep(made("Ruff"), Optional.empty(), Optional.empty());
            assertThat(library.putAway(id, true)).isTrue();
            assertThat(library.putAway(id, true)).isFalse();
        }
        try (TaxonServer server = TaxonServer.on(data)) {
            TypeLibrary library = server.bean(TypeLibrary.class);
            assertThat(library.index().find(id)).isEmpty();
            assertThat(library.find(id)).isPresent();
        }
    }

    @Test
    void aStoreFromBeforeTheLibraryIsBroughtUpToDateWithItsJobs() throws SQLException {
        Path data = TaxonServer.newStore();
        Flyway.configure()
                .dataSource("jdbc:sqlite:" + data, "", "")
                .locations("classpath:db/migration")
                .target("1")
                .load()
                .migrate();
        execute(
                data,
                "insert into job (id, name, venue, note, version, created_at)"
                        + " values (1, 'Old evening', '', '', 0, '2026-05-01T10:00:00Z')");
        try (TaxonServer server = TaxonServer.on(data)) {
            assertThat(server.http().get("/jobs").text()).contains("Old evening");
            assertThat(server.http().get("/jobs/1/types").status()).isEqualTo(200);
            assertThat(server.bean(TypeLibrary.class).importFile("wader.gdtf", FILE))
                    .isInstanceOf(Import.Done.class);
        }
    }

    private static FixtureType made(String name) {
        return FixtureType.of(
                TypeId.named("Oxbow", name),
                "Oxbow",
                name,
                name,
                Facts.onALine(),
                SheetReader.read("Mode: 1-channel\nDimmer").modes());
    }

    private static int rows(Path data, String table) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + data);
                Statement statement = connection.createStatement();
                var result = statement.executeQuery("select count(*) from " + table)) {
            return result.getInt(1);
        }
    }

    private static void execute(Path data, String sql) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + data);
                Statement statement = connection.createStatement()) {
            statement.executeUpdate(sql);
        }
    }
}
