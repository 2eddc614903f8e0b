package taxon.core.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Box;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Universe;
import taxon.core.text.TextRefusedException;

class EditsTest {
    private static final FixtureKey FIRST = FixtureKey.of(1);

    @Test
    void addingCountsIdsUnitsAndAddressesOn() {
        Plan plan = add(empty(), type("t", 16), 4, Optional.of(101), Optional.of(StartAddress.of(2, 480)));
        assertThat(plan.fixtures()).extracting(Fixture::label).containsExactly("101", "102", "103", "104");
        assertThat(plan.fixtures()).extracting(Fixture::unit).containsExactly(1, 2, 3, 4);
        assertThat(plan.fixtures())
                .as("nothing goes to a universe that nobody has named")
                .extracting(f -> f.address(1).map(StartAddress::toString).orElse(""))
                .containsExactly("2.480", "2.496", "2.512", "");
    }

    @Test
    void aPositionOfTheSameNameIsUsedAgain() {
        Plan plan = add(add(empty(), type("t", 1), 2, 1), type("t", 1), 2, 3);
        assertThat(plan.positions()).hasSize(1);
        assertThat(plan.fixtures()).extracting(Fixture::unit).containsExactly(1, 2, 3, 4);
    }

    @Test
    void anEditThatChangesNothingGivesTheSamePlan() {
        Plan plan = add(empty(), type("t", 1), 1, 7);
        assertThat(apply(plan, FixtureEdits.renumber(FIRST, FixtureId.of(7)))).isSameAs(plan);
    }

    @Test
    void anEditOfAFixtureThatIsGoneIsRefused() {
        assertThat(refusal(empty(), FixtureEdits.renumber(FIRST, FixtureId.of(7))))
                .isEqualTo("There is no fixture with the key 1 (0 fixtures in the job).");
        assertThat(refusal(empty(), FixtureEdits.remove(List.of(FIRST)))).contains("no fixture with the key 1");
    }

    @Test
    void aModeThatTheTypeLacksIsRefusedWithTheModesThatItHas() {
        Plan plan = add(empty(), type("t", 1), 1, 7);
        assertThat(refusal(plan, FixtureEdits.chooseMode(FIRST, "wide"))).contains("no mode wide", "only");
    }

    @Test
    void anAddressForABlockThatDoesNotExistIsRefusedAsAWhole() {
        Plan plan = add(empty(), type("t", 1), 1, 7);
        Optional<StartAddress> to = Optional.of(StartAddress.of(1, 1));
        Edit edit = AddressEdits.put("x", Map.of(new BlockRef(FIRST, 1), to, new BlockRef(FIRST, 2), to));
        assertThat(refusal(plan, edit)).contains("no block 1.2", "1 in the mode");
    }

    @Test
    void aUniverseIsRoutedOnlyToAPortThatExists() {
        Plan plan = apply(empty(), NetworkEdits.addBox(Box.node(1, "Quay node", Ipv4.of(2, 0, 0, 10), 4)));
        assertThat(refusal(plan, NetworkEdits.route(universe(new PortRef(1, 5)))))
                .contains("cannot be 5", "1 to 4");
        assertThat(refusal(plan, NetworkEdits.route(universe(new PortRef(2, 1)))))
                .contains("no box 2", "Quay node");
    }

    @Test
    void aNodeThatCarriesAUniverseStays() {
        Plan plan = apply(empty(), NetworkEdits.addBox(Box.node(1, "Quay node", Ipv4.of(2, 0, 0, 10), 4)));
        Plan routed = apply(plan, NetworkEdits.route(universe(new PortRef(1, 4))));
        assertThat(refusal(routed, NetworkEdits.removeBox(1))).contains("in use by universe 3");
        assertThat(refusal(routed, NetworkEdits.putBox(Box.node(1, "Quay node", Ipv4.of(2, 0, 0, 10), 2))))
                .contains("in use by universe 3");
        assertThat(apply(plan, NetworkEdits.removeBox(1)).boxes()).isEmpty();
    }

    @Test
    void evidenceGoesWithItsFixture() {
        Plan plan = add(empty(), type("t", 1), 1, 7);
        Plan known = apply(plan, JobEdits.record("x", List.of(BlockEvidence.none(new BlockRef(FIRST, 1)))));
        assertThat(apply(known, FixtureEdits.remove(List.of(FIRST))).elements().keySet())
                .noneMatch(k -> k.kind() == ElementKey.Kind.EVIDENCE || k.kind() == ElementKey.Kind.FIXTURE);
    }

    @Test
    void aPlanRefusesAFixtureWhoseTypeItLacks() {
        Plan plan = add(empty(), type("t", 1), 1, 7);
        assertThatThrownBy(() -> empty().with(plan.fixtures()))
                .hasMessageContaining("TYPE")
                .hasMessageContaining("lacks");
    }

    @Test
    void namesAreBoundedAndNeverBlankOrBroken() {
        assertThatThrownBy(() -> JobSheet.named("x".repeat(10_000)))
                .isInstanceOf(TextRefusedException.class)
                .hasMessage("The job name has 10000 characters; it takes at most 120.");
        assertThatThrownBy(() -> JobSheet.named(" ")).hasMessageContaining("1 to 120 characters");
        assertThatThrownBy(() -> JobSheet.named("a\nb")).hasMessageContaining("control character");
    }

    @Test
    void whatIsLockedKeepsItsAddressUntilItIsUnlocked() {
        Plan open = add(empty(), type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        Plan plan = apply(open, LockEdits.lock(List.of(FIRST), true));
        BlockRef block = new BlockRef(FIRST, 1);
        String reason = "The fixture 101 is locked at 1.001; unlock it first.";
        assertThat(refusal(plan, AddressEdits.move(block, StartAddress.of(2, 1), "101")))
                .isEqualTo(reason);
        assertThat(refusal(plan, AddressEdits.clear(block, "101"))).isEqualTo(reason);
        assertThat(apply(plan, AddressEdits.move(block, StartAddress.of(1, 1), "101")))
                .isSameAs(plan);
        Plan unlocked = apply(plan, LockEdits.lock(List.of(FIRST), false));
        assertThat(apply(unlocked, AddressEdits.clear(block, "101"))
                        .block(block)
                        .orElseThrow()
                        .start())
                .isEmpty();
    }

    @Test
    void aShareComesToWhatIsLockedAndTwoLockedPlacesCannotBeOne() {
        Plan open = add(empty(), type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(1, 1)));
        List<BlockRef> all = open.blocks().stream().map(PlannedBlock::ref).toList();
        Plan plan = apply(open, LockEdits.lock(List.of(FixtureKey.of(2)), true));
        assertThat(apply(plan, ShareEdits.share(all, "")).blocks())
                .extracting(b -> b.start().orElseThrow())
                .containsOnly(StartAddress.of(1, 17));
        Plan two = apply(plan, LockEdits.lock(List.of(FixtureKey.of(3)), true));
        assertThat(refusal(two, ShareEdits.share(all, "")))
                .isEqualTo("The fixture 103 is locked at 1.033; unlock it first.");
    }

    private static Universe universe(PortRef port) {
        return new Universe(UniverseNumber.of(3), "", List.of(new Route.Sacn(new SacnUniverse(3), port)));
    }

    private static String refusal(Plan plan, Edit edit) {
        Edit.Outcome outcome = edit.applyTo(plan);
        assertThat(outcome).isInstanceOf(Edit.Refused.class);
        return ((Edit.Refused) outcome).reasons().get(0).sentence();
    }
}
