package taxon.core.raising;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.FixtureType;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.raising.Meeting.BoxSays;
import taxon.core.reception.Carrier;
import taxon.core.reception.LevelPacket;
import taxon.core.reception.Sender;
import taxon.core.reception.Sender.Protocol;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

/** Priorities, loss of a source and the end of a stream as E1.31 has them (6.2.3, 6.2.6, 6.7.1, from memory). */
class GripTest {
    private static final long MILLI = 1_000_000;
    private static final long LIMIT = 600_000;
    private static final FixtureType SPOT =
            Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan=128 ColorAdd_R"));
    private static final Sender DESK = new Sender(Protocol.SACN, "desk", "Pageant desk");
    private static final Sender OWN = new Sender(Protocol.SACN, "own", "Taxon, Ann");
    private static final Carrier SACN = Carrier.of(new SacnUniverse(7));
    private static final StartAddress INTENSITY = StartAddress.of(1, 1);
    private static final StartAddress PAN = StartAddress.of(1, 2);

    private final Others others = new Others(List.of(SACN, Carrier.of(new PortAddress(3))), OWN.id());
    private long millis;
    private int sequence;

    private static Plan plan(Route... routes) {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 2, 101);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(1, 1));
        plan = Rigs.place(plan, 2, 1, StartAddress.of(1, 11));
        return plan.with(List.of(
                Box.node(1, "Node", Ipv4.of(127, 0, 0, 2), 4),
                new Universe(UniverseNumber.of(1), "", List.of(routes))));
    }

    private static Plan bySacn() {
        return plan(new Route.Sacn(new SacnUniverse(7), new PortRef(1, 1)));
    }

    private static Plan byArtNet() {
        return plan(new Route.ArtNet(new PortAddress(3), new PortRef(1, 1)));
    }

    private void send(Sender sender, int priority, int... levels) {
        send(sender, priority, false, levels);
    }

    private void send(Sender sender, int priority, boolean ends, int... levels) {
        byte[] values = new byte[512];
        for (int i = 0; i < levels.length; i++) {
            values[i] = (byte) levels[i];
        }
        sequence = (sequence + 1) & 0xFF;
        others.take(SACN, new LevelPacket(sender, priority, sequence, false, ends, 0, 0, values), millis * MILLI);
    }

    private static Outlet outlet(Plan plan) {
        return Outlets.of(plan, List.of(UniverseNumber.of(1))).outlets().get(0);
    }

    private Meeting meeting(Outlet outlet, Optional<BoxSays> box) {
        long now = millis * MILLI;
        return Meeting.of(
                outlet, others.heard(outlet.carrier(), now), others.highestPriority(outlet.carrier(), now), box);
    }

    private Grip grip(Plan plan, Reach reach) {
        return grip(plan, reach, Optional.empty());
    }

    private Grip grip(Plan plan, Reach reach, Optional<BoxSays> box) {
        Outlet outlet = outlet(plan);
        return new Grip(
                plan,
                reach,
                List.of(new Grip.Driven(outlet, meeting(outlet, box))),
                others,
                (millis + LIMIT) * MILLI,
                millis * MILLI);
    }

    private static Reach units(int... keys) {
        List<FixtureKey> all = new ArrayList<>();
        for (int key : keys) {
            all.add(FixtureKey.of(key));
        }
        return Reach.ofUnits(all);
    }

    private byte[] sent(Grip grip) {
        List<Grip.Frame> frames = grip.frames(millis * MILLI);
        assertThat(frames).hasSize(1);
        return frames.get(0).levels();
    }

    @Test
    void nothingRisesBeforeItIsRaisedAndTheRestOfTheUniverseIsAtRest() {
        Grip grip = grip(bySacn(), units(1));
        assertThat(sent(grip)[0]).isZero();
        assertThat(sent(grip)[1]).isEqualTo((byte) 128);
        assertThat(grip.raise(Map.of(INTENSITY, 200), "Ann", 0)).isEmpty();
        assertThat(sent(grip)[0]).isEqualTo((byte) 200);
        assertThat(sent(grip)[10]).as("the other unit").isZero();
        grip.release(List.of(INTENSITY));
        assertThat(sent(grip)[0]).isZero();
    }

    @Test
    void whatIsNotArmedStaysAndIsTold() {
        Grip grip = grip(bySacn(), units(1));
        StartAddress other = StartAddress.of(1, 11);
        StartAddress elsewhere = StartAddress.of(2, 1);
        List<Grip.Left> left = grip.raise(Map.of(INTENSITY, 9, other, 9, elsewhere, 9), "Ann", 0);
        assertThat(left)
                .containsExactlyInAnyOrder(
                        new Grip.Left(other, new Barred.NotArmed()), new Grip.Left(elsewhere, new Barred.NotArmed()));
        assertThat(grip.held().keySet()).containsExactly(INTENSITY);
    }

    @Test
    void theConsoleGoesOnDrivingAllThatIsNotHeld() {
        send(DESK, 100, 10, 20, 30);
        Grip grip = grip(bySacn(), units(1));
        grip.raise(Map.of(PAN, 77), "Ann", 0);
        assertThat(grip.driven().get(0).meeting()).isEqualTo(new Meeting.Over("Pageant desk", 100, 101));
        assertThat(grip.driven().get(0).priority()).isEqualTo(101);
        assertThat(sent(grip)).startsWith(10, 77, 30);
        send(DESK, 100, 11, 21, 31);
        assertThat(sent(grip)).startsWith(11, 77, 31);
        grip.releaseAll();
        assertThat(sent(grip)).startsWith(11, 21, 31);
        assertThat(grip.ended()).isEmpty();
    }

    @Test
    void onesOwnPacketsAreNotFollowed() {
        send(DESK, 100, 10);
        Grip grip = grip(bySacn(), units(1));
        send(OWN, 101, 99);
        assertThat(sent(grip)).startsWith(10);
        assertThat(grip.ended()).isEmpty();
    }

    @Test
    void whenTheConsoleIsLostSoIsWhatWasHeldOverIt() {
        send(DESK, 100, 10);
        Grip grip = grip(bySacn(), units(1));
        grip.raise(Map.of(INTENSITY, 9), "Ann", 0);
        millis += 2_500;
        grip.pageIsThere(millis * MILLI);
        assertThat(grip.frames(millis * MILLI)).hasSize(1);
        millis += 1;
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.SourceGone(SACN, "Pageant desk"));
        assertThat(grip.held()).isEmpty();
    }

    @Test
    void whenTheConsoleSaysThatItStopsAllIsLetGoAtOnce() {
        send(DESK, 100, 10);
        Grip grip = grip(bySacn(), units(1));
        send(DESK, 100, true);
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.SourceGone(SACN, "Pageant desk"));
    }

    @Test
    void aConsoleThatBeginsHasTheRigToItself() {
        Grip grip = grip(bySacn(), units(1));
        grip.raise(Map.of(INTENSITY, 9), "Ann", 0);
        send(DESK, 100, 10);
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.Joined(SACN, "Pageant desk"));
    }

    @Test
    void oneThatSendsWithTheSamePriorityIsGivenWay() {
        send(DESK, 100, 10);
        Grip grip = grip(bySacn(), units(1));
        send(new Sender(Protocol.SACN, "other", "Spare desk"), 101, 10);
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.Outbid(SACN, "Spare desk", 101));
    }

    @Test
    void theHighestPriorityOfASlotCountsToo() {
        send(DESK, 100, 10);
        byte[] own = new byte[512];
        own[4] = (byte) 150;
        others.take(
                SACN, new LevelPacket(DESK, 100, 1, false, false, 0, LevelPacket.SLOT_PRIORITIES, own), millis * MILLI);
        assertThat(meeting(outlet(bySacn()), Optional.empty())).isEqualTo(new Meeting.Over("Pageant desk", 150, 151));
    }

    @Test
    void nothingIsHeldOverTheHighestPriorityNorOverAnotherTaxon() {
        send(DESK, 200, 10);
        assertThat(meeting(outlet(bySacn()), Optional.empty())).isEqualTo(new Meeting.TooHigh("Pageant desk"));
        send(new Sender(Protocol.SACN, "second", "Taxon, Ben"), 100, 10);
        Meeting second = meeting(outlet(bySacn()), Optional.empty());
        assertThat(second).isEqualTo(new Meeting.HeldElsewhere("Taxon, Ben"));
        assertThatThrownBy(() -> grip(bySacn(), units(1))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void itsTimeEndsOnTheMillisecond() {
        Grip grip = grip(bySacn(), units(1));
        millis = LIMIT - 1;
        grip.pageIsThere(millis * MILLI);
        assertThat(grip.frames(millis * MILLI)).hasSize(1);
        millis = LIMIT;
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.TimeIsUp());
    }

    @Test
    void aPageThatIsGoneLetsGo() {
        Grip grip = grip(bySacn(), units(1));
        grip.raise(Map.of(INTENSITY, 9), "Ann", 0);
        millis = Grip.PAGE_NANOS / MILLI;
        assertThat(grip.frames(millis * MILLI)).hasSize(1);
        millis += 1;
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.PageGone());
    }

    @Test
    void whatHasEndedNeverBeginsAgain() {
        Grip grip = grip(bySacn(), units(1));
        grip.end(new Ended.LetGo("Ben"));
        grip.end(new Ended.TimeIsUp());
        grip.pageIsThere(millis * MILLI);
        assertThat(grip.raise(Map.of(INTENSITY, 9), "Ann", 0)).hasSize(1);
        assertThat(grip.frames(millis * MILLI)).isEmpty();
        assertThat(grip.ended()).contains(new Ended.LetGo("Ben"));
    }

    @Test
    void aBoxThatMakesTheHighestGetsNothingButWhatIsHeld() {
        Plan plan = byArtNet();
        Grip grip = grip(plan, units(1), Optional.of(new BoxSays(true, Merge.HIGHEST)));
        assertThat(grip.driven().get(0).meeting()).isInstanceOf(Meeting.Highest.class);
        assertThat(grip.raise(Map.of(INTENSITY, 9, PAN, 9), "Ann", 0))
                .containsExactly(new Grip.Left(PAN, new Barred.WouldMix("101")));
        assertThat(sent(grip)).startsWith(9, 0, 0);
    }

    @Test
    void aBoxThatTakesTheLatestOrDoesNotAnswerIsRefused() {
        Outlet outlet = outlet(byArtNet());
        assertThat(meeting(outlet, Optional.of(new BoxSays(true, Merge.LATEST))))
                .isInstanceOf(Meeting.Latest.class);
        assertThat(meeting(outlet, Optional.empty())).isEqualTo(new Meeting.Silent("Node port 1"));
        assertThat(meeting(outlet, Optional.of(new BoxSays(false, Merge.LATEST))))
                .isEqualTo(new Meeting.Alone());
        assertThat(new Meeting.Latest("").isAllowed()).isFalse();
        assertThat(new Meeting.Silent("").isAllowed()).isFalse();
        assertThat(new Meeting.Unknown("").isAllowed()).isFalse();
    }

    @Test
    void whatABoxSaysOfTwoSourcesIsHeeded() {
        Plan plan = byArtNet();
        Grip alone = grip(plan, units(1), Optional.of(new BoxSays(false, Merge.HIGHEST)));
        alone.boxSays(outlet(plan), false, true);
        assertThat(alone.ended()).contains(new Ended.Joined(outlet(plan).carrier(), "Node port 1"));
        Grip highest = grip(plan, units(1), Optional.of(new BoxSays(true, Merge.HIGHEST)));
        highest.boxSays(outlet(plan), false, false);
        assertThat(highest.ended()).isEmpty();
        highest.boxSays(outlet(plan), true, false);
        assertThat(highest.ended()).contains(new Ended.SourceGone(outlet(plan).carrier(), "Node port 1"));
    }

    @Test
    void whatAHeldSlotBecomesInAnotherPlanIsAskedAgain() {
        Plan plan = bySacn();
        Grip grip = grip(plan, units(1, 2));
        grip.raise(Map.of(INTENSITY, 9, StartAddress.of(1, 11), 9), "Ann", 0);
        Fixture two = plan.fixture(FixtureKey.of(2)).orElseThrow();
        List<Grip.Left> left = grip.replan(plan.with(two.withTraits(two.traits().withHazard("swings"))));
        assertThat(left).extracting(Grip.Left::slot).containsExactly(StartAddress.of(1, 11));
        assertThat(grip.held().keySet()).containsExactly(INTENSITY);
        grip.arm(FixtureKey.of(2));
        assertThat(grip.raise(Map.of(StartAddress.of(1, 11), 9), "Ann", 0)).isEmpty();
        assertThat(grip.ended()).isEmpty();
    }

    @Test
    void whatIsParkedOfAHazardHoldsItsValueWhateverTheConsoleSends() {
        send(DESK, 100, 10, 20, 30);
        Plan plan = bySacn();
        Fixture one = plan.fixture(FixtureKey.of(1)).orElseThrow();
        Traits care = one.traits().withHazard("laser").withParked(List.of(new Traits.Parked(1, 2, 66, "the zone")));
        Grip grip = grip(plan.with(one.withTraits(care)), units(1));
        assertThat(sent(grip)).as("not armed: the console alone").startsWith(10, 20, 30);
        grip.arm(FixtureKey.of(1));
        assertThat(sent(grip)).startsWith(10, 66, 30);
    }

    @Test
    void anEditThatLeavesItsWaysAsTheyAreEndsNothing() {
        Plan plan = bySacn();
        Grip grip = grip(plan, units(1));
        grip.raise(Map.of(INTENSITY, 9), "Ann", 0);
        Route second = new Route.Sacn(new SacnUniverse(9), new PortRef(1, 2));
        grip.replan(plan(new Route.Sacn(new SacnUniverse(7), new PortRef(1, 1)), second));
        assertThat(grip.ended()).isEmpty();
        assertThat(grip.held().keySet()).containsExactly(INTENSITY);
        assertThat(grip.frames(millis * MILLI))
                .as("what was not armed is not sent")
                .hasSize(1);
    }

    @Test
    void aUniverseThatGoesElsewhereNowIsLetGo() {
        Grip grip = grip(bySacn(), units(1));
        grip.replan(plan(new Route.Sacn(new SacnUniverse(8), new PortRef(1, 1))));
        assertThat(grip.ended()).contains(new Ended.PlanChanged());
    }

    @Test
    void aUniverseWithoutAWayByTheNetworkCannotBeDrivenAndSaysWhy() {
        Plan none = plan();
        assertThat(Outlets.of(none, List.of(UniverseNumber.of(1))).none())
                .containsExactly(new Outlets.NoWay(UniverseNumber.of(1), Outlets.Why.NOT_ROUTED));
        Plan cable = plan(new Route.Direct(new PortRef(1, 1)));
        assertThat(Outlets.of(cable, List.of(UniverseNumber.of(1))).none())
                .containsExactly(new Outlets.NoWay(UniverseNumber.of(1), Outlets.Why.BY_CABLE));
    }
}
