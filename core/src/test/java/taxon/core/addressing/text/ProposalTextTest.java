package taxon.core.addressing.text;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.Break;
import taxon.core.addressing.answer.Break.Why;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.FreeRun;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.proof.Price;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;

/** What a proposal says, a sentence for every kind of thing that it can say. */
class ProposalTextTest {
    private static final StartAddress AT = StartAddress.of(2, 41);
    private static final SharingClass ALL = new SharingClass("", false, false);
    private static final SharingClass TRUSS = new SharingClass("Truss 1", false, false);
    private static final Plan PLAN = add(empty(), type("t", 16), 1, 101);
    private static final Fixture FIXTURE = PLAN.fixtures().get(0);

    static Stream<Arguments> reasons() {
        return Stream.of(
                Arguments.of(new Reason.Start(), "the start that was asked for"),
                Arguments.of(new Reason.Begins(UniverseNumber.of(3)), "begins universe 3"),
                Arguments.of(new Reason.Follows("101", 0), "follows 101"),
                Arguments.of(new Reason.Follows("101", 1), "follows 101, 1 slot free between"),
                Arguments.of(new Reason.Follows("101", 4), "follows 101, 4 slots free between"),
                Arguments.of(
                        new Reason.Around(new SlotRange(17, 96)),
                        "first free place after slots 17 to 96, which are taken"),
                Arguments.of(
                        new Reason.NextUniverse(UniverseNumber.of(2), 16),
                        "needs 16 slots; universe 2 has no such run left"),
                Arguments.of(new Reason.Shares("102"), "shares the address of 102 on purpose"),
                Arguments.of(new Reason.LeftFree(), "the first place that was left"),
                Arguments.of(new Reason.ByHand(), "put there by hand"),
                Arguments.of(new Reason.Leaves(new Trouble.MakesRoom()), "makes room for the others"));
    }

    @ParameterizedTest
    @MethodSource("reasons")
    void whySomethingGoesWhereItGoes(Reason reason, String sentence) {
        assertThat(ProposalText.sentence(reason)).isEqualTo(sentence);
    }

    static Stream<Arguments> troubles() {
        return Stream.of(
                Arguments.of(new Trouble.Meets("102", 0), "overlapped 102"),
                Arguments.of(new Trouble.Meets("102", 1), "overlapped 102 or was nearer than 1 slot"),
                Arguments.of(new Trouble.PastEnd(515, 500), "ended at 515; the last slot to use is 500"),
                Arguments.of(new Trouble.Reserved("house"), "lay on slots reserved for house"),
                Arguments.of(new Trouble.NotAllowed(UniverseNumber.of(9)), "lay on universe 9, which is not allowed"),
                Arguments.of(new Trouble.BeforeFirst(AT), "lay before 2.041, where the wish begins"),
                Arguments.of(new Trouble.OffStarts(12, 10), "began at slot 12, off the starts at 1 and every 10"),
                Arguments.of(new Trouble.Apart(TRUSS, ALL), "lay with Truss 1, from which the rest is kept apart"),
                Arguments.of(new Trouble.LineFull(9, 8), "was one of 9 units on a line that is to carry 8"),
                Arguments.of(new Trouble.ShareApart(), "joins those that it shares an address with"),
                Arguments.of(new Trouble.MakesRoom(), "makes room for the others"));
    }

    @ParameterizedTest
    @MethodSource("troubles")
    void whySomethingCannotStay(Trouble trouble, String sentence) {
        assertThat(ProposalText.sentence(trouble)).isEqualTo(sentence);
        assertThat(ProposalText.sentence(new Reason.Leaves(trouble))).isEqualTo(sentence);
    }

    static Stream<Arguments> obstacles() {
        return Stream.of(
                Arguments.of(
                        new Obstacle.ModeMissing(),
                        "its mode, only, is not one of its type, so its length is not known: choose a mode first"),
                Arguments.of(new Obstacle.NeverHears(), "only an app's radio reaches it: it hears no universe"),
                Arguments.of(new Obstacle.Locked(), "it is locked and lacks an address: unlock it first"),
                Arguments.of(
                        new Obstacle.TooLong(500),
                        "needs 16 slots with the room kept for it; a universe has 500 to use"),
                Arguments.of(new Obstacle.NoUniverse(), "no universe is allowed"),
                Arguments.of(
                        new Obstacle.OrderPassed(AT),
                        "needs 16 slots; there is room at 2.041, which the order has passed"),
                Arguments.of(
                        new Obstacle.OffStarts(AT, 10),
                        "needs 16 slots; there is room at 2.041, but only off the starts that keep 10 slots apart"),
                Arguments.of(
                        new Obstacle.KeptForMode(AT, 12),
                        "needs 16 slots; there is room for the 12 of its mode at 2.041,"
                                + " but not for the longest mode of its type"),
                Arguments.of(
                        new Obstacle.TooNear(AT, 3),
                        "needs 16 slots; there is room at 2.041, but nearer than 3 slots to a neighbour"),
                Arguments.of(
                        new Obstacle.Split(AT, TRUSS),
                        "needs 16 slots; there is room at 2.041, but Truss 1 there shares no universe with it"),
                Arguments.of(
                        new Obstacle.LineFull(AT, 32),
                        "needs 16 slots; there is room at 2.041, but that line carries 32 units"),
                Arguments.of(
                        new Obstacle.NotTogether(2, AT),
                        "its 2 runs find no room together, though one would fit at 2.041"),
                Arguments.of(
                        new Obstacle.NoRoom(Optional.empty()), "needs 16 slots; the longest run open to it is none"),
                Arguments.of(
                        new Obstacle.NoRoom(Optional.of(new FreeRun(UniverseNumber.of(3), new SlotRange(8, 8)))),
                        "needs 16 slots; the longest run open to it is 1 slot at 3.008"));
    }

    @ParameterizedTest
    @MethodSource("obstacles")
    void whySomethingFindsNoPlace(Obstacle obstacle, String sentence) {
        assertThat(ProposalText.sentence(new LeftOut(FIXTURE, obstacle, 16))).isEqualTo(sentence);
    }

    /** Where it was, it stays; of what cannot be asked for that goes without saying. */
    @Test
    void whoFindsNoPlaceIsSaidToKeepTheAddressThatItHas() {
        Fixture addressed = place(PLAN, 1, 1, AT).fixtures().get(0);
        obstacles().map(a -> (Obstacle) a.get()[0]).forEach(obstacle -> {
            String sentence = ProposalText.sentence(new LeftOut(addressed, obstacle, 16));
            boolean notAsked = obstacle instanceof Obstacle.ModeMissing
                    || obstacle instanceof Obstacle.NeverHears
                    || obstacle instanceof Obstacle.Locked;
            assertThat(sentence.endsWith("; it stays at 2.041")).as(sentence).isEqualTo(!notAsked);
        });
    }

    static Stream<Arguments> breaks() {
        return Stream.of(
                Arguments.of(new Why.Full(16, 8), "16 slots are needed, universe 1 has 8 left"),
                Arguments.of(new Why.Full(1, 0), "1 slot is needed, universe 1 has none left"),
                Arguments.of(new Why.Split(ALL, TRUSS), "Truss 1 shares no universe with the rest"),
                Arguments.of(new Why.LineFull(1), "the line of universe 1 carries 1 unit"),
                Arguments.of(new Why.LineFull(32), "the line of universe 1 carries 32 units"),
                Arguments.of(new Why.Stays(), "it stays where it is"),
                Arguments.of(new Why.Packed(), "so all fit, though universe 1 has room for it"));
    }

    @ParameterizedTest
    @MethodSource("breaks")
    void whyAUniverseIsBegun(Why why, String sentence) {
        assertThat(ProposalText.sentence(new Break(UniverseNumber.of(1), UniverseNumber.of(2), "107", why)))
                .isEqualTo("Universe 2 from 107 on: " + sentence);
    }

    static Stream<Arguments> optima() {
        return Stream.of(
                Arguments.of(new Optimum.Unclaimed(), ""),
                Arguments.of(new Optimum.Universes(1, 1), "1 universe, the fewest there can be"),
                Arguments.of(new Optimum.Universes(7, 5), "7 universes; not certain: 5 might do, 2 fewer at most"),
                Arguments.of(new Optimum.Least(12, 12), "price 12, the least there can be"),
                Arguments.of(new Optimum.Least(12, 8), "price 12; it may be off by 4 at most"),
                Arguments.of(new Optimum.Ports(8, 5, 5), "5 universes of 8 ports, 3 left, the fewest there can be"),
                Arguments.of(new Optimum.Ports(8, 8, 8), "8 universes of 8 ports, 0 left, the fewest there can be"),
                Arguments.of(
                        new Optimum.Ports(1, 5, 3),
                        "5 universes of 1 port: 4 lacking; not certain: 3 might do, 2 fewer at most"));
    }

    @ParameterizedTest
    @MethodSource("optima")
    void howGoodAnAnswerIs(Optimum optimum, String sentence) {
        assertThat(ProposalText.sentence(optimum)).isEqualTo(sentence);
    }

    /** A kind that is added gets a sentence, or one of these lists lacks it. */
    @Test
    void everyKindOfThingThatCanBeSaidIsAmongTheseExamples() {
        assertThat(kinds(reasons())).isEqualTo(permitted(Reason.class));
        assertThat(kinds(troubles())).isEqualTo(permitted(Trouble.class));
        assertThat(kinds(obstacles())).isEqualTo(permitted(Obstacle.class));
        assertThat(kinds(breaks())).isEqualTo(permitted(Why.class));
        assertThat(kinds(optima())).isEqualTo(permitted(Optimum.class));
    }

    private static Set<Class<?>> kinds(Stream<Arguments> examples) {
        return examples.map(a -> a.get()[0].getClass()).collect(Collectors.toSet());
    }

    private static Set<Class<?>> permitted(Class<?> sealed) {
        return Arrays.stream(sealed.getPermittedSubclasses()).collect(Collectors.toSet());
    }

    @Test
    void whoseUniverseItIsIsSaidInWords() {
        assertThat(ProposalText.words(ALL)).isEqualTo("the rest");
        assertThat(ProposalText.words(TRUSS)).isEqualTo("Truss 1");
        assertThat(ProposalText.words(new SharingClass("", true, false))).isEqualTo("what has a hazard");
        assertThat(ProposalText.words(new SharingClass("Truss 1", true, true)))
                .isEqualTo("Truss 1 with a hazard, later blocks");
    }

    @Test
    void aBoundAboveWhatWasReachedIsNone() {
        assertThat(Stream.<Runnable>of(
                        () -> new Optimum.Universes(3, 4),
                        () -> new Optimum.Least(3, 4),
                        () -> new Optimum.Ports(9, 3, 4)))
                .allSatisfy(made -> org.assertj.core.api.Assertions.assertThatThrownBy(made::run)
                        .isInstanceOf(IllegalArgumentException.class)
                        .hasMessage("a bound of 4 is above 3, which was reached"));
    }

    private static String headline(Plan plan, Wish wish) {
        return ProposalText.headline(proposal(plan, wish));
    }

    private static AddressProposal proposal(Plan plan, Wish wish) {
        return Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    @Test
    void theHeadlineCountsWhoMovesWhoStaysAndWhoFindsNoPlace() {
        assertThat(headline(PLAN, Wish.USUAL)).isEqualTo("1 fixture moves, 0 stay, nothing that is set is touched");
        Plan three = place(add(empty(), type("t", 200), 3, 101), 1, 1, StartAddress.of(1, 1));
        assertThat(headline(three, Wish.USUAL)).isEqualTo("2 fixtures move, 1 stays, nothing that is set is touched");
        Wish one = Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));
        assertThat(headline(three, one))
                .isEqualTo("1 fixture moves, 1 stays, nothing that is set is touched, 1 finds no place");
        Plan four = place(add(empty(), type("t", 400), 3, 101), 1, 1, StartAddress.of(1, 1));
        assertThat(headline(four, one))
                .isEqualTo("0 fixtures move, 1 stays, nothing that is set is touched, 2 find no place");
    }

    @Test
    void theHeadlineCountsUnitsThatMustBeSetAgain() {
        AddressProposal base = proposal(PLAN, Wish.USUAL);
        assertThat(Stream.of(0, 1, 2).map(n -> ProposalText.headline(priced(base, new Price(n, 3, 4)))))
                .containsExactly(
                        "1 fixture moves, 0 stay, nothing that is set is touched",
                        "1 fixture moves, 0 stay, 1 unit must be set again",
                        "1 fixture moves, 0 stay, 2 units must be set again");
    }

    private static AddressProposal priced(AddressProposal p, Price price) {
        return new AddressProposal(
                p.title(),
                p.edit(),
                p.moves(),
                p.stays(),
                p.leftOut(),
                p.certain(),
                p.breaks(),
                p.modesToSet(),
                price,
                p.totals(),
                p.optimum());
    }

    /** Nothing is claimed where all are placed; else whether more could be is said as far as it is known. */
    @Test
    void whetherMoreCouldBePlacedIsSaidOnlyOfThoseWhoAreLeftOut() {
        assertThat(ProposalText.certainty(proposal(PLAN, Wish.USUAL))).isEmpty();
        Plan two = add(empty(), type("t", 300), 2, 101);
        Wish one = Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1));
        assertThat(ProposalText.certainty(proposal(two, one.withStyle(Style.FEWEST_UNIVERSES))))
                .isEqualTo("No plan for this wish places more of them.");
        AddressProposal certain = proposal(two, one.withStyle(Style.FEWEST_UNIVERSES));
        AddressProposal notCertain = new AddressProposal(
                certain.title(),
                certain.edit(),
                List.of(),
                List.of(),
                certain.leftOut(),
                false,
                List.of(),
                List.of(),
                certain.price(),
                certain.totals(),
                new Optimum.Unclaimed());
        assertThat(ProposalText.certainty(notCertain))
                .isEqualTo("Another plan for this wish may place more of them; none was found.");
    }
}
