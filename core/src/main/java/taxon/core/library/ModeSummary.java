package taxon.core.library;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import taxon.core.fixture.Block;
import taxon.core.fixture.Block.SlotUse;
import taxon.core.fixture.Mode;

/**
 * A mode as the index knows it.
 *
 * @param slots what each slot does, all blocks one behind the other: an attribute's name, with {@code +1} for its fine slot
 *     and {@code +2} for the next; empty for a slot that nothing uses
 */
public record ModeSummary(String name, List<String> slots) {
    /** For a slot that nothing uses. */
    public static final String UNUSED = "";

    public ModeSummary {
        slots = List.copyOf(slots);
    }

    public static ModeSummary of(Mode mode) {
        List<String> slots = new ArrayList<>();
        for (Block block : mode.blocks()) {
            List<String> own = new ArrayList<>(Collections.nCopies(block.footprint(), UNUSED));
            block.slotUses().forEach(u -> own.set(u.offset() - 1, code(u)));
            slots.addAll(own);
        }
        return new ModeSummary(mode.name(), slots);
    }

    private static String code(SlotUse use) {
        return code(use.channel().attribute().name(), use.byteIndex());
    }

    static String code(String attribute, int byteIndex) {
        return byteIndex == 0 ? attribute : attribute + "+" + byteIndex;
    }

    /** All slots of all blocks together. */
    public int footprint() {
        return slots.size();
    }
}
