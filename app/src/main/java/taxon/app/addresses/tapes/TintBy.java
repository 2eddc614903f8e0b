package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import taxon.app.frame.Tints;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Position;

/** What the tints of the tapes stand for: types, or positions. */
public final class TintBy {
    private static final int TINTS = 10;
    private static final String POSITION = "position";

    private final Plan plan;
    private final boolean byPosition;
    private final Tints types;
    private final Map<Integer, Integer> positions = new LinkedHashMap<>();

    private TintBy(Plan plan, boolean byPosition) {
        this.plan = plan;
        this.byPosition = byPosition;
        types = Tints.of(plan);
        plan.positions().forEach(p -> positions.put(p.number(), positions.size() % TINTS));
    }

    /** @param word "position"; anything else means types */
    public static TintBy of(Plan plan, String word) {
        return new TintBy(plan, word.equals(POSITION));
    }

    public int of(PlannedBlock block) {
        return byPosition
                ? positions.getOrDefault(block.fixture().position(), 0)
                : types.of(block.fixture().type());
    }

    /** A tint and what it stands for. */
    public record Line(int tint, String name) {}

    public List<Line> legend() {
        List<Line> lines = new ArrayList<>();
        if (byPosition) {
            for (Position position : plan.positions()) {
                lines.add(new Line(positions.getOrDefault(position.number(), 0), position.name()));
            }
        } else {
            for (FixtureType type : plan.types().types()) {
                lines.add(new Line(types.of(type.id()), type.shortName()));
            }
        }
        return lines;
    }
}
