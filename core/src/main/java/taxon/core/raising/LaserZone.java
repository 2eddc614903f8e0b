package taxon.core.raising;

import java.util.List;
import java.util.regex.Pattern;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.rig.PlannedBlock;

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
}
