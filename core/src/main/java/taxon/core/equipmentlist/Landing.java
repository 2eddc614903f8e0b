package taxon.core.equipmentlist;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.StartAddress;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.packing.Effort;
import taxon.core.rig.BlockRef;
import taxon.core.rig.ElementKey;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.AddressEdits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.wish.Wish;

/**
 * Where the rows of a list come down in a plan. What clashes is found by the same rules that check the plan afterwards, so that
 * what is told before is what is found after.
 *
 * @param lines with what is to be known of each
 */
record Landing(List<EquipmentLine> lines, Edit edit) {

    static Landing of(Plan plan, List<EquipmentLine> lines, TakenAddresses wanted, Effort effort) {
        List<Added> ready = lines.stream().flatMap(l -> l.added().stream()).toList();
        int count = ready.stream().mapToInt(Added::count).sum();
        String title = (count == 1 ? "1 fixture" : count + " fixtures") + " added from an equipment list";
        Edit add = FixtureEdits.add(title, ready);
        Plan written = changed(add, plan);
        Clashes clashes = Clashes.of(plan, written, lines);
        Set<FixtureKey> moved = wanted == TakenAddresses.KEEP ? Set.of() : clashes.keys();
        if (moved.isEmpty()) {
            return new Landing(told(lines, plan, clashes, written, Optional.empty()), add);
        }
        Edit cleared = cleared(written, moved);
        if (wanted == TakenAddresses.WITHOUT) {
            Edit edit = Edit.inTurn(title, List.of(add, cleared));
            return new Landing(told(lines, plan, clashes, changed(edit, plan), Optional.of(wanted)), edit);
        }
        Plan without = changed(cleared, written);
        PlacementRequest request =
                new PlacementRequest(Scope.CHOSEN, moved, without.wish().orElse(Wish.USUAL));
        AddressProposal places = Planner.propose(without, request, effort);
        Edit edit = Edit.inTurn(title, List.of(add, cleared, places.edit()));
        return new Landing(told(lines, plan, clashes, changed(edit, plan), Optional.of(wanted)), edit);
    }

    /** Adding, taking away an address and placing are never refused for fixtures that are new. */
    private static Plan changed(Edit edit, Plan plan) {
        if (edit.applyTo(plan) instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new IllegalStateException("the list cannot be added");
    }

    private static Edit cleared(Plan plan, Set<FixtureKey> keys) {
        Map<BlockRef, Optional<StartAddress>> none = new TreeMap<>();
        keys.forEach(k -> plan.fixture(k)
                .orElseThrow()
                .addresses()
                .keySet()
                .forEach(block -> none.put(new BlockRef(k, block), Optional.empty())));
        return none.isEmpty() ? new Edit("Nothing cleared", Edit.Changed::new) : AddressEdits.put("Cleared", none);
    }

    private static List<EquipmentLine> told(
            List<EquipmentLine> lines, Plan plan, Clashes clashes, Plan after, Optional<TakenAddresses> settled) {
        List<EquipmentLine> told = new ArrayList<>();
        int key = plan.nextNumber(ElementKey.Kind.FIXTURE);
        for (EquipmentLine line : lines) {
            int count = line.added().map(Added::count).orElse(0);
            if (count == 0) {
                told.add(line);
                continue;
            }
            List<RowRemark> remarks = new ArrayList<>(line.remarks());
            RowClashes own = clashes.of(key, line.added().orElseThrow());
            remarks.addAll(settled.isEmpty() ? own.asWritten() : own.settled(settled.get(), after));
            told.add(line.with(
                    remarks,
                    List.of(
                            after.fixture(FixtureKey.of(key)).orElseThrow(),
                            after.fixture(FixtureKey.of(key + count - 1)).orElseThrow())));
            key += count;
        }
        return told;
    }
}
