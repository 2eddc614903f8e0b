package taxon.core.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.FixtureType;
import taxon.core.handover.AudienceNotice.Audience;
import taxon.core.handover.AudienceNotice.Notice;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.testing.Rigs;

class AudienceNoticeTest {
    private static final FixtureType SPOT = Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan=128"));

    private static Plan before() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 4, 101).with(Box.node(1, "Node", Ipv4.of(127, 0, 0, 2), 4));
        for (int i = 1; i <= 4; i++) {
            plan = Rigs.place(plan, i, 1, StartAddress.of(1, i * 10));
        }
        return plan;
    }

    private static Fixture fixture(Plan plan, int key) {
        return plan.fixture(FixtureKey.of(key)).orElseThrow();
    }

    @Test
    void nothingChangedIsNothingForAnybody() {
        for (Audience audience : Audience.values()) {
            Notice notice = AudienceNotice.of(before(), before(), audience);
            assertThat(notice.lines()).isEmpty();
            assertThat(notice.patterns()).isEmpty();
        }
        assertThat(AudienceNotice.of(before(), before(), Audience.CREW).heading())
                .isEqualTo("No unit has to be touched.");
    }

    @Test
    void crewTouchesWhatIsSetOtherwiseInWalkingOrderAndNothingElse() {
        Plan after = Rigs.place(before(), 3, 1, StartAddress.of(2, 1));
        after = after.with(fixture(after, 1).withAddress(1, Optional.of(StartAddress.of(1, 200))));
        after = after.with(fixture(after, 2).withWords("Wash left", "a note"));
        Notice crew = AudienceNotice.of(before(), after, Audience.CREW);
        assertThat(crew.heading()).isEqualTo("2 units have to be touched, in walking order.");
        assertThat(crew.lines())
                .extracting(l -> l.who() + " " + l.what() + " " + l.was() + " " + l.is())
                .containsExactly("101 address 1.010 1.200", "103 address 1.030 2.001");
    }

    @Test
    void whatIsNewIsHungAndWhatIsGoneIsTakenDown() {
        Plan after = Rigs.add(before(), SPOT, 1, 201).without(List.of(Fixture.keyOf(FixtureKey.of(4))));
        Notice crew = AudienceNotice.of(before(), after, Audience.CREW);
        assertThat(crew.lines())
                .extracting(l -> l.who() + ": " + l.what())
                .containsExactly("201: hang it and set it", "104: take it down");
        assertThat(AudienceNotice.of(before(), after, Audience.PROGRAMMER).heading())
                .isEqualTo("To patch: 0 moved, 0 in another mode or type, 1 new, 1 gone.");
    }

    @Test
    void theNetworkHearsOfPortsAndNotOfUnits() {
        Plan after = Rigs.place(before(), 1, 1, StartAddress.of(2, 1))
                .with(new Universe(
                        UniverseNumber.of(2),
                        "gate",
                        List.of(new Route.ArtNet(new PortAddress(2), new PortRef(1, 2)))));
        Notice network = AudienceNotice.of(before(), after, Audience.NETWORK);
        assertThat(network.lines())
                .isNotEmpty()
                .allSatisfy(l -> assertThat(l.who()).contains("niverse 2"));
        assertThat(network.heading()).isEqualTo("1 box, line or universe to look at.");
    }

    @Test
    void theProgrammerIsToldThePatternBeforeTheRows() {
        Plan after = before();
        for (int i = 1; i <= 4; i++) {
            after = Rigs.place(after, i, 1, StartAddress.of(3, i * 10));
        }
        Notice programmer = AudienceNotice.of(before(), after, Audience.PROGRAMMER);
        assertThat(programmer.patterns()).containsExactly("Universes are 2 higher there, in 4 rows.");
        assertThat(programmer.heading()).startsWith("To patch: 4 moved");
        assertThat(programmer.lines()).hasSize(4);
    }
}
