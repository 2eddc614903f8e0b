package taxon.core.equipmentlist;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.equipmentlist.ListChoices.TakenIds;
import taxon.core.equipmentlist.RowRemark.Kind;
import taxon.core.listing.CellFault;
import taxon.core.listing.CellFault.Reason;
import taxon.core.listing.Column;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.text.NumberRuns;

/** What becomes of fixture IDs that the job, or a row above, has already. */
final class TakenIdsSettled {
    private static final int TOLD = 6;

    private final TakenIds wanted;
    private final BitSet taken = new BitSet();
    private int highest;

    TakenIdsSettled(Plan plan, TakenIds wanted) {
        this.wanted = wanted;
        plan.fixtures().forEach(f -> f.id().ifPresent(id -> taken.set(id.number())));
        highest = taken.length() - 1;
    }

    List<EquipmentLine> settle(List<EquipmentLine> lines) {
        lines.forEach(l -> l.added().ifPresent(a -> highest = Math.max(highest, last(a))));
        return lines.stream()
                .map(l -> l.added().isPresent() ? settled(l, l.added().get()) : l)
                .toList();
    }

    private static int last(Added added) {
        return added.firstId().map(f -> f.number() + added.count() - 1).orElse(0);
    }

    private EquipmentLine settled(EquipmentLine line, Added added) {
        if (added.firstId().isEmpty()) {
            return line;
        }
        int first = added.firstId().get().number();
        TreeSet<Integer> doubles = new TreeSet<>();
        for (int id = taken.nextSetBit(first); id >= 0 && id < first + added.count(); id = taken.nextSetBit(id + 1)) {
            doubles.add(id);
        }
        if (doubles.isEmpty()) {
            taken.set(first, first + added.count());
            return line;
        }
        return switch (wanted) {
            case KEEP -> {
                taken.set(first, first + added.count());
                yield with(line, added, Kind.IDS_TAKEN, doubles.size(), words(doubles));
            }
            case WITHOUT ->
                with(line, added.withIds(Optional.empty()), Kind.IDS_LEFT_OUT, added.count(), words(doubles));
            case RENUMBER -> renumbered(line, added);
        };
    }

    private EquipmentLine renumbered(EquipmentLine line, Added added) {
        int first = highest + 1;
        int last = highest + added.count();
        if (!FixtureId.isLegal(last)) {
            return EquipmentLine.refused(
                    line.row(),
                    List.of(new CellFault(
                            Column.FIRST_ID,
                            line.row().cell(Column.FIRST_ID),
                            Reason.CONTRADICTS,
                            "it is taken, and above " + highest + " there is no room for " + added.count())),
                    List.of());
        }
        highest = last;
        taken.set(first, last + 1);
        String words = added.count() == 1 ? Integer.toString(first) : first + " to " + last;
        return with(line, added.withIds(Optional.of(FixtureId.of(first))), Kind.IDS_RENUMBERED, added.count(), words);
    }

    private static EquipmentLine with(EquipmentLine line, Added added, Kind kind, int count, String detail) {
        List<RowRemark> remarks = new ArrayList<>(line.remarks());
        remarks.add(new RowRemark(kind, count, detail));
        return EquipmentLine.ready(line.row(), added, remarks);
    }

    private static String words(SortedSet<Integer> ids) {
        List<String> runs = NumberRuns.words(ids, "–");
        return runs.size() <= TOLD ? String.join(", ", runs) : String.join(", ", runs.subList(0, TOLD)) + " and more";
    }
}
