package taxon.core.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** The judge sees what is wrong: each rule broken by hand. */
class WishVerifierTest {
    /** 1 and 2 of ten slots at 1.001 and 1.011, 3 of another type without an address. */
    private static final Plan PLAN = Rigs.add(
                    Rigs.add(Rigs.empty(), Rigs.type("t", 10), 2, Optional.of(1), Optional.of(StartAddress.of(1, 1))),
                    Rigs.type("u", 10),
                    1,
                    3)
            .with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(100, 110), "kept"));

    private static String found(Wish wish, int key, StartAddress at) {
        return found(PLAN, wish, key, at);
    }

    private static String found(Plan plan, Wish wish, int key, StartAddress at) {
        Set<FixtureKey> all = plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet());
        return String.join("; ", WishVerifier.violations(plan, Rigs.place(plan, key, 1, at), wish, all));
    }

    @Test
    void aPlaceThatHeedsEverythingIsRight() {
        assertThat(found(Wish.USUAL, 3, StartAddress.of(1, 21))).isEmpty();
        assertThat(found(Wish.USUAL, 1, StartAddress.of(1, 1))).isEmpty();
    }

    @Test
    void overlapsAndGapsThatAreTooShortAreSeenOnBothSides() {
        assertThat(found(Wish.USUAL, 3, StartAddress.of(1, 20))).contains("on or too near 2");
        assertThat(found(Wish.USUAL.withSpacing(Spacing.ofGap(3)), 3, StartAddress.of(1, 23)))
                .contains("too near 2");
        assertThat(found(Wish.USUAL.withSpacing(Spacing.ofGap(2)), 3, StartAddress.of(1, 23)))
                .isEmpty();
    }

    @Test
    void theEndReservedSlotsUniversesAndTheFirstAddressAreSeen() {
        assertThat(found(Wish.USUAL, 3, StartAddress.of(1, 504))).contains("past the end");
        assertThat(found(Wish.USUAL.withHeadroom(Headroom.ofSlots(10)), 3, StartAddress.of(1, 494)))
                .contains("headroom");
        assertThat(found(Wish.USUAL, 3, StartAddress.of(1, 91))).contains("reserved");
        Wish within = Wish.USUAL.within(StartAddress.of(2, 5), UniverseSet.of(1, 2));
        assertThat(found(within, 3, StartAddress.of(3, 1))).contains("not allowed");
        assertThat(found(within, 3, StartAddress.of(2, 4))).contains("before the first address");
    }

    @Test
    void roundStartsSplitsAndLinesAreSeen() {
        Wish round = Wish.USUAL.withSpacing(new Spacing(0, Starts.ROUND, 8, false));
        assertThat(found(round, 3, StartAddress.of(1, 32))).contains("no round start");
        assertThat(found(round, 3, StartAddress.of(1, 33))).isEmpty();
        assertThat(found(Wish.USUAL.withSplit(Split.TYPE, false), 3, StartAddress.of(1, 41)))
                .contains("shares a universe with 1");
        Wish line = Wish.USUAL.withStyle(Style.COMPACT_BY_PORT).withUnitsPerLine(Optional.of(2));
        assertThat(found(line, 3, StartAddress.of(1, 41))).contains("3 units are on the line");
    }

    @Test
    void hazardsAndBlocksOfTheirOwnUniverseAreSeen() {
        Fixture third = PLAN.fixture(FixtureKey.of(3)).orElseThrow();
        Plan hot = PLAN.with(third.withTraits(third.traits().withHazard("flame")));
        assertThat(found(hot, Wish.USUAL.withSplit(Split.NONE, true), 3, StartAddress.of(1, 41)))
                .contains("shares a universe");
        Plan pair = Rigs.add(PLAN, Rigs.type("pair", 4, 4), 1, Optional.of(9), Optional.of(StartAddress.of(7, 1)));
        Set<FixtureKey> all = pair.fixtures().stream().map(Fixture::key).collect(Collectors.toSet());
        Plan moved = Rigs.place(Rigs.place(pair, 4, 1, StartAddress.of(8, 1)), 4, 2, StartAddress.of(8, 5));
        assertThat(WishVerifier.violations(pair, moved, Wish.USUAL.withBlocks(Blocks.OWN_UNIVERSE), all))
                .anyMatch(v -> v.contains("shares a universe"));
    }

    @Test
    void aLockedOneThatMovesAndAnAddressThatIsTakenAwayAreSeen() {
        Fixture first = PLAN.fixture(FixtureKey.of(1)).orElseThrow();
        Plan locked = PLAN.with(first.withTraits(first.traits().withLocked(true)));
        assertThat(found(locked, Wish.USUAL, 1, StartAddress.of(3, 1))).contains("is locked and moves");
        Plan without = PLAN.with(first.withAddress(1, Optional.empty()));
        assertThat(WishVerifier.violations(PLAN, without, Wish.USUAL, Set.of(first.key())))
                .anyMatch(v -> v.contains("taken away"));
        assertThat(WishVerifier.violations(PLAN, Rigs.place(PLAN, 1, 1, StartAddress.of(3, 1)), Wish.USUAL, Set.of()))
                .isEqualTo(List.of("1: was not asked for and moves"));
    }
}
