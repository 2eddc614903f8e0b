package taxon.app.lines;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import taxon.core.cable.Shelf;
import taxon.core.length.LengthUnit;
import taxon.core.lines.CableList;
import taxon.core.lines.LineCable;
import taxon.core.network.BoxKind;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;

/**
 * What is taken along for lines, in words.
 *
 * @param cables each with its count
 * @param others adapters, terminators and splitters
 * @param total "436 m"
 * @param unreckoned legs for which there is no cable in it
 */
record TakeAlong(String where, List<Item> cables, List<Item> others, String total, int unreckoned) {

    /** "12", "XLR 5-pin 10 m". */
    record Item(int count, String what) {}

    /** All lines together. */
    static TakeAlong all(Plan plan, List<LineCable> lines, Shelf shelf) {
        TakeAlong all = of(plan, "In all", lines, shelf);
        int splitters = (int)
                plan.boxes().stream().filter(b -> b.kind() == BoxKind.SPLITTER).count();
        if (splitters == 0) {
            return all;
        }
        List<Item> others = new ArrayList<>(all.others());
        others.add(new Item(splitters, splitters == 1 ? "splitter" : "splitters"));
        return new TakeAlong(all.where(), all.cables(), others, all.total(), all.unreckoned());
    }

    /** The lines of each box, so that its case can be packed. */
    static List<TakeAlong> byBox(Plan plan, List<LineCable> lines, Shelf shelf) {
        List<TakeAlong> cases = new ArrayList<>();
        CableList.byBox(lines)
                .forEach((box, own) ->
                        cases.add(of(plan, plan.box(box).orElseThrow().name(), own, shelf)));
        return cases;
    }

    private static TakeAlong of(Plan plan, String where, List<LineCable> lines, Shelf shelf) {
        CableList list = CableList.of(lines, shelf);
        LengthUnit unit = plan.sheet().view().unit();
        List<Item> others = new ArrayList<>();
        list.adapters().forEach(a -> others.add(new Item(a.count(), "adapter " + a.from() + " to " + a.to())));
        list.terminators().forEach(t -> others.add(new Item(t.count(), "terminator " + t.socket())));
        return new TakeAlong(
                where,
                list.cables().stream()
                        .map(c -> new Item(c.count(), c.socket() + " " + unit.words(c.length())))
                        .toList(),
                others,
                String.format(Locale.ROOT, "%.0f m", list.metres()) + " in "
                        + Counted.of(
                                list.cables().stream()
                                        .mapToInt(CableList.Cables::count)
                                        .sum(),
                                "cable"),
                list.unreckoned());
    }
}
