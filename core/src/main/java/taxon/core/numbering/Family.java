package taxon.core.numbering;

import java.util.List;
import taxon.core.rig.Fixture;

/**
 * Fixtures that share a run of numbers.
 *
 * @param key names it for a request: {@code position-3}, {@code type-fernglass-tern} or {@code all}
 * @param name as people call it
 * @param members in the order in which they are numbered, at least one
 */
public record Family(String key, String name, List<Fixture> members) {
    public Family {
        members = List.copyOf(members);
        if (members.isEmpty()) {
            throw new IllegalArgumentException("a family needs a member");
        }
    }
}
