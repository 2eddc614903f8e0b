package taxon.core.scene;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.edit.PositionEdits;
import taxon.core.text.Texts;

/**
 * The positions of a scene among those of a job: by UUID, then by name, else new. One of which it is not known where it lies
 * is laid through its fixtures; one that is known stays where it is.
 */
final class ScenePlaces {
    private static final String NOWHERE = "Scene";

    private final Plan plan;
    private final Scene scene;
    private final Map<String, Position> byName = new HashMap<>();
    private final Map<Integer, Integer> lastUnit = new HashMap<>();
    private final List<Position> changed = new ArrayList<>();
    private int next;
    private int rank;

    ScenePlaces(Plan plan, Scene scene) {
        this.plan = plan;
        this.scene = scene;
        next = plan.nextNumber(Kind.POSITION);
        rank = PositionEdits.lastRank(plan);
        plan.fixtures().forEach(f -> lastUnit.merge(f.position(), f.unit(), Math::max));
        Map<String, List<ScenePoint>> points = new HashMap<>();
        scene.fixtures()
                .forEach(f -> points.computeIfAbsent(name(f), n -> new ArrayList<>())
                        .addAll(f.point().stream().toList()));
        scene.fixtures()
                .forEach(f -> byName.computeIfAbsent(name(f), n -> place(f, points.getOrDefault(n, List.of()))));
    }

    /** A fixture without a position hangs on one that is called like its layer. */
    private String name(SceneFixture fixture) {
        return fixture.position()
                .map(scene.positions()::get)
                .or(() -> fixture.folders().isEmpty()
                        ? Optional.empty()
                        : Optional.of(fixture.folders().get(fixture.folders().size() - 1)))
                .map(n -> Texts.clip(n, 80))
                .filter(n -> !n.isBlank())
                .orElse(NOWHERE);
    }

    private Position place(SceneFixture fixture, List<ScenePoint> points) {
        Optional<UUID> uuid = fixture.position().filter(scene.positions()::containsKey);
        Optional<Position> known = uuid.flatMap(u -> plan.positions().stream()
                        .filter(p -> p.uuid().equals(Optional.of(u)))
                        .findFirst())
                .or(() -> plan.positionNamed(name(fixture)));
        Position position = known.orElseGet(() ->
                new Position(next++, name(fixture), PositionKind.UNSAID, PositionGeometry.UNSAID).withRank(++rank));
        Position placed = uuid.map(position::withUuid).orElse(position);
        if (placed.geometry().equals(PositionGeometry.UNSAID) && !points.isEmpty()) {
            placed = placed.withGeometry(GeometryFit.through(points));
        }
        if (!known.equals(Optional.of(placed))) {
            changed.add(placed);
        }
        return placed;
    }

    /** The position on which a fixture of the scene hangs. */
    Position of(SceneFixture fixture) {
        return Optional.ofNullable(byName.get(name(fixture))).orElseThrow();
    }

    /** True when the scene itself says where it hangs. */
    boolean isSaid(SceneFixture fixture) {
        return fixture.position().filter(scene.positions()::containsKey).isPresent();
    }

    /** The unit number that is said, or the next one of the position. */
    int unit(SceneFixture fixture, int position) {
        int unit = fixture.unit().orElseGet(() -> lastUnit.getOrDefault(position, 0) + 1);
        int legal = Math.max(1, Math.min(9999, unit));
        lastUnit.merge(position, legal, Math::max);
        return legal;
    }

    /** Positions that are new or lie elsewhere than the job says. */
    List<Position> changed() {
        return List.copyOf(changed);
    }
}
