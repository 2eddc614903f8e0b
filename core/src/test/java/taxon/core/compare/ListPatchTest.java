package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberHabits;
import taxon.core.listing.TableRow;

/** Patch lists in the habits of the programs that write them (common practice, from memory). */
class ListPatchTest {
    private static TheirPatch read(Counting told, String... lines) {
        List<TableRow> table = new ArrayList<>();
        for (int i = 0; i < lines.length; i++) {
            table.add(new TableRow(i + 1, Arrays.asList(lines[i].split(";", -1))));
        }
        ListReading list = ListReading.of(table, PatchColumns.guess(table));
        return ListPatch.read(list, NumberHabits.of(list.rows(), Map.of()), told);
    }

    private static TheirPatch read(String... lines) {
        return read(Counting.FROM_ONE, lines);
    }

    @Test
    void anAddressMayStandInOneColumnOrInTwo() {
        PatchRow one = read("Fixture ID;Name;Type;Mode;Address", "101;Quay 1;Tern;16ch;1.097")
                .rows()
                .get(0);
        PatchRow two = read("FID;Label;Fixture type;Channels;Universe;DMX channel", "101;Quay 1;Tern;16;1;97")
                .rows()
                .get(0);
        assertThat(two).isEqualTo(one);
        assertThat(one.start()).contains(StartAddress.of(1, 97));
        assertThat(one.id()).hasValue(101);
        assertThat(one.footprint()).as("a mode of a number alone is a length").hasValue(16);
        assertThat(one.mode()).isEmpty();
    }

    @Test
    void aModeInWordsAndAFootprintAreBothRead() {
        PatchRow row = read("ID;Type;Mode;Footprint;Univ;Addr", "7;Heron;Extended;24;3;1")
                .rows()
                .get(0);
        assertThat(row.mode()).isEqualTo("Extended");
        assertThat(row.footprint()).hasValue(24);
        assertThat(row.start()).contains(StartAddress.of(3, 1));
    }

    @Test
    void aListWithAUniverseZeroCountsUniversesFromZero() {
        TheirPatch patch = read("ID;Universe;Slot", "1;0;1", "2;0;17", "3;1;1");
        assertThat(patch.counting()).isEqualTo(new Counting(true, false));
        assertThat(patch.faults()).isEmpty();
        assertThat(patch.rows())
                .extracting(r -> r.start().orElseThrow().toString())
                .containsExactly("1.001", "1.017", "2.001");
        assertThat(patch.counting().words(StartAddress.of(1, 17))).isEqualTo("0.017");
        assertThat(read("ID;Address", "1;0.001", "2;0/17", "3;1.012").rows())
                .extracting(r -> r.start().orElseThrow().toString())
                .containsExactly("1.001", "1.017", "2.012");
    }

    @Test
    void slotsFromZeroAreTakenSoToo() {
        TheirPatch patch = read("ID;Universe;Slot", "1;1;0", "2;1;511");
        assertThat(patch.counting()).isEqualTo(new Counting(false, true));
        assertThat(patch.rows())
                .extracting(r -> r.start().orElseThrow().toString())
                .containsExactly("1.001", "1.512");
    }

    @Test
    void thatItCountsFromZeroCanBeTold() {
        TheirPatch patch = read(new Counting(true, false), "ID;Universe;Slot", "1;1;1");
        assertThat(patch.rows().get(0).start()).contains(StartAddress.of(2, 1));
    }

    @Test
    void anAbsoluteAddressIsTheSameInEveryCounting() {
        assertThat(read(new Counting(true, false), "ID;Address", "1;513")
                        .rows()
                        .get(0)
                        .start())
                .contains(StartAddress.of(2, 1));
    }

    @Test
    void aRowOfSeveralIsOneForEach() {
        TheirPatch patch = read("Qty;Type;Mode;ID;Address", "3;Tern;16ch;101-103;1.001");
        assertThat(patch.rows())
                .extracting(PatchRow::id)
                .containsExactly(OptionalInt.of(101), OptionalInt.of(102), OptionalInt.of(103));
        assertThat(patch.rows())
                .extracting(r -> r.start().orElseThrow().toString())
                .containsExactly("1.001", "1.017", "1.033");
        assertThat(patch.lines()).containsExactly(2, 2, 2);
    }

    @Test
    void ofARowOfSeveralWithoutLengthOnlyTheFirstSaysWhereItIs() {
        TheirPatch patch = read("Qty;Type;ID;Address", "3;Tern;101-103;1.001");
        assertThat(patch.rows()).extracting(PatchRow::saysWhere).containsExactly(true, false, false);
        assertThat(patch.faults()).singleElement().satisfies(f -> {
            assertThat(f.whole()).isFalse();
            assertThat(f.cells()).extracting(CellFault::column).containsExactly(Column.FOOTPRINT);
        });
    }

    @Test
    void aCellThatIsNotUnderstoodIsToldAndTheRestOfItsRowIsTaken() {
        TheirPatch patch = read("ID;Name;Address", "101;Quay;1.700", "102;Quay 2;1.017", "x;;");
        assertThat(patch.rows()).extracting(PatchRow::name).containsExactly("Quay", "Quay 2");
        assertThat(patch.rows().get(0).saysWhere())
                .as("what it says of its address is not understood, so that it is no difference")
                .isFalse();
        assertThat(patch.faults()).extracting(TheirPatch.RowFault::line).containsExactly(2, 4);
        assertThat(patch.faults()).extracting(TheirPatch.RowFault::whole).containsExactly(false, true);
    }

    /** A merged cell holds only for its first row: the others are told, and not taken for absolute addresses. */
    @Test
    void aSlotWithoutItsUniverseIsToldAndNotGuessed() {
        TheirPatch patch = read("ID;Universe;Slot", "101;2;1", "102;;17", "103;;1029");
        assertThat(patch.rows()).extracting(PatchRow::saysWhere).containsExactly(true, false, true);
        assertThat(patch.rows().get(2).start())
                .as("what can be no slot is an absolute address")
                .contains(StartAddress.of(3, 5));
        assertThat(patch.faults())
                .singleElement()
                .satisfies(f -> assertThat(f.cells().get(0).sentence())
                        .isEqualTo("The universe is empty; it takes 1 to 63999 beside slot 17."));
    }

    @Test
    void aListWithoutAddressesSaysNothingOfThem() {
        assertThat(read("ID;Name", "101;Quay", "102;Gate").rows().get(0).saysWhere())
                .isFalse();
        assertThat(read("ID;Address", "101;").rows().get(0).saysWhere())
                .as("an empty cell is no address")
                .isTrue();
    }

    @Test
    void laterBlocksAreReadAsFarAsTheyFollow() {
        TheirPatch patch =
                read("ID;Type;Address;Block 2 universe;Block 2 slot", "201;Heron;2.001;3;101", "202;Heron;;3;105");
        assertThat(patch.rows().get(0).starts()).containsExactly(StartAddress.of(2, 1), StartAddress.of(3, 101));
        assertThat(patch.rows().get(1).starts()).isEmpty();
        assertThat(patch.faults())
                .singleElement()
                .satisfies(f -> assertThat(f.cells().get(0).sentence()).contains("the block before it has none"));
    }
}
