package taxon.core.addressing.request;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;
import static taxon.core.testing.Rigs.typeReachedBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.ResolvedRequest.Cause;
import taxon.core.addressing.request.ResolvedRequest.Refused;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Share;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Who is asked for, in which order, and as which pieces. */
class ResolvedRequestTest {
    private static ResolvedRequest all(Plan plan, Wish wish) {
        return ResolvedRequest.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    private static List<String> pieces(ResolvedRequest resolved) {
        return resolved.pieces().stream()
                .map(p -> p.label() + " " + p.length() + (p.shares() ? " shares" : ""))
                .toList();
    }

    private static List<Integer> keys(List<Fixture> fixtures) {
        return fixtures.stream().map(f -> f.key().number()).toList();
    }

    private static Plan locked(Plan plan, int... keys) {
        Plan now = plan;
        for (int key : keys) {
            now = apply(now, LockEdits.lock(List.of(FixtureKey.of(key)), true));
        }
        return now;
    }

    @Test
    void whoCannotBeAskedForIsRefusedWithTheCauseAndItsSlots() {
        Plan plan = add(empty(), type("box", 20, 4), 3, 101);
        plan = add(plan, typeReachedBy(Facts.Reach.APP_ONLY, "strip", 7), 1, 201);
        plan = place(place(plan, 1, 1, StartAddress.of(1, 1)), 1, 2, StartAddress.of(1, 30));
        plan = locked(place(plan, 2, 1, StartAddress.of(2, 1)), 1, 2);
        plan = plan.with(plan.fixture(FixtureKey.of(3)).orElseThrow().withMode("gone"));
        ResolvedRequest resolved = all(plan, Wish.USUAL);
        assertThat(keys(resolved.locked())).containsExactly(1);
        assertThat(resolved.refused())
                .extracting(r -> r.fixture().key().number(), Refused::cause, Refused::slots)
                .containsExactly(
                        tuple(2, Cause.LOCKED, 24), tuple(3, Cause.MODE_MISSING, 0), tuple(4, Cause.NEVER_HEARS, 7));
        assertThat(resolved.fixtures()).isEmpty();
        assertThat(resolved.pieces()).isEmpty();
    }

    @Test
    void thoseWithoutAnAddressAreAskedForAndThoseWithoutAModeRefused() {
        Plan plan = add(empty(), type("box", 20, 4), 4, 101);
        plan = place(place(plan, 1, 1, StartAddress.of(1, 1)), 1, 2, StartAddress.of(1, 21));
        plan = place(plan, 2, 1, StartAddress.of(1, 101));
        plan = plan.with(plan.fixture(FixtureKey.of(3)).orElseThrow().withMode("gone"));
        ResolvedRequest resolved = ResolvedRequest.of(plan, new PlacementRequest(Scope.UNPLACED, Set.of(), Wish.USUAL));
        assertThat(keys(resolved.fixtures())).containsExactly(2, 4);
        assertThat(resolved.keys()).containsExactlyInAnyOrder(FixtureKey.of(2), FixtureKey.of(4));
        assertThat(resolved.refused()).extracting(Refused::cause).containsExactly(Cause.MODE_MISSING);
    }

    @Test
    void oneOrSeveralAreChosenAndWhoIsHeldIsNotAsked() {
        Plan plan = add(empty(), type("t", 10), 4, 101);
        for (Set<FixtureKey> chosen :
                List.of(Set.of(FixtureKey.of(3)), Set.of(FixtureKey.of(2), FixtureKey.of(3)), Set.<FixtureKey>of())) {
            ResolvedRequest resolved = ResolvedRequest.of(plan, new PlacementRequest(Scope.CHOSEN, chosen, Wish.USUAL));
            assertThat(resolved.keys()).isEqualTo(chosen);
        }
        assertThat(ResolvedRequest.of(plan, new PlacementRequest(Scope.CHOSEN, Set.of(FixtureKey.of(9)), Wish.USUAL))
                        .fixtures())
                .isEmpty();
        ResolvedRequest held = ResolvedRequest.of(
                plan, new PlacementRequest(Scope.ALL, Set.of(FixtureKey.of(1)), Wish.USUAL), Set.of(FixtureKey.of(2)));
        assertThat(keys(held.fixtures())).containsExactly(1, 3, 4);
    }

    @Test
    void theOrderIsByTheNumberOrByTypeModeAndNumber() {
        Plan plan = add(empty(), type("zebra", 5), 2, 101);
        plan = add(plan, type("ant", 6), 2, 201);
        assertThat(keys(all(plan, Wish.USUAL.withOrder(Order.FIXTURE_ID)).fixtures()))
                .containsExactly(1, 2, 3, 4);
        assertThat(keys(all(plan, Wish.USUAL.withOrder(Order.TYPE_THEN_ID)).fixtures()))
                .containsExactly(3, 4, 1, 2);
    }

    @Test
    void blocksAreOnePieceOrSeveralAsTheWishSays() {
        Plan plan = add(empty(), type("box", 20, 4, 3), 2, 101);
        assertThat(pieces(all(plan, Wish.USUAL))).containsExactly("101 27", "102 27");
        assertThat(pieces(all(plan, Wish.USUAL.withBlocks(Blocks.OWN_RUN))))
                .containsExactly(
                        "101 Block 1 20",
                        "102 Block 1 20",
                        "101 Block 2 4",
                        "102 Block 2 4",
                        "101 Block 3 3",
                        "102 Block 3 3");
        assertThat(pieces(all(plan, Wish.USUAL.withBlocks(Blocks.OWN_UNIVERSE))))
                .containsExactly("101 Block 1 20", "102 Block 1 20", "101 Block 2 7", "102 Block 2 7");
        ResolvedRequest shared = all(plan, Wish.USUAL.withBlocks(Blocks.SHARE));
        assertThat(pieces(shared))
                .containsExactly("101 Block 1 20", "102 Block 1 20", "101 Block 2 4 shares", "101 Block 3 3 shares");
        assertThat(shared.newShares()).hasSize(2);
        assertThat(shared.pieces().get(2).fixtures().map(f -> f.key().number())).containsExactly(1, 2);
        assertThat(shared.pieces().get(0).fixtures().map(f -> f.key().number())).containsExactly(1);
    }

    /** One alone has nobody to share with. */
    @Test
    void oneAloneMakesNoShare() {
        ResolvedRequest resolved = all(add(empty(), type("box", 20, 4), 1, 101), Wish.USUAL.withBlocks(Blocks.SHARE));
        assertThat(resolved.newShares()).isEmpty();
        assertThat(resolved.pieces()).hasSize(2);
    }

    @Test
    void whatNoUniverseHoldsAndWhatIsPlacedInPartIsPlacedBlockByBlock() {
        Plan long512 = add(empty(), type("wall", 500, 12), 1, 101);
        assertThat(pieces(all(long512, Wish.USUAL))).containsExactly("101 512");
        Plan long513 = add(empty(), type("wall", 500, 13), 1, 101);
        assertThat(pieces(all(long513, Wish.USUAL))).containsExactly("101 Block 1 500", "101 Block 2 13");
        Plan partly = place(add(empty(), type("box", 20, 4), 2, 101), 1, 1, StartAddress.of(1, 1));
        assertThat(pieces(all(partly, Wish.USUAL.withStyle(Style.LEAST_CHANGE))))
                .containsExactly("101 Block 1 20", "101 Block 2 4", "102 24");
        assertThat(pieces(all(partly, Wish.USUAL))).containsExactly("101 24", "102 24");
        Plan placed = place(partly, 1, 2, StartAddress.of(1, 100));
        assertThat(pieces(all(placed, Wish.USUAL.withStyle(Style.LEAST_CHANGE))))
                .containsExactly("101 24", "102 24");
    }

    @Test
    void whoSharesWithSomebodyWhoIsNotAskedGoesWhereThatOneIs() {
        Plan plan = add(empty(), type("t", 10), 3, 101);
        plan = place(plan, 3, 1, StartAddress.of(4, 41));
        plan = place(plan, 1, 1, StartAddress.of(1, 1));
        TreeSet<BlockRef> both =
                new TreeSet<>(Set.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(3), 1)));
        plan = plan.with(new Share(1, both, "twins"));
        ResolvedRequest one =
                ResolvedRequest.of(plan, new PlacementRequest(Scope.CHOSEN, Set.of(FixtureKey.of(1)), Wish.USUAL));
        assertThat(one.forced()).containsExactly(Map.entry(0, StartAddress.of(4, 41)));
        assertThat(one.newShares()).isEmpty();
        ResolvedRequest bothAsked = all(plan, Wish.USUAL);
        assertThat(bothAsked.forced()).isEmpty();
        assertThat(pieces(bothAsked)).containsExactly("101 10 shares", "102 10");
    }

    private static FixtureType twoModes() {
        FixtureType shortOne = type("box", 20, 4);
        Mode longOne = new Mode(
                "long", Optional.of(2), type("long", 12, 30).modes().get(0).blocks());
        return FixtureType.of(
                shortOne.id(),
                shortOne.maker(),
                "box",
                "box",
                Facts.onALine(),
                List.of(shortOne.modes().get(0), longOne));
    }

    @Test
    void roomIsKeptForTheLongestModeOfTheWholeOrOfEachBlock() {
        Plan plan = add(empty(), twoModes(), 1, 101);
        Wish kept = Wish.USUAL.withSpacing(new Spacing(0, Starts.ANYWHERE, 1, true));
        assertThat(pieces(all(plan, kept))).containsExactly("101 42");
        assertThat(pieces(all(plan, kept.withBlocks(Blocks.OWN_RUN))))
                .containsExactly("101 Block 1 20", "101 Block 2 30");
        assertThat(pieces(all(plan, Wish.USUAL))).containsExactly("101 24");
    }

    @Test
    void piecesOfOneClassStandTogetherInTheOrderInWhichClassesAppear() {
        Plan plan = add(empty(), type("ant", 5), 1, 101);
        plan = add(plan, type("bee", 6), 1, 102);
        plan = add(plan, type("ant", 5), 1, 103);
        Wish byType = Wish.USUAL.withSplit(Split.TYPE, false);
        assertThat(pieces(all(plan, byType))).containsExactly("101 5", "103 5", "102 6");
        assertThat(pieces(all(plan, Wish.USUAL))).containsExactly("101 5", "102 6", "103 5");
    }

    @Test
    void aPieceIsWhereItsFirstBlockIsWhenAllOfItLiesThereAsOne() {
        Plan plan = add(empty(), type("box", 20, 4), 1, 101);
        assertThat(now(plan)).isEmpty();
        Plan half = place(plan, 1, 1, StartAddress.of(1, 489));
        assertThat(now(half)).isEmpty();
        Plan whole = place(half, 1, 2, StartAddress.of(1, 509));
        assertThat(now(whole)).contains(StartAddress.of(1, 489));
        assertThat(now(place(whole, 1, 2, StartAddress.of(1, 508)))).isEmpty();
        // What would follow across the end of a universe does not lie together.
        Plan across = place(place(plan, 1, 1, StartAddress.of(1, 493)), 1, 2, StartAddress.of(2, 1));
        assertThat(now(across)).isEmpty();
    }

    private static Optional<StartAddress> now(Plan plan) {
        Optional<StartAddress> now = all(plan, Wish.USUAL).pieces().get(0).now();
        assertThat(all(plan, Wish.USUAL).pieces().get(0).isTogether()).isEqualTo(now.isPresent());
        return now;
    }

    @Test
    void aPieceOfNothingIsNone() {
        assertThatThrownBy(() -> new Piece(0, List.of(), false, 1, 0, new SharingClass("", false, false)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(new PlacementRequest(Scope.ALL, Set.of(), StartAddress.of(1, 1), 2)
                        .withStyle(Style.LEAST_CHANGE)
                        .wish())
                .isEqualTo(Wish.USUAL
                        .within(StartAddress.of(1, 1), UniverseSet.ALL)
                        .withSpacing(Spacing.ofGap(2))
                        .withStyle(Style.LEAST_CHANGE));
    }
}
