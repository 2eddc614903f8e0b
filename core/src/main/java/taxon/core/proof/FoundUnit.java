package taxon.core.proof;

import java.util.List;
import java.util.Optional;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.text.Likeness;

/**
 * What one unit on a line said of itself by remote management.
 *
 * @param universe the planned universe of the port that it answered through
 * @param uid its UID, {@code 7FF0:00000001}
 * @param personality the current one, 1 to 255
 * @param modeName what it calls that personality
 * @param software the version of its software, where it said so
 * @param says what else it says of itself
 * @param blocks one entry a block, in order; the first is the unit itself, the others its sub-devices
 */
public record FoundUnit(
        UniverseNumber universe,
        String uid,
        String maker,
        String model,
        String label,
        int personality,
        String modeName,
        Optional<Long> software,
        UnitSays says,
        List<FoundBlock> blocks) {

    /** @param footprint 0 to 512, as the unit says */
    public record FoundBlock(Slot start, int footprint) {}

    /** One of which nobody knows the software. */
    public FoundUnit(
            UniverseNumber universe,
            String uid,
            String maker,
            String model,
            String label,
            int personality,
            String modeName,
            List<FoundBlock> blocks) {
        this(universe, uid, maker, model, label, personality, modeName, Optional.empty(), blocks);
    }

    /** One of which no more is known. */
    public FoundUnit(
            UniverseNumber universe,
            String uid,
            String maker,
            String model,
            String label,
            int personality,
            String modeName,
            Optional<Long> software,
            List<FoundBlock> blocks) {
        this(universe, uid, maker, model, label, personality, modeName, software, UnitSays.NOTHING, blocks);
    }

    /** True when it says that it is in this mode: by personality number as its software counts, and by its name where the type knows no number. */
    public boolean isIn(FixtureType type, Mode mode) {
        return type.numberOf(mode, software)
                .map(p -> p == personality)
                .orElseGet(() -> Likeness.key(mode.name()).equals(Likeness.key(modeName)));
    }

    public FoundUnit {
        blocks = List.copyOf(blocks);
        if (blocks.isEmpty()) {
            throw new IllegalArgumentException(uid + " gave no start address");
        }
    }
}
