package taxon.core.lines;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.history.WayText;
import taxon.core.length.Length;
import taxon.core.network.BoxKind;
import taxon.core.network.Counting;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.routing.MovedWay;
import taxon.core.testing.Rigs;

/** The way of a fixture from who sends it to its socket, in words; and a way taken elsewhere. */
class UnitWaysTest {
    private static Box box(int number, String name, BoxKind kind) {
        return Box.node(number, name, Ipv4.of(10, 0, 0, number), 4).as(kind);
    }

    /** Three units at 0, 4 and 9 m from a node on one pipe, universe 4 sent by a desk. */
    private static Plan rig(Facts.Reach reach) {
        Plan plan = Rigs.add(
                Rigs.empty(),
                Rigs.typeReachedBy(reach, "t", 8),
                3,
                Optional.of(101),
                Optional.of(StartAddress.of(4, 1)));
        plan = plan.with(List.of(
                hung(plan, 0, "0"),
                hung(plan, 1, "4"),
                hung(plan, 2, "9"),
                box(1, "Quay node", BoxKind.NODE).at(BoxPlace.at(1)),
                box(2, "Desk", BoxKind.CONSOLE),
                box(3, "Split", BoxKind.SPLITTER).at(BoxPlace.at(1))));
        return plan.with(new Universe(
                UniverseNumber.of(4),
                "",
                List.of(new Route.ArtNet(new PortAddress(4), new PortRef(1, 2))),
                List.of(new Universe.Source(2, 100))));
    }

    private static Fixture hung(Plan plan, int index, String metres) {
        return plan.fixtures().get(index).withOffset(Optional.of(Length.metres(metres)));
    }

    private static LineStop unit(Plan plan, int index) {
        return new LineStop.Unit(plan.fixtures().get(index).key());
    }

    private static String way(Plan plan, int index) {
        Fixture fixture = plan.fixtures().get(index);
        List<UnitWay> ways = UnitWays.of(plan, fixture);
        assertThat(UnitWays.of(plan).of(fixture)).isEqualTo(ways);
        return WayText.of(plan, fixture, ways.get(0));
    }

    @Test
    void fromTheDeskOverThePortDownTheLine() {
        Plan plan = rig(Facts.Reach.LINE);
        Plan lined =
                plan.with(new Line(1, "B", new PortRef(1, 2), List.of(unit(plan, 0), unit(plan, 1), unit(plan, 2))));
        // 4 m to the second, and a metre of slack at each of the two.
        assertThat(way(lined, 1)).isEqualTo("Desk → Art-Net 0·0·4 → Quay node port 2 → line B, 2nd of 3, 6.0 m");
    }

    @Test
    void overASplitterBothLinesAreNamedAndTheirCableAdded() {
        Plan plan = rig(Facts.Reach.LINE);
        Plan lined = plan.with(List.of(
                new Line(1, "Feed", new PortRef(1, 2), List.of(new LineStop.Through(3))),
                new Line(2, "C", new PortRef(3, 4), List.of(unit(plan, 2)))));
        assertThat(way(lined, 2))
                .isEqualTo(
                        "Desk → Art-Net 0·0·4 → Quay node port 2 → line Feed → Split port 4 → line C, 1st of 1, 11.0 m");
    }

    @Test
    void whereNoLineLeadsThatIsSaid() {
        assertThat(way(rig(Facts.Reach.LINE), 0)).endsWith("Quay node port 2 → no line yet");
        assertThat(way(rig(Facts.Reach.WIRELESS), 0)).isEqualTo("Desk → no transmitter sends it");
        Plan nowhere = rig(Facts.Reach.LINE).with(Universe.unrouted(UniverseNumber.of(4)));
        assertThat(way(nowhere, 0)).isEqualTo("universe 4 → routed nowhere");
    }

    private static Universe moved(Plan plan, Optional<PortRef> from, PortRef to) {
        Edit edit = MovedWay.of(plan.universe(UniverseNumber.of(4)), from, to);
        return ((Edit.Changed) edit.applyTo(plan)).plan().universe(UniverseNumber.of(4));
    }

    @Test
    void aWayTakenToAnotherPortKeepsItsNumber() {
        Plan plan = rig(Facts.Reach.LINE);
        Universe sacn = plan.universe(UniverseNumber.of(4))
                .with(List.of(new Route.Sacn(new SacnUniverse(77), new PortRef(1, 2))));
        assertThat(moved(plan.with(sacn), Optional.of(new PortRef(1, 2)), new PortRef(1, 3))
                        .routes())
                .containsExactly(new Route.Sacn(new SacnUniverse(77), new PortRef(1, 3)));
        assertThat(moved(plan, Optional.empty(), new PortRef(1, 3)).routes()).hasSize(2);
        assertThat(moved(plan, Optional.of(new PortRef(1, 2)), new PortRef(2, 1))
                        .routes())
                .containsExactly(new Route.Direct(new PortRef(2, 1)));
    }

    @Test
    void aWayThatIsNotThereIsNotTakenAway() {
        Plan plan = rig(Facts.Reach.LINE);
        Universe universe = plan.universe(UniverseNumber.of(4));
        assertThat(MovedWay.of(universe, Optional.of(new PortRef(1, 4)), new PortRef(1, 3))
                        .applyTo(plan))
                .isInstanceOf(Edit.Refused.class);
        assertThat(MovedWay.of(universe, Optional.of(new PortRef(1, 2)), new PortRef(1, 2))
                        .applyTo(plan))
                .isInstanceOf(Edit.Refused.class);
        assertThat(MovedWay.of(universe, Optional.empty(), new PortRef(3, 1)).applyTo(plan))
                .isInstanceOf(Edit.Refused.class);
        Plan counted = plan.with(plan.sheet().withCounting(new Counting(32_766, 0)))
                .with(Universe.unrouted(UniverseNumber.of(4)));
        assertThat(MovedWay.of(universe, Optional.empty(), new PortRef(1, 3)).applyTo(counted))
                .isInstanceOf(Edit.Refused.class);
    }
}
