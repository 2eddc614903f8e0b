package taxon.core.rig.edit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.BlockRef;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of planned addresses and of reserved runs. */
public final class AddressEdits {
    private AddressEdits() {}

    /**
     * Gives one block another start, whether or not anything else is there.
     *
     * @param label what the history calls the block
     */
    public static Edit move(BlockRef ref, StartAddress to, String label) {
        return put(label + " to " + to, Map.of(ref, Optional.of(to)));
    }

    /**
     * Takes the start of one block away.
     *
     * @param label what the history calls the block
     */
    public static Edit clear(BlockRef ref, String label) {
        return put("Address of " + label + " cleared", Map.of(ref, Optional.empty()));
    }

    /**
     * Gives each block its address, or takes it away, as one edit. A block that does not exist refuses the whole, and so does
     * one of a locked fixture that would move.
     */
    public static Edit put(String title, Map<BlockRef, Optional<StartAddress>> addresses) {
        Map<BlockRef, Optional<StartAddress>> wanted = new TreeMap<>(addresses);
        return new Edit(
                title,
                plan -> wanted.keySet().stream()
                        .filter(ref -> plan.block(ref).isEmpty())
                        .findFirst()
                        .map(ref -> noBlock(plan, ref))
                        .orElseGet(() -> moved(plan, wanted)));
    }

    /** Keeps a run of slots free from now on, or says something else of one that is kept. */
    public static Edit reserve(ReservedRun run) {
        return new Edit(
                "Reserved " + run.universe() + "." + run.slots().first() + " to "
                        + run.slots().last(),
                plan -> new Changed(plan.with(run)));
    }

    /** Gives a reserved run free; refused when there is none of that number. */
    public static Edit release(int number) {
        ElementKey key = ElementKey.of(Kind.RESERVED_RUN, number);
        return new Edit(
                "Reserved run released",
                plan -> plan.element(key).isPresent()
                        ? new Changed(plan.without(List.of(key)))
                        : Edit.refuse(new Refusal(
                                "reserved run",
                                Integer.toString(number),
                                Fault.NOT_FOUND,
                                plan.reservedRuns().size() + " of them")));
    }

    private static Outcome moved(Plan plan, Map<BlockRef, Optional<StartAddress>> wanted) {
        Map<FixtureKey, Fixture> changed = new TreeMap<>();
        wanted.forEach((ref, address) -> {
            Fixture now = changed.containsKey(ref.fixture())
                    ? changed.get(ref.fixture())
                    : plan.fixture(ref.fixture()).orElseThrow();
            changed.put(ref.fixture(), now.withAddress(ref.block(), address));
        });
        return new Changed(plan.with(changed.values()));
    }

    private static Outcome noBlock(Plan plan, BlockRef ref) {
        int blocks =
                plan.fixture(ref.fixture()).map(f -> plan.blocksOf(f).size()).orElse(0);
        return Edit.refuse(
                new Refusal("block", ref.toString(), Fault.NOT_FOUND, blocks + " in the mode of that fixture"));
    }
}
