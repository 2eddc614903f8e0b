package taxon.core.boxcheck;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

/** Two nodes are planned, at 10.0.0.11 and 10.0.0.12. */
class BoxesHeardTest {
    private static final Box QUAY = Box.node(1, "Quay node", ip(11), 2);
    private static final Box BOW = Box.node(2, "Bow node", ip(12), 2);
    private static final Plan PLAN = Rigs.empty().with(List.of(QUAY, BOW));

    private static Ipv4 ip(int last) {
        return Ipv4.of(10, 0, 0, last);
    }

    private static SeenBox seen(int last, String name) {
        return new SeenBox(ip(last), ip(last), name, Optional.of(8), List.of());
    }

    private static BoxesHeard heard(SeenBox... seen) {
        return new BoxesHeard(List.of(new NetCard(ip(200), 8)), List.of(seen), Map.of());
    }

    private static Silence silence(BoxesHeard heard, Box box) {
        return heard.of(PLAN, box).silence();
    }

    @Test
    void whoAnswersAtAnAddressAnswersForItsBoxWhateverItIsCalled() {
        BoxesHeard heard = heard(seen(11, "Stranger"), seen(12, "Bow node"));
        assertThat(heard.of(PLAN, QUAY).answers()).extracting(SeenBox::name).containsExactly("Stranger");
        assertThat(heard.of(PLAN, BOW).isThere()).isTrue();
        assertThat(heard.unplanned(PLAN)).isEmpty();
    }

    @Test
    void aSilentBoxIsTakenForTheNearestOfItsNameThatHasNoPlace() {
        BoxesHeard heard = heard(seen(90, "Quay node"), seen(77, "quay node"), seen(12, "Bow node"));
        assertThat(silence(heard, QUAY)).isEqualTo(new Silence.Elsewhere(ip(77), 1));
        // The other one of that name is nobody's.
        assertThat(heard.unplanned(PLAN)).extracting(SeenBox::answering).containsExactly(ip(90));
    }

    @Test
    void whereTwoAnswerElsewhereItIsKnown() {
        assertThat(silence(heard(seen(77, "Quay node"), seen(77, "Stranger")), QUAY))
                .isEqualTo(new Silence.Elsewhere(ip(77), 2));
    }

    /** A box of that name that sits at the address of another planned box is no place where the silent one could be. */
    @Test
    void whoAnswersForAnotherPlannedBoxIsNotTakenForTheSilentOne() {
        BoxesHeard heard = heard(seen(12, "Quay node"));
        assertThat(silence(heard, QUAY)).isEqualTo(new Silence.NoAnswer());
    }

    @Test
    void theCauseThatIsKnownBestIsTold() {
        NetCard other = new NetCard(Ipv4.of(192, 168, 1, 5), 24);
        BoxesHeard outside = new BoxesHeard(List.of(other), List.of(), Map.of(ip(12), new Silence.NotAsked()));
        assertThat(silence(outside, QUAY)).isEqualTo(new Silence.OtherRange(other));
        assertThat(silence(outside, BOW)).isEqualTo(new Silence.NotAsked());
        BoxesHeard found =
                new BoxesHeard(List.of(other), List.of(seen(40, "Bow node")), Map.of(ip(12), new Silence.NotAsked()));
        assertThat(silence(found, BOW)).isEqualTo(new Silence.Elsewhere(ip(40), 1));
        BoxesHeard unknown = new BoxesHeard(List.of(), List.of(), Map.of());
        assertThat(silence(unknown, QUAY)).isEqualTo(new Silence.NoAnswer());
    }

    @Test
    void whatIsPlannedNowhereIsUnplanned() {
        assertThat(heard(seen(11, "Quay node"), seen(50, "Spare node")).unplanned(PLAN))
                .extracting(SeenBox::name)
                .containsExactly("Spare node");
    }

    @Test
    void aBoxIsInRangeWhereOneOfSeveralCardsReachesIt() {
        NetCard far = new NetCard(Ipv4.of(192, 168, 1, 5), 24);
        NetCard near = new NetCard(ip(200), 8);
        assertThat(silence(new BoxesHeard(List.of(far, near), List.of(), Map.of()), QUAY))
                .isEqualTo(new Silence.NoAnswer());
        assertThat(silence(new BoxesHeard(List.of(far), List.of(), Map.of()), QUAY))
                .isEqualTo(new Silence.OtherRange(far));
    }

    private static SeenBox quay(Direction first, int address) {
        return new SeenBox(
                ip(11),
                ip(11),
                "Quay node",
                Optional.of(8),
                List.of(
                        new SeenPort(first, new PortAddress(address), true),
                        new SeenPort(Direction.IN, new PortAddress(9), true)));
    }

    @Test
    void whatKeepsLevelsFromAUnitIsToldOfItsOwnPortAlone() {
        Plan routed = PLAN.with(new Universe(
                UniverseNumber.of(1), "", List.of(new Route.ArtNet(new PortAddress(5), new PortRef(1, 1)))));
        Plan plan = Rigs.place(
                Rigs.add(routed, Rigs.typeOf("lamp", ChannelScript.block("Main", "Dimmer")), 1, 101),
                1,
                1,
                StartAddress.of(1, 1));
        Fixture lamp = plan.fixtures().get(0);
        assertThat(WayTroubles.of(plan, lamp, heard(quay(Direction.OUT, 5), seen(12, "Bow node"))))
                .isEmpty();
        assertThat(WayTroubles.of(plan, lamp, heard(quay(Direction.OUT, 6))))
                .singleElement()
                .asString()
                .contains("0·0·6");
        assertThat(WayTroubles.of(plan, lamp, heard(quay(Direction.IN, 5))))
                .singleElement()
                .asString()
                .contains("input");
        assertThat(WayTroubles.of(plan, lamp, heard(seen(12, "Bow node"))))
                .as("the silent one is told, and not the other")
                .singleElement()
                .asString()
                .startsWith("Quay node at 10.0.0.11");
    }
}
