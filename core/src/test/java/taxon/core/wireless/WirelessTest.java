package taxon.core.wireless;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.fixture.Facts.Reach;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.history.WayText;
import taxon.core.lines.UnitWays;
import taxon.core.network.BoxKind;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.RadioLink;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.testing.Rigs;

/** Who hears by radio from whom, what a link that was made is worth, and when it has to be made anew. */
class WirelessTest {
    private static final Instant NOON = Instant.parse("2026-05-01T12:00:00Z");
    private static final PortRef FIRST = new PortRef(5, 1);
    private static final PortRef SECOND = new PortRef(5, 2);

    /** Three wireless units on universe 7, and a transmitter with two outputs that nothing comes to yet. */
    private static Plan rig() {
        Plan plan = Rigs.add(
                Rigs.empty(),
                Rigs.typeReachedBy(Reach.WIRELESS, "uplight", 8),
                3,
                Optional.of(901),
                Optional.of(StartAddress.of(7, 1)));
        return plan.with(Box.node(5, "Dock radio", Ipv4.of(10, 0, 0, 5), 2).as(BoxKind.TRANSMITTER));
    }

    private static Plan sent(Plan plan, int universe, PortRef... channels) {
        return plan.with(plan.universe(UniverseNumber.of(universe))
                .with(List.of(channels).stream()
                        .<Route>map(c -> new Route.Sacn(new SacnUniverse(universe), c))
                        .toList()));
    }

    private static RadioLink.Receiver unit(Plan plan, int index) {
        return new RadioLink.BuiltIn(plan.fixtures().get(index).key());
    }

    private static List<RadioLink.Receiver> all(Plan plan) {
        return List.of(unit(plan, 0), unit(plan, 1), unit(plan, 2));
    }

    private static Plan done(Plan plan, Edit edit) {
        return ((Edit.Changed) edit.applyTo(plan)).plan();
    }

    private static String refused(Plan plan, Edit edit) {
        return ((Edit.Refused) edit.applyTo(plan)).reasons().get(0).sentence();
    }

    private static Plan linked(Plan plan, PortRef to) {
        return done(plan, LinkEdits.link(all(plan), to, NOON, "Kim"));
    }

    private static LinkState state(Plan plan) {
        return AirWays.of(plan).of(unit(plan, 0)).orElseThrow().state();
    }

    private static List<String> found(Plan plan, Rule rule) {
        return PlanCheck.of(plan).byRule().get(rule).stream()
                .map(FindingText::sentence)
                .toList();
    }

    @Test
    void aUnitThatNoTransmitterSendsToHearsNothingAndThatIsSaid() {
        Plan toANode = rig().with(Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 1), 4));
        assertThat(state(toANode)).isEqualTo(LinkState.NO_CHANNEL);
        Plan routed = sent(toANode, 7, new PortRef(1, 1));
        assertThat(found(routed, Rule.SENT_BY_NO_RADIO))
                .containsExactly("901, 902 and 903 hear by radio, and no transmitter sends universe 7.");
        assertThat(found(sent(toANode, 7, FIRST), Rule.SENT_BY_NO_RADIO)).isEmpty();
    }

    /** Nobody routed the universe: one finding says so, not two. */
    @Test
    void aUniverseThatIsRoutedNowhereIsOneFindingWhoseRemedyIsTheTransmitter() {
        Plan plan = rig().with(Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 1), 4));
        assertThat(found(plan, Rule.SENT_BY_NO_RADIO)).isEmpty();
        Finding finding =
                PlanCheck.of(plan).byRule().get(Rule.UNIVERSE_UNROUTED).get(0);
        assertThat(finding.remedy().orElseThrow().label())
                .isEqualTo("Carry it as streaming ACN 7 to Dock radio port 1");
    }

    @Test
    void whatIsSentAndWasNeverLinkedIsANote() {
        Plan plan = sent(rig(), 7, FIRST);
        assertThat(state(plan)).isEqualTo(LinkState.NEVER_LINKED);
        assertThat(found(plan, Rule.NEVER_LINKED))
                .containsExactly(
                        "901, 902 and 903 have never been linked to Dock radio port 1, as far as anyone has said.");
        assertThat(found(linked(plan, FIRST), Rule.NEVER_LINKED)).isEmpty();
    }

    @Test
    void aLinkHoldsWhileItsChannelSendsTheUniverse() {
        Plan plan = linked(sent(rig(), 7, FIRST), FIRST);
        assertThat(state(plan)).isEqualTo(LinkState.LINKED);
        assertThat(plan.radioLink(unit(plan, 1))).contains(RadioLink.made(unit(plan, 1), FIRST, NOON, "Kim"));
        // The universe leaves by the other output now, and another one by this.
        Plan moved = sent(sent(plan, 7, SECOND), 3, FIRST);
        assertThat(state(moved)).isEqualTo(LinkState.LINKED_ELSEWHERE);
        assertThat(found(moved, Rule.LINKED_ELSEWHERE))
                .containsExactly("901, 902 and 903 are linked to Dock radio port 1, which sends universe 3; "
                        + "they are to hear universe 7.");
        assertThat(state(linked(moved, SECOND))).isEqualTo(LinkState.LINKED);
    }

    @Test
    void aUnitThatMovesToAnotherUniverseIsLinkedElsewhereUntilItIsLinkedAnew() {
        Plan plan = linked(sent(sent(rig(), 7, FIRST), 8, SECOND), FIRST);
        Fixture first = plan.fixtures().get(0);
        Plan moved = plan.with(first.withAddresses(new TreeMap<>(Map.of(1, StartAddress.of(8, 1)))));
        assertThat(found(moved, Rule.LINKED_ELSEWHERE))
                .containsExactly(
                        "901 is linked to Dock radio port 1, which sends universe 7; it is to hear universe 8.");
    }

    @Test
    void aLostLinkSaysAfterWhatUntilItIsMadeAnew() {
        Plan plan = linked(sent(rig(), 7, FIRST), FIRST);
        RadioLink.Loss loss = new RadioLink.Loss(NOON.plusSeconds(60), "Ana", "transmitter reset");
        Plan lost = done(plan, LinkEdits.lose(all(plan), loss));
        assertThat(state(lost)).isEqualTo(LinkState.LOST);
        assertThat(found(lost, Rule.LINK_LOST))
                .containsExactly(
                        "901, 902 and 903 have to be linked to Dock radio port 1 anew: lost after transmitter reset.");
        assertThat(found(linked(lost, FIRST), Rule.LINK_LOST)).isEmpty();
    }

    /** The receiver's own plan counts, not any channel that happens to send the same. */
    @Test
    void aReceiverOfItsOwnHearsForTheUnitsOnItsLine() {
        Plan plan =
                Rigs.add(Rigs.empty(), Rigs.type("par", 8), 2, Optional.of(101), Optional.of(StartAddress.of(7, 1)));
        Box receiver = Box.node(6, "Tower receiver", Ipv4.of(10, 0, 0, 6), 1)
                .as(BoxKind.RECEIVER)
                .with(BoxFacts.NONE.reaching(SECOND));
        plan = plan.with(List.of(
                Box.node(5, "Dock radio", Ipv4.of(10, 0, 0, 5), 2).as(BoxKind.TRANSMITTER),
                receiver,
                new Line(
                        1,
                        "Tower",
                        new PortRef(6, 1),
                        plan.fixtures().stream()
                                .<LineStop>map(f -> new LineStop.Unit(f.key()))
                                .toList())));
        plan = sent(plan, 7, FIRST, SECOND);
        AirWay way = AirWays.of(plan).all().get(0);
        assertThat(way.channels()).containsExactly(SECOND);
        assertThat(way.units()).hasSize(2);
        assertThat(AirWays.of(plan).of(plan.fixtures().get(1).key())).containsExactly(way);
        Plan wrong = done(plan, LinkEdits.link(List.of(way.receiver()), FIRST, NOON, "Kim"));
        assertThat(AirWays.of(wrong).all().get(0).state()).isEqualTo(LinkState.LINKED_ELSEWHERE);
        assertThat(WayText.of(
                        plan,
                        plan.fixtures().get(1),
                        UnitWays.of(plan, plan.fixtures().get(1)).get(0)))
                .startsWith("universe 7 → sACN 7 → Dock radio port 2 → Tower receiver port 1 → line Tower, 2nd of 2");
    }

    @Test
    void theWayOfAUnitEndsInItsLink() {
        Plan plan = sent(rig(), 7, FIRST);
        assertThat(way(plan)).isEqualTo("universe 7 → sACN 7 → Dock radio port 1 → by radio, not linked yet");
        assertThat(way(linked(plan, FIRST))).endsWith("by radio, linked");
        assertThat(way(linked(plan, SECOND))).endsWith("by radio, linked to another channel");
    }

    private static String way(Plan plan) {
        Fixture fixture = plan.fixtures().get(0);
        return WayText.of(plan, fixture, UnitWays.of(plan, fixture).get(0));
    }

    @Test
    void whatIsNoReceiverAndWhatIsNoChannelIsRefused() {
        Plan plan = Rigs.add(rig(), Rigs.type("par", 8), 1, Optional.of(101), Optional.empty());
        FixtureKey cabled = plan.fixtures().stream()
                .map(Fixture::key)
                .filter(k -> rig().fixture(k).isEmpty())
                .findFirst()
                .orElseThrow();
        List<RadioLink.Receiver> receivers = all(rig());
        assertThat(refused(plan, LinkEdits.link(List.of(new RadioLink.BuiltIn(cabled)), FIRST, NOON, "Kim")))
                .isEqualTo(
                        "The receiver cannot be 101; it takes a unit with a wireless receiver in it, or a wireless receiver.");
        assertThat(refused(plan, LinkEdits.link(receivers, new PortRef(5, 3), NOON, "Kim")))
                .isEqualTo(
                        "The channel cannot be Dock radio port 3; it takes Dock radio port 1 and Dock radio port 2.");
        assertThat(refused(plan, LinkEdits.lose(receivers, new RadioLink.Loss(NOON, "Kim", "reset"))))
                .isEqualTo("There is no link 901 (a receiver that was linked).");
    }

    @Test
    void linksGoWithTheirUnitAndWithTheirTransmitterAndComeBackByUndo() {
        Plan plan = linked(rig(), FIRST);
        Plan without = done(plan, NetworkEdits.removeBox(5));
        assertThat(without.radioLinks()).isEmpty();
        PlanDelta delta = PlanDelta.between(plan, without);
        assertThat(ChangeLines.of(delta, plan))
                .contains(new ChangeLine("Link of 902", ChangeLine.GONE, "to Dock radio port 1", ""));
        assertThat(plan.without(Set.of(Fixture.keyOf(plan.fixtures().get(0).key())))
                        .radioLinks())
                .hasSize(2);
    }

    @Test
    void whatWasSaidByMistakeIsForgotten() {
        Plan plan = linked(rig(), FIRST);
        assertThat(done(plan, LinkEdits.forget(List.of(unit(plan, 0)))).radioLinks())
                .hasSize(2);
        assertThat(done(rig(), LinkEdits.forget(all(plan)))).isEqualTo(rig());
    }

    /** A receiver belongs to one channel: what two send apart it cannot hear, though a transmitter sends each. */
    @Test
    void aUnitOnTwoUniversesNeedsOneChannelThatSendsBoth() {
        Plan plan = Rigs.add(
                Rigs.empty(),
                Rigs.typeReachedBy(Reach.WIRELESS, "uplight", 8, 4),
                1,
                Optional.of(901),
                Optional.of(StartAddress.of(7, 1)));
        Fixture unit = plan.fixtures().get(0);
        plan = plan.with(Box.node(5, "Dock radio", Ipv4.of(10, 0, 0, 5), 2).as(BoxKind.TRANSMITTER))
                .with(unit.withAddresses(new TreeMap<>(Map.of(1, StartAddress.of(7, 1), 2, StartAddress.of(8, 1)))));
        plan = sent(sent(plan, 7, FIRST), 8, SECOND);
        assertThat(found(plan, Rule.SENT_BY_NO_RADIO))
                .containsExactly("901 hears by radio, and no one channel of a transmitter sends universes 7 and 8.");
    }
}
