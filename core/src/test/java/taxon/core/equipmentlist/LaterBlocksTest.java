package taxon.core.equipmentlist;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.TypeBook;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ListReading;
import taxon.core.listing.TableRow;
import taxon.core.packing.Effort;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class LaterBlocksTest {
    private static final String HEADER =
            "Fixture ID,Type,Mode,Quantity,Universe,Slot,Block 2,Block 2 universe,Block 2 slot,Block 3 address,Block 4 slot";
    private static final Plan PLAN = Rigs.add(Rigs.empty(), Rigs.type("strip", 4, 6, 3), 1, 900);

    private static EquipmentList read(String... rows) {
        List<TableRow> table = new ArrayList<>();
        table.add(row(1, HEADER));
        for (int i = 0; i < rows.length; i++) {
            table.add(row(i + 2, rows[i]));
        }
        ListReading reading = ListReading.of(table, ColumnGuess.of(table));
        assertThat(reading.leftOut()).containsExactly("Block 2");
        TypeBook types = PLAN.types();
        return EquipmentList.of(PLAN, reading, types, ListChoices.NONE, Effort.of(100_000));
    }

    private static TableRow row(int line, String cells) {
        return new TableRow(line, Arrays.asList(cells.split(",", -1)));
    }

    private static String row(String cells) {
        Fixture any = PLAN.fixtures().get(0);
        return cells.replace("TYPE", PLAN.type(any).name() + "," + any.mode());
    }

    private static List<Map<Integer, StartAddress>> addresses(EquipmentList list) {
        Plan after = ((Edit.Changed) list.edit().applyTo(PLAN)).plan();
        return after.fixtures().stream()
                .filter(f -> f.id().filter(i -> i.number() < 900).isPresent())
                .map(f -> Map.copyOf(f.addresses()))
                .toList();
    }

    @Test
    void aBlockThatHasColumnsStandsWhereTheySayAndNotBehindTheFirst() {
        EquipmentList list = read(row("101,TYPE,1,1,1,second,2,100,3.7,"));
        assertThat(list.faulty()).isEmpty();
        assertThat(addresses(list))
                .containsExactly(new TreeMap<>(
                        Map.of(1, StartAddress.of(1, 1), 2, StartAddress.of(2, 100), 3, StartAddress.of(3, 7))));
    }

    @Test
    void anEmptyCellIsNoAddressAndNoClash() {
        EquipmentList list = read(row("101,TYPE,1,1,1,second,,,3.7,"), row("102,TYPE,1,,,second,2,1,,"));
        assertThat(list.lines()).allMatch(l -> !l.clashes());
        assertThat(addresses(list))
                .containsExactly(
                        Map.of(1, StartAddress.of(1, 1), 3, StartAddress.of(3, 7)), Map.of(2, StartAddress.of(2, 1)));
    }

    @Test
    void whatCannotBeIsSaidWithItsBlockAndAddsNothing() {
        EquipmentList list = read(
                row("101,TYPE,1,1,1,second,2,9000,,"),
                row("102,TYPE,4,1,1,second,2,1,,"),
                row("103,TYPE,1,1,1,second,x,1,,"));
        assertThat(list.ready()).isEmpty();
        assertThat(list.faulty())
                .extracting(l -> l.faults().get(0).sentence())
                .containsExactly(
                        "The address is 9000, but the universe beside it is 2, and 9000 is on universe 18 (block 2).",
                        "The address is 2.1, but that is block 2 of one fixture, and the row is of several.",
                        "The universe reads “x”; it takes a whole number, 1 to 63999 (block 2).");
    }

    @Test
    void aBlockThatTheModeLacksIsNoPlace() {
        Plan single = Rigs.add(PLAN, Rigs.type("lamp", 4), 1, 901);
        Fixture lamp = single.fixtures().get(1);
        List<TableRow> table = List.of(
                row(1, HEADER), row(2, "101," + single.type(lamp).name() + "," + lamp.mode() + ",1,1,1,second,2,1,,"));
        EquipmentList list = EquipmentList.of(
                single,
                ListReading.of(table, ColumnGuess.of(table)),
                single.types(),
                ListChoices.NONE,
                Effort.of(100_000));
        assertThat(list.faulty())
                .extracting(l -> l.faults().get(0).sentence())
                .containsExactly("The address is 2.1, but " + lamp.mode() + " has no block 2.");
    }
}
