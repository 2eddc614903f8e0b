package taxon.core.finding;

import java.util.List;
import taxon.core.load.CableLoad;
import taxon.core.load.NetworkLoad;
import taxon.core.rig.Plan;

/** Rules about what the cables of the network carry. */
final class LoadRules {
    private final Plan plan;

    LoadRules(Plan plan) {
        this.plan = plan;
    }

    List<Finding> overHalf() {
        return NetworkLoad.canBeOverHalf(plan)
                ? NetworkLoad.of(plan).cables().stream()
                        .filter(CableLoad::isOverHalf)
                        .map(c -> NetworkNumberRules.found(
                                Rule.CABLE_FULL,
                                Integer.toString(c.box().number()),
                                new NetworkGrounds.CableFull(c.box(), c),
                                new Remedy.Decide("Send it to fewer, or by faster cable", Remedy.Where.ROUTING)))
                        .toList()
                : List.of();
    }
}
