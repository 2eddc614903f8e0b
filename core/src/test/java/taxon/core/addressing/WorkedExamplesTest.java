package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.testing.Rigs;

/** Counting addresses on, as the trade does it. All cases: common practice, no source. */
class WorkedExamplesTest {

    /** 3 × 27 from 1; 8 × 16 from 1; 10 × 3 from 301; 17 at 401; 9 at 1. Columns: count, footprint, start, next free. */
    @ParameterizedTest
    @CsvSource({"3, 27, 1, 82", "8, 16, 1, 129", "10, 3, 301, 331", "1, 17, 401, 418", "1, 9, 1, 10"})
    void equalFixturesFollowOnFromTheStart(int count, int footprint, int start, int nextFree) {
        List<Integer> slots = starts(proposal(add(empty(), type("t", footprint), count, 1), start, 0));
        assertThat(slots)
                .isEqualTo(IntStream.range(0, count)
                        .mapToObj(i -> start + i * footprint)
                        .toList());
        assertThat(slots.get(count - 1) + footprint).isEqualTo(nextFree);
    }

    @Test
    void eightTimesSixteenFromOneAre1And17And33UpTo113() {
        assertThat(starts(proposal(add(empty(), type("t", 16), 8, 1), 1, 0)))
                .containsExactly(1, 17, 33, 49, 65, 81, 97, 113);
    }

    @Test
    void theFirstLayerAfterASixSlotMasterBeginsAtSeven() {
        assertThat(starts(proposal(add(empty(), type("t", 6, 20, 20), 1, 1), 1, 0)))
                .containsExactly(1, 7, 27);
    }

    @Test
    void aSixteenChannelFixtureFitsAt497AndNotAt498() {
        Plan plan = add(empty(), type("t", 16), 1, 1);
        assertThat(proposal(plan, 497, 0).moves().get(0).after()).isEqualTo(StartAddress.of(1, 497));
        assertThat(proposal(plan, 498, 0).moves().get(0).after()).isEqualTo(StartAddress.of(2, 1));
    }

    @Test
    void aGapLeavesThatManySlotsBetweenNeighbours() {
        assertThat(starts(proposal(add(empty(), type("t", 16), 3, 1), 1, 4))).containsExactly(1, 21, 41);
    }

    @Test
    void placingGoesAroundAReservedRun() {
        Plan plan = add(empty(), type("t", 16), 2, 1)
                .with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(20, 96), "dimmer rack"));
        AddressProposal proposal = proposal(plan, 1, 0);
        assertThat(starts(proposal)).containsExactly(1, 97);
        assertThat(ProposalText.sentence(proposal.moves().get(1).reason())).contains("after slots 17 to 96");
    }

    @Test
    void anotherUniverseIsBegunWhenTheRestIsTooShort() {
        AddressProposal proposal = proposal(add(empty(), type("t", 200), 3, 1), 1, 0);
        assertThat(proposal.moves()).extracting(m -> m.after().toString()).containsExactly("1.001", "1.201", "2.001");
        assertThat(ProposalText.sentence(proposal.moves().get(2).reason()))
                .isEqualTo("needs 200 slots; universe 1 has no such run left");
    }

    private static AddressProposal proposal(Plan plan, int slot, int gap) {
        return Planner.propose(plan, new PlacementRequest(Scope.UNPLACED, Set.of(), StartAddress.of(1, slot), gap));
    }

    private static List<Integer> starts(AddressProposal proposal) {
        return proposal.moves().stream().map(m -> m.after().slot().number()).toList();
    }

    @Test
    void whatCannotBePlacedSaysWhy() {
        Plan plan = add(empty(), type("t", 16), 1, 1);
        plan = plan.with(plan.fixtures().get(0).withMode("gone"));
        AddressProposal proposal = proposal(plan, 1, 0);
        assertThat(proposal.moves()).isEmpty();
        assertThat(ProposalText.sentence(proposal.leftOut().get(0))).contains("gone", "choose a mode first");
        assertThat(Rigs.apply(plan, proposal.edit())).isEqualTo(plan);
    }
}
