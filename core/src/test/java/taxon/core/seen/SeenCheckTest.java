package taxon.core.seen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.network.Delivery;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.LevelPacket;
import taxon.core.reception.Sender;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception;
import taxon.core.reception.Watch;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

class SeenCheckTest {
    private static final long MILLI = 1_000_000;
    private static final Sender DESK = new Sender(Protocol.SACN, "d1", "Desk");
    private static final Sender SPARE = new Sender(Protocol.SACN, "d2", "Spare desk");

    private final Watch watch = new Watch();
    private long millis;
    private int sequence;

    private static Plan plan(Route... routes) {
        Plan plan = Rigs.empty().with(Box.node(1, "Node", Ipv4.of(127, 0, 0, 2), 8));
        for (int i = 0; i < routes.length; i++) {
            plan = plan.with(new Universe(UniverseNumber.of(i + 1), "", List.of(routes[i])));
        }
        return plan;
    }

    private static Route sacn(int universe, int port) {
        return new Route.Sacn(new SacnUniverse(universe), new PortRef(1, port));
    }

    private static Carrier sacn(int universe) {
        return Carrier.of(new SacnUniverse(universe));
    }

    /** Sends for some seconds, every so many milliseconds; the first slot counts on where it moves. */
    private void send(Sender sender, int universe, int priority, int every, boolean moves, int... values) {
        for (int i = 0; i < 4_000 / every; i++) {
            byte[] levels = new byte[Math.max(1, values.length)];
            for (int slot = 0; slot < values.length; slot++) {
                levels[slot] = (byte) values[slot];
            }
            levels[0] = moves ? (byte) (i + 1) : levels[0];
            Carrier carrier = new Carrier(sender.protocol(), universe);
            LevelPacket packet = new LevelPacket(sender, priority, i % 256, false, false, 0, 0, levels);
            watch.take(carrier, packet, (millis + (long) i * every) * MILLI);
        }
    }

    private Seen seen(Plan plan) {
        long now = (millis + 4_000) * MILLI;
        return SeenCheck.of(
                plan,
                watch.overview(now),
                c -> watch.state(c, now).map(UniverseReception.State::levels).orElse(List.of()),
                now);
    }

    private List<Remark> remarks(Plan plan, Carrier carrier) {
        return seen(plan).lines().stream()
                .filter(l -> l.carrier().equals(carrier))
                .findFirst()
                .orElseThrow()
                .remarks();
    }

    private List<String> words(Plan plan, Carrier carrier) {
        return remarks(plan, carrier).stream().map(SeenText::of).toList();
    }

    @Test
    void whatIsPlannedAndSentIsAsPlannedAndNothingIsToBeSaid() {
        send(DESK, 1, 100, 25, true);
        Seen seen = seen(plan(sacn(1, 1)));
        assertThat(seen.lines()).singleElement().satisfies(l -> {
            assertThat(l.remarks()).isEmpty();
            assertThat(l.isAsPlanned()).isTrue();
            assertThat(l.universes()).containsExactly(UniverseNumber.of(1));
        });
        assertThat(seen.asPlanned()).isEqualTo(1);
        assertThat(seen.missing()).isZero();
        assertThat(seen.shift()).isEmpty();
    }

    @Test
    void missingIsSaidOnlyOfWhatThisCardCouldHear() {
        Route toBox = new Route.Sacn(new SacnUniverse(2), Delivery.TO_BOX, 100, new PortRef(1, 2));
        Route artNetToBox = new Route.ArtNet(new PortAddress(3), new PortRef(1, 3));
        Route artNetToAll = new Route.ArtNet(new PortAddress(4), Delivery.TO_ALL, new PortRef(1, 4));
        Plan plan = plan(sacn(1, 1), toBox, artNetToBox, artNetToAll);
        assertThat(remarks(plan, sacn(1))).containsExactly(new Remark.Missing());
        assertThat(remarks(plan, sacn(2))).containsExactly(new Remark.NotForThisCard());
        assertThat(remarks(plan, Carrier.of(new PortAddress(3)))).containsExactly(new Remark.NotForThisCard());
        assertThat(remarks(plan, Carrier.of(new PortAddress(4)))).containsExactly(new Remark.Missing());
        assertThat(seen(plan).missing()).isEqualTo(2);
        assertThat(seen(plan).unhearable()).isEqualTo(2);
    }

    @Test
    void aSenderThatFellSilentIsMissingAgainAndWhatNobodyPlannedIsNoMore() {
        send(DESK, 1, 100, 25, true);
        send(DESK, 9, 100, 25, true);
        assertThat(remarks(plan(sacn(1, 1)), sacn(9))).containsExactly(new Remark.Unplanned());
        millis = 3_000;
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).containsExactly(new Remark.Missing());
        assertThat(remarks(plan(sacn(1, 1)), sacn(9))).isEmpty();
    }

    @Test
    void twoOfOnePriorityFightUnlessTheySayTheSameOrArePlanned() {
        send(DESK, 1, 100, 25, false, 1, 2, 3);
        send(SPARE, 1, 100, 25, false, 3, 2, 1);
        Plan plan = plan(sacn(1, 1));
        assertThat(words(plan, sacn(1)))
                .contains("Desk and Spare desk send it with the same priority, and say different things: the higher"
                        + " level is heard.");
        Universe both = plan.universe(UniverseNumber.of(1))
                .from(List.of(new Universe.Source(1, 100), new Universe.Source(2, 100)));
        Plan planned =
                plan.with(Box.node(2, "Second", Ipv4.of(127, 0, 0, 3), 4)).with(both);
        assertThat(remarks(planned, sacn(1)))
                .filteredOn(Remark.Several.class::isInstance)
                .extracting(Remark::weight)
                .containsExactly(Remark.Weight.NOTE);
    }

    @Test
    void twoOfOnePriorityThatSayTheSameAreTold() {
        send(DESK, 1, 100, 25, false, 1, 2, 3);
        send(SPARE, 1, 100, 25, false, 1, 2, 3);
        assertThat(words(plan(sacn(1, 1)), sacn(1)))
                .contains("Desk and Spare desk send it with the same priority; they say the same now.");
    }

    @Test
    void oneOfLowerPriorityFightsWithNobody() {
        send(DESK, 1, 100, 25, true);
        send(SPARE, 1, 90, 25, true);
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).isEmpty();
    }

    @Test
    void twoWhoShareTheSlotsBetweenThemByTheirPrioritiesDoNotFight() {
        send(DESK, 1, 100, 25, false, 1, 2);
        send(SPARE, 1, 100, 25, false, 3, 4);
        for (int at = 2_000; at <= 4_000; at += 1_000) {
            prioritise(DESK, at, 100, 0);
            prioritise(SPARE, at, 0, 100);
        }
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).noneMatch(Remark.Several.class::isInstance);
        prioritise(SPARE, 4_000, 100, 100);
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).anyMatch(Remark.Several.class::isInstance);
    }

    private void prioritise(Sender sender, int at, int first, int second) {
        byte[] priorities = {(byte) first, (byte) second};
        LevelPacket packet = new LevelPacket(
                sender, 100, sequence++ % 256, false, false, 0, LevelPacket.SLOT_PRIORITIES, priorities);
        watch.take(sacn(1), packet, at * MILLI);
    }

    @Test
    void anotherPriorityThanThePlannedOneIsTold() {
        send(DESK, 1, 150, 25, true);
        assertThat(words(plan(sacn(1, 1)), sacn(1)))
                .containsExactly("Desk sends it with priority 150; planned is 100.");
    }

    /** ANSI E1.11: 44.1 packets of 512 slots a second, more of fewer. */
    @Test
    void aRateThatNoLineCarriesIsTold() {
        int[] full = new int[512];
        send(DESK, 1, 100, 10, true, full);
        send(DESK, 2, 100, 10, true, Arrays.copyOf(full, 40));
        assertThat(words(plan(sacn(1, 1), sacn(2, 2)), sacn(1)))
                .containsExactly("Desk sends 100.0 packets a second; a line carries 44.1 of 512 slots.");
        assertThat(remarks(plan(sacn(1, 1), sacn(2, 2)), sacn(2))).isEmpty();
    }

    @Test
    void movingSlowlyIsToldAndStandingStillIsNoFault() {
        send(DESK, 1, 100, 100, true);
        send(DESK, 2, 100, 1_000, false, 50);
        Plan plan = plan(sacn(1, 1), sacn(2, 2));
        assertThat(words(plan, sacn(1)))
                .containsExactly(
                        "Desk sends 10.0 packets a second while its levels move: under 20 it is seen to step.");
        assertThat(words(plan, sacn(2))).containsExactly("Desk changes nothing; it may send one packet a second then.");
        assertThat(seen(plan).asPlanned()).isEqualTo(1);
    }

    @Test
    void allAtZeroIsTold() {
        send(DESK, 1, 100, 25, false, 0, 0);
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).contains(new Remark.AllZero());
    }

    @Test
    void previewAloneIsFollowedByNoFixture() {
        for (int i = 0; i < 160; i++) {
            LevelPacket packet = new LevelPacket(DESK, 100, i % 256, true, false, 0, 0, new byte[] {9});
            watch.take(sacn(1), packet, i * 25 * MILLI);
        }
        assertThat(remarks(plan(sacn(1, 1)), sacn(1))).containsExactly(new Remark.PreviewOnly());
    }

    @Test
    void lostAndLatePacketsAreToldOnceTheyAreMoreThanOneInTwoHundred() {
        for (int i = 0; i < 160; i++) {
            if (i % 10 != 3) {
                LevelPacket packet =
                        new LevelPacket(DESK, 100, i % 256, false, false, 0, 0, new byte[] {(byte) (i + 1)});
                watch.take(sacn(1), packet, i * 25 * MILLI);
            }
        }
        assertThat(words(plan(sacn(1, 1)), sacn(1)))
                .containsExactly("Of Desk, 16 packets were lost and 0 came late, beside 144 in order.");
    }

    @Test
    void theSameLevelsUnderAnotherNumberAreToldUnlessThePlanHasThemSo() {
        int[] look = {9, 8, 7, 6, 5};
        send(DESK, 1, 100, 25, false, look);
        send(DESK, 2, 100, 25, false, look);
        Plan plan = plan(sacn(1, 1));
        assertThat(words(plan, sacn(2)))
                .contains("The same levels are sent as streaming ACN 1, planned as universe 1: is one of them counted"
                        + " otherwise?");
        Route again = sacn(2, 2);
        Universe twice = plan.universe(UniverseNumber.of(1)).with(List.of(sacn(1, 1), again));
        assertThat(remarks(plan.with(twice), sacn(2))).noneMatch(Remark.SameAs.class::isInstance);
    }

    @Test
    void fewSlotsMayBeAlikeByChance() {
        send(DESK, 1, 100, 25, false, 9, 8, 7);
        send(DESK, 2, 100, 25, false, 9, 8, 7);
        assertThat(remarks(plan(sacn(1, 1)), sacn(2))).noneMatch(Remark.SameAs.class::isInstance);
    }

    @Test
    void aCountingThatIsOffByOneOrSixteenIsSaidOnceForAll() {
        Plan plan = plan(sacn(1, 1), sacn(2, 2), sacn(3, 3));
        IntStream.rangeClosed(2, 4).forEach(u -> send(DESK, u, 100, 25, true));
        assertThat(seen(plan).shift()).contains(new Seen.Shift(Protocol.SACN, 1, 3));
        assertThat(SeenText.of(seen(plan).shift().orElseThrow()))
                .isEqualTo("All 3 universes that are planned for streaming ACN are heard one higher than planned: one"
                        + " side counts from 0 and the other from 1.");
        send(DESK, 7, 100, 25, true);
        assertThat(seen(plan).shift()).isEmpty();
    }

    @Test
    void aCountingOfArtNetThatIsOffBySixteenIsSaid() {
        Route route = new Route.ArtNet(new PortAddress(16), Delivery.TO_ALL, new PortRef(1, 1));
        send(new Sender(Protocol.ART_NET, "10.0.0.9", ""), 0, 100, 25, true);
        assertThat(seen(plan(route)).shift()).contains(new Seen.Shift(Protocol.ART_NET, -16, 1));
    }

    @Test
    void everyKindOfRemarkHasASentenceThatEndsAsOne() {
        send(DESK, 1, 100, 25, false, 1, 2, 3, 4, 5);
        for (int i = 0; i < 60; i++) {
            Sender invented = new Sender(Protocol.SACN, "x" + i, "");
            watch.take(sacn(1), new LevelPacket(invented, 100, 1, false, false, 7, 0, new byte[] {1}), 3_900 * MILLI);
        }
        List<String> words = words(plan(sacn(1, 1)), sacn(1));
        assertThat(words).anyMatch(w -> w.startsWith("Packets of too many senders came: 29 "));
        assertThat(words).contains("Its levels wait for the synchronisation address 7.");
        assertThat(words).allMatch(w -> w.endsWith(".") || w.endsWith("?"));
    }

    @Test
    void whatGoesByNoNetworkIsExpectedUnderNoNumber() {
        Plan plan = plan(new Route.Direct(new PortRef(1, 1)));
        assertThat(Expected.of(plan).carriers()).isEmpty();
        assertThat(Expected.of(plan(sacn(5, 1))).carriers(UniverseNumber.of(1))).containsExactly(sacn(5));
        assertThat(Optional.of(sacn(5))).isEqualTo(Expected.carrier(sacn(5, 1)));
    }

    @Test
    void whatIsParkedAndSentSomethingElseIsSaid() {
        Plan plan = Rigs.place(
                Rigs.add(
                        plan(sacn(1, 1)),
                        Rigs.typeOf("head", ChannelScript.block("Main", "Dimmer Control1 Pan")),
                        1,
                        101),
                1,
                1,
                StartAddress.of(1, 2));
        Fixture fixture = plan.fixtures().get(0);
        Plan parked = plan.with(
                fixture.withTraits(fixture.traits().withParked(List.of(new Traits.Parked(1, 2, 200, "lamp on")))));
        send(DESK, 1, 100, 25, true, 0, 9, 200, 7);
        assertThat(remarks(parked, sacn(1))).noneMatch(Remark.ParkedMoved.class::isInstance);
        send(DESK, 1, 100, 25, true, 0, 9, 10, 7);
        assertThat(remarks(parked, sacn(1)))
                .contains(new Remark.ParkedMoved(new ParkedSlot("101", StartAddress.of(1, 3), 200), 10, 1));
        assertThat(SeenText.of(new Remark.ParkedMoved(new ParkedSlot("101", StartAddress.of(1, 3), 200), 10, 3)))
                .isEqualTo("101 is parked at 200 in slot 1.003, and is sent 10; 2 more are moved too.");
    }
}
