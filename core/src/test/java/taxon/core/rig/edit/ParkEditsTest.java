package taxon.core.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class ParkEditsTest {
    private static final FixtureType HERON =
            DemoTypes.book().named("", "Heron 380").orElseThrow();
    private static final FixtureType CURLEW =
            DemoTypes.book().named("", "Curlew 12").orElseThrow();

    /** Two Herons in their mode with a fine zoom, and a batten that has none. */
    private static Plan rig() {
        Plan plan = Rigs.add(Rigs.empty(), HERON, 2, 201);
        plan = plan.with(
                plan.fixtures().stream().map(f -> f.withMode("24-channel")).toList());
        Plan all = Rigs.add(plan, CURLEW, 1, 401);
        return all.with(all.fixture(FixtureKey.of(3)).orElseThrow().withMode("37-channel"));
    }

    private static final List<FixtureKey> ALL = List.of(FixtureKey.of(1), FixtureKey.of(2), FixtureKey.of(3));

    private static List<Parked> parked(Plan plan, int key) {
        return plan.fixture(FixtureKey.of(key))
                .map(Fixture::traits)
                .orElseThrow()
                .parked();
    }

    @Test
    void aChannelIsParkedByItsNameWhereverItIsAndTheTitleSaysWhoHasNone() {
        Edit edit = ParkEdits.park(rig(), ALL, "Zoom", Optional.of(40), "narrow");
        assertThat(edit.title()).isEqualTo("zoom parked at 40 on 2; 1 have no such channel");
        Plan after = Rigs.apply(rig(), edit);
        assertThat(parked(after, 1)).containsExactly(new Parked(1, 20, 40, "narrow"), new Parked(1, 21, 40, "narrow"));
        assertThat(parked(after, 2)).hasSize(2);
        assertThat(parked(after, 3)).isEmpty();
    }

    @Test
    void parkedAgainItHoldsTheNewValueAndWithoutOneItIsLetGo() {
        Plan once = Rigs.apply(rig(), ParkEdits.park(rig(), ALL, "zoom", Optional.of(40), "narrow"));
        Plan twice = Rigs.apply(once, ParkEdits.park(once, ALL, "zoom", Optional.of(200), "wide"));
        assertThat(parked(twice, 1)).extracting(Parked::value).containsExactly(200, 200);
        Plan let = Rigs.apply(twice, ParkEdits.park(twice, ALL, "zoom", Optional.empty(), ""));
        assertThat(let).isEqualTo(rig());
    }

    @Test
    void aCellIsParkedByItsNumberAndWithoutOneAllAre() {
        List<FixtureKey> batten = List.of(FixtureKey.of(3));
        Plan one = Rigs.apply(rig(), ParkEdits.park(rig(), batten, "red 3", Optional.of(255), "exit sign"));
        assertThat(parked(one, 3)).hasSize(1);
        Plan all = Rigs.apply(rig(), ParkEdits.park(rig(), batten, "red", Optional.of(255), "exit sign"));
        assertThat(parked(all, 3)).hasSize(12);
    }

    @Test
    void aChannelThatNoneOfThemHasIsRefused() {
        Edit.Outcome outcome = ParkEdits.park(rig(), List.of(FixtureKey.of(3)), "zoom", Optional.of(1), "x")
                .applyTo(rig());
        assertThat(outcome).isNotInstanceOf(Changed.class);
        assertThat(((Edit.Refused) outcome).reasons().get(0).sentence()).contains("zoom", "none of the chosen");
    }
}
