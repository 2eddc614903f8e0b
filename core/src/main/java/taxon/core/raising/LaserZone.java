package taxon.core.raising;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/**
 * The zone of a laser: where its light may go. It is set first, with a still test pattern, and parked; only then may the rest be raised
 * (common practice).
 */
public final class LaserZone {
    /** What is needed to see a test pattern. */
    private static final Pattern SHOWS = Pattern.compile("Dimmer|Shutter\\d*|Gobo\\d*|ColorAdd_\\w+|ColorRGB_\\w+");

    private LaserZone() {}

    /** True for a channel that says where the light goes: place, size and turn of the picture. */
    static boolean isZone(Channel channel) {
        return AttributeBook.describe(channel.attribute()).featureGroup().equals("Position");
    }

    /** True for what may be raised before the zone is parked. */
    static boolean isForTheZone(Channel channel) {
        return isZone(channel) || SHOWS.matcher(channel.attribute().name()).matches();
    }

    /** The channels of a block that make the zone. */
    public static List<Channel> channels(PlannedBlock block) {
        return block.block().channels().stream()
                .filter(c -> !c.isVirtual() && isZone(c))
                .toList();
    }

    /** True for a laser that has a zone to set, of which not every slot is parked. */
    public static boolean isOpen(PlannedBlock block) {
        return block.type().facts().hazard() == Hazard.LASER
                && channels(block).stream()
                        .flatMap(c -> c.offsets().stream())
                        .anyMatch(o -> block.fixture().traits().parked().stream()
                                .noneMatch(p -> p.block() == block.ref().block() && p.offset() == o));
    }

    /**
     * Parks the slots of the zone where they are now: what is parked elsewhere stays.
     *
     * @param levels what each slot has; a slot that is not in it is parked at 0
     */
    public static Edit park(Plan plan, FixtureKey key, Map<StartAddress, Integer> levels, String why) {
        String label = plan.fixture(key).map(Fixture::label).orElse("");
        return new Edit("Zone of " + label + " parked", now -> parked(now, key, levels, why));
    }

    private static Outcome parked(Plan plan, FixtureKey key, Map<StartAddress, Integer> levels, String why) {
        Optional<Fixture> fixture = plan.fixture(key);
        List<Parked> zone = fixture.stream()
                .flatMap(f -> plan.blocksOf(f).stream())
                .filter(b ->
                        b.type().facts().hazard() == Hazard.LASER && b.start().isPresent())
                .flatMap(b -> parked(b, levels, why))
                .toList();
        if (zone.isEmpty()) {
            return Edit.refuse(new Refusal("zone", key.toString(), Fault.NOT_FOUND, "the unit has no zone to park"));
        }
        try {
            Stream<Parked> others = fixture.orElseThrow().traits().parked().stream()
                    .filter(p -> zone.stream().noneMatch(z -> z.block() == p.block() && z.offset() == p.offset()));
            return new Changed(plan.with(fixture.orElseThrow()
                    .withTraits(fixture.orElseThrow()
                            .traits()
                            .withParked(Stream.concat(others, zone.stream()).toList()))));
        } catch (IllegalArgumentException e) {
            // More than a unit takes, or a reason that it does not take; it says which.
            return Edit.refuse(new Refusal("zone", why, Fault.NOT_UNDERSTOOD, String.valueOf(e.getMessage())));
        }
    }

    private static Stream<Parked> parked(PlannedBlock block, Map<StartAddress, Integer> levels, String why) {
        StartAddress start = block.start().orElseThrow();
        return channels(block).stream()
                .flatMap(c -> c.offsets().stream())
                .filter(o -> start.holds(o))
                .map(o -> new Parked(
                        block.ref().block(),
                        o,
                        levels.getOrDefault(
                                StartAddress.of(
                                        start.universe().number(), start.slot().number() + o - 1),
                                0),
                        why));
    }
}
