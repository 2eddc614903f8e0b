package taxon.core.addressing.space;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;

/** The space of a plan with everything in it, of which single fixtures are lifted off and put down again. */
public final class FilledSpace {
    private final Plan plan;
    private final ResolvedRequest request;
    private final JobSpace all;
    private final Map<UniverseNumber, List<PlannedBlock>> byUniverse = new HashMap<>();

    /** @param request whose wish and classes hold */
    public FilledSpace(Plan plan, ResolvedRequest request) {
        this.plan = plan;
        this.request = request;
        all = JobSpace.of(plan, request.wish(), request.classes(), b -> false);
        plan.blocks().forEach(this::add);
    }

    private void add(PlannedBlock block) {
        block.start()
                .ifPresent(a -> byUniverse
                        .computeIfAbsent(a.universe(), u -> new ArrayList<>())
                        .add(block));
    }

    /** The space as if these blocks were not there. */
    public JobSpace without(Collection<PlannedBlock> blocks) {
        return all.without(blocks, this::on, plan, request.classes());
    }

    private List<PlannedBlock> on(UniverseNumber universe) {
        return byUniverse.getOrDefault(universe, List.of());
    }

    /** Blocks of one fixture lie elsewhere from now on. */
    public void moved(Collection<PlannedBlock> before, Collection<PlannedBlock> after) {
        List<PlannedBlock> touched = new ArrayList<>(before);
        touched.addAll(after);
        before.forEach(b -> b.start().ifPresent(a -> on(a.universe()).remove(b)));
        after.forEach(this::add);
        all.readAnew(touched, this::on, plan, request.classes());
    }
}
