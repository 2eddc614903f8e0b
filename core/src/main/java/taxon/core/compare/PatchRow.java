package taxon.core.compare;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import taxon.core.dmx.StartAddress;

/**
 * A fixture as one side has it. What a side does not say is empty, and is then no difference.
 *
 * @param place in its list, counted from 0
 * @param id its fixture ID
 * @param uuid by which programs know it again
 * @param name as people call it; may be empty
 * @param type of fixture, with or without its maker; may be empty
 * @param mode may be empty
 * @param footprint slots of all of its blocks
 * @param starts where its blocks begin, in order; none where it has no address
 */
public record PatchRow(
        int place,
        OptionalInt id,
        Optional<String> uuid,
        String name,
        String type,
        String mode,
        OptionalInt footprint,
        List<StartAddress> starts) {
    public PatchRow {
        if (place < 0) {
            throw new IllegalArgumentException("a place of " + place + "; it counts from 0");
        }
        starts = List.copyOf(starts);
    }

    /** Where it begins; empty where it has no address. */
    public Optional<StartAddress> start() {
        return starts.stream().findFirst();
    }
}
