package taxon.app.checks.raise;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Part;
import taxon.core.raising.ChannelFamily;
import taxon.core.raising.LaserZone;
import taxon.core.raising.Reach;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.visible.Needs;

/**
 * What the page of an arming shows that does not move by itself.
 *
 * @param units along the rig
 * @param names of channels that some unit has
 * @param universes that are driven
 */
public record ArmingView(
        List<Unit> units, Optional<One> one, List<Hazard> hazards, List<String> names, List<UniverseNumber> universes) {
    public ArmingView {
        units = List.copyOf(units);
        hazards = List.copyOf(hazards);
        names = List.copyOf(names);
        universes = List.copyOf(universes);
    }

    /** A unit that one can go to. */
    public record Unit(int key, String label, String type, String position, boolean isHere) {}

    /**
     * The unit whose channels are shown.
     *
     * @param needs what it needs besides levels, as sentences
     */
    public record One(
            Unit unit,
            String addresses,
            List<String> needs,
            List<String> parts,
            List<ChannelFamily> families,
            List<Row> rows) {
        public One {
            needs = List.copyOf(needs);
            parts = List.copyOf(parts);
            families = List.copyOf(families);
            rows = List.copyOf(rows);
        }
    }

    /**
     * A channel.
     *
     * @param most its highest value
     */
    public record Row(int block, int index, String name, String slots, long most) {}

    /**
     * A unit that can hurt people.
     *
     * @param zone true for a laser whose zone is not parked
     */
    public record Hazard(int key, String label, String what, boolean armed, boolean zone) {}

    static ArmingView of(Plan plan, Arming arming) {
        Optional<Integer> here = arming.shown().map(k -> k.number());
        List<Unit> units = arming.walk().units().stream()
                .flatMap(k -> plan.fixture(k).stream())
                .map(f -> unit(plan, f, here))
                .toList();
        Optional<One> one = arming.shown().flatMap(plan::fixture).map(f -> one(plan, f, here));
        Set<String> names = new TreeSet<>();
        arming.walk().units().stream()
                .flatMap(k -> plan.fixture(k).stream())
                .flatMap(f -> plan.mode(f).stream())
                .distinct()
                .flatMap(m -> m.channels())
                .filter(c -> !c.isVirtual())
                .forEach(c -> names.add(new ChannelName(c.attribute(), Optional.empty(), Optional.empty()).toString()));
        return new ArmingView(
                units,
                one,
                hazards(plan, arming),
                List.copyOf(names),
                arming.outlets().outlets().stream()
                        .map(o -> o.universe())
                        .distinct()
                        .toList());
    }

    private static Unit unit(Plan plan, Fixture fixture, Optional<Integer> here) {
        int key = fixture.key().number();
        return new Unit(
                key,
                fixture.label(),
                plan.type(fixture).fullName(),
                plan.position(fixture).name(),
                here.filter(h -> h == key).isPresent());
    }

    private static One one(Plan plan, Fixture fixture, Optional<Integer> here) {
        List<Row> rows = new ArrayList<>();
        Set<ChannelFamily> families = new TreeSet<>();
        List<String> addresses = new ArrayList<>();
        for (PlannedBlock block : plan.blocksOf(fixture)) {
            block.start().ifPresent(s -> addresses.add(s.toString()));
            List<Channel> channels = block.block().channels();
            for (int i = 0; i < channels.size(); i++) {
                if (!channels.get(i).isVirtual() && block.start().isPresent()) {
                    families.add(ChannelFamily.of(channels.get(i)));
                    rows.add(row(block, channels.get(i), i));
                }
            }
        }
        List<String> parts = plan.mode(fixture).stream()
                .flatMap(m -> m.parts().stream())
                .map(Part::toString)
                .toList();
        return new One(
                unit(plan, fixture, here),
                String.join(", ", addresses),
                plan.mode(fixture).map(Needs::of).orElse(List.of()),
                parts,
                List.copyOf(families),
                rows);
    }

    private static Row row(PlannedBlock block, Channel channel, int index) {
        int start = block.start().orElseThrow().slot().number();
        String slots = String.join(
                ", ",
                channel.offsets().stream()
                        .map(o -> String.valueOf(start + o - 1))
                        .toList());
        return new Row(block.ref().block(), index, ChannelName.of(channel), slots, Levels.most(channel.bytes()));
    }

    private static List<Hazard> hazards(Plan plan, Arming arming) {
        Reach reach = arming.grip().map(g -> g.reach()).orElse(arming.asked().reach());
        return plan.fixtures().stream()
                .filter(f -> f.isHazard(plan.type(f)))
                .filter(f -> plan.blocksOf(f).stream().anyMatch(reach::holds))
                .map(f -> hazard(plan, f, reach))
                .toList();
    }

    private static Hazard hazard(Plan plan, Fixture fixture, Reach reach) {
        Facts.Hazard type = plan.type(fixture).facts().hazard();
        String own = fixture.traits().hazard();
        return new Hazard(
                fixture.key().number(),
                fixture.label(),
                own.isBlank() ? type.words() : own,
                reach.hazards().contains(fixture.key()),
                plan.blocksOf(fixture).stream().anyMatch(LaserZone::isOpen));
    }
}
