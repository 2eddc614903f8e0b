package taxon.simrig;

import java.util.List;
import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;

/** Which slot of a block each of its channels hears: its own, but for axes that are exchanged and channels in another order. */
final class SimWiring {
    private final Block block;
    private final List<Integer> pan;
    private final List<Integer> tilt;
    private final int order;

    /**
     * How a block is wired.
     *
     * @param swapped true when pan is heard by tilt and the other way round; one without both is as it was
     * @param order by how many slots its channels are late
     */
    SimWiring(Block block, boolean swapped, int order) {
        this.block = block;
        this.order = order;
        pan = swapped ? offsets("Pan") : List.of();
        tilt = swapped ? offsets("Tilt") : List.of();
    }

    private List<Integer> offsets(String attribute) {
        Optional<Channel> channel = block.channels().stream()
                .filter(c -> !c.isVirtual() && c.attribute().equals(Attribute.of(attribute)))
                .findFirst();
        return channel.map(Channel::offsets).orElse(List.of());
    }

    /** @param offset of a channel in its block, from 1 */
    int heard(int offset) {
        int exchanged = exchanged(exchanged(offset, pan, tilt), offset);
        return (exchanged - 1 + order) % block.footprint() + 1;
    }

    private int exchanged(int ofPan, int offset) {
        return ofPan == offset ? exchanged(offset, tilt, pan) : ofPan;
    }

    private static int exchanged(int offset, List<Integer> from, List<Integer> to) {
        int place = from.indexOf(offset);
        return place >= 0 && place < to.size() ? to.get(place) : offset;
    }
}
