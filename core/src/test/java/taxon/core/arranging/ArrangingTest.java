package taxon.core.arranging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import taxon.core.arranging.ArrangingProposal.Move;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.testing.Rigs;

class ArrangingTest {
    private static Plan rig(int units) {
        return Rigs.add(Rigs.empty(), Rigs.type("t", 4), units, 1);
    }

    private static Set<FixtureKey> all(Plan plan) {
        return plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet());
    }

    private static List<String> offsets(Plan plan, Spread spread) {
        Plan arranged =
                Rigs.apply(plan, Arranging.propose(plan, all(plan), spread).edit());
        return arranged.fixtures().stream()
                .map(f -> f.offset().map(Length::toString).orElse("none"))
                .toList();
    }

    @Test
    void aRunFromHereToThereIsEven() {
        assertThat(offsets(rig(5), new Spread.FromTo(Length.metres("-4"), Length.metres("4"))))
                .containsExactly("-4 m", "-2 m", "0 m", "2 m", "4 m");
        assertThat(offsets(rig(1), new Spread.FromTo(Length.metres("-4"), Length.metres("5"))))
                .containsExactly("0.5 m");
    }

    @Test
    void thirdsOfAMetreAreRoundedToTheMicrometreAndDoNotDrift() {
        Plan plan = rig(4);
        Plan arranged = Rigs.apply(
                plan,
                Arranging.propose(plan, all(plan), new Spread.FromTo(Length.ZERO, Length.metres("1")))
                        .edit());
        assertThat(arranged.fixtures())
                .extracting(f -> f.offset().orElseThrow().micrometres())
                .containsExactly(0L, 333_333L, 666_667L, 1_000_000L);
    }

    @Test
    void aPitchCountsOnFromTheFirst() {
        assertThat(offsets(rig(3), new Spread.Pitch(Length.metres("-1"), Length.metres("0.75"))))
                .containsExactly("-1 m", "-0.25 m", "0.5 m");
        assertThat(offsets(rig(3), new Spread.Pitch(Length.metres("1"), Length.metres("-1"))))
                .containsExactly("1 m", "0 m", "-1 m");
    }

    @Test
    void aboutTheCentreBothSidesAreAlike() {
        assertThat(offsets(rig(4), new Spread.Centred(Length.metres("1.5"))))
                .containsExactly("-2.25 m", "-0.75 m", "0.75 m", "2.25 m");
        assertThat(offsets(rig(3), new Spread.Centred(Length.metres("1")))).containsExactly("-1 m", "0 m", "1 m");
        assertThatThrownBy(() -> new Spread.Centred(Length.ZERO)).hasMessageContaining("0 m");
    }

    @Test
    void theRightHalfMirrorsTheLeft() {
        Plan plan = rig(5);
        String[] left = {"-5", "-3.2", "0.4"};
        for (int i = 0; i < 3; i++) {
            plan = plan.with(plan.fixtures().get(i).withOffset(Optional.of(Length.metres(left[i]))));
        }
        assertThat(offsets(plan, new Spread.Mirrored())).containsExactly("-5 m", "-3.2 m", "0 m", "3.2 m", "5 m");
    }

    @Test
    void aLeftHalfWithoutOffsetsIsNamedAndNothingMoves() {
        Plan plan = rig(4);
        ArrangingProposal proposal = Arranging.propose(plan, all(plan), new Spread.Mirrored());
        assertThat(proposal.unknown()).extracting(Fixture::label).containsExactly("1", "2");
        assertThat(proposal.moves()).isEmpty();
    }

    @Test
    void whatWouldHangPastTheEndIsMarked() {
        Plan plan = rig(3).with(new Position(
                1,
                "Pipe",
                PositionKind.PIPE,
                new PositionGeometry(Optional.of(Length.metres("6")), Length.ZERO, Length.ZERO, Length.ZERO, 0)));
        List<Move> moves = Arranging.propose(
                        plan, all(plan), new Spread.FromTo(Length.metres("-3"), Length.metres("3.5")))
                .moves();
        assertThat(moves).extracting(Move::beyond).containsExactly(false, false, true);
    }

    @Test
    void eachPositionIsSpreadByItselfAndItsUnitsCountedAnew() {
        Plan plan = rig(4);
        plan = plan.with(new Position(2, "Tower"))
                .with(plan.fixtures().get(2).withPlace(2, 7))
                .with(plan.fixtures().get(3).withPlace(2, 9));
        Plan arranged = Rigs.apply(
                plan,
                Arranging.propose(plan, all(plan), new Spread.FromTo(Length.metres("-1"), Length.metres("1")))
                        .edit());
        assertThat(arranged.fixtures())
                .extracting(f ->
                        f.position() + ": " + f.unit() + " at " + f.offset().orElseThrow())
                .containsExactly("1: 1 at -1 m", "1: 2 at 1 m", "2: 1 at -1 m", "2: 2 at 1 m");
    }
}
