package taxon.app.frame;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Plan;

/** Which of the ten tints a type has in a job, 0 to 9, in the order of maker and name. Never the only sign of a type. */
public final class Tints {
    private static final int TINTS = 10;

    private final Map<TypeId, Integer> byType = new HashMap<>();

    private Tints(List<FixtureType> types) {
        types.forEach(t -> byType.put(t.id(), byType.size() % TINTS));
    }

    public static Tints of(Plan plan) {
        return new Tints(plan.types().types());
    }

    public int of(TypeId type) {
        return byType.getOrDefault(type, 0);
    }
}
