package taxon.app.rig.equipmentlist;

import java.util.ArrayList;
import java.util.List;
import taxon.core.equipmentlist.Column;
import taxon.core.equipmentlist.EquipmentFault;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Added;

/**
 * A line of the preview.
 *
 * @param given what stood in the row, for the fields that matter
 * @param becomes what it adds, in words; empty when it has faults
 * @param offered types and modes to choose from: value and words
 */
public record EquipmentListView(int line, String given, String becomes, List<String> faults, List<Offer> offered) {

    public record Offer(String value, String words) {}

    public static EquipmentListView of(EquipmentLine line) {
        return new EquipmentListView(
                line.row().line(),
                given(line),
                line.added().map(EquipmentListView::words).orElse(""),
                line.faults().stream().map(EquipmentFault::sentence).toList(),
                offers(line));
    }

    private static String given(EquipmentLine line) {
        return String.join(
                " ",
                List.of(
                                line.row().cell(Column.QUANTITY),
                                line.row().cell(Column.MAKER),
                                line.row().cell(Column.TYPE),
                                line.row().cell(Column.MODE))
                        .stream()
                        .filter(c -> !c.isEmpty())
                        .map(c -> c.length() > 60 ? c.substring(0, 60) + "…" : c)
                        .toList());
    }

    public static String words(Added added) {
        String ids = added.firstId()
                .map(first -> ", IDs " + ids(first, added.count()))
                .orElse(", without ID");
        String address = added.firstAddress().map(a -> ", from " + a).orElse("");
        return added.count() + " × " + added.type().fullName() + ", "
                + added.mode().name() + " on " + added.position() + ids + address;
    }

    private static String ids(FixtureId first, int count) {
        return count == 1 ? first.toString() : first + " to " + (first.number() + count - 1);
    }

    private static List<Offer> offers(EquipmentLine line) {
        List<Offer> offers = new ArrayList<>();
        for (FixtureType type : line.offered()) {
            type.modes()
                    .forEach(m -> offers.add(new Offer(type.id() + "/" + m.name(), type.fullName() + ", " + m.name())));
        }
        return List.copyOf(offers);
    }
}
