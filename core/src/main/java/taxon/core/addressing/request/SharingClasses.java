package taxon.core.addressing.request;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;

/** Tells which sharing class a block belongs to, as a wish splits the rig. */
public final class SharingClasses {
    /** Of everybody, where the wish keeps nobody apart. */
    private static final SharingClass ALL = new SharingClass("", false, false);

    private final Plan plan;
    private final Wish wish;
    private final List<Group> groups;
    private final boolean parts;
    private final Map<SharingClass, SharingClass> known = new HashMap<>();

    public SharingClasses(Plan plan, Wish wish) {
        this.plan = plan;
        this.wish = wish;
        groups = plan.groups();
        parts = wish.split() != Split.NONE || wish.hazardsApart() || wish.blocks() == Blocks.OWN_UNIVERSE;
    }

    /** @param block counted from 1 */
    public SharingClass of(Fixture fixture, int block) {
        if (!parts) {
            return ALL;
        }
        SharingClass found = new SharingClass(
                splitWord(fixture),
                wish.hazardsApart() && fixture.isHazard(plan.type(fixture)),
                wish.blocks() == Blocks.OWN_UNIVERSE && block > 1);
        return known.computeIfAbsent(found, c -> c);
    }

    private String splitWord(Fixture fixture) {
        return switch (wish.split()) {
            case NONE -> "";
            case POSITION -> plan.position(fixture).name();
            case TYPE -> plan.type(fixture).fullName();
            case LINE -> fixture.traits().line();
            case PURPOSE -> fixture.traits().purpose();
            case GROUP ->
                groups.stream()
                        .filter(g -> g.holds(fixture))
                        .map(Group::name)
                        .findFirst()
                        .orElse("");
        };
    }
}
