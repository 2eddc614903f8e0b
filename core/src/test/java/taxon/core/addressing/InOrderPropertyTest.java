package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.testing.Rigs;

/** Random rigs by seed; the seed stands in the name of a failing case. Checked slot by slot, without the planner's own tools. */
class InOrderPropertyTest {

    static LongStream seeds() {
        return Rigs.seeds(150);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void nothingPlacedOverlapsOrPassesTheEndOrTouchesAReservedRun(long seed) {
        Plan plan = Rigs.random(seed);
        PlacementRequest request = request(seed);
        AddressProposal proposal = Planner.propose(plan, request);
        Plan after = Rigs.apply(plan, proposal.edit());

        Set<String> placed =
                proposal.moves().stream().map(m -> m.ref().toString()).collect(Collectors.toSet());
        proposal.stays().forEach(b -> placed.add(b.ref().toString()));
        Map<String, String> owner = slotOwners(after, placed);
        after.reservedRuns().forEach(r -> {
            for (int slot = r.slots().first(); slot <= r.slots().last(); slot++) {
                assertThat(owner.get(r.universe() + "." + slot))
                        .as("reserved slot %s", slot)
                        .isNull();
            }
        });
    }

    /** Every slot of every placed block belongs to that block alone. */
    private static Map<String, String> slotOwners(Plan plan, Set<String> placed) {
        Map<String, String> all = new HashMap<>();
        Map<String, String> byPlaced = new HashMap<>();
        for (PlannedBlock block : plan.blocks()) {
            block.start().ifPresent(start -> {
                boolean isPlaced = placed.contains(block.ref().toString());
                assertThat(!isPlaced || start.slot().number() + block.footprint() - 1 <= 512)
                        .isTrue();
                for (int i = 0; i < block.footprint() && start.slot().number() + i <= 512; i++) {
                    String slot = start.universe() + "." + (start.slot().number() + i);
                    String other = all.put(slot, block.ref().toString());
                    assertThat(other == null || (!isPlaced && !placed.contains(other)))
                            .as("%s is shared by %s and %s", slot, block.ref(), other)
                            .isTrue();
                    if (isPlaced) {
                        byPlaced.put(slot, block.ref().toString());
                    }
                }
            });
        }
        return byPlaced;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyFixtureAskedForMovesStaysOrSaysWhyNot(long seed) {
        Plan plan = Rigs.random(seed);
        PlacementRequest request = request(seed);
        AddressProposal proposal = Planner.propose(plan, request);
        Set<FixtureKey> told = new HashSet<>();
        proposal.moves().forEach(m -> told.add(m.ref().fixture()));
        proposal.stays().forEach(b -> told.add(b.fixture().key()));
        proposal.leftOut().forEach(n -> told.add(n.fixture().key()));
        Set<FixtureKey> asked = plan.fixtures().stream()
                .filter(f -> request.scope() == Scope.ALL
                        || plan.blocksOf(f).stream().anyMatch(b -> b.start().isEmpty()))
                .map(Fixture::key)
                .collect(Collectors.toSet());
        assertThat(told).isEqualTo(asked);
        assertThat(proposal.price().touched()
                        + proposal.price().plannedOnly()
                        + proposal.price().first())
                .isEqualTo((int) proposal.moves().stream()
                        .map(m -> m.ref().fixture())
                        .distinct()
                        .count());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void theGapIsKeptAddressesAscendAndTheAnswerIsTheSameTwice(long seed) {
        Plan plan = Rigs.random(seed);
        PlacementRequest request = new PlacementRequest(Scope.ALL, Set.of(), StartAddress.of(1, 1), (int) (seed % 7));
        AddressProposal proposal = Planner.propose(plan, request);
        assertThat(Planner.propose(plan, request).moves()).isEqualTo(proposal.moves());
        Move before = null;
        for (Move move : proposal.moves()) {
            if (before != null && proposal.stays().isEmpty()) {
                int between = move.after().absolute()
                        - before.after().absolute()
                        - before.block().footprint();
                boolean sameFixture = move.ref().fixture().equals(before.ref().fixture());
                boolean sameUniverse =
                        move.after().universe().equals(before.after().universe());
                assertThat(between)
                        .isGreaterThanOrEqualTo(
                                sameFixture || !sameUniverse
                                        ? 0
                                        : request.wish().spacing().gap());
            }
            before = move;
        }
    }

    private static PlacementRequest request(long seed) {
        Random random = new Random(~seed);
        Scope scope = random.nextBoolean() ? Scope.UNPLACED : Scope.ALL;
        return new PlacementRequest(
                scope, Set.of(), StartAddress.of(1 + random.nextInt(2), 1 + random.nextInt(512)), random.nextInt(10));
    }
}
