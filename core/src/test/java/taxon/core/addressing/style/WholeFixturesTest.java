package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Share;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Style;

/** Layouts made by hand in which fixtures have half of their places, and what becomes of them. */
class WholeFixturesTest {
    private static final Wish ON_ONE = Wish.USUAL
            .withBlocks(Blocks.OWN_RUN)
            .withStyle(Style.FEWEST_UNIVERSES)
            .within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    /** A rig and the places that a style gave, by block ("1/2" is the second block of fixture 1). */
    private static final class Given {
        private final Task task;
        private final Map<Integer, StartAddress> starts = new HashMap<>();
        private Set<Integer> kept = Set.of();

        Given(Plan plan, Wish wish, Scope scope, FixtureKey... chosen) {
            task = Task.of(
                    plan, new PlacementRequest(scope, Set.of(chosen), wish), Set.of(), Effort.of(Effort.OF_A_REQUEST));
        }

        static Given all(Plan plan, Wish wish) {
            return new Given(plan, wish, Scope.ALL);
        }

        Given at(int key, int block, int slot) {
            starts.put(piece(key, block).index(), StartAddress.of(1, slot));
            return this;
        }

        Given kept(int key, int block) {
            kept = new TreeSet<>(kept);
            kept.add(piece(key, block).index());
            return this;
        }

        private Piece piece(int key, int block) {
            BlockRef ref = new BlockRef(FixtureKey.of(key), block);
            return task.request().pieces().stream()
                    .filter(p -> p.blocks().stream().anyMatch(b -> b.ref().equals(ref)))
                    .findFirst()
                    .orElseThrow();
        }

        Layout layout() {
            return new Layout(
                    Layout.starts(task.request().pieces(), starts),
                    kept,
                    Map.of(0, new Reason.LeftFree()),
                    new Optimum.Unclaimed(),
                    1);
        }

        Map<String, Integer> whole() {
            return slots(WholeFixtures.of(task, layout()));
        }

        /** First slots by fixture and block; 0 where a piece stays as it is. */
        Map<String, Integer> slots(Layout layout) {
            Map<String, Integer> slots = new TreeMap<>();
            for (Piece piece : task.request().pieces()) {
                BlockRef first = piece.blocks().get(0).ref();
                Optional<Integer> at = layout.keeps(piece)
                        ? Optional.of(0)
                        : layout.start(piece).map(a -> a.slot().number());
                at.ifPresent(s -> slots.put(first.fixture().number() + "/" + first.block(), s));
            }
            return slots;
        }
    }

    private static Plan halves(int count, int... footprints) {
        return add(empty(), type("halves", footprints), count, 1);
    }

    @Test
    void aLayoutThatPlacesAllIsLeftAsItIs() {
        Given given = Given.all(halves(1, 60, 60), ON_ONE).at(1, 1, 1).at(1, 2, 61);
        Layout layout = given.layout();
        assertThat(WholeFixtures.of(given.task, layout)).isSameAs(layout);
    }

    @ParameterizedTest
    @EnumSource(Style.class)
    void halfAFixtureIsTakenAway(Style style) {
        assertThat(Given.all(halves(1, 60, 500), ON_ONE.withStyle(style))
                        .at(1, 1, 1)
                        .whole())
                .isEmpty();
    }

    @Test
    void halfAFixtureDoesNotEvenStay() {
        Plan plan = place(halves(1, 60, 500), 1, 1, StartAddress.of(1, 1));
        assertThat(Given.all(plan, ON_ONE).kept(1, 1).whole()).isEmpty();
    }

    @Test
    void whatTheStyleSaidOfTheOthersIsStillSaid() {
        Given given = Given.all(halves(1, 60, 500), ON_ONE).at(1, 1, 1);
        Layout whole = WholeFixtures.of(given.task, given.layout());
        assertThat(whole.reasons()).isEqualTo(given.layout().reasons());
        assertThat(whole.leftAtLeast()).isEqualTo(1);
    }

    /** 300 and 250 slots have no place on one universe; 250 alone have one where the half lay. */
    @Test
    void theRoomOfAHalfIsOfferedToWhoWasLeftOut() {
        Plan plan = add(halves(1, 300, 250), type("next", 250), 1, 2);
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("2/1", 1));
    }

    /** Where it lies now is no room that somebody has: it is the place that it is offered first. */
    @Test
    void whoWasLeftOutIsOfferedThePlaceThatItHas() {
        Plan plan = place(add(halves(1, 300, 250), type("next", 250), 1, 2), 2, 1, StartAddress.of(1, 251));
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("2/1", 251));
    }

    @Test
    void inOrderNobodyIsPlacedOutOfTheOrder() {
        Plan plan = add(halves(1, 300, 250), type("next", 250), 1, 2);
        assertThat(Given.all(plan, ON_ONE.withStyle(Style.IN_ORDER)).at(1, 1, 1).whole())
                .isEmpty();
    }

    /** The first of two that would each fit by itself takes the room; the second finds none. */
    @Test
    void whatIsOfferedIsOfferedOnce() {
        Plan plan = add(halves(1, 500, 20), type("next", 300), 2, 2);
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("2/1", 1));
    }

    /** The first block of fixture 2 would fit and its second not: it takes nothing from fixture 3. */
    @Test
    void whoFitsInHalfAgainTakesNothingFromTheNext() {
        Plan plan = add(add(halves(1, 500, 20), type("again", 300, 300), 1, 2), type("next", 400), 1, 3);
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("3/1", 1));
    }

    @Test
    void bothBlocksOfWhoWasLeftOutArePlacedBesideEachOther() {
        Plan plan = add(halves(1, 500, 20), type("next", 300, 212), 1, 2);
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole())
                .containsExactly(Map.entry("2/1", 1), Map.entry("2/2", 301));
    }

    @Test
    void whoHasAPlaceOfTheStyleKeepsIt() {
        Plan plan = add(add(halves(1, 300, 250), type("placed", 100), 1, 2), type("next", 250), 1, 3);
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 101).at(2, 1, 1).whole())
                .containsExactly(Map.entry("2/1", 1), Map.entry("3/1", 101));
    }

    @Test
    void whoStaysKeepsItsRoom() {
        Plan plan = add(add(halves(1, 300, 250), type("stays", 100), 1, 2), type("next", 250), 1, 3);
        plan = place(plan, 2, 1, StartAddress.of(1, 1));
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 101).kept(2, 1).whole())
                .containsExactly(Map.entry("2/1", 0), Map.entry("3/1", 101));
    }

    /** Blocks that stay where they are need not follow each other: the room of each is kept, and the room between is free. */
    @Test
    void whoStaysInTwoPlacesKeepsBoth() {
        Wish together = ON_ONE.withBlocks(Blocks.FOLLOW_ON);
        Plan plan = add(halves(1, 510, 510), type("stays", 50, 50), 1, 2);
        plan = add(plan, type("next", 200), 2, 3);
        plan = place(place(plan, 2, 1, StartAddress.of(1, 51)), 2, 2, StartAddress.of(1, 301));
        assertThat(Given.all(plan, together).kept(2, 1).whole())
                .containsExactly(Map.entry("2/1", 0), Map.entry("3/1", 101));
    }

    /** Fixture 3 is not asked for and shares with fixture 2, whose second block goes where that lies and nowhere else. */
    @Test
    void whatGoesWhereASharerLiesTakesNoRoomTwice() {
        Plan plan = add(add(halves(1, 300, 250), type("sharer", 100), 2, 2), type("next", 412), 1, 4);
        plan = place(plan, 3, 1, StartAddress.of(1, 1)).with(share(2, 3));
        Given given = new Given(plan, ON_ONE, Scope.CHOSEN, FixtureKey.of(1), FixtureKey.of(2), FixtureKey.of(4));
        assertThat(given.at(1, 1, 101).at(2, 1, 1).whole()).containsExactly(Map.entry("2/1", 1), Map.entry("4/1", 101));
    }

    /** The block that 1 and 2 share stays for 2, though 1 finds no place for its own. */
    @Test
    void aSharedPlaceStaysForWhoHasOne() {
        Plan plan = add(halves(1, 100, 500), type("sharer", 100), 1, 2).with(share(1, 2));
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("1/1", 1));
    }

    /** A shared place that was found by nobody is offered to the first of those who share it, and holds for all. */
    @Test
    void aSharedPlaceIsOfferedToo() {
        Plan plan = add(halves(1, 300, 250), type("sharer", 200), 2, 2).with(share(2, 3));
        assertThat(Given.all(plan, ON_ONE).at(1, 1, 1).whole()).containsExactly(Map.entry("2/1", 1));
    }

    private static Share share(int one, int other) {
        return new Share(
                1,
                new TreeSet<>(Set.of(new BlockRef(FixtureKey.of(one), 1), new BlockRef(FixtureKey.of(other), 1))),
                "both do the same");
    }
}
