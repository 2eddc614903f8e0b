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
 * @param saysWhere false where the side does not say whether it has an address, so that none is no difference
 */
public record PatchRow(
        int place,
        OptionalInt id,
        Optional<String> uuid,
        String name,
        String type,
        String mode,
        OptionalInt footprint,
        List<StartAddress> starts,
        boolean saysWhere) {
    /** A row of a side that says where its fixtures are. */
    public PatchRow(
            int place,
            OptionalInt id,
            Optional<String> uuid,
            String name,
            String type,
            String mode,
            OptionalInt footprint,
            List<StartAddress> starts) {
        this(place, id, uuid, name, type, mode, footprint, starts, true);
    }

    public PatchRow {
        if (place < 0) {
            throw new IllegalArgumentException("a place of " + place + "; it counts from 0");
        }
        starts = List.copyOf(starts);
    }

    /** Who it is, in words: its ID, else its name, else its type and place. */
    public String label() {
        if (id.isPresent()) {
            return String.valueOf(id.getAsInt());
        }
        return name.isBlank() ? (type.isBlank() ? "row" : type) + " no. " + (place + 1) : name;
    }

    /** Where it begins; empty where it has no address. */
    public Optional<StartAddress> start() {
        return starts.stream().findFirst();
    }
}
