package taxon.core.lines;

import java.util.List;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;

/** Who is reached by the lines of a plan, and who is not. */
public final class Reached {
    private final Plan plan;
    private final Feeds feeds;
    private final LineUnits units;

    private Reached(Plan plan) {
        this.plan = plan;
        feeds = Feeds.of(plan);
        units = new LineUnits(plan, feeds);
    }

    public static Reached by(Plan plan) {
        return new Reached(plan);
    }

    /** Universes with units that cable must reach, ascending. */
    public Set<UniverseNumber> universes() {
        return units.universes();
    }

    /** Units of a universe that cable must reach and that no line of it does, by position and unit. */
    public List<Fixture> loose(UniverseNumber universe) {
        return units.loose(universe);
    }

    /** The universes that a line carries. */
    public Set<UniverseNumber> on(Line line) {
        return feeds.on(line);
    }

    /** The universes that leave a port. */
    public Set<UniverseNumber> at(PortRef port) {
        return feeds.at(port);
    }

    /** True when levels come to it by cable. */
    public boolean hearsCable(Fixture fixture) {
        return LineUnits.hearsCable(plan, fixture);
    }

    /** True when RDM comes through all that is before a line, down to its port. */
    public boolean passesRdm(Line line) {
        return feeds.passesRdm(line);
    }

    /** True when its port is an output of a box that feeds lines. */
    public boolean isFed(Line line) {
        return plan.box(line.from().box())
                .filter(b -> Feeds.canFeed(b, line.from().number()))
                .isPresent();
    }
}
