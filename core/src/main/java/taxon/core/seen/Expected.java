package taxon.core.seen;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Delivery;
import taxon.core.network.Route;
import taxon.core.reception.Carrier;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** Under which numbers of the wire the plan's universes are to be heard. */
public final class Expected {
    private final SortedMap<Carrier, List<Way>> ways;

    private Expected(SortedMap<Carrier, List<Way>> ways) {
        this.ways = ways;
    }

    /**
     * One way of a universe of the plan.
     *
     * @param toAll false when it is sent to one box, so that no other card hears it
     * @param priority that it is planned to have; empty where its protocol has none
     */
    record Way(UniverseNumber universe, boolean toAll, OptionalInt priority) {}

    /** What the plan says; what goes by no network is under no number. */
    public static Expected of(Plan plan) {
        SortedMap<Carrier, List<Way>> ways = new TreeMap<>();
        for (Universe universe : plan.universes()) {
            for (Route route : universe.routes()) {
                carrier(route)
                        .ifPresent(c ->
                                ways.computeIfAbsent(c, k -> new ArrayList<>()).add(way(universe.number(), route)));
            }
        }
        return new Expected(ways);
    }

    /** Under which number of the wire a way carries its universe; empty where it goes by no network. */
    public static Optional<Carrier> carrier(Route route) {
        if (route instanceof Route.Sacn sacn) {
            return Optional.of(Carrier.of(sacn.universe()));
        }
        return route instanceof Route.ArtNet artNet ? Optional.of(Carrier.of(artNet.address())) : Optional.empty();
    }

    private static Way way(UniverseNumber universe, Route route) {
        if (route instanceof Route.Sacn sacn) {
            return new Way(universe, sacn.delivery() != Delivery.TO_BOX, OptionalInt.of(sacn.priority()));
        }
        boolean toAll = route instanceof Route.ArtNet artNet && artNet.delivery() != Delivery.TO_BOX;
        return new Way(universe, toAll, OptionalInt.empty());
    }

    /** All numbers that are planned, in order. */
    public List<Carrier> carriers() {
        return List.copyOf(ways.keySet());
    }

    /** Whose levels come under a number; several where the plan gives one number twice, none where it is not planned. */
    public List<UniverseNumber> universes(Carrier carrier) {
        return ways(carrier).stream().map(Way::universe).distinct().toList();
    }

    /** True when what is planned under a number goes to others than one box, so that any card can hear it. */
    public boolean isForAll(Carrier carrier) {
        return ways(carrier).stream().anyMatch(Way::toAll);
    }

    List<Way> ways(Carrier carrier) {
        return ways.getOrDefault(carrier, List.of());
    }

    /** The numbers under which a universe of the plan is carried. */
    public List<Carrier> carriers(UniverseNumber universe) {
        return ways.entrySet().stream()
                .filter(e -> e.getValue().stream().anyMatch(w -> w.universe().equals(universe)))
                .map(Map.Entry::getKey)
                .toList();
    }
}
