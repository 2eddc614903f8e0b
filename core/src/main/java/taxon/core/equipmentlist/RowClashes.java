package taxon.core.equipmentlist;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.StartAddress;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.equipmentlist.RowRemark.Kind;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;

/** Those of one row. */
record RowClashes(
        Clashes all, Added added, List<FixtureKey> overlaps, List<FixtureKey> pastEnd, List<FixtureKey> behindEnd) {
    private static final int TOLD = 4;

    List<RowRemark> asWritten() {
        List<RowRemark> remarks = new ArrayList<>();
        if (!overlaps.isEmpty()) {
            Set<String> others = new TreeSet<>();
            overlaps.forEach(k -> others.addAll(all.overlaps().getOrDefault(k, Set.of())));
            remarks.add(new RowRemark(
                    Kind.ADDRESS_TAKEN, overlaps.size(), starts(all.written(), overlaps) + ", with " + few(others)));
        }
        if (!pastEnd.isEmpty()) {
            remarks.add(new RowRemark(Kind.PAST_END, pastEnd.size(), starts(all.written(), pastEnd)));
        }
        if (!behindEnd.isEmpty()) {
            remarks.add(new RowRemark(Kind.BEHIND_END, behindEnd.size(), universe()));
        }
        return remarks;
    }

    private String universe() {
        return added.run().map(r -> r.first().universe().toString()).orElse("");
    }

    List<RowRemark> settled(TakenAddresses how, Plan after) {
        Set<FixtureKey> moved = new TreeSet<>(overlaps);
        moved.addAll(pastEnd);
        moved.addAll(behindEnd);
        if (moved.isEmpty()) {
            return List.of();
        }
        if (how == TakenAddresses.WITHOUT) {
            return List.of(
                    new RowRemark(Kind.ADDRESS_LEFT_OUT, moved.size(), starts(all.written(), List.copyOf(moved))));
        }
        List<FixtureKey> placed = moved.stream()
                .filter(k -> !after.fixture(k).orElseThrow().addresses().isEmpty())
                .toList();
        List<RowRemark> remarks = new ArrayList<>();
        if (!placed.isEmpty()) {
            remarks.add(new RowRemark(Kind.PLACED, placed.size(), starts(after, placed)));
        }
        if (placed.size() < moved.size()) {
            remarks.add(new RowRemark(Kind.NOT_PLACED, moved.size() - placed.size(), ""));
        }
        return remarks;
    }

    private static String starts(Plan plan, List<FixtureKey> keys) {
        List<String> starts = keys.stream()
                .map(k -> plan.fixture(k).orElseThrow().addresses().values().stream()
                        .map(StartAddress::toString)
                        .findFirst()
                        .orElse("none"))
                .toList();
        return few(starts);
    }

    private static String few(Collection<String> words) {
        String shown = String.join(", ", words.stream().limit(TOLD).toList());
        return words.size() > TOLD ? shown + " and " + (words.size() - TOLD) + " more" : shown;
    }
}
