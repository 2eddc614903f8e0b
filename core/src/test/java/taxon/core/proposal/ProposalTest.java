package taxon.core.proposal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.arranging.Arranging;
import taxon.core.arranging.ArrangingProposal;
import taxon.core.arranging.Spread;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.fixture.FixtureType;
import taxon.core.length.Length;
import taxon.core.modes.ChangeProposal;
import taxon.core.modes.ChangeRequest;
import taxon.core.modes.ChangeRequest.Switch;
import taxon.core.modes.ModeChange;
import taxon.core.proof.Price;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Proposed;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.TableProposal;
import taxon.core.testing.Rigs;

class ProposalTest {

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    /** Some units are set, some of them to what is no longer planned. */
    private static Plan partlySet(long seed) {
        Random random = new Random(seed);
        Plan plan = Rigs.random(seed);
        List<BlockEvidence> known = new ArrayList<>();
        plan.blocks().stream()
                .filter(b -> b.start().isPresent() && random.nextInt(3) == 0)
                .forEach(b -> known.add(BlockEvidence.none(b.ref())
                        .withSet(new Mark(
                                random.nextBoolean() ? b.start().orElseThrow() : StartAddress.of(5, 5),
                                b.mode().name(),
                                Instant.EPOCH,
                                "crew"))));
        return plan.with(known);
    }

    private static <T extends Proposed> Proposal<T> of(Plan plan, T content) {
        return Proposal.of(plan, PlanCheck.of(plan), content);
    }

    private static PlacementRequest everything(Style style) {
        return new PlacementRequest(Scope.ALL, Set.of(), Wish.USUAL.withStyle(style));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theDifferenceIsWhatTheKindsOwnEditMakes(long seed) {
        Plan plan = partlySet(seed);
        for (Style style : Style.values()) {
            AddressProposal content = Planner.propose(plan, everything(style));
            Plan after = Rigs.apply(plan, content.edit());
            Proposal<AddressProposal> proposal = of(plan, content);
            assertThat(Rigs.apply(plan, proposal.edit())).isEqualTo(after);
            assertThat(proposal.delta()).isEqualTo(PlanDelta.between(plan, after));
            assertThat(proposal.brought()).isEqualTo(PlanCheck.of(after).broughtSince(PlanCheck.of(plan)));
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void thePlannersPriceIsThatOfWhatDiffers(long seed) {
        Plan plan = partlySet(seed);
        for (Style style : Style.values()) {
            AddressProposal content = Planner.propose(plan, everything(style));
            assertThat(of(plan, content).price()).as(style.toString()).isEqualTo(content.price());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void thePriceOfAChangeOfModesIsThatOfWhatDiffers(long seed) {
        Plan plan = partlySet(seed);
        FixtureType other = Rigs.type("other", 1 + (int) (seed % 60));
        Set<FixtureKey> some = plan.fixtures().stream()
                .map(Fixture::key)
                .filter(k -> k.number() % 3 == seed % 3)
                .collect(Collectors.toSet());
        for (ChangeRequest.Style style : ChangeRequest.Style.values()) {
            ChangeProposal content =
                    ModeChange.propose(plan, new ChangeRequest(List.of(new Switch(some, other, "only")), style));
            assertThat(of(plan, content).price()).as(style.toString()).isEqualTo(content.price());
        }
    }

    @Test
    void whatIsNotThereAnyMoreAsItWasIsNotOverwritten() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 1);
        Edit edit = of(plan, Planner.propose(plan, everything(Style.IN_ORDER))).edit();
        Plan elsewhere = Rigs.place(plan, 2, 1, StartAddress.of(9, 9));
        assertThat(edit.applyTo(elsewhere)).isInstanceOf(Edit.Refused.class);
    }

    @Test
    void whatALockForbidsIsRefusedInThePreviewAndWhenItIsApplied() {
        Plan plan = Rigs.place(Rigs.add(Rigs.empty(), Rigs.type("t", 4), 2, 1), 1, 1, StartAddress.of(1, 1));
        Fixture first = plan.fixture(FixtureKey.of(1)).orElseThrow();
        Plan locked = plan.with(first.withTraits(first.traits().withLocked(true)));
        Proposal<TableProposal> proposal = of(
                locked,
                TableProposal.of(
                        locked, "Cells", List.of(new FieldChange(FixtureKey.of(1), FixtureColumn.ADDRESS, "2.001"))));
        assertThat(proposal.content().omissions().size() + proposal.refusals().size())
                .isEqualTo(1);
        assertThat(proposal.changesNothing()).isTrue();
    }

    @Test
    void aStopThatACellWouldBringIsToldBeforeItIsApplied() {
        Plan plan = Rigs.place(Rigs.add(Rigs.empty(), Rigs.type("t", 4), 2, 1), 1, 1, StartAddress.of(1, 1));
        Proposal<TableProposal> proposal = of(
                plan,
                TableProposal.of(
                        plan, "Cells", List.of(new FieldChange(FixtureKey.of(2), FixtureColumn.ADDRESS, "1.003"))));
        assertThat(proposal.brought())
                .singleElement()
                .satisfies(f -> assertThat(f.id()).startsWith("overlap"));
    }

    @Test
    void arrangingCostsPaperOnlyAndTellsWhoIsLeftOut() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 1);
        ArrangingProposal content = Arranging.propose(
                plan,
                plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet()),
                new Spread.Shifted(new Length(1)));
        assertThat(content.omissions())
                .extracting(ArrangingProposal.NoOffset::who)
                .containsExactly("1", "2", "3");
        assertThat(content.staying()).isZero();
        assertThat(of(plan, content).changesNothing()).isTrue();
        assertThat(of(plan, content).price()).isEqualTo(new Price(0, 0, 0));
        assertThat(Optional.of(content.edit().title())).contains("0 units arranged");
    }
}
