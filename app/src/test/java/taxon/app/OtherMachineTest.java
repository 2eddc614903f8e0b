package taxon.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.app.store.file.StoreFile;
import taxon.app.testing.Http;
import taxon.app.testing.Http.Answer;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import taxon.app.testing.Zips;
import taxon.core.text.Sums;

/** Machines that count in other digits, write other letters large, and live at the edges of the day: nothing differs. */
class OtherMachineTest {
    private static final boolean THOROUGH = Boolean.getBoolean("taxon.thorough");

    private static Journey usual = new Journey(Path.of("none"), "", "", new byte[0]);

    @BeforeAll
    static void travelAsUsual() {
        Path data = TaxonServer.newStore();
        try (TaxonServer here = TaxonServer.on(data)) {
            usual = travelled(data, here.http());
        }
    }

    /**
     * The i of Turkish with the digits of Arabic in Egypt, as where programs speak one language and numbers are written in
     * another; each of them alone, and those of Persian; zones at both ends of the day.
     */
    static Stream<List<String>> machines() {
        List<List<String>> all = List.of(
                List.of(
                        "-Duser.language=tr",
                        "-Duser.country=TR",
                        "-Duser.language.format=ar",
                        "-Duser.country.format=EG",
                        "-Duser.timezone=Pacific/Kiritimati",
                        "-Dfile.encoding=ISO-8859-9"),
                List.of("-Duser.language=ar", "-Duser.country=EG", "-Duser.timezone=Etc/GMT+12"),
                List.of("-Duser.language=fa", "-Duser.country=IR", "-Duser.timezone=Pacific/Chatham"));
        return all.stream().limit(THOROUGH ? all.size() : 1);
    }

    private static void post(Http http, String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(1)));
        all.addAll(List.of(fields));
        Answer answer = http.post("/jobs/1" + path, all.toArray());
        assertThat(answer.status()).as(path + ": " + answer.text()).isEqualTo(200);
    }

    /** Every way in which text is read or written: typed, pasted, listed, proposed, frozen, printed. */
    private static String journey(Http http) {
        http.post("/jobs", "name", "İstanbul – Κύμα", "venue", "Dock 7", "from", "2026-05-01", "to", "2026-05-03");
        post(
                http,
                "/fixtures",
                "count",
                12,
                "type",
                "fernglass-heron-380/24-channel",
                "position",
                "Crane rail",
                "firstId",
                201);
        post(http, "/positions/1", "name", "Crane rail", "length", "20 m", "upstage", "6");
        post(http, "/cells", "key", 1, "column", "address", "text", "1.001");
        post(http, "/cells", "key", 2, "column", "address", "text", "2/73");
        post(http, "/cells", "key", 3, "column", "offset", "text", "-3.25");
        post(http, "/jot", "q", "arrange 201-212 from -7 to 7");
        Answer list = http.upload(
                "/jobs/1/imports",
                "list.csv",
                "Qty,Type,Mode,Position,ID\n4,TERN,16,Quay İ,301\n".getBytes(StandardCharsets.UTF_8));
        assertThat(list.status()).as(list.text()).isEqualTo(200);
        String proposal = next(list);
        post(http, proposal.substring("/jobs/1".length()) + "/apply");
        Answer placed = http.post("/jobs/1/proposals", "version", http.version(1), "scope", "all");
        String moves = http.get(next(placed)).text();
        post(http, next(placed).substring("/jobs/1".length()) + "/apply");
        post(http, "/revisions", "note", "");
        return moves
                + http.get("/jobs/1/findings").text()
                + http.get("/jobs/1/rows").text()
                + page(http, "/jobs/1/addresses")
                + page(http, "/jobs/1/paperwork/by-fixture");
    }

    private static String next(Answer answer) {
        return answer.json().path("next").asString().replaceAll("\\?.*", "");
    }

    /** Without what is of this moment or this browser: the token, and the days on which something was done. */
    private static String page(Http http, String path) {
        Answer answer = http.send(http.request(path)
                .header("Accept", "text/html")
                .header("Accept-Language", "ar-EG,fa")
                .GET());
        assertThat(answer.status()).isEqualTo(200);
        return answer.text().replaceAll("name=\"_csrf\" value=\"[^\"]*\"", "").replaceAll("20\\d\\d-\\d\\d-\\d\\d", "");
    }

    private record Journey(Path data, String seen, String document, byte[] bundle) {}

    private static Journey travelled(Path data, Http http) {
        String seen = journey(http);
        return new Journey(data, seen, document(http), bundle(http));
    }

    private static String document(Http http) {
        return http.get("/jobs/1").json().path("document").toString();
    }

    private static byte[] bundle(Http http) {
        return http.get("/jobs/1/revisions/A.zip").bytes();
    }

    @ParameterizedTest
    @MethodSource("machines")
    void theSameJobIsMadeAndWrittenThereAndWhatIsFrozenIsMadeAgainHereToTheByte(List<String> machine)
            throws SQLException {
        Journey other;
        Path data = TaxonServer.newStore();
        try (TaxonProcess process = TaxonProcess.serve(List.of(), machine, data)) {
            other = travelled(data, process.http());
        }
        assertThat(other.document()).isEqualTo(usual.document());
        assertThat(other.seen()).isEqualTo(usual.seen());
        dropBundles(other.data());
        try (TaxonServer here = TaxonServer.on(other.data())) {
            assertThat(document(here.http())).isEqualTo(other.document());
            byte[] again = bundle(here.http());
            assertThat(sums(again)).isEqualTo(sums(other.bundle()));
            assertThat(again).isEqualTo(other.bundle());
        }
    }

    private static Map<String, String> sums(byte[] bundle) {
        Map<String, String> sums = new TreeMap<>();
        Zips.entries(bundle).forEach((name, content) -> sums.put(name, Sums.of(content)));
        return sums;
    }

    private static void dropBundles(Path data) throws SQLException {
        try (Connection connection =
                        new StoreFile(data).source("busy_timeout=5000").getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("update revision set bundle = null");
        }
    }
}
