package taxon.core.scene;

import java.util.List;
import java.util.Map;
import taxon.core.fixture.FixtureType;
import taxon.core.history.ChangeLine;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * What merging a scene would do.
 *
 * @param after the plan then
 * @param types by the names of their files, as the merge took them
 * @param added new fixtures
 * @param changes what changes on fixtures that the job has
 * @param changed how many of them change
 * @param same how many are as the scene says
 * @param gone fixtures that came with a scene and are not in this one; taken away only where that was asked for
 * @param unknown files of types that are neither in the archive nor known, with how many fixtures each keeps out
 * @param byId labels of fixtures that were taken to be the same since they have the same ID
 * @param beside labels of fixtures that hang more than half a metre beside their position's line
 * @param locked labels of fixtures that the scene would move and that stay, since they are locked
 */
public record SceneProposal(
        Edit edit,
        Plan after,
        Map<String, FixtureType> types,
        List<Fixture> added,
        List<ChangeLine> changes,
        int changed,
        int same,
        List<Fixture> gone,
        Map<String, Integer> unknown,
        List<String> byId,
        List<String> beside,
        List<String> locked)
        implements Proposed {
    @Override
    public int staying() {
        return same;
    }

    @Override
    public List<UnknownType> omissions() {
        return unknown.entrySet().stream()
                .map(e -> new UnknownType(e.getKey(), e.getValue()))
                .toList();
    }

    /** A file of a type that is neither in the archive nor known, with how many fixtures it keeps out. */
    public record UnknownType(String spec, int fixtures) implements Omission {
        @Override
        public String who() {
            return spec;
        }
    }

    public SceneProposal {
        types = Map.copyOf(types);
        added = List.copyOf(added);
        changes = List.copyOf(changes);
        gone = List.copyOf(gone);
        byId = List.copyOf(byId);
        beside = List.copyOf(beside);
        locked = List.copyOf(locked);
    }
}
