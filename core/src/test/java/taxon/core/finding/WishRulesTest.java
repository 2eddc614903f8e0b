package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Share;
import taxon.core.rig.Traits;
import taxon.core.rig.edit.WishEdits;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;

/** Each rule about what was asked for: once fired, once not. */
class WishRulesTest {
    /** 101 to 104 of 16 slots from 1.001, close together. */
    private static final Plan CLOSE =
            add(empty(), type("t", 16), 4, Optional.of(101), Optional.of(StartAddress.of(1, 1)));

    private static Plan wishing(Plan plan, Wish wish) {
        return apply(plan, WishEdits.enforce("", wish));
    }

    private static List<Finding> found(Plan plan, Rule rule) {
        return PlanCheck.of(plan).byRule().get(rule);
    }

    private static String sentence(Plan plan, Rule rule) {
        List<Finding> found = found(plan, rule);
        assertThat(found).hasSize(1);
        return FindingText.sentence(found.get(0));
    }

    @Test
    void theWayOutOfAnOverlapHeedsGapRoomAtTheEndAndUniversesOfTheWish() {
        Plan clash = Rigs.place(CLOSE, 4, 1, StartAddress.of(1, 33));
        assertThat(wayOut(clash)).isEqualTo("Move 104 to 1.049");
        assertThat(wayOut(wishing(clash, Wish.USUAL.withSpacing(Spacing.ofGap(3)))))
                .isEqualTo("Move 104 to 1.052");
        Wish short60 = Wish.USUAL.withHeadroom(Headroom.ofSlots(512 - 60));
        assertThat(wayOut(wishing(clash, short60))).isEqualTo("Move 104 to 2.001");
        Wish fromFive = short60.within(StartAddress.of(1, 1), UniverseSet.of(5, 9));
        assertThat(wayOut(wishing(clash, fromFive))).isEqualTo("Move 104 to 5.001");
        assertThat(found(wishing(clash, Wish.USUAL.withHeadroom(Headroom.ofSlots(500))), Rule.OVERLAP)
                        .get(0)
                        .remedy())
                .isEmpty();
    }

    @Test
    void theWayOutOfAnOverlapPassesByWhatCanHurtPeople() {
        Plan full = Rigs.full(type("f", 256), 4, 1);
        Plan clash = Rigs.place(full, 2, 1, StartAddress.of(1, 1));
        Plan moved = Rigs.place(Rigs.place(clash, 3, 1, StartAddress.of(1, 257)), 4, 1, StartAddress.of(2, 1));
        assertThat(wayOut(moved)).isEqualTo("Move 2 to 2.257");
        Fixture laser = moved.fixtures().get(3);
        Plan hazard = moved.with(laser.withTraits(laser.traits().withHazard("laser")));
        assertThat(wayOut(hazard)).isEqualTo("Move 2 to 3.001");
    }

    private static String wayOut(Plan plan) {
        return found(plan, Rule.OVERLAP).get(0).remedy().orElseThrow().label();
    }

    @Test
    void aGapShorterThanAskedIsFoundForEachNeighbour() {
        Plan plan = wishing(CLOSE, Wish.USUAL.withSpacing(Spacing.ofGap(2)));
        assertThat(found(plan, Rule.GAP_SHORT)).hasSize(3);
        assertThat(FindingText.sentence(found(plan, Rule.GAP_SHORT).get(0)))
                .isEqualTo(
                        "102 begins at 1.017, 0 slots behind 101; the wish in force keeps 2 slots free between neighbours.");
    }

    @Test
    void aGapThatIsKeptOrNotAskedForIsNoFinding() {
        assertThat(found(CLOSE, Rule.GAP_SHORT)).isEmpty();
        Plan apart = place(place(CLOSE, 2, 1, StartAddress.of(1, 19)), 3, 1, StartAddress.of(1, 37));
        Plan plan = wishing(place(apart, 4, 1, StartAddress.of(1, 55)), Wish.USUAL.withSpacing(Spacing.ofGap(2)));
        assertThat(found(plan, Rule.GAP_SHORT)).isEmpty();
    }

    @Test
    void slotsUsedInTheHeadroomAreFoundOncePerUniverse() {
        Plan plan = wishing(place(CLOSE, 4, 1, StartAddress.of(1, 490)), Wish.USUAL.withHeadroom(Headroom.ofSlots(20)));
        assertThat(sentence(plan, Rule.HEADROOM_USED))
                .isEqualTo("Universe 1 is used up to slot 505 by 104; the wish in force keeps its last 20 slots free.");
        assertThat(found(wishing(CLOSE, Wish.USUAL.withHeadroom(Headroom.ofSlots(20))), Rule.HEADROOM_USED))
                .isEmpty();
    }

    @Test
    void headroomInPerCentCountsAPartOfASlotWhole() {
        // 5 % of 512 is 25.6.
        assertThat(new Headroom(5, Headroom.Measure.PERCENT).slots()).isEqualTo(26);
    }

    @Test
    void aHazardBesideOthersIsFoundAndAloneIsNot() {
        Plan hot = CLOSE.with(CLOSE.fixtures().get(0).withTraits(Traits.NONE.withHazard("flame")));
        assertThat(sentence(hot, Rule.HAZARD_SHARES))
                .isEqualTo("101 can hurt people and shares universe 1 with 3 other fixtures:"
                        + " whoever drives those drives it too.");
        assertThat(found(place(hot, 1, 1, StartAddress.of(2, 1)), Rule.HAZARD_SHARES))
                .isEmpty();
    }

    @Test
    void lessRoomThanThePitchOrTheLargestModeIsFound() {
        Plan pitched = wishing(CLOSE, Wish.USUAL.withSpacing(new Spacing(0, Starts.PITCH, 12, false)));
        // Units of 16 take two steps of 12 each; the last has nobody behind it.
        assertThat(found(pitched, Rule.ROOM_SHORT)).hasSize(3);
        Plan wide = wishing(CLOSE, Wish.USUAL.withSpacing(new Spacing(0, Starts.PITCH, 16, false)));
        assertThat(found(wide, Rule.ROOM_SHORT)).isEmpty();
        Plan room = wishing(
                place(CLOSE, 2, 1, StartAddress.of(1, 5)),
                Wish.USUAL.withSpacing(new Spacing(0, Starts.ANYWHERE, 1, true)));
        assertThat(sentence(room, Rule.ROOM_SHORT))
                .isEqualTo("101 Test t has 4 slots from 1.001 to itself; the wish in force keeps room for 16.");
    }

    @Test
    void numbersOutOfStepAreFoundOncePerPositionAndNameAsFewAsCanBe() {
        Plan mixed = place(place(CLOSE, 1, 1, StartAddress.of(1, 401)), 4, 1, StartAddress.of(1, 421));
        assertThat(sentence(mixed, Rule.OUT_OF_STEP))
                .isEqualTo("On Pipe, addresses do not ascend with the numbers: 101 is out of step.");
        assertThat(found(CLOSE, Rule.OUT_OF_STEP)).isEmpty();
    }

    @Test
    void aShareThatCameApartIsFoundAndOneThatHoldsIsNeitherThatNorAnOverlap() {
        TreeSet<BlockRef> both =
                new TreeSet<>(List.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(2), 1)));
        Plan apart = CLOSE.with(new Share(1, both, "act as one"));
        assertThat(sentence(apart, Rule.SHARE_BROKEN))
                .isEqualTo("A shared address has come apart: 101 at 1.001, 102 at 1.017."
                        + " They share it since they act as one.");
        Plan together = place(apart, 2, 1, StartAddress.of(1, 1));
        assertThat(found(together, Rule.SHARE_BROKEN)).isEmpty();
        assertThat(found(together, Rule.OVERLAP)).isEmpty();
        assertThat(found(place(CLOSE, 2, 1, StartAddress.of(1, 1)), Rule.OVERLAP))
                .hasSize(1);
    }

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    /** One remedy may run into another finding, so only the finding itself is looked for. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyRemedyThatIsARequestIsAnsweredSoThatItsFindingGoesAway(long seed) {
        Wish wish = Wish.USUAL.withSpacing(Spacing.ofGap((int) (seed % 4))).withHeadroom(Headroom.ofSlots((int)
                (seed % 40)));
        Plan plan = wishing(Rigs.random(seed), wish);
        for (Finding finding : PlanCheck.of(plan).findings()) {
            if (finding.remedy().orElse(null) instanceof Remedy.Propose propose) {
                AddressProposal proposal = Planner.propose(plan, propose.request());
                Plan after = apply(plan, proposal.edit());
                assertThat(PlanCheck.of(after).find(finding.id()))
                        .as(finding.id())
                        .isEmpty();
            }
        }
    }
}
