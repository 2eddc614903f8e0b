package taxon.app.checks.boxes;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.rig.Plan;
import taxon.wire.link.SendPolicy;

/** Where questions may go: to this machine, and when it is armed to the plan's own boxes. */
public final class Allowed {
    /** All on this machine. */
    public static final Ipv4 EVERYONE_HERE = Ipv4.of(127, 255, 255, 255);

    private Allowed() {}

    /** The addresses of planned boxes that are not on this machine. */
    public static List<Ipv4> outside(Plan plan) {
        return plan.boxes().stream()
                .flatMap(b -> b.ip().stream())
                .filter(ip -> !ip.isLoopback())
                .toList();
    }

    /** To this machine, and when it is armed to the planned boxes; never elsewhere. */
    public static SendPolicy to(Plan plan, boolean armed) {
        Set<Ipv4> planned =
                armed ? plan.boxes().stream().flatMap(b -> b.ip().stream()).collect(Collectors.toSet()) : Set.of();
        return ip -> ip.isLoopback() || planned.contains(ip);
    }

    /** Whom a question for all goes to: all of each card's own network, where that may be. */
    static List<Ipv4> everyone(List<NetCard> own, boolean armed) {
        return own.stream()
                .filter(o -> armed || o.ip().isLoopback())
                .map(o -> o.ip().isLoopback() ? EVERYONE_HERE : o.subnet().broadcast())
                .distinct()
                .toList();
    }
}
