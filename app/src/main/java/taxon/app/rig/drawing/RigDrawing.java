package taxon.app.rig.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import taxon.app.form.Selection;
import taxon.app.frame.Tints;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;

/**
 * The rig as drawn: each position a bar with its units in the order of their numbers, evenly spaced. Lengths in pixels.
 *
 * @param height of the whole drawing
 */
public record RigDrawing(int width, int height, List<Bar> bars) {
    private static final int WIDTH = 948;
    private static final int UNIT_PITCH = 50;
    private static final int PER_LINE = WIDTH / UNIT_PITCH;
    private static final int LINE_HEIGHT = 88;
    private static final int TOP = 44;

    /**
     * A position, or a further line of one that has many units.
     *
     * @param name empty on a further line
     */
    public record Bar(int position, int y, int width, String name, String words, List<Unit> units) {}

    /** @param x of its middle */
    public record Unit(int x, UnitMark mark) {}

    /** These positions of the plan, one under the other. */
    public static RigDrawing of(Plan plan, List<Position> positions, Selection selection) {
        Tints tints = Tints.of(plan);
        List<Bar> bars = new ArrayList<>();
        for (Position position : positions) {
            List<Fixture> fixtures = plan.fixturesOn(position).stream()
                    .sorted(Comparator.comparingInt(Fixture::unit).thenComparing(Fixture::key))
                    .toList();
            for (int from = 0; from < fixtures.size(); from += PER_LINE) {
                List<Fixture> line = fixtures.subList(from, Math.min(from + PER_LINE, fixtures.size()));
                int y = TOP + bars.size() * LINE_HEIGHT;
                bars.add(bar(plan, position, line, from == 0, fixtures.size(), y, selection, tints));
            }
        }
        return new RigDrawing(WIDTH, TOP + bars.size() * LINE_HEIGHT, List.copyOf(bars));
    }

    private static Bar bar(
            Plan plan,
            Position position,
            List<Fixture> line,
            boolean first,
            int count,
            int y,
            Selection selection,
            Tints tints) {
        List<Unit> units = new ArrayList<>();
        for (Fixture fixture : line) {
            int x = UNIT_PITCH / 2 + units.size() * UNIT_PITCH;
            units.add(new Unit(x, UnitMark.of(plan, fixture, tints, selection)));
        }
        return new Bar(
                position.number(),
                y,
                line.size() * UNIT_PITCH,
                first ? position.name() : "",
                first ? (count == 1 ? "1 unit" : count + " units") : "continued",
                List.copyOf(units));
    }
}
