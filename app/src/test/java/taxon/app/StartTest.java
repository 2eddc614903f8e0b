package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.SpringApplication;
import taxon.app.start.StartTrouble;
import taxon.app.store.file.StoreFile;
import taxon.app.testing.TakesLong;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;

/** What stops the start is one line on the console; its causes are in the log. */
@TakesLong
class StartTest {
    @TempDir
    Path folder;

    private List<String> withTheUsual(String... arguments) {
        List<String> all = new ArrayList<>(List.of(arguments));
        for (String usual : List.of("--taxon.data=" + folder.resolve("jobs.db"), "--server.port=0")) {
            String name = usual.substring(0, usual.indexOf('='));
            if (all.stream().noneMatch(a -> a.startsWith(name))) {
                all.add(usual);
            }
        }
        return all;
    }

    private String refused(String... arguments) {
        try (TaxonProcess process = TaxonProcess.start(List.of(), List.of(), withTheUsual(arguments))) {
            assertThat(process.status()).isEqualTo(1);
            assertThat(process.output().lines()).as(process.output()).hasSize(1);
            return process.output();
        }
    }

    @Test
    void aPortInUse() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertThat(refused("--server.port=" + taken.getLocalPort()))
                    .contains("Port " + taken.getLocalPort() + " is in use", "--port");
        }
        assertThat(Files.readString(folder.resolve("jobs.db.log"))).contains("PortInUseException");
    }

    @Test
    void aDemoForWhichNobodyNamedAPortTakesTheNextThatIsFree() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
                TaxonProcess demo = TaxonProcess.start(
                        List.of("env", "SERVER_PORT=" + taken.getLocalPort()),
                        List.of(),
                        TaxonServer.arguments(folder.resolve("demo.db"), TaxonServer.newNetwork()).stream()
                                .map(a -> a.startsWith("--server.port") ? "--taxon.demo=true" : a)
                                .toList())) {
            assertThat(demo.http().get("/alive").status()).isEqualTo(200);
            assertThat(demo.url()).doesNotEndWith(":" + taken.getLocalPort());
        }
    }

    @Test
    void aDemoWhoseNodesHaveNoPlaceTakesOthersAndNamesThemInTheJob() throws IOException {
        String network = TaxonServer.newNetwork();
        try (DatagramSocket taken =
                        new DatagramSocket(new InetSocketAddress(InetAddress.getByName(network + ".2"), 6454));
                TaxonServer demo = TaxonServer.demo(network)) {
            assertThat(taken.isBound()).isTrue();
            String page = demo.http().page("/jobs/1/network").text();
            assertThat(page).contains("127.0.0.").doesNotContain(network + ".2");
        }
    }

    @ParameterizedTest
    @CsvSource({
        "--server.port=eighty, is no port",
        "--server.port=70000, is no port",
        "--taxon.card=nonsense, is no IPv4 address",
        "--taxon.card=203.0.113.7, No card of this machine has the address 203.0.113.7",
        "--taxon.data=/no/such/folder/jobs.db, There is no folder /no/such/folder",
        "--taxon.data=/, is a folder"
    })
    void anArgumentThatCannotBe(String argument, String said) {
        Throwable stopped = catchThrowable(() -> SpringApplication.run(
                TaxonApplication.class, withTheUsual(argument).toArray(String[]::new)));
        assertThat(StartTrouble.line(stopped)).contains(said);
    }

    @Test
    void aStoreThatIsNone() throws IOException {
        Files.writeString(folder.resolve("jobs.db"), "not a store");
        assertThat(refused()).contains("is no store of Taxon");
        assertThat(Files.readString(folder.resolve("jobs.db.log"))).contains("StartRefusedException");
    }

    @Test
    void aFolderThatCannotBeWritten() {
        Path readOnly = Path.of("/proc/sys");
        assumeThat(Files.isWritable(readOnly))
                .as("a folder that even root cannot write")
                .isFalse();
        assertThat(refused("--taxon.data=/proc/sys/jobs.db")).contains("Nothing can be written to /proc/sys");
    }

    @Test
    void aLimitOnTheSizeOfFilesIsToldInWordsAndLosesNothing() throws SQLException {
        Path data = folder.resolve("jobs.db");
        nearlyFull(data);
        // In units of 1,024 bytes, so that there is room for a few edits; then every write of the store fails.
        List<String> limited = List.of("/bin/bash", "-c", "ulimit -f 1500; exec \"$@\"", "limited");
        String kept;
        try (TaxonProcess process = TaxonProcess.serve(limited, List.of("-XX:-UsePerfData"), data)) {
            var http = process.http();
            String job = http.job("Full");
            int version = 0;
            var answer = http.post(job + "/positions", "version", version, "name", "Pipe " + version);
            while (answer.status() == 200) {
                version++;
                answer = http.post(
                        job + "/sheet",
                        "version",
                        version,
                        "name",
                        "Full",
                        "note",
                        ("note " + version + " ").repeat(400));
            }
            assertThat(answer.status()).as(answer.text()).isEqualTo(507);
            assertThat(answer.reasons()).contains("nothing was changed", "are free on the disk", "Taxon needs about");
            assertThat(http.version(job)).isEqualTo(version);
            assertThat(http.page(job + "/rig").text()).contains("id=\"store-warning\"");
            kept = http.get(job).json().path("document").toString();
        }
        try (TaxonServer again = TaxonServer.on(data)) {
            assertThat(again.http().get("/jobs/1").json().path("document").toString())
                    .isEqualTo(kept);
        }
    }

    /** A store as large as one of many jobs, some edits below the limit. */
    private static void nearlyFull(Path data) throws SQLException {
        TaxonServer.on(data).close();
        try (Connection connection =
                        new StoreFile(data).source("busy_timeout=5000").getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("create table ballast as select zeroblob(1000000) as room");
        }
    }
}
