package taxon.core.grouping;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.RigPart;

/**
 * A group with its members worked out.
 *
 * @param number of the group in the plan; empty for one that comes by itself
 * @param folders the names of what it lies in, the outermost first
 * @param members in the order in which the rig is read
 * @param parts cells and layers that it holds without the rest of their fixtures
 */
public record Grouping(
        String name,
        Optional<FixtureId> id,
        Optional<Integer> number,
        Origin origin,
        List<String> folders,
        List<Fixture> members,
        List<RigPart> parts) {
    public Grouping {
        folders = List.copyOf(folders);
        members = List.copyOf(members);
        parts = List.copyOf(parts);
    }

    /** Where a group comes from. */
    public enum Origin {
        MADE("made here"),
        PER_TYPE("all of a type"),
        PER_POSITION("all on a position");

        private final String words;

        Origin(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
