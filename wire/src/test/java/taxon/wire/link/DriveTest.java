package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.raising.Ended;
import taxon.core.raising.Grip;
import taxon.core.raising.Meeting;
import taxon.core.raising.Others;
import taxon.core.raising.Outlet;
import taxon.core.raising.Outlets;
import taxon.core.raising.Reach;
import taxon.core.reception.Carrier;
import taxon.core.rig.Box;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.LevelSender.Destination;
import taxon.wire.sacn.codec.SacnData;
import taxon.wire.sacn.codec.SacnPacket;

/** Alone: a process that is started by a test beside it has its sockets too, until it has closed what it inherited. */
@Isolated
class DriveTest {
    private static final Ipv4 CARD = Ipv4.of(127, 86, 0, 1);
    private static final Ipv4 DESK = Ipv4.of(127, 86, 0, 2);
    private static final Ipv4 RECEIVER = Ipv4.of(127, 86, 0, 3);
    private static final SacnUniverse UNIVERSE = new SacnUniverse(8_601);
    private static final SendPolicy ANY = ip -> ip.isLoopback() || ip.isMulticast();
    private static final long HOUR_NANOS = 3_600_000_000_000L;
    private static final Bytes OWN = Bytes.of(new byte[] {1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1});
    private static final StartAddress SLOT = StartAddress.of(1, 5);

    private final BlockingQueue<SacnData> heard = new LinkedBlockingQueue<>();
    private CardLink card;
    private CardLink deskLink;
    private CardLink receiver;

    @BeforeEach
    void open() throws IOException {
        card = CardLink.open(CARD, CardLink.Sharing.ALONE);
        deskLink = CardLink.open(DESK, CardLink.Sharing.ALONE);
        receiver = CardLink.open(RECEIVER, CardLink.Sharing.ALONE);
        receiver.join(UNIVERSE);
        receiver.listen(new LinkListener() {
            @Override
            public void sacn(SacnPacket packet, InetSocketAddress sender, long nanos) {
                if (packet instanceof SacnData data && data.universe().equals(UNIVERSE)) {
                    heard.add(data);
                }
            }
        });
        card.join(UNIVERSE);
    }

    @AfterEach
    void close() {
        card.close();
        deskLink.close();
        receiver.close();
    }

    private static Plan plan() {
        Route way = new Route.Sacn(UNIVERSE, new PortRef(1, 1));
        return Plan.empty(JobSheet.named("Driven"))
                .with(List.of(
                        Box.node(1, "Node", Ipv4.of(127, 86, 0, 9), 1),
                        new Universe(UniverseNumber.of(1), "", List.of(way))));
    }

    private Others listening() {
        Others others = new Others(List.of(Carrier.of(UNIVERSE)), OWN.toString());
        card.listen(new LevelEar(others));
        return others;
    }

    private static Grip grip(Others others) {
        Plan plan = plan();
        long now = System.nanoTime();
        Outlet outlet =
                Outlets.of(plan, List.of(UniverseNumber.of(1))).outlets().get(0);
        Carrier carrier = outlet.carrier();
        Meeting meeting =
                Meeting.of(outlet, others.heard(carrier, now), others.highestPriority(carrier, now), Optional.empty());
        Grip grip = new Grip(
                plan,
                Reach.ofUniverses(List.of(UniverseNumber.of(1))),
                List.of(new Grip.Driven(outlet, meeting)),
                others,
                now + HOUR_NANOS,
                now);
        // A page that is never gone, however slow this machine is.
        grip.pageIsThere(now + HOUR_NANOS);
        return grip;
    }

    private static LevelSender sender(CardLink link, SendPolicy policy) {
        return new LevelSender(link, policy, OWN, "Taxon, Ann");
    }

    private LevelSender desk() {
        return new LevelSender(deskLink, ANY, Bytes.of(new byte[16]), "Pageant desk");
    }

    private SacnData await(Predicate<SacnData> wanted) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (System.nanoTime() < end) {
            SacnData next = heard.poll(1, TimeUnit.SECONDS);
            if (next != null && wanted.test(next)) {
                return next;
            }
        }
        throw new AssertionError("it did not come");
    }

    private static boolean isOwn(SacnData data) {
        return data.cid().equals(OWN);
    }

    @Test
    void whatIsRaisedComesToTheReceiverAndItsEndIsSaidThreeTimes() throws Exception {
        Grip grip = grip(listening());
        CountDownLatch ended = new CountDownLatch(1);
        try (Drive drive = new Drive(sender(card, ANY), grip, ended::countDown)) {
            drive.start();
            grip.raise(Map.of(SLOT, 200), "Ann", System.nanoTime());
            SacnData raised = await(d -> isOwn(d) && (d.levels().toArray()[4] & 0xFF) == 200);
            assertThat(raised.sourceName()).isEqualTo("Taxon, Ann");
            assertThat(raised.priority()).isEqualTo(100);
            grip.end(new Ended.LetGo("Ann"));
            for (int i = 0; i < 3; i++) {
                SacnData last = await(d -> (d.options() & SacnData.TERMINATED) != 0);
                assertThat(last.levels()).isEqualTo(Bytes.of(new byte[512]));
            }
            assertThat(ended.await(20, TimeUnit.SECONDS)).isTrue();
        }
    }

    @Test
    void aConsoleIsFollowedAndOutbidAndHasTheRigBackWhenItIsLetGo() throws Exception {
        Others others = listening();
        LevelSender desk = desk();
        byte[] levels = new byte[512];
        levels[0] = 11;
        desk.send(Destination.group(UNIVERSE), 100, levels);
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (others.heard(Carrier.of(UNIVERSE), System.nanoTime()).isEmpty() && System.nanoTime() < end) {
            Thread.onSpinWait();
        }
        Grip grip = grip(others);
        try (Drive drive = new Drive(sender(card, ANY), grip, () -> {})) {
            drive.start();
            grip.raise(Map.of(SLOT, 200), "Ann", System.nanoTime());
            levels[0] = 12;
            desk.send(Destination.group(UNIVERSE), 100, levels);
            SacnData both = await(d ->
                    isOwn(d) && d.levels().toArray()[0] == 12 && (d.levels().toArray()[4] & 0xFF) == 200);
            assertThat(both.priority()).isEqualTo(101);
            desk.end(Destination.group(UNIVERSE), 100, 512);
            await(d -> isOwn(d) && (d.options() & SacnData.TERMINATED) != 0);
            assertThat(grip.ended()).containsInstanceOf(Ended.SourceGone.class);
        }
    }

    @Test
    void nothingLeavesForAnAddressThatIsNotAllowedAndThatIsTold() throws Exception {
        Grip grip = grip(listening());
        CountDownLatch ended = new CountDownLatch(1);
        try (Drive drive = new Drive(sender(card, ip -> false), grip, ended::countDown)) {
            drive.start();
            assertThat(ended.await(20, TimeUnit.SECONDS)).isTrue();
        }
        assertThat(grip.ended()).containsInstanceOf(Ended.CannotSend.class);
        assertThat(heard).isEmpty();
    }
}
