package taxon.app.addresses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/**
 * What one slot of a universe does.
 *
 * @param who "204", or who holds it; empty where it is free
 * @param key the fixture, 0 where there is none
 * @param attribute what it drives, with its part; "unused" inside a block, the label of a reserved run, or empty
 * @param resolution "coarse", "fine"; empty for one byte
 * @param rest the level at rest; empty where nobody says
 * @param tint 0 to 9, −1 where there is no fixture
 * @param begins true where a block begins
 * @param clash true where two take it without sharing on purpose
 */
record SlotLine(
        int slot,
        String who,
        int key,
        String type,
        String attribute,
        String resolution,
        String rest,
        int tint,
        boolean begins,
        boolean clash) {

    /** All 512, in order. Where two take a slot, each is told. */
    static List<SlotLine> of(Plan plan, UniverseNumber universe, TintBy tints) {
        SlotLine[] lines = IntStream.rangeClosed(Slot.FIRST, Slot.LAST)
                .mapToObj(s -> new SlotLine(s, "", 0, "", "", "", "", -1, false, false))
                .toArray(SlotLine[]::new);
        for (ReservedRun run : plan.reservedRuns()) {
            for (int s = run.slots().first();
                    run.universe().equals(universe) && s <= run.slots().last();
                    s++) {
                lines[s - 1] = new SlotLine(s, "", 0, "", "reserved for " + run.label(), "", "", -1, false, false);
            }
        }
        plan.blocks().stream()
                .filter(b ->
                        b.start().filter(a -> a.universe().equals(universe)).isPresent())
                .sorted(Comparator.comparing((PlannedBlock b) -> b.start().orElseThrow())
                        .thenComparing(PlannedBlock::ref))
                .forEach(b -> put(lines, b, tints));
        return List.of(lines);
    }

    private static void put(SlotLine[] lines, PlannedBlock block, TintBy tints) {
        List<SlotUse> uses = block.block().slotUses();
        int first = block.start().orElseThrow().slot().number();
        for (int offset = 1; offset <= block.footprint() && first + offset - 1 <= Slot.LAST; offset++) {
            int at = offset;
            SlotLine before = lines[first + offset - 2];
            SlotLine now = uses.stream()
                    .filter(u -> u.offset() == at)
                    .findFirst()
                    .map(u -> used(first + at - 1, block, u, tints))
                    .orElseGet(() -> new SlotLine(
                            first + at - 1,
                            block.label(),
                            block.fixture().key().number(),
                            block.type().shortName(),
                            "unused",
                            "",
                            "",
                            tints.of(block),
                            at == 1,
                            false));
            lines[first + offset - 2] = before.key() == 0 ? now : before.and(now);
        }
    }

    private static SlotLine used(int slot, PlannedBlock block, SlotUse use, TintBy tints) {
        String part = use.channel().part().toString();
        return new SlotLine(
                slot,
                block.label(),
                block.fixture().key().number(),
                block.type().shortName(),
                use.channel().attribute() + (part.isEmpty() ? "" : " of " + part),
                use.resolution(),
                Integer.toString(use.restByte()),
                tints.of(block),
                use.offset() == 1,
                false);
    }

    /** Two on one slot. */
    private SlotLine and(SlotLine other) {
        return new SlotLine(
                slot,
                who + " and " + other.who,
                key,
                type,
                attribute.equals(other.attribute) ? attribute : attribute + " / " + other.attribute,
                resolution,
                rest,
                tint,
                begins || other.begins,
                true);
    }

    List<String> cells() {
        return new ArrayList<>(List.of(Integer.toString(slot), who, type, attribute, resolution, rest));
    }
}
