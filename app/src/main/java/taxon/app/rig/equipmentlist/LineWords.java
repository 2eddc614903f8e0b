package taxon.app.rig.equipmentlist;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import taxon.app.library.TypeSearch;
import taxon.app.library.TypeSearch.Offer;
import taxon.app.rig.equipmentlist.ListPage.Line;
import taxon.app.rig.equipmentlist.ListPage.Told;
import taxon.core.dmx.StartAddress;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.fixture.FixtureType;
import taxon.core.listing.CellFault;
import taxon.core.listing.Column;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.edit.Added;

/** The words of a line of the preview. */
final class LineWords {
    private static final int SHOWN = 160;

    private LineWords() {}

    /** @param alike how many rows say the same of their type, where it is to be chosen on this line; else 0 */
    static Line of(EquipmentLine line, int alike, TypeSearch searched) {
        int number = line.row().line();
        return new Line(
                number,
                given(line),
                becomes(line),
                line.faults().stream().map(CellFault::sentence).toList(),
                line.remarks().stream()
                        .map(r -> new Told(r.isClash(), r.sentence()))
                        .toList(),
                alike,
                alike == 0 ? List.of() : searched.found(number).orElseGet(() -> offers(line.offered())),
                searched.typed(number),
                line.row().cell(Column.TYPE));
    }

    /** All of the row, what is not understood too. */
    private static String given(EquipmentLine line) {
        String words = String.join(
                " · ",
                line.row().all().stream()
                        .map(String::strip)
                        .filter(c -> !c.isEmpty())
                        .toList());
        return words.length() > SHOWN ? words.substring(0, SHOWN) + "…" : words;
    }

    /** "8 × Fernglass Heron 380, 24-channel on Crane rail, IDs 201 to 208, from 2.001 to 2.169"; empty for one with faults. */
    static String becomes(EquipmentLine line) {
        return line.added().map(a -> words(a, line.ends())).orElse("");
    }

    private static String words(Added added, List<Fixture> ends) {
        String ids = added.firstId()
                .map(first -> ", IDs " + ids(first, added.count()))
                .orElse(", without ID");
        return added.count() + " × " + added.type().fullName() + ", "
                + added.mode().name()
                + (added.position().equals(Added.NOWHERE) ? ", no position yet" : " on " + added.position())
                + ids
                + addresses(ends);
    }

    private static String ids(FixtureId first, int count) {
        return count == 1 ? first.toString() : first + " to " + (first.number() + count - 1);
    }

    private static String addresses(List<Fixture> ends) {
        Set<StartAddress> starts = new LinkedHashSet<>();
        ends.forEach(f -> f.addresses().values().stream().limit(1).forEach(starts::add));
        List<String> words = starts.stream().map(StartAddress::toString).toList();
        return switch (words.size()) {
            case 0 -> "";
            case 1 -> ", from " + words.get(0);
            default -> ", from " + words.get(0) + " to " + words.get(1);
        };
    }

    private static List<Offer> offers(List<FixtureType> types) {
        List<Offer> offers = new ArrayList<>();
        for (FixtureType type : types) {
            type.modes()
                    .forEach(m -> offers.add(new Offer(type.id() + "/" + m.name(), type.fullName() + ", " + m.name())));
        }
        return List.copyOf(offers);
    }
}
