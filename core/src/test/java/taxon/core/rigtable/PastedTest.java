package taxon.core.rigtable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.listing.TableRow;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rigtable.Pasted.Left;
import taxon.core.rigtable.Pasted.Why;
import taxon.core.testing.Rigs;

class PastedTest {
    private static final Plan RIG = Rigs.add(Rigs.empty(), Rigs.type("t", 4), 3, 101);
    private static final List<FixtureColumn> COLUMNS = List.of(FixtureColumn.UNIT, FixtureColumn.NOTE);

    private static Pasted paste(List<List<String>> cells) {
        return Pasted.match(RIG, table(cells), Rigs.rows(RIG).subList(1, 3), COLUMNS);
    }

    @Test
    void rowsWithoutHeaderGoIntoTheRowsBelowTheCursor() {
        Pasted pasted = paste(List.of(List.of("7", "front"), List.of("8", "back")));
        assertThat(pasted.byId()).isFalse();
        assertThat(pasted.changes())
                .containsExactly(
                        new FieldChange(FixtureKey.of(2), FixtureColumn.UNIT, "7"),
                        new FieldChange(FixtureKey.of(2), FixtureColumn.NOTE, "front"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.UNIT, "8"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.NOTE, "back"));
    }

    @Test
    void whatGoesBeyondTheTableIsToldAndNotLost() {
        Pasted pasted = paste(List.of(List.of("7", "x", "wide"), List.of("8"), List.of("9")));
        assertThat(pasted.left())
                .containsExactly(new Left(1, Why.BEYOND_LAST_COLUMN, "wide"), new Left(3, Why.BEYOND_LAST_ROW, "9"));
    }

    @Test
    void rowsUnderAHeaderGoToTheFixtureOfTheirId() {
        Pasted pasted = paste(List.of(
                List.of("Gel", "Fixture ID", "Weight"), List.of("amber", "103", "20"), List.of("rose", "999", "20")));
        assertThat(pasted.byId()).isTrue();
        assertThat(pasted.changes()).containsExactly(new FieldChange(FixtureKey.of(3), FixtureColumn.COLOUR, "amber"));
        assertThat(pasted.left())
                .containsExactly(new Left(1, Why.UNKNOWN_COLUMN, "Weight"), new Left(3, Why.UNKNOWN_ID, "999"));
    }

    @Test
    void anIdThatTwoFixturesHaveDecidesNothing() {
        Plan twice = Rigs.add(RIG, Rigs.type("u", 4), 1, 101);
        Pasted pasted = Pasted.match(
                twice, table(List.of(List.of("ID", "Unit"), List.of("101", "5"))), Rigs.rows(twice), COLUMNS);
        assertThat(pasted.changes()).isEmpty();
        assertThat(pasted.left()).containsExactly(new Left(2, Why.SHARED_ID, "101"));
    }

    @Test
    void aHeaderWithoutIdsSaysWhichColumnsAreMeant() {
        Pasted pasted = paste(List.of(List.of("Bemerkung", "Pos"), List.of("front", "Bow"), List.of("back", "Stern")));
        assertThat(pasted.headed()).isTrue();
        assertThat(pasted.changes())
                .containsExactly(
                        new FieldChange(FixtureKey.of(2), FixtureColumn.POSITION, "Bow"),
                        new FieldChange(FixtureKey.of(2), FixtureColumn.NOTE, "front"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.POSITION, "Stern"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.NOTE, "back"));
    }

    @Test
    void aHeaderThatIsNotKnownShiftsNoRow() {
        Pasted pasted = paste(List.of(List.of("Stelle", "Etwas"), List.of("7", "front"), List.of("8", "back")));
        assertThat(pasted.left()).containsExactly(new Left(1, Why.UNKNOWN_HEADER, "Stelle, Etwas"));
        assertThat(pasted.changes())
                .containsExactly(
                        new FieldChange(FixtureKey.of(2), FixtureColumn.UNIT, "7"),
                        new FieldChange(FixtureKey.of(2), FixtureColumn.NOTE, "front"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.UNIT, "8"),
                        new FieldChange(FixtureKey.of(3), FixtureColumn.NOTE, "back"));
    }

    @Test
    void aUniverseAndASlotBecomeOneAddress() {
        Pasted pasted = paste(List.of(List.of("Kreis", "Univ", "Kanal"), List.of("102", "4", "100")));
        assertThat(pasted.changes()).containsExactly(new FieldChange(FixtureKey.of(2), FixtureColumn.ADDRESS, "4.100"));
        assertThat(pasted.left()).isEmpty();
    }

    private static List<TableRow> table(List<List<String>> cells) {
        return IntStream.range(0, cells.size())
                .mapToObj(i -> new TableRow(i + 1, cells.get(i)))
                .toList();
    }
}
