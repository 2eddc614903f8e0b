package taxon.core.grouping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Element;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** Members looked up are the members that each group itself says it holds. */
class MembershipsTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void theMembersAreThoseThatTheGroupHoldsInTheOrderOfTheRig(long seed) {
        Plan made = Rigs.ofEveryKind(seed);
        List<Element> more = new ArrayList<>(made.groups());
        int number = made.groups().stream().mapToInt(Group::number).max().orElse(0);
        for (Fixture fixture : made.fixtures()) {
            number++;
            boolean both = number % 3 == 0;
            Group.Rule rule = new Group.Rule(
                    number % 2 == 0 || both ? Optional.of(fixture.type()) : Optional.empty(),
                    number % 2 == 1 || both ? Optional.of(fixture.position()) : Optional.empty());
            more.add(new Group(
                    number,
                    GroupKind.GROUP,
                    "Group " + number,
                    Optional.empty(),
                    Optional.empty(),
                    Collections.emptySortedSet(),
                    List.of(rule)));
        }
        Plan plan = made.with(more);
        List<Fixture> order = RigOrder.of(plan, plan.fixtures(), NumberingOrder.USUAL);
        Memberships memberships = new Memberships(plan);
        for (Group group : plan.groups()) {
            assertThat(memberships.of(group))
                    .as(group.name())
                    .isEqualTo(order.stream().filter(group::holds).toList());
        }
    }

    @Test
    void aChainOfFoldersThatNobodyCouldWalkIsRefused() {
        List<Element> chain = new ArrayList<>(List.of(JobSheet.named("Deep")));
        for (int n = 1; n <= 5000; n++) {
            chain.add(Group.folder(n, "Folder " + n, n == 1 ? Optional.empty() : Optional.of(n - 1)));
        }
        assertThatThrownBy(() -> Plan.of(chain))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("more than 100 deep");
        assertThat(RigTree.of(Plan.of(chain.subList(0, 100)))).hasSize(1);
    }
}
