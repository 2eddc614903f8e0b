package taxon.app.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.simrig.SimConsole;
import taxon.simrig.SimConsole.Output;
import taxon.wire.link.LevelSender.Destination;

/**
 * A server with a job of three universes, and a console that sends some of them to it. A group is heard by all of a machine, so that each
 * of these has numbers that no other has: {@code first} and the nine after it.
 *
 * @param job its path
 */
public record HeardJob(TaxonServer server, Http http, String job, SimConsole desk) implements AutoCloseable {
    /** Counted from the first: sent and planned, planned and not sent, sent and not planned. */
    public static final int MISSING = 1;

    public static final int FOUND = 8;

    /** @param host the console is at 127.HOST.0.1; 70 to 79, each for one class: others are of the tests of the wire and the simulated rig */
    public static HeardJob start(int first, int host) throws IOException {
        TaxonServer server = TaxonServer.empty();
        Http http = server.http();
        String job = planned(http, first, host);
        Ipv4 card = Ipv4.parse(http.post(job + "/checks/seen/listen")
                        .json()
                        .path("card")
                        .asString())
                .orElseThrow();
        http.post(job + "/checks/seen/end");
        SimConsole desk = SimConsole.start(
                Ipv4.of(127, host, 0, 1),
                "Pageant desk",
                List.of(
                        new Output(1, Destination.group(new SacnUniverse(first)), 100),
                        new Output(2, Destination.group(new SacnUniverse(first + FOUND)), 100),
                        new Output(3, new Destination(Carrier.of(new PortAddress(host)), card), 100)),
                HeardJob::show);
        return new HeardJob(server, http, job, desk);
    }

    /** A job of three universes on any server: its path. */
    public static String planned(Http http, int first, int host) {
        String job = http.job("Heard");
        edit(http, job, "/boxes", "kind", "node", "name", "Node", "ip", "127." + host + ".0.9", "ports", 4);
        way(http, job, 1, "sacn", first, "to-group");
        way(http, job, 2, "sacn", first + MISSING, "to-group");
        way(http, job, 3, "art-net", host, "to-box");
        return job;
    }

    /** A console that sends the first universe alone. */
    public static SimConsole desk(int first, int host) throws IOException {
        return SimConsole.start(
                Ipv4.of(127, host, 0, 1),
                "Pageant desk",
                List.of(new Output(1, Destination.group(new SacnUniverse(first)), 100)),
                HeardJob::show);
    }

    /** Slot 1 stands, slot 10 moves. */
    private static byte[] show(int universe, long millis) {
        byte[] levels = new byte[512];
        levels[0] = (byte) universe;
        levels[9] = (byte) (millis / 20);
        return levels;
    }

    private static void way(Http http, String job, int universe, String protocol, int number, String delivery) {
        Http.Answer answer = edit(
                http,
                job,
                "/universes/" + universe + "/ways",
                "protocol",
                protocol,
                "carriedAs",
                number,
                "outlet",
                "1/" + universe,
                "delivery",
                delivery);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** Posts to the job on its newest version. */
    public Http.Answer edit(String path, Object... fields) {
        return edit(http, job, path, fields);
    }

    private static Http.Answer edit(Http http, String job, String path, Object... fields) {
        List<Object> all = new ArrayList<>(List.of("version", http.version(job)));
        all.addAll(List.of(fields));
        return http.post(job + path, all.toArray());
    }

    @Override
    public void close() {
        desk.close();
        server.close();
    }
}
