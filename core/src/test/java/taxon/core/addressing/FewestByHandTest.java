package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.placeAll;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** As few universes as can be, to the slot: what lies where in the room that a packing has found. */
class FewestByHandTest {
    private static final Wish FEWEST = Wish.USUAL.withStyle(Style.FEWEST_UNIVERSES);
    private static final Wish ON_ONE = FEWEST.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    private static List<String> starts(Plan plan, Wish wish) {
        AddressProposal proposal = Planner.propose(plan, new PlacementRequest(Scope.UNPLACED, Set.of(), wish));
        assertThat(proposal.leftOut()).isEmpty();
        return proposal.moves().stream().map(m -> m.after().toString()).toList();
    }

    private static Plan reserve(Plan plan, int universe, int first, int last) {
        int number = plan.reservedRuns().size() + 1;
        return plan.with(new ReservedRun(number, UniverseNumber.of(universe), new SlotRange(first, last), "kept"));
    }

    /** Of 15 and 10 slots at a pitch of 10 the long one fits into 25 slots only behind the short one, though it comes first. */
    @Test
    void onAPitchTheTypeThatReachesToTheEndComesLast() {
        Plan plan = reserve(add(add(empty(), type("long", 15), 1, 1), type("short", 10), 1, 2), 1, 26, 512);
        Wish pitch = ON_ONE.withSpacing(new Spacing(0, Starts.PITCH, 10, false));
        assertThat(starts(plan, pitch)).containsExactly("1.011", "1.001");
    }

    /** With one slot more than both orders need, the request's own is kept. */
    @Test
    void whereBothOrdersFitTheFirstOfTheRequestLiesFirst() {
        Plan plan = reserve(add(add(empty(), type("long", 15), 1, 1), type("short", 10), 1, 2), 1, 31, 512);
        Wish pitch = ON_ONE.withSpacing(new Spacing(0, Starts.PITCH, 10, false));
        assertThat(starts(plan, pitch)).containsExactly("1.001", "1.021");
    }

    @Test
    void aGapIsKeptAcrossAReservedRun() {
        Plan plan = reserve(reserve(add(empty(), type("a", 10), 2, 1), 1, 11, 12), 1, 43, 512);
        assertThat(starts(plan, ON_ONE.withSpacing(new Spacing(20, Starts.ANYWHERE, 1, false))))
                .containsExactly("1.001", "1.031");
    }

    /**
     * Two types that keep apart and lie among each other on two universes. Of the long ones five fit on one, the short ones all fit
     * on the other. Where the three long ones that have no address took room from those that have one, these would stay where they
     * are, and no universe would be open to one type alone.
     */
    @ParameterizedTest
    @EnumSource(Style.class)
    void whoHasNoAddressYetIsLeftOutRatherThanAllOthers(Style style) {
        Plan plan = add(add(empty(), type("long", 79), 8, 1), type("short", 20), 12, 9);
        plan = placeAll(plan, 1, 4, 342, 6, 269, 8, 286, 11, 261, 13, 97);
        plan = placeAll(plan, 2, 5, 130, 7, 502, 10, 483, 12, 442, 14, 277);
        plan = reserve(reserve(plan, 1, 297, 301), 2, 301, 305);
        Wish apart = FEWEST.withStyle(style)
                .withSplit(Split.TYPE, false)
                .withHeadroom(Headroom.ofSlots(22))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, 2));
        AddressProposal proposal = Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), apart));
        assertThat(proposal.leftOut())
                .extracting(l -> l.fixture().key().number())
                .containsExactlyInAnyOrder(1, 2, 3);
    }

    private static List<String> addresses(int count, int first, int length) {
        return IntStream.range(0, count)
                .mapToObj(i -> StartAddress.of(1, first + i * length).toString())
                .toList();
    }

    /** The tightest hole is the one behind the run; all units have room before it, where none of them is torn off. */
    @Test
    void aTypeIsNotTornApartByAReservedRunBeforeWhichItHasRoom() {
        Plan plan = reserve(add(empty(), type("a", 10), 21, 1), 1, 401, 490);
        assertThat(starts(plan, ON_ONE)).containsExactlyElementsOf(addresses(21, 1, 10));
    }

    @Test
    void aTypeThatHasRoomBehindTheRunAloneLiesThere() {
        Plan plan = reserve(add(empty(), type("a", 20), 15, 1), 1, 101, 110);
        assertThat(starts(plan, ON_ONE)).containsExactlyElementsOf(addresses(15, 111, 20));
    }

    /** Of 100 slots before the run one of the types fills all: nothing is torn though both would fit behind it, too. */
    @Test
    void theRoomInFrontIsUsedWhereNoTypeIsTornForIt() {
        Plan plan = reserve(add(add(empty(), type("a", 50), 2, 1), type("b", 20), 5, 3), 1, 101, 110);
        assertThat(starts(plan, ON_ONE))
                .containsExactlyElementsOf(Stream.concat(addresses(2, 1, 50).stream(), addresses(5, 111, 20).stream())
                        .toList());
    }

    /** 105 slots before the run and 125 behind it: from the front on "a" leaves 5 of them, and two "b" of 60 find no room. */
    @Test
    void whatFitsOnlyAsItWasPackedIsLaidSo() {
        Plan plan = reserve(
                reserve(
                        add(add(add(empty(), type("a", 50), 2, 1), type("b", 60), 2, 3), type("c", 5), 2, 5),
                        1,
                        106,
                        120),
                1,
                246,
                512);
        assertThat(starts(plan, ON_ONE)).doesNotHaveDuplicates().hasSize(6);
    }

    /** The distance across the run holds for what is laid from the front on, too. */
    @Test
    void fromTheFrontOnTheGapIsKeptAcrossTheRun() {
        Plan plan = reserve(reserve(add(empty(), type("a", 10), 4, 1), 1, 41, 42), 1, 103, 512);
        assertThat(starts(plan, ON_ONE.withSpacing(new Spacing(20, Starts.ANYWHERE, 1, false))))
                .containsExactly("1.001", "1.031", "1.061", "1.091");
    }

    /** Universe 2 is in use and costs nothing; what comes first in the request lies on universe 1 all the same. */
    @Test
    void whatComesFirstInTheRequestLiesFirstInTheRig() {
        Plan plan = add(add(empty(), type("there", 400), 1, 1), type("a", 100), 2, 2);
        assertThat(starts(place(plan, 1, 1, StartAddress.of(2, 1)), FEWEST)).containsExactly("1.001", "2.401");
    }

    /** Two blocks of 60 never fit into 100 slots; what the one of them that fits gives back is taken by the next fixture. */
    @ParameterizedTest
    @EnumSource(Style.class)
    void aFixtureThatFitsInHalfIsLeftOutAndItsRoomIsOffered(Style style) {
        Plan plan = reserve(add(add(empty(), type("halves", 60, 60), 1, 1), type("next", 50), 1, 2), 1, 101, 512);
        AddressProposal proposal =
                Planner.propose(plan, new PlacementRequest(Scope.UNPLACED, Set.of(), ON_ONE.withStyle(style)));
        assertThat(proposal.leftOut()).hasSize(1);
        assertThat(proposal.leftOut().get(0).fixture().id()).contains(FixtureId.of(1));
        assertThat(proposal.moves()).singleElement().satisfies(m -> {
            assertThat(m.after().universe()).isEqualTo(UniverseNumber.of(1));
            assertThat(m.after().slot().number()).isLessThanOrEqualTo(51);
        });
    }

    /**
     * The nearest places in this order leave 132 slots over; packed anew all fit. What is allowed begins far above what is in use,
     * which is nothing.
     */
    @Test
    void leastChangePacksOnHighUniversesAsItDoesOnLowOnes() {
        for (int first : new int[] {1, 10, 400}) {
            Plan plan = empty();
            int id = 1;
            for (int slots : new int[] {200, 190, 180, 170, 152, 132}) {
                plan = add(plan, type("of-" + slots, slots), 1, id++);
            }
            Wish wish = Wish.USUAL
                    .withStyle(Style.LEAST_CHANGE)
                    .within(StartAddress.of(first, 1), UniverseSet.of(first, first + 1));
            AddressProposal proposal = Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
            assertThat(proposal.leftOut()).as("from universe " + first).isEmpty();
            assertThat(proposal.optimum()).isEqualTo(new Optimum.Least(0, 0));
        }
    }
}
