package taxon.core.scene;

import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * A rig in space as a scene file says it.
 *
 * @param positions names by UUID
 * @param fixtures each UUID once
 */
public record Scene(Map<UUID, String> positions, List<SceneFixture> fixtures) {
    public Scene {
        positions = Map.copyOf(positions);
        fixtures = List.copyOf(fixtures);
        if (fixtures.stream().map(SceneFixture::uuid).distinct().count() != fixtures.size()) {
            throw new IllegalArgumentException("two fixtures of the scene have one UUID");
        }
    }
}
