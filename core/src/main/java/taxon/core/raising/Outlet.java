package taxon.core.raising;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.Ipv4;
import taxon.core.reception.Carrier;
import taxon.core.reception.Sender.Protocol;

/**
 * Where a universe is sent to while it is driven.
 *
 * @param carrier the number that it has on the wire
 * @param to a group of streaming ACN, or the box
 * @param toBox true when it goes to the box alone, so that nobody else hears who sends there
 * @param priority that the plan gives it; 100 of Art-Net, which has none
 * @param merge how the port joins two sources, as planned
 * @param port of the box, counted from 1
 * @param box its name, and the port: "Quay node port 2"
 * @param boxes where those are that take it, as far as the plan says: by the cards beside them a group leaves
 */
public record Outlet(
        UniverseNumber universe,
        Carrier carrier,
        Ipv4 to,
        boolean toBox,
        int priority,
        Merge merge,
        int port,
        String box,
        List<Ipv4> boxes)
        implements Comparable<Outlet> {
    private static final Comparator<Outlet> ORDER = Comparator.comparing(Outlet::universe)
            .thenComparing(Outlet::carrier)
            .thenComparing(Outlet::to);

    public Outlet {
        boxes = List.copyOf(boxes);
    }

    /** True for Art-Net, where a box merges by a setting of its port and knows no priorities. */
    public boolean isArtNet() {
        return carrier.protocol() == Protocol.ART_NET;
    }

    /** This one, for the boxes of another port too that takes the same. */
    Outlet alsoFor(Outlet other) {
        return new Outlet(
                universe,
                carrier,
                to,
                toBox,
                priority,
                merge,
                port,
                box,
                Stream.concat(boxes.stream(), other.boxes.stream()).distinct().toList());
    }

    /** Two ports that take the same levels from the same address are one outlet. */
    boolean isSameWayAs(Outlet other) {
        return carrier.equals(other.carrier) && to.equals(other.to);
    }

    @Override
    public int compareTo(Outlet other) {
        return ORDER.compare(this, other);
    }
}
