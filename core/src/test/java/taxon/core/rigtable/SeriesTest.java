package taxon.core.rigtable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

class SeriesTest {

    /** What the cells below read after one or two were typed and counted on. */
    private static List<String> counted(int footprint, FixtureColumn column, List<String> seeds, int rows) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", footprint), rows, 1);
        List<FieldChange> typed = new ArrayList<>();
        for (int i = 0; i < seeds.size(); i++) {
            typed.add(new FieldChange(plan.fixtures().get(i).key(), column, seeds.get(i)));
        }
        Plan begun = TableWork.of(plan, typed).plan();
        List<FieldChange> changes = Series.of(begun, Rigs.rows(begun), column, seeds.size());
        Plan after = TableWork.of(begun, changes).plan();
        return after.fixtures().stream()
                .skip(seeds.size())
                .map(f -> FieldText.of(after, f, column))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "NAME, Bow 1, Bow 2, Bow 3",
        "NAME, Q007, Q008, Q009",
        "NAME, Row 2 left, Row 3 left, Row 4 left",
        "NAME, Bow, Bow, Bow",
        "UNIT, 5, 6, 7",
        "OFFSET, -4 m, -3 m, -2 m",
    })
    void oneCellCountsOnByOne(FixtureColumn column, String seed, String second, String third) {
        assertThat(counted(4, column, List.of(seed), 3)).containsExactly(second, third);
    }

    @ParameterizedTest
    @CsvSource({
        "NAME, A1, A3, A5, A7",
        "UNIT, 9, 7, 5, 3",
        "OFFSET, -4 m, -3.5 m, -3 m, -2.5 m",
        "ADDRESS, 1.001, 1.021, 1.041, 1.061",
    })
    void twoCellsSayTheStep(FixtureColumn column, String one, String two, String third, String fourth) {
        assertThat(counted(16, column, List.of(one, two), 4)).containsExactly(third, fourth);
    }

    /** The worked example: 16 channels from 1 are 1, 17, 33, 49. */
    @Test
    void oneAddressCountsOnByTheFootprint() {
        assertThat(counted(16, FixtureColumn.ADDRESS, List.of("1.1"), 4)).containsExactly("1.017", "1.033", "1.049");
    }

    @Test
    void anAddressThatWouldPassTheEndGoesOnAtTheNextUniverse() {
        assertThat(counted(16, FixtureColumn.ADDRESS, List.of("1.481"), 3)).containsExactly("1.497", "2.001");
        assertThat(counted(200, FixtureColumn.ADDRESS, List.of("1.1", "1.211"), 4))
                .containsExactly("2.001", "2.211");
    }

    @Test
    void pastTheLastUniverseNothingIsPlanned() {
        assertThat(counted(400, FixtureColumn.ADDRESS, List.of("63999.1"), 2)).containsExactly("");
    }

    @Test
    void fillingDownRepeatsTheFirst() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 101);
        List<FieldChange> changes = Series.down(plan, Rigs.rows(plan), FixtureColumn.POSITION);
        assertThat(changes).extracting(FieldChange::text).containsExactly("Pipe", "Pipe");
    }
}
