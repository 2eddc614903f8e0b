package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;
import java.util.function.LongSupplier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.parallel.Isolated;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.Watch;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink.Sharing;
import taxon.wire.link.LevelSender.Destination;

/**
 * 512 universes, 44 packets a second each, over loopback, by each protocol: what receiving them costs, against a bare loop that receives
 * and counts. Prints figures; run by {@code ./taxon bench levels [SECONDS]}.
 */
@Isolated
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class LevelsFiguresTest {
    private static final int UNIVERSES = 512;
    private static final int RATE = 44;
    private static final int SECONDS = Integer.getInteger("taxon.levels.seconds", 60);
    private static final int LOOKERS = 20;
    private static final int LOOKS_A_SECOND = 8;
    private static final int FIRST = 20_001;
    private static final Ipv4 CARD = Ipv4.of(127, 88, 0, 1);
    private static final Ipv4 DESK = Ipv4.of(127, 88, 0, 2);
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final double SECOND = 1e9;
    private static final double MEBIBYTE = 1 << 20;

    /** What one run came to. */
    private record Run(long sent, long received, double cores, double heapBefore, double heapAfter) {}

    @Test
    void printTheFigures() throws Exception {
        System.out.printf(
                Locale.ROOT,
                "%d universes, %d packets a second each, %d s, %d pages looking%n",
                UNIVERSES,
                RATE,
                SECONDS,
                LOOKERS);
        for (Protocol protocol : Protocol.values()) {
            Run bare = bare(protocol);
            Run heard = heard(protocol);
            print(protocol + " bare loop", bare);
            print(protocol + " watched", heard);
            System.out.printf(Locale.ROOT, "%s ratio %.1f%n", protocol, heard.cores() / bare.cores());
            assertThat(heard.received()).isEqualTo(heard.sent());
        }
    }

    private static void print(String name, Run run) {
        System.out.printf(
                Locale.ROOT,
                "%-20s sent %d, lost %d, receiver %.2f of a core, heap %.0f to %.0f MiB%n",
                name,
                run.sent(),
                run.sent() - run.received(),
                run.cores(),
                run.heapBefore(),
                run.heapAfter());
    }

    private static List<Destination> destinations(Protocol protocol) {
        return IntStream.range(0, UNIVERSES)
                .mapToObj(i -> protocol == Protocol.SACN
                        ? Destination.group(new SacnUniverse(FIRST + i))
                        : new Destination(Carrier.of(new PortAddress(i)), CARD))
                .toList();
    }

    /** Sends evenly, each universe in its turn, levels that move; gives how many packets. */
    private static long send(List<Destination> destinations) throws IOException {
        long sent = 0;
        try (CardLink link = CardLink.open(DESK, Sharing.ALONE)) {
            LevelSender sender = new LevelSender(link, ip -> true, Bytes.of(new byte[16]), "Bench");
            byte[] levels = new byte[512];
            long begun = System.nanoTime();
            long packets = (long) RATE * SECONDS * destinations.size();
            for (; sent < packets; sent++) {
                long due = begun + (long) (sent * SECOND / (RATE * destinations.size()));
                while (System.nanoTime() < due) {
                    LockSupport.parkNanos(200_000);
                }
                levels[(int) (sent % 512)] = (byte) sent;
                sender.send(destinations.get((int) (sent % destinations.size())), 100, levels);
            }
        }
        return sent;
    }

    private static double heap() {
        System.gc();
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() / MEBIBYTE;
    }

    private static long cpu(String thread) {
        return Arrays.stream(THREADS.getAllThreadIds())
                .filter(id -> THREADS.getThreadInfo(id) != null
                        && THREADS.getThreadInfo(id).getThreadName().equals(thread))
                .map(THREADS::getThreadCpuTime)
                .sum();
    }

    private static Run heard(Protocol protocol) throws Exception {
        Watch watch = new Watch();
        List<Destination> destinations = destinations(protocol);
        try (CardLink link = CardLink.open(CARD, Sharing.SHARED)) {
            link.listen(new LevelEar(watch));
            if (protocol == Protocol.SACN) {
                for (Destination each : destinations) {
                    link.join(new SacnUniverse(each.carrier().number()));
                }
            }
            double before = heap();
            Thread lookers = looking(watch, destinations);
            long begun = System.nanoTime();
            long sent = send(destinations);
            double cores = cpu("card " + CARD) / (double) (System.nanoTime() - begun);
            settle(watch::packets, sent);
            lookers.interrupt();
            lookers.join();
            return new Run(sent, watch.packets(), cores, before, heap());
        }
    }

    /** As many pages as look: one works out all universes, the others one each. */
    private static Thread looking(Watch watch, List<Destination> destinations) {
        Thread thread = new Thread(
                () -> {
                    while (!Thread.currentThread().isInterrupted()) {
                        long now = System.nanoTime();
                        watch.overview(now);
                        for (int i = 1; i < LOOKERS; i++) {
                            watch.state(destinations.get(i).carrier(), now);
                        }
                        LockSupport.parkNanos((long) (SECOND / LOOKS_A_SECOND));
                    }
                },
                "lookers");
        thread.start();
        return thread;
    }

    private static void settle(LongSupplier received, long sent) {
        for (int i = 0; i < 100 && received.getAsLong() < sent; i++) {
            LockSupport.parkNanos(50_000_000);
        }
    }

    /** The plainest receiver there is: one socket, one loop, one counter. */
    private static Run bare(Protocol protocol) throws Exception {
        AtomicLong received = new AtomicLong();
        try (DatagramSocket socket =
                new DatagramSocket(protocol == Protocol.SACN ? 5568 : 6454, InetAddress.getByName(CARD.toString()))) {
            socket.setReceiveBufferSize(4 << 20);
            Thread loop = new Thread(
                    () -> {
                        DatagramPacket packet = new DatagramPacket(new byte[2048], 2048);
                        try {
                            while (true) {
                                socket.receive(packet);
                                received.incrementAndGet();
                            }
                        } catch (SocketException closed) {
                            // The run is over.
                        } catch (IOException e) {
                            throw new UncheckedIOException(e);
                        }
                    },
                    "bare loop");
            loop.start();
            List<Destination> destinations = new ArrayList<>();
            destinations(protocol).forEach(d -> destinations.add(new Destination(d.carrier(), CARD)));
            double before = heap();
            long begun = System.nanoTime();
            long sent = send(destinations);
            double cores = cpu("bare loop") / (double) (System.nanoTime() - begun);
            settle(received::get, sent);
            // The system keeps the port for as long as a thread is inside its last receive.
            socket.close();
            loop.join();
            return new Run(sent, received.get(), cores, before, heap());
        }
    }
}
