package taxon.core.scene;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureId;

/**
 * One fixture of a scene.
 *
 * @param folders the layers and groups that it lies in, the outermost first
 * @param unit its number on its position, where it is said
 * @param position the UUID of its position, where it has one
 * @param point where it hangs; empty when that is not said
 * @param spec the name of the file of its type
 * @param addresses by break, counted from 1 as in GDTF
 * @param panReversed empty where nothing is said
 */
public record SceneFixture(
        UUID uuid,
        String name,
        List<String> folders,
        Optional<FixtureId> id,
        Optional<Integer> unit,
        Optional<UUID> position,
        Optional<ScenePoint> point,
        String spec,
        String mode,
        SortedMap<Integer, StartAddress> addresses,
        Optional<Boolean> panReversed,
        Optional<Boolean> tiltReversed,
        String purpose) {
    public SceneFixture {
        folders = List.copyOf(folders);
        addresses = Collections.unmodifiableSortedMap(new TreeMap<>(addresses));
    }
}
