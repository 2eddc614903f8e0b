package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.cable.CableRun;
import taxon.core.cable.CableWay;
import taxon.core.cable.Spot;
import taxon.core.length.Length;
import taxon.core.lines.ChainTask.Feed;
import taxon.core.lines.ChainTask.Limits;
import taxon.core.network.CableRules;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** Makes a task of units and the outlets from which lines can go to them. */
final class TaskMaker {
    private static final long MILLIMETRE = 1_000;
    private static final int EIGHTHS = 8;

    private final Plan plan;
    private final CableWay way;
    private final CableRules rules;

    TaskMaker(Plan plan) {
        this.plan = plan;
        way = new CableWay(plan);
        rules = plan.sheet().network().cable();
    }

    /** @param box the number of a box of which nobody knows where it is */
    private record Whereabouts(Optional<Spot> spot, Optional<Integer> box) {}

    /** Outlets that are at one place. */
    record Place(Optional<Spot> spot, List<PortRef> ports) {}

    /** Outlets by where they are; those of boxes without a place are by box. */
    List<Place> places(List<PortRef> outlets) {
        Map<Whereabouts, Place> places = new LinkedHashMap<>();
        for (PortRef port : outlets) {
            Box box = plan.box(port.box()).orElseThrow();
            Optional<Spot> spot = way.spot(box);
            Whereabouts key = new Whereabouts(spot, spot.isPresent() ? Optional.empty() : Optional.of(box.number()));
            places.computeIfAbsent(key, k -> new Place(spot, new ArrayList<>()))
                    .ports()
                    .add(port);
        }
        return List.copyOf(places.values());
    }

    ChainTask task(List<Fixture> units, List<Place> places) {
        List<Optional<Spot>> spots = units.stream().map(way::spot).toList();
        int[][] between = new int[units.size()][];
        boolean[][] known = new boolean[units.size()][];
        int[] loads = new int[units.size()];
        boolean[] last = new boolean[units.size()];
        for (int i = 0; i < units.size(); i++) {
            Feed ways = ways(spots.get(i), spots, 0);
            between[i] = ways.to();
            known[i] = ways.known();
            known[i][i] = true;
            loads[i] = plan.type(units.get(i)).facts().loadEighths();
            last[i] = plan.type(units.get(i)).facts().outputs().isEmpty();
        }
        List<Feed> feeds = places.stream()
                .map(p -> ways(p.spot(), spots, p.ports().size()))
                .toList();
        Limits limits = new Limits(rules.mostUnits(), CableRules.UNIT_LOADS * EIGHTHS, millimetres(rules.longest()));
        return new ChainTask(feeds, between, known, loads, last, groups(units), limits);
    }

    /** By position, numbered as they come. */
    private static int[] groups(List<Fixture> units) {
        Map<Integer, Integer> numbers = new HashMap<>();
        return units.stream()
                .mapToInt(u -> numbers.computeIfAbsent(u.position(), p -> numbers.size()))
                .toArray();
    }

    private Feed ways(Optional<Spot> from, List<Optional<Spot>> spots, int lines) {
        int[] to = new int[spots.size()];
        boolean[] known = new boolean[to.length];
        for (int i = 0; i < to.length; i++) {
            Optional<CableRun> run = way.between(from, spots.get(i));
            known[i] = run.isPresent();
            to[i] = run.map(r -> millimetres(r.length().plus(rules.slack()))).orElse(ChainTask.UNKNOWN);
        }
        return new Feed(lines, to, known);
    }

    private static int millimetres(Length length) {
        return Math.toIntExact(Math.round(length.micrometres() / (double) MILLIMETRE));
    }
}
