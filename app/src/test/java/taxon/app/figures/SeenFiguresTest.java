package taxon.app.figures;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.app.edit.JobEditor;
import taxon.app.testing.BigRig;
import taxon.app.testing.Http;
import taxon.app.testing.ProcessUsage;
import taxon.app.testing.TaxonProcess;
import taxon.app.testing.TaxonServer;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Delivery;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Sender.Protocol;
import taxon.core.rig.Box;
import taxon.core.rig.Element;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.simrig.SimConsole;
import taxon.simrig.SimConsole.Output;
import taxon.wire.link.LevelSender.Destination;
import tools.jackson.databind.JsonNode;

/**
 * A server that hears 512 planned universes from a console of another process, 44 packets a second each, in bursts as a console sends them,
 * while twenty event streams are read: the page of all universes, and nineteen of one universe each. Prints what is lost, what it costs
 * and what memory it takes: {@code ./taxon bench seen [SECONDS]}.
 */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class SeenFiguresTest {
    private static final int UNIVERSES = 512;
    private static final int RATE = 44;
    private static final int PAGES = 20;
    private static final int BOXES = 16;
    private static final int FIRST = 21_001;
    private static final int LOOKS = 5;
    private static final int SECONDS = Integer.getInteger("taxon.levels.seconds", 60);
    private static final Ipv4 DESK = Ipv4.of(127, 79, 0, 1);

    @Test
    void aServerThatTwentyPagesFollowIsMeasured() throws Exception {
        System.out.printf(
                Locale.ROOT,
                "%d universes, %d packets a second each, %d s, %d event streams%n",
                UNIVERSES,
                RATE,
                SECONDS,
                PAGES);
        for (Protocol protocol : Protocol.values()) {
            Path log = Files.createTempFile("taxon", ".gc");
            List<String> machine = List.of("-Xlog:gc:file=" + log);
            try (TaxonProcess process = TaxonProcess.serve(List.of(), machine, planned(protocol))) {
                measure(process, protocol, log);
            }
        }
    }

    private static void measure(TaxonProcess process, Protocol protocol, Path log) throws Exception {
        Http http = process.http();
        String seen = "/jobs/1/checks/seen";
        Ipv4 card = Ipv4.parse(http.post(seen + "/listen").json().path("card").asString())
                .orElseThrow();
        ProcessUsage usage = new ProcessUsage(process.pid());
        AtomicLong sent = new AtomicLong();
        AtomicLong told = new AtomicLong();
        try (SimConsole desk = desk(protocol, card, sent)) {
            follow(process.url() + seen + "/follow", told);
            for (int i = 1; i < PAGES; i++) {
                follow(process.url() + seen + "/" + carrier(protocol, i).key() + "/follow", told);
            }
            // A server that has just been started compiles; that is the figure of the start.
            TimeUnit.SECONDS.sleep(20);
            desk.run(RATE);
            long lostBefore = lost(http.get(seen).json());
            long sentBefore = sent.get();
            long toldBefore = told.get();
            double busyBefore = usage.cpuSeconds("");
            double cardBefore = usage.cpuSeconds("card " + card);
            long begun = System.nanoTime();
            List<Integer> heap = new ArrayList<>();
            for (int i = 0; i < LOOKS; i++) {
                int from = ProcessUsage.lines(log);
                TimeUnit.MILLISECONDS.sleep(SECONDS * 1_000L / LOOKS);
                heap.add(ProcessUsage.aliveSince(log, from));
            }
            double took = (System.nanoTime() - begun) / 1e9;
            double cardBusy = (usage.cpuSeconds("card " + card) - cardBefore) / took;
            double busy = (usage.cpuSeconds("") - busyBefore) / took;
            JsonNode now = http.get(seen).json();
            System.out.printf(
                    Locale.ROOT,
                    "%-8s sent %d, lost %d, dropped by this computer %d; receiving %.2f of a core, the whole server %.2f; %.1f events a second"
                            + " a page; heap in MiB %s%n",
                    protocol,
                    sent.get() - sentBefore,
                    lost(now) - lostBefore,
                    now.path("dropped").asLong(),
                    cardBusy,
                    busy,
                    (told.get() - toldBefore) / (double) PAGES / took,
                    heap);
            assertThat(now.path("missing").asInt()).isZero();
        }
    }

    private static long lost(JsonNode seen) {
        return seen.path("universes")
                .valueStream()
                .flatMap(u -> u.path("senders").valueStream())
                .mapToLong(s -> s.path("lost").asLong())
                .sum();
    }

    private static Carrier carrier(Protocol protocol, int index) {
        return protocol == Protocol.SACN
                ? Carrier.of(new SacnUniverse(FIRST + index))
                : Carrier.of(new PortAddress(index));
    }

    /** A store with a job that has a box for each thirty-two universes, each with a way of its own, and five hundred fixtures. */
    private static Path planned(Protocol protocol) {
        Path store = TaxonServer.newStore();
        try (TaxonServer server = TaxonServer.on(store)) {
            int job = BigRig.make(server.http(), 500);
            List<Element> elements = new ArrayList<>();
            for (int box = 1; box <= BOXES; box++) {
                elements.add(Box.node(box, "Node " + box, Ipv4.of(127, 79, 1, box), UNIVERSES / BOXES));
            }
            for (int i = 0; i < UNIVERSES; i++) {
                PortRef port = new PortRef(i / (UNIVERSES / BOXES) + 1, i % (UNIVERSES / BOXES) + 1);
                int number = carrier(protocol, i).number();
                Route route = protocol == Protocol.SACN
                        ? new Route.Sacn(new SacnUniverse(number), port)
                        : new Route.ArtNet(new PortAddress(number), Delivery.TO_ALL, port);
                elements.add(new Universe(UniverseNumber.of(i + 1), "", List.of(route)));
            }
            Edit edit = new Edit("Universes planned", plan -> new Edit.Changed(plan.with(elements)));
            server.bean(JobEditor.class).record(job, "bench", edit);
        }
        return store;
    }

    /** A console that sends all of them, levels that move. */
    private static SimConsole desk(Protocol protocol, Ipv4 card, AtomicLong sent) throws IOException {
        List<Output> outputs = IntStream.range(0, UNIVERSES)
                .mapToObj(i -> carrier(protocol, i))
                .map(c -> protocol == Protocol.SACN
                        ? Destination.group(new SacnUniverse(c.number()))
                        : new Destination(c, card))
                .map(d -> new Output(1, d, 100))
                .toList();
        byte[] levels = new byte[512];
        return SimConsole.start(DESK, "Pageant desk", outputs, (universe, millis) -> {
            long count = sent.incrementAndGet();
            levels[(int) (count % levels.length)] = (byte) count;
            return levels.clone();
        });
    }

    /** Reads what a page would be told, until the server ends. */
    private static void follow(String url, AtomicLong told) {
        Thread page = new Thread(
                () -> {
                    try (BufferedReader stream = new BufferedReader(
                            new InputStreamReader(URI.create(url).toURL().openStream(), StandardCharsets.UTF_8))) {
                        stream.lines().filter(l -> l.startsWith("event:now")).forEach(l -> told.incrementAndGet());
                    } catch (IOException | UncheckedIOException over) {
                        // The server ended with the run.
                    }
                },
                "page " + url);
        page.setDaemon(true);
        page.start();
    }
}
