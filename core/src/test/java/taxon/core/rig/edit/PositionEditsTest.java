package taxon.core.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.testing.Rigs;

class PositionEditsTest {
    private static Plan places() {
        Plan plan = Rigs.empty();
        for (String name : List.of("A", "B", "C")) {
            plan = Rigs.apply(plan, PositionEdits.add(name, PositionKind.TRUSS, PositionGeometry.UNSAID));
        }
        return plan;
    }

    private static String order(Plan plan) {
        return String.join("", plan.positions().stream().map(Position::name).toList());
    }

    @ParameterizedTest
    @CsvSource({"1, 1, ABC", "1, 2, BAC", "1, 3, BCA", "1, 99, BCA", "3, 1, CAB", "3, 2, ACB", "2, 1, BAC"})
    void aPositionMovesToAnyPlaceInTheOrder(int number, int place, String order) {
        assertThat(order(Rigs.apply(places(), PositionEdits.move(number, place))))
                .isEqualTo(order);
    }

    @Test
    void theRigIsReadInTheOrderOfItsPositionsAndANewOneIsLast() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 2, 1);
        plan = Rigs.apply(plan, PositionEdits.add("Front", PositionKind.PIPE, PositionGeometry.UNSAID));
        Fixture front = plan.fixtures().get(1).withPlace(2, 1);
        plan = Rigs.apply(plan.with(front), PositionEdits.move(2, 1));
        assertThat(RigOrder.of(plan, plan.fixtures(), NumberingOrder.USUAL))
                .extracting(Fixture::position)
                .containsExactly(2, 1);
        plan = Rigs.apply(plan, PositionEdits.add("Later", PositionKind.ROOM, PositionGeometry.UNSAID));
        assertThat(plan.positions()).extracting(Position::name).containsExactly("Front", "Pipe", "Later");
    }

    @Test
    void changingAPositionKeepsItsPlaceInTheOrder() {
        Plan moved = Rigs.apply(places(), PositionEdits.move(3, 1));
        Position c = moved.position(3).orElseThrow();
        Plan renamed = Rigs.apply(moved, PositionEdits.change(new Position(3, "Z", PositionKind.FLOOR, c.geometry())));
        assertThat(order(renamed)).isEqualTo("ZAB");
    }

    @Test
    void aNameIsGivenOnceAndAMissingPositionIsTold() {
        assertThat(PositionEdits.add("b", PositionKind.PIPE, PositionGeometry.UNSAID)
                        .applyTo(places()))
                .isInstanceOf(Edit.Refused.class);
        assertThat(PositionEdits.move(9, 1).applyTo(places())).isInstanceOf(Edit.Refused.class);
    }
}
