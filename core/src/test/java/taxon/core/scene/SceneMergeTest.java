package taxon.core.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.fixture.FixtureType;
import taxon.core.history.ChangeLine;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class SceneMergeTest {
    private static final UUID RAIL = new UUID(0, 77);
    private static final FixtureType TYPE = Rigs.type("wash", 16);
    private static final Map<String, FixtureType> TYPES = Map.of("wash.gdtf", TYPE);

    private static final SceneTypes KNOWN = new SceneTypes(TYPES, Map.of());
    private static final SceneTypes NOBODY = new SceneTypes(Map.of(), Map.of());

    private static SceneFixture fixture(int n, String across, String address) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        if (!address.isEmpty()) {
            addresses.put(1, StartAddress.ofAbsolute(Integer.parseInt(address)));
        }
        return new SceneFixture(
                new UUID(1, n),
                "",
                List.of("Lights", "Rail"),
                Optional.of(FixtureId.of(100 + n)),
                Optional.empty(),
                Optional.of(RAIL),
                Optional.of(new ScenePoint(Length.metres(across), Length.metres("4"), Length.metres("7"))),
                "wash.gdtf",
                "only",
                addresses,
                Optional.of(n == 2),
                Optional.empty(),
                "");
    }

    private static Scene scene(SceneFixture... fixtures) {
        return new Scene(Map.of(RAIL, "Crane rail"), List.of(fixtures));
    }

    private static SceneProposal merge(Plan plan, Scene scene) {
        return SceneMerge.propose(plan, scene, KNOWN, MergeRequest.USUAL);
    }

    private static final Scene THREE = scene(fixture(1, "3", "33"), fixture(2, "-3", "1"), fixture(3, "0", "513"));

    @Test
    void anEmptyJobTakesEverythingWithPlacesUnitsAddressesAndFolders() {
        SceneProposal proposal = merge(Rigs.empty(), THREE);
        Plan after = proposal.after();
        assertThat(proposal.added()).hasSize(3);
        Position rail = after.positions().get(0);
        assertThat(rail.name()).isEqualTo("Crane rail");
        assertThat(rail.uuid()).contains(RAIL);
        assertThat(rail.geometry().upstage()).isEqualTo(Length.metres("4"));
        // From the left: 102 at -3 m, 103 at 0, 101 at 3 m.
        assertThat(after.fixtures())
                .extracting(
                        Fixture::label,
                        Fixture::unit,
                        f -> f.offset().orElseThrow().toString())
                .containsExactly(tuple("101", 3, "3 m"), tuple("102", 1, "-3 m"), tuple("103", 2, "0 m"));
        // Absolute 513 is 2.1 (worked example).
        assertThat(after.fixtures().get(2).address(1)).contains(StartAddress.of(2, 1));
        assertThat(after.fixtures().get(1).traits().panReversed()).isTrue();
        assertThat(after.groups()).extracting(Group::name).containsExactly("Lights", "Rail");
        assertThat(after.group(2).orElseThrow().members()).hasSize(3);
    }

    @Test
    void mergingTheSameSceneAgainChangesNothing() {
        Plan after = merge(Rigs.empty(), THREE).after();
        SceneProposal again = merge(after, THREE);
        assertThat(again.after()).isEqualTo(after);
        assertThat(again.same()).isEqualTo(3);
        assertThat(again.changes()).isEmpty();
    }

    @Test
    void whatMovedInTheDrawingIsToldAndWhatTheJobKnowsBesidesStays() {
        Plan plan = merge(Rigs.empty(), THREE).after();
        Fixture noted = plan.fixtures().get(0).withWords("Bow", "spare lamp");
        SceneProposal proposal =
                merge(plan.with(noted), scene(fixture(1, "2.5", "49"), fixture(2, "-3", "1"), fixture(3, "0", "513")));
        assertThat(proposal.changed()).isEqualTo(1);
        assertThat(proposal.changes())
                .containsExactly(
                        new ChangeLine("101", "Offset", "3 m", "2.5 m"),
                        new ChangeLine("101", "Address", "1.033", "1.049"));
        Fixture after = proposal.after().fixture(noted.key()).orElseThrow();
        assertThat(after.name() + after.note()).isEqualTo("Bowspare lamp");
    }

    @Test
    void addressesOfTheJobCanBeKept() {
        Plan plan = merge(Rigs.empty(), THREE).after();
        Scene moved = scene(fixture(1, "2.5", "49"));
        SceneProposal proposal =
                SceneMerge.propose(plan, moved, KNOWN, new MergeRequest(true, false, false, false, true));
        assertThat(proposal.changes()).extracting(ChangeLine::what).containsExactly("Offset");
        assertThat(SceneMerge.propose(plan, moved, KNOWN, new MergeRequest(false, true, false, false, true))
                        .changes())
                .isEmpty();
    }

    @Test
    void whoIsGoneStaysUnlessTakingAwayIsAskedFor() {
        Plan plan = Rigs.add(merge(Rigs.empty(), THREE).after(), Rigs.type("own", 4), 1, 901);
        Scene less = scene(fixture(1, "3", "33"));
        SceneProposal kept = merge(plan, less);
        assertThat(kept.gone()).extracting(Fixture::label).containsExactly("102", "103");
        assertThat(kept.after().fixtures()).hasSize(4);
        Plan removed = SceneMerge.propose(plan, less, KNOWN, new MergeRequest(true, true, true, true, true))
                .after();
        // 901 never came with a scene.
        assertThat(removed.fixtures()).extracting(Fixture::label).containsExactly("101", "901");
    }

    @Test
    void aFixtureThatWasTypedInIsFoundByItsId() {
        Plan typed = Rigs.add(Rigs.empty(), TYPE, 2, 101);
        SceneProposal proposal = merge(typed, THREE);
        assertThat(proposal.byId()).containsExactlyInAnyOrder("101", "102");
        assertThat(proposal.added()).extracting(Fixture::label).containsExactly("103");
        assertThat(proposal.after().fixture(FixtureKey.of(1)).orElseThrow().uuid())
                .contains(new UUID(1, 1));
    }

    @Test
    void fixturesOfATypeThatNobodyHasComeInWithAllElseAndTakeNoSlots() {
        SceneProposal proposal = SceneMerge.propose(Rigs.empty(), THREE, NOBODY, MergeRequest.USUAL);
        Plan after = proposal.after();
        assertThat(proposal.added()).hasSize(3);
        assertThat(proposal.questions())
                .containsExactly(new SceneProposal.Question(
                        new SpecMode("wash.gdtf", "only"), Optional.empty(), Optional.empty(), 3));
        assertThat(after.fixtures())
                .extracting(
                        Fixture::label,
                        Fixture::mode,
                        f -> f.address(1).orElseThrow().toString())
                .containsExactly(
                        tuple("101", "only", "1.033"), tuple("102", "only", "1.001"), tuple("103", "only", "2.001"));
        assertThat(after.type(after.fixtures().get(0)).name()).isEqualTo("wash");
        assertThat(after.blocks())
                .as("nothing is claimed for what is not known")
                .isEmpty();
        assertThat(PlanCheck.of(after).byRule().get(Rule.TYPE_UNKNOWN).get(0).fixtures())
                .hasSize(3);
        assertThat(PlanCheck.of(after).byRule().get(Rule.MODE_MISSING)).isEmpty();
    }

    @Test
    void whatIsChosenForThoseThatSayTheSameHolds() {
        SpecMode said = new SpecMode("wash.gdtf", "only");
        SceneTypes chosen = new SceneTypes(
                Map.of(), Map.of(said, new SceneTypes.Choice(TYPE, TYPE.modes().get(0))));
        SceneProposal proposal = SceneMerge.propose(Rigs.empty(), THREE, chosen, MergeRequest.USUAL);
        assertThat(proposal.after().fixtures()).allMatch(f -> f.type().equals(TYPE.id()));
        assertThat(proposal.questions().get(0).chosen()).isPresent();
    }

    @Test
    void readAgainAfterTheTypeIsThereTheSameFixturesGetIt() {
        Plan first = SceneMerge.propose(Rigs.empty(), THREE, NOBODY, MergeRequest.USUAL)
                .after();
        SceneProposal again = merge(first, THREE);
        assertThat(again.added()).isEmpty();
        assertThat(again.changed()).isEqualTo(3);
        assertThat(again.questions()).isEmpty();
        assertThat(again.after().fixtures()).allMatch(f -> f.type().equals(TYPE.id()));
        assertThat(again.after().types().types()).as("the name alone is gone").containsExactly(TYPE);
        assertThat(PlanCheck.of(again.after()).byRule().get(Rule.TYPE_UNKNOWN)).isEmpty();
    }

    @Test
    void aModeThatTheTypeLacksIsAskedAboutAndComesInByItsName() {
        SceneFixture odd = withMode(fixture(1, "0", "1"), "wide");
        SceneProposal proposal = merge(Rigs.empty(), scene(odd));
        assertThat(proposal.added()).extracting(Fixture::mode).containsExactly("wide");
        assertThat(proposal.questions())
                .containsExactly(new SceneProposal.Question(
                        new SpecMode("wash.gdtf", "wide"), Optional.of(TYPE), Optional.empty(), 1));
    }

    @Test
    void whatTheJobKnowsBetterThanTheSceneIsNoQuestion() {
        Plan plan = merge(Rigs.empty(), THREE).after();
        SceneProposal again = SceneMerge.propose(plan, THREE, NOBODY, MergeRequest.USUAL);
        assertThat(again.questions()).isEmpty();
        assertThat(again.after().fixtures()).allMatch(f -> f.type().equals(TYPE.id()));
    }

    @Test
    void aModeOfAnUnknownTypeChangesNothingOfTheTypeThatTheJobHasAndIsAsked() {
        Plan plan = merge(Rigs.empty(), scene(fixture(1, "0", "1"))).after();
        SceneProposal again =
                SceneMerge.propose(plan, scene(withMode(fixture(1, "0", "1"), "extended")), NOBODY, MergeRequest.USUAL);
        assertThat(again.after()).isEqualTo(plan);
        assertThat(again.questions()).extracting(q -> q.said().mode()).containsExactly("extended");
    }

    private static SceneFixture withMode(SceneFixture f, String mode) {
        return new SceneFixture(
                f.uuid(),
                f.name(),
                f.folders(),
                f.id(),
                f.unit(),
                f.position(),
                f.point(),
                f.spec(),
                mode,
                f.addresses(),
                f.panReversed(),
                f.tiltReversed(),
                f.purpose());
    }

    private static SceneFixture at(int n, String height) {
        SceneFixture f = fixture(n, "2", String.valueOf(16 * n));
        return new SceneFixture(
                f.uuid(),
                f.name(),
                f.folders(),
                f.id(),
                f.unit(),
                f.position(),
                Optional.of(new ScenePoint(Length.metres("2"), Length.metres("4"), Length.metres(height))),
                f.spec(),
                f.mode(),
                f.addresses(),
                f.panReversed(),
                f.tiltReversed(),
                f.purpose());
    }

    @Test
    void onAnUprightPositionHeightsBecomeOffsetsAndComeBackAsTheyWere() {
        Plan after =
                merge(Rigs.empty(), scene(at(1, "5"), at(2, "1"), at(3, "2.5"))).after();
        PositionGeometry tower = after.positions().get(0).geometry();
        assertThat(tower.upright()).isTrue();
        assertThat(tower.height()).isEqualTo(Length.metres("3"));
        assertThat(after.fixtures())
                .extracting(f -> tower.heightAt(f.offset().orElseThrow()).toString(), Fixture::unit)
                .containsExactly(tuple("5 m", 3), tuple("1 m", 1), tuple("2.5 m", 2));
        assertThat(merge(after, scene(at(1, "5"), at(2, "1"), at(3, "2.5"))).same())
                .isEqualTo(3);
    }

    @Test
    void fixturesOfOneKindAtOneAddressAreDoubledOnPurpose() {
        Scene doubled = scene(fixture(1, "-3", "1"), fixture(2, "0", "1"), fixture(3, "3", "17"));
        SceneProposal proposal = merge(Rigs.empty(), doubled);
        assertThat(proposal.doubles()).containsExactly("1.001: 101, 102");
        assertThat(proposal.after().shares()).hasSize(1);
        assertThat(PlanCheck.of(proposal.after()).byRule().get(Rule.OVERLAP)).isEmpty();
        SceneProposal again = merge(proposal.after(), doubled);
        assertThat(again.doubles()).isEmpty();
        assertThat(again.after()).isEqualTo(proposal.after());
        Scene third = scene(fixture(1, "-3", "1"), fixture(2, "0", "1"), fixture(3, "3", "1"));
        Plan joined = merge(proposal.after(), third).after();
        assertThat(joined.shares())
                .singleElement()
                .satisfies(s -> assertThat(s.blocks()).hasSize(3));
    }

    @Test
    void whoDoesNotWantDoublesGetsTheClash() {
        Scene doubled = scene(fixture(1, "-3", "1"), fixture(2, "0", "1"));
        SceneProposal proposal =
                SceneMerge.propose(Rigs.empty(), doubled, KNOWN, new MergeRequest(true, true, false, true, false));
        assertThat(proposal.doubles()).isEmpty();
        assertThat(PlanCheck.of(proposal.after()).byRule().get(Rule.OVERLAP)).hasSize(1);
    }

    @Test
    void aLockedOneThatKeepsItsAddressIsNoDoubleOfWhoComesThere() {
        Plan first = merge(Rigs.empty(), scene(fixture(1, "-3", "1"), fixture(2, "0", "17")))
                .after();
        Fixture locked = first.fixtures().get(0);
        Plan plan = first.with(locked.withTraits(locked.traits().withLocked(true)));
        SceneProposal proposal = merge(plan, scene(fixture(1, "-3", "33"), fixture(2, "0", "1")));
        assertThat(proposal.locked()).containsExactly("101");
        assertThat(proposal.doubles()).isEmpty();
        assertThat(PlanCheck.of(proposal.after()).byRule().get(Rule.OVERLAP)).hasSize(1);
    }

    @Test
    void whatOnlyOverlapsIsNoDouble() {
        SceneProposal proposal = merge(Rigs.empty(), scene(fixture(1, "-3", "1"), fixture(2, "0", "9")));
        assertThat(proposal.after().shares()).isEmpty();
        assertThat(PlanCheck.of(proposal.after()).byRule().get(Rule.OVERLAP)).hasSize(1);
    }

    @Test
    void aPositionThatIsKnownStaysWhereItIsAndWhoHangsBesideItIsTold() {
        PositionGeometry known = new PositionGeometry(
                Optional.of(Length.metres("12")), Length.metres("1"), Length.metres("6"), Length.metres("7"), 0);
        Plan plan = Rigs.empty().with(new Position(1, "crane rail", PositionKind.TRUSS, known));
        SceneProposal proposal = merge(plan, scene(fixture(1, "3", "")));
        assertThat(proposal.after().positions()).hasSize(1);
        assertThat(proposal.after().positions().get(0).geometry()).isEqualTo(known);
        assertThat(proposal.after().fixtures().get(0).offset()).contains(Length.metres("2"));
        assertThat(proposal.beside()).containsExactly("101");
    }

    @Test
    void itIsOneEditThatIsComputedOnThePlanThatItChanges() {
        Edit edit = merge(Rigs.empty(), THREE).edit();
        Plan busy = Rigs.add(Rigs.empty(), Rigs.type("own", 4), 5, 1);
        Plan after = Rigs.apply(busy, edit);
        assertThat(after.fixtures()).hasSize(8);
        List<Integer> keys = new ArrayList<>();
        after.fixtures().forEach(f -> keys.add(f.key().number()));
        assertThat(keys).doesNotHaveDuplicates();
    }
}
