package taxon.core.scene;

import java.util.List;
import java.util.Map;
import java.util.Optional;
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
 * @param questions what is not known of types and modes, and what was chosen for it
 * @param doubles what is taken as doubled on purpose, "1.001: 201, 202"
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
        List<Question> questions,
        List<String> doubles,
        List<String> byId,
        List<String> beside,
        List<String> locked)
        implements Proposed {
    @Override
    public int staying() {
        return same;
    }

    /** Nothing that was read is left out. */
    @Override
    public List<Omission> omissions() {
        return List.of();
    }

    /**
     * Fixtures that say the same of what they are, of which it is not known, or was chosen.
     *
     * @param type that which is known by the file, which lacks the mode; empty where the type is not known either
     */
    public record Question(
            SpecMode said, Optional<FixtureType> type, Optional<SceneTypes.Choice> chosen, int fixtures) {}

    public SceneProposal {
        types = Map.copyOf(types);
        added = List.copyOf(added);
        changes = List.copyOf(changes);
        gone = List.copyOf(gone);
        byId = List.copyOf(byId);
        beside = List.copyOf(beside);
        locked = List.copyOf(locked);
        questions = List.copyOf(questions);
        doubles = List.copyOf(doubles);
    }
}
