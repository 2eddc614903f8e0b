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
        return SceneMerge.propose(plan, scene, TYPES, MergeRequest.USUAL);
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
        SceneProposal proposal = SceneMerge.propose(plan, moved, TYPES, new MergeRequest(true, false, false, false));
        assertThat(proposal.changes()).extracting(ChangeLine::what).containsExactly("Offset");
        assertThat(SceneMerge.propose(plan, moved, TYPES, new MergeRequest(false, true, false, false))
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
        Plan removed = SceneMerge.propose(plan, less, TYPES, new MergeRequest(true, true, true, true))
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
    void aTypeThatNobodyKnowsKeepsItsFixturesOutAndIsNamed() {
        SceneProposal proposal = SceneMerge.propose(Rigs.empty(), THREE, Map.of(), MergeRequest.USUAL);
        assertThat(proposal.unknown()).containsExactly(Map.entry("wash.gdtf", 3));
        assertThat(proposal.after().fixtures()).isEmpty();
        assertThat(proposal.after().groups()).isEmpty();
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
