package taxon.core.grouping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;
import taxon.core.grouping.Grouping.Origin;
import taxon.core.grouping.RigTree.Branch;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Group.Rule;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Position;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class GroupingTest {
    private static final Plan RIG = Rigs.add(
            Rigs.add(Rigs.empty(), Rigs.type("wash", 4), 4, 101).with(new Position(2, "Tower")),
            Rigs.type("spot", 8),
            3,
            201);

    private static Group group(String name, int id, Set<Integer> members, Rule... rules) {
        TreeSet<FixtureKey> keys = new TreeSet<>();
        members.forEach(m -> keys.add(FixtureKey.of(m)));
        return new Group(
                1, GroupKind.GROUP, name, Optional.of(FixtureId.of(id)), Optional.empty(), keys, List.of(rules));
    }

    private static Plan made(Plan plan, Group group) {
        return Rigs.apply(plan, GroupEdits.make(group));
    }

    private static List<Integer> keys(List<Fixture> fixtures) {
        return fixtures.stream().map(f -> f.key().number()).toList();
    }

    @Test
    void aRuleTakesWhoComesLaterToo() {
        Plan plan = made(RIG, group("Spots", 2, Set.of(1), Rule.ofType(TypeId.of("spot"))));
        assertThat(keys(Groupings.members(plan, plan.groups().get(0)))).containsExactly(1, 5, 6, 7);
        Plan more = Rigs.add(plan, Rigs.type("spot", 8), 1, 204);
        assertThat(keys(Groupings.members(more, more.groups().get(0)))).containsExactly(1, 5, 6, 7, 8);
    }

    @Test
    void aRuleOfTypeAndPositionTakesOnlyWhoSatisfiesBoth() {
        Fixture moved = RIG.fixture(FixtureKey.of(5)).orElseThrow().withPlace(2, 1);
        Rule both = new Rule(Optional.of(TypeId.of("spot")), Optional.of(2));
        Plan plan = made(RIG.with(moved), group("Tower spots", 3, Set.of(), both));
        assertThat(keys(Groupings.members(plan, plan.groups().get(0)))).containsExactly(5);
        assertThatThrownBy(() -> new Rule(Optional.empty(), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void groupsPerTypeAndPerPositionComeByThemselves() {
        assertThat(Groupings.all(RIG))
                .extracting(Grouping::name, Grouping::origin, g -> g.members().size())
                .containsExactly(
                        tuple("Test spot", Origin.PER_TYPE, 3),
                        tuple("Test wash", Origin.PER_TYPE, 4),
                        tuple("Pipe", Origin.PER_POSITION, 7));
    }

    @Test
    void aFixtureLiesInOneFolderAtATimeButInManyGroups() {
        Plan plan = Rigs.apply(RIG, GroupEdits.make(Group.folder(1, "Left", Optional.empty())));
        plan = Rigs.apply(plan, GroupEdits.make(Group.folder(1, "Right", Optional.empty())));
        plan = made(made(plan, group("A", 1, Set.of(1, 2))), group("B", 2, Set.of(1)));
        plan = Rigs.apply(plan, GroupEdits.join(1, List.of(FixtureKey.of(1), FixtureKey.of(2))));
        plan = Rigs.apply(plan, GroupEdits.join(2, List.of(FixtureKey.of(1))));
        assertThat(plan.group(1).orElseThrow().members()).containsExactly(FixtureKey.of(2));
        assertThat(plan.group(2).orElseThrow().members()).containsExactly(FixtureKey.of(1));
        assertThat(plan.group(3).orElseThrow().members()).hasSize(2);
    }

    @Test
    void whoIsTakenOffTheRigLeavesItsGroupsAndComesBackWithUndo() {
        Plan plan = made(RIG, group("A", 1, Set.of(1, 2)));
        Plan after = Rigs.apply(plan, FixtureEdits.remove(List.of(FixtureKey.of(1))));
        assertThat(after.group(1).orElseThrow().members()).containsExactly(FixtureKey.of(2));
        assertThat(PlanDelta.between(plan, after).turned().applyTo(after)).contains(plan);
    }

    @Test
    void foldersNestAndNeverLieInThemselves() {
        Plan plan = RIG;
        for (int i = 1; i <= 3; i++) {
            Optional<Integer> parent = Optional.of(i - 1).filter(p -> p > 0);
            plan = Rigs.apply(plan, GroupEdits.make(Group.folder(i, "Level " + i, parent)));
        }
        Group outer = plan.group(1).orElseThrow();
        assertThat(GroupEdits.change(outer.withParent(Optional.of(3))).applyTo(plan))
                .isInstanceOf(Edit.Refused.class);
        Branch top = (Branch) RigTree.of(plan).get(0);
        Branch middle = (Branch) top.children().get(0);
        assertThat(((Branch) middle.children().get(0)).group().name()).isEqualTo("Level 3");
        Plan raised = Rigs.apply(plan, GroupEdits.remove(2));
        assertThat(raised.group(3).orElseThrow().parent()).contains(1);
    }

    @Test
    void sixteenFoldersDeepIsDeepEnough() {
        Plan plan = RIG;
        for (int i = 1; i <= 16; i++) {
            plan = Rigs.apply(
                    plan,
                    GroupEdits.make(Group.folder(i, "L" + i, Optional.of(i - 1).filter(p -> p > 0))));
        }
        Edit deeper = GroupEdits.make(Group.folder(1, "deeper", Optional.of(16)));
        assertThat(Rigs.apply(plan, deeper).groups()).hasSize(17);
        Plan seventeen = Rigs.apply(plan, deeper);
        assertThat(GroupEdits.make(Group.folder(1, "too deep", Optional.of(17))).applyTo(seventeen))
                .isInstanceOf(Edit.Refused.class);
    }

    @Test
    void twoGroupsNeverHaveOneNumber() {
        Plan plan = made(RIG, group("A", 1, Set.of()));
        Edit.Outcome outcome = GroupEdits.make(group("B", 1, Set.of())).applyTo(plan);
        assertThat(((Edit.Refused) outcome).reasons().get(0).sentence()).isEqualTo("The group number 1 is taken by A.");
    }

    @Test
    void whoLiesInNoFolderStandsAtTheTopWithItsCells() {
        FixtureType batten = DemoTypes.book().types().stream()
                .filter(t -> t.modes().stream().anyMatch(m -> !m.parts().isEmpty()))
                .findFirst()
                .orElseThrow();
        String mode = batten.modes().stream()
                .filter(m -> !m.parts().isEmpty())
                .findFirst()
                .orElseThrow()
                .name();
        Plan plan = Rigs.add(Rigs.empty(), batten, 1, 1);
        plan = plan.with(plan.fixtures().get(0).withMode(mode));
        RigTree.Leaf leaf = (RigTree.Leaf) RigTree.of(plan).get(0);
        assertThat(leaf.cells()).isNotEmpty().doesNotContain(Part.WHOLE).doesNotHaveDuplicates();
        assertThat(leaf.cells().get(0).number()).isEqualTo("1");
    }

    @Test
    void idsAreWrittenInRuns() {
        assertThat(IdRuns.words(RIG.fixtures())).isEqualTo("101–104, 201–203");
        assertThat(IdRuns.words(RIG.fixtures().subList(0, 2))).isEqualTo("101, 102");
        Fixture nameless = RIG.fixtures().get(0).withId(Optional.empty());
        assertThat(IdRuns.words(List.of(RIG.fixtures().get(4), nameless))).isEqualTo("201, no. 1");
    }
}
