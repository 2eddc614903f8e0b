package taxon.core.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.network.Ipv4;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.rig.edit.JobEdits;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.rig.edit.PositionEdits;
import taxon.core.testing.Rigs;

class PlanDeltaPropertyTest {

    static LongStream seeds() {
        return Rigs.seeds(150);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void undoingRandomEditsOneByOneReturnsEachExactState(long seed) {
        Random random = new Random(seed);
        Deque<Plan> states = new ArrayDeque<>(List.of(seed % 2 == 0 ? Rigs.random(seed) : Rigs.hung(seed)));
        Deque<PlanDelta> deltas = new ArrayDeque<>();
        for (int i = 0; i < 20; i++) {
            Plan before = states.peek();
            Plan after = randomEdit(before, random);
            deltas.push(PlanDelta.between(before, after));
            states.push(after);
        }
        Plan plan = states.pop();
        while (!deltas.isEmpty()) {
            PlanDelta delta = deltas.pop();
            Plan undone = delta.turned().applyTo(plan).orElseThrow();
            assertThat(undone).isEqualTo(states.pop());
            assertThat(delta.applyTo(undone)).contains(plan);
            plan = undone;
        }
    }

    /** A plan takes over from the plan before what has not changed; nobody may be able to tell. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anEditedPlanIsWhatItsElementsMakeFromNothing(long seed) {
        Random random = new Random(seed);
        Plan plan = seed % 2 == 0 ? Rigs.random(seed) : Rigs.hung(seed);
        for (int i = 0; i < 20; i++) {
            plan = randomEdit(plan, random);
            Plan afresh = Plan.of(plan.elements().values());
            assertThat(plan.fixtures()).isEqualTo(afresh.fixtures());
            assertThat(plan.blocks()).isEqualTo(afresh.blocks());
            assertThat(plan.fixturesWithoutMode()).isEqualTo(afresh.fixturesWithoutMode());
            assertThat(plan.types()).isEqualTo(afresh.types());
        }
    }

    /** A plan knows what was touched since another; nobody may be able to tell from what is compared element by element. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aDifferenceThatIsKnownIsTheOneThatIsFoundByComparingAll(long seed) {
        Random random = new Random(seed);
        List<Plan> states = new ArrayList<>(List.of(seed % 2 == 0 ? Rigs.random(seed) : Rigs.hung(seed)));
        for (int i = 0; i < 12; i++) {
            // Now and then from an earlier state, so that two plans have a common ancestor and none is the other's.
            Plan from = states.get(random.nextInt(4) == 0 ? random.nextInt(states.size()) : states.size() - 1);
            states.add(randomEdit(from, random));
        }
        Plan one = states.get(random.nextInt(states.size()));
        for (Plan other : states) {
            assertThat(PlanDelta.between(one, other)).isEqualTo(PlanDelta.between(afresh(one), afresh(other)));
        }
    }

    private static Plan afresh(Plan plan) {
        return Plan.of(plan.elements().values());
    }

    private static Plan randomEdit(Plan plan, Random random) {
        Fixture any = plan.fixtures().isEmpty()
                ? Rigs.add(plan, Rigs.type("fresh", 4), 1, 900).fixtures().get(0)
                : plan.fixtures().get(random.nextInt(plan.fixtures().size()));
        BlockRef ref = new BlockRef(any.key(), 1);
        Edit edit = switch (random.nextInt(15)) {
            case 0 -> FixtureEdits.remove(List.of(any.key()));
            case 1 -> AddressEdits.put("move", Map.of(ref, Optional.of(StartAddress.of(9, 1 + random.nextInt(512)))));
            case 2 -> AddressEdits.clear(ref, "x");
            case 3 -> FixtureEdits.renumber(any.key(), FixtureId.of(1 + random.nextInt(999)));
            case 4 ->
                NetworkEdits.addBox(Box.node(1, "node", Ipv4.of(10, 0, random.nextInt(200), random.nextInt(200)), 4));
            case 5 ->
                JobEdits.record(
                        "set",
                        List.of(BlockEvidence.none(ref)
                                .withSet(new Mark(
                                        StartAddress.of(1, 1),
                                        "only",
                                        Instant.ofEpochSecond(random.nextInt()),
                                        "crew"))));
            case 6 ->
                GroupEdits.make(Group.folder(1, "Folder " + random.nextInt(), Optional.empty())
                        .withMembers(Set.of(any.key())));
            case 7 -> GroupEdits.join(1 + random.nextInt(4), List.of(any.key()));
            case 8 -> GroupEdits.remove(1 + random.nextInt(4));
            case 9 -> PositionEdits.move(1 + random.nextInt(4), 1 + random.nextInt(4));
            case 10 -> PositionEdits.add("Place " + random.nextInt(), PositionKind.FLOOR, PositionGeometry.UNSAID);
            case 11 ->
                FixtureEdits.describe(
                        any.key(),
                        Optional.of(new Length(random.nextInt(9_000_000))),
                        any.traits().withColour("rose"));
            case 12 ->
                JobEdits.view(
                        new RigView(LengthUnit.values()[random.nextInt(2)], RigView.Front.ENTRANCE, RigView.Side.LEFT));
            case 13 -> FixtureEdits.chooseMode(any.key(), "no such mode");
            default -> JobEdits.sheet(JobSheet.named("name " + random.nextInt()));
        };
        return edit.applyTo(plan) instanceof Edit.Changed changed ? changed.plan() : plan;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aChangeIsNotAppliedOverWorkThatItDoesNotKnow(long seed) {
        Plan before = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 1);
        Plan after = Rigs.place(before, 1, 1, StartAddress.of(1, 1));
        Plan elsewhere = Rigs.place(before, 1, 1, StartAddress.of(2, 1 + (int) seed));
        assertThat(PlanDelta.between(before, after).applyTo(elsewhere)).isEmpty();
        assertThat(PlanDelta.between(before, after).meets(PlanDelta.between(before, elsewhere)))
                .isTrue();
    }
}
