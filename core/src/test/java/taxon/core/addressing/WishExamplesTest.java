package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.answer.AddressProposal.Move;
import taxon.core.addressing.answer.Break.Why;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.space.Fits;
import taxon.core.addressing.space.FreeRun;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.finding.PlanCheck;
import taxon.core.network.Ipv4;
import taxon.core.rig.Box;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** Each wish by an example that can be counted by hand; values marked so are worked examples of the trade (common practice). */
class WishExamplesTest {

    private static AddressProposal propose(Plan plan, Wish wish) {
        return Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    private static List<String> starts(Plan plan, Wish wish) {
        return propose(plan, wish).moves().stream()
                .map(m -> m.after().toString())
                .toList();
    }

    /** Common practice: four add-on blocks of four channels, each its own: pitch 4. */
    @Test
    void addOnBlocksInARunOfTheirOwnFollowEachOther() {
        Plan plan = add(empty(), type("box", 20, 4), 4, 101);
        assertThat(starts(plan, Wish.USUAL.withBlocks(Blocks.OWN_RUN)))
                .containsExactly("1.001", "1.021", "1.041", "1.061", "1.081", "1.085", "1.089", "1.093");
    }

    /** Common practice: the same address for all where they shall act as one. */
    @Test
    void addOnBlocksThatShareHaveOneAddressAndThatIsNoFault() {
        Plan plan = add(empty(), type("box", 20, 4), 4, 101);
        AddressProposal proposal = propose(plan, Wish.USUAL.withBlocks(Blocks.SHARE));
        assertThat(proposal.moves().stream().map(Move::after).map(StartAddress::toString))
                .containsExactly("1.001", "1.021", "1.041", "1.061", "1.081", "1.081", "1.081", "1.081");
        Plan after = apply(plan, proposal.edit());
        assertThat(after.shares()).hasSize(1);
        assertThat(PlanCheck.of(after).findings())
                .noneMatch(f -> f.rule().slug().equals("overlap"));
        assertThat(propose(after, Wish.USUAL.withStyle(Style.LEAST_CHANGE)).moves())
                .isEmpty();
    }

    /** Common practice: a six-slot master at 1, then the first layer at 7. */
    @Test
    void layersFollowTheirMaster() {
        assertThat(starts(add(empty(), type("media", 6, 20, 20), 1, 1), Wish.USUAL))
                .containsExactly("1.001", "1.007", "1.027");
    }

    @Test
    void laterBlocksOnTheirOwnUniverseLeaveTheFirstOnesTogether() {
        Plan plan = add(empty(), type("box", 20, 4), 2, 101);
        assertThat(starts(plan, Wish.USUAL.withBlocks(Blocks.OWN_UNIVERSE)))
                .containsExactly("1.001", "1.021", "2.001", "2.005");
    }

    @Test
    void aPitchKeepsStartsApartAndRoundStartsLieOnTheGrid() {
        Plan plan = add(empty(), type("t", 16), 3, 101);
        Wish pitch = Wish.USUAL
                .withSpacing(new Spacing(0, Starts.PITCH, 20, false))
                .within(StartAddress.of(1, 5), UniverseSet.ALL);
        assertThat(starts(plan, pitch)).containsExactly("1.005", "1.025", "1.045");
        Wish round = pitch.withSpacing(new Spacing(0, Starts.ROUND, 20, false));
        assertThat(starts(plan, round)).containsExactly("1.021", "1.041", "1.061");
        Wish roundWithGap = pitch.withSpacing(new Spacing(5, Starts.ROUND, 20, false));
        assertThat(starts(plan, roundWithGap)).containsExactly("1.021", "1.061", "1.101");
    }

    @Test
    void headroomStaysFreeAndTheBreakSaysWhy() {
        Plan plan = add(empty(), type("t", 100), 6, 101);
        AddressProposal proposal = propose(plan, Wish.USUAL.withHeadroom(Headroom.ofSlots(20)));
        assertThat(proposal.moves().get(4).after()).isEqualTo(StartAddress.of(2, 1));
        assertThat(proposal.breaks()).hasSize(1);
        assertThat(proposal.breaks().get(0).why()).isEqualTo(new Why.Full(100, 92));
        assertThat(ProposalText.sentence(proposal.breaks().get(0)))
                .isEqualTo("Universe 2 from 105 on: 100 slots are needed, universe 1 has 92 left");
    }

    @Test
    void aSplitBeginsAUniverseForEachPosition() {
        Plan plan = add(empty(), type("a", 16), 2, 101);
        Plan split = plan.with(new Position(2, "Tower"));
        Plan hung = split.with(split.fixtures().get(1).withPlace(2, 1));
        AddressProposal proposal = propose(hung, Wish.USUAL.withSplit(Split.POSITION, false));
        assertThat(proposal.moves().get(1).after()).isEqualTo(StartAddress.of(2, 1));
        assertThat(ProposalText.sentence(proposal.breaks().get(0)))
                .isEqualTo("Universe 2 from 102 on: Tower shares no universe with Pipe");
    }

    @Test
    void portsThatExistAreFilledBeforeAnotherIsAskedFor() {
        Plan plan = apply(
                add(empty(), type("t", 10), 50, 101),
                NetworkEdits.addBox(Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), 2)));
        Wish wish = Wish.USUAL.withStyle(Style.COMPACT_BY_PORT).withUnitsPerLine(Optional.of(20));
        AddressProposal proposal = propose(plan, wish);
        assertThat(proposal.optimum()).isEqualTo(new Optimum.Ports(2, 3, 3));
        assertThat(ProposalText.sentence(proposal.optimum()))
                .isEqualTo("3 universes of 2 ports: 1 lacking, the fewest there can be");
        assertThat(proposal.breaks().get(0).why()).isInstanceOf(Why.LineFull.class);
        AddressProposal roomy = propose(plan, wish.withUnitsPerLine(Optional.of(32)));
        assertThat(((Optimum.Ports) roomy.optimum()).lacking()).isZero();
    }

    @Test
    void whatFindsNoPlaceSaysWhatItNeedsAndWhatThereIs() {
        Plan plan = add(add(empty(), type("big", 400), 2, 101), type("locked", 8), 1, 301);
        Plan locked = apply(plan, LockEdits.lock(Set.of(FixtureKey.of(3)), true));
        AddressProposal proposal = propose(locked, Wish.USUAL.within(StartAddress.of(1, 1), UniverseSet.of(1, 1)));
        assertThat(proposal.leftOut())
                .extracting(n -> n.obstacle())
                .containsExactly(
                        new Obstacle.Locked(),
                        new Obstacle.NoRoom(Optional.of(new FreeRun(UniverseNumber.of(1), new SlotRange(401, 512)))));
        assertThat(ProposalText.sentence(proposal.leftOut().get(1)))
                .isEqualTo("needs 400 slots; the longest run open to it is 112 slots at 1.401");
        AddressProposal tooLong = propose(locked, Wish.USUAL.withHeadroom(Headroom.ofSlots(200)));
        assertThat(tooLong.leftOut()).extracting(n -> n.obstacle()).contains(new Obstacle.TooLong(312));
    }

    @Test
    void leastChangeMovesTheCheaperOfTwoThatMeet() {
        Plan plan = place(
                place(add(empty(), type("t", 16), 2, 101), 1, 1, StartAddress.of(1, 1)), 2, 1, StartAddress.of(1, 9));
        AddressProposal proposal = propose(plan, Wish.USUAL.withStyle(Style.LEAST_CHANGE));
        assertThat(proposal.moves()).hasSize(1);
        assertThat(ProposalText.sentence(proposal.moves().get(0).reason())).isEqualTo("overlapped 101");
        assertThat(proposal.optimum()).isEqualTo(new Optimum.Least(1, 1));
    }

    @Test
    void freePlacesAreTold() {
        Plan plan = add(empty(), type("t", 100), 2, Optional.of(101), Optional.of(StartAddress.of(1, 1)))
                .with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(301, 400), "house"));
        Fits fits = Fits.of(plan);
        UniverseNumber one = UniverseNumber.of(1);
        assertThat(fits.starts(one, 90)).containsExactly(new SlotRange(201, 211), new SlotRange(401, 423));
        assertThat(fits.next(StartAddress.of(1, 1), 90)).contains(StartAddress.of(1, 201));
        assertThat(fits.next(StartAddress.of(1, 212), 90)).contains(StartAddress.of(1, 401));
        assertThat(fits.next(StartAddress.of(1, 1), 113)).contains(StartAddress.of(2, 1));
        assertThat(fits.freeSpace(one)).isEqualTo(new Fits.FreeSpace(212, 112, 2));
        assertThat(fits.freeSpace(one).fragmentation()).isEqualTo(48);
        assertThat(fits.more(List.of(one), 50)).isEqualTo(4);
        assertThat(fits.largest(List.of(one)).orElseThrow().slots()).isEqualTo(new SlotRange(401, 512));
    }

    @Test
    void someUniversesAreReadAndWritten() {
        assertThat(UniverseSet.read("1 to 3, 2-5; 9"))
                .map(UniverseSet::toString)
                .contains("1-5, 9");
        assertThat(UniverseSet.read("")).contains(UniverseSet.ALL);
        assertThat(UniverseSet.read("5-1")).isEmpty();
        assertThat(UniverseSet.read("0")).isEmpty();
        assertThat(UniverseSet.read("64000")).isEmpty();
        assertThat(UniverseSet.read("one")).isEmpty();
        assertThat(UniverseSet.of(3, 5).atOrAbove(1)).contains(UniverseNumber.of(3));
        assertThat(UniverseSet.of(3, 5).atOrAbove(6)).isEmpty();
    }
}
