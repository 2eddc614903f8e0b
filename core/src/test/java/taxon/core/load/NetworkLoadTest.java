package taxon.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.FindingText;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.network.BoxKind;
import taxon.core.network.Delivery;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxFacts.Snooping;
import taxon.core.rig.Element;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

/** A desk and two nodes at one switch. */
class NetworkLoadTest {
    private static final int SWITCH = 1;
    private static final int DESK = 2;
    private static final int NODE = 3;
    private static final int OTHER = 4;

    private static Box box(int number, BoxKind kind, Optional<PortRef> reaches, Snooping snooping) {
        BoxFacts none = BoxFacts.NONE;
        return Box.node(number, kind.words() + number, Ipv4.of(10, 0, 0, number), 64)
                .as(kind)
                .with(new BoxFacts(
                        none.mostUniverses(), none.shows(), reaches, none.fixture(), 100, snooping, true, ""));
    }

    private static Plan rig(Snooping snooping, List<Universe> universes) {
        List<Element> all = new ArrayList<>(universes);
        all.add(box(SWITCH, BoxKind.SWITCH, Optional.empty(), snooping));
        for (int end : new int[] {DESK, NODE, OTHER}) {
            all.add(box(
                    end,
                    end == DESK ? BoxKind.CONSOLE : BoxKind.NODE,
                    Optional.of(new PortRef(SWITCH, end)),
                    Snooping.UNKNOWN));
        }
        return Rigs.empty().with(all);
    }

    private static Universe universe(int number, Route... routes) {
        return new Universe(UniverseNumber.of(number), "", List.of(routes), List.of(new Universe.Source(DESK, 100)));
    }

    private static Route sacn(int number, Delivery delivery, int box) {
        return new Route.Sacn(new SacnUniverse(number), delivery, 100, new PortRef(box, (number - 1) % 64 + 1));
    }

    private static CableLoad cable(Plan plan, int box) {
        return NetworkLoad.of(plan).cables().stream()
                .filter(c -> c.box().number() == box)
                .findFirst()
                .orElseThrow();
    }

    /** 100 Mbit/s carries 400 universes of streaming ACN at full rate on paper; no more than half is planned (common practice). */
    @Test
    void fourHundredUniversesFillAHundredMegabits() {
        assertThat(400 * Stream.Protocol.SACN.bits() / 100e6).isEqualTo(1, within(0.01));
        List<Universe> universes = new ArrayList<>();
        for (int u = 1; u <= 64; u++) {
            universes.add(universe(u, sacn(u, Delivery.TO_GROUP, NODE)));
        }
        CableLoad load = cable(rig(Snooping.ON, universes), NODE);
        assertThat(load.share()).isEqualTo(0.16, within(0.005));
        assertThat(load.universesMore()).isEqualTo(201 - 64);
        assertThat(load.sacn()).isEqualTo(64);
    }

    private static List<String> full(int universes) {
        List<Universe> all = new ArrayList<>();
        for (int u = 1; u <= universes; u++) {
            all.add(universe(u, sacn(u, Delivery.TO_GROUP, NODE)));
        }
        return PlanCheck.of(rig(Snooping.ON, all)).byRule().get(Rule.CABLE_FULL).stream()
                .map(FindingText::sentence)
                .toList();
    }

    /** Common practice plans with half of a cable. */
    @Test
    void moreThanHalfOfACableIsAFindingAndHalfIsNot() {
        assertThat(full(201)).isEmpty();
        assertThat(full(202))
                .containsExactly(
                        "The cable of console2 carries 50 of 100 Mbit/s when everything is sent at full rate; "
                                + "no more than half is planned with.",
                        "The cable of node3 carries 50 of 100 Mbit/s when everything is sent at full rate; "
                                + "no more than half is planned with.");
    }

    @Test
    void multicastSpillsBehindASwitchThatDoesNotSnoop() {
        List<Universe> universes = List.of(universe(1, sacn(1, Delivery.TO_GROUP, NODE)));
        assertThat(cable(rig(Snooping.OFF, universes), OTHER).spilt()).isEqualTo(1);
        assertThat(cable(rig(Snooping.UNKNOWN, universes), OTHER).toBox()).isPositive();
        assertThat(cable(rig(Snooping.ON, universes), OTHER).toBox()).isZero();
        assertThat(cable(rig(Snooping.OFF, universes), NODE).spilt()).isZero();
    }

    @Test
    void unicastGoesOneWayAndBroadcastEverywhere() {
        Route unicast = new Route.ArtNet(new PortAddress(1), Delivery.TO_BOX, new PortRef(NODE, 1));
        Plan one = rig(Snooping.OFF, List.of(universe(1, unicast)));
        assertThat(cable(one, OTHER).toBox()).isZero();
        assertThat(cable(one, NODE).toBox()).isEqualTo(Stream.Protocol.ART_NET.bits());
        assertThat(cable(one, DESK).fromBox()).isEqualTo(Stream.Protocol.ART_NET.bits());
        Route broadcast = new Route.ArtNet(new PortAddress(1), Delivery.TO_ALL, new PortRef(NODE, 1));
        assertThat(cable(rig(Snooping.ON, List.of(universe(1, broadcast))), OTHER)
                        .spilt())
                .isEqualTo(1);
    }

    @Test
    void unicastToTwoBoxesIsSentTwiceAndAGroupOnce() {
        Plan twice =
                rig(Snooping.ON, List.of(universe(1, sacn(1, Delivery.TO_BOX, NODE), sacn(1, Delivery.TO_BOX, OTHER))));
        assertThat(cable(twice, DESK).sacn()).isEqualTo(2);
        Plan group = rig(
                Snooping.ON, List.of(universe(1, sacn(1, Delivery.TO_GROUP, NODE), sacn(1, Delivery.TO_GROUP, OTHER))));
        assertThat(cable(group, DESK).sacn()).isEqualTo(1);
        assertThat(cable(group, NODE).sacn()).isEqualTo(1);
    }

    @Test
    void whatIsNotKnownIsSaid() {
        Universe nobody = new Universe(UniverseNumber.of(7), "", List.of(sacn(7, Delivery.TO_GROUP, NODE)));
        assertThat(NetworkLoad.of(rig(Snooping.ON, List.of(nobody))).unsent()).containsExactly(UniverseNumber.of(7));
        Plan plan = rig(Snooping.ON, List.of(universe(1, sacn(1, Delivery.TO_GROUP, NODE))));
        Plan loose = plan.with(box(NODE, BoxKind.NODE, Optional.empty(), Snooping.UNKNOWN));
        assertThat(NetworkLoad.of(loose).apart()).containsExactly(UniverseNumber.of(1));
    }
}
