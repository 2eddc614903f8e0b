package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.lines.Chains.Chain;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;

/**
 * Units taken into lines that are there, each at the place where it costs least cable; the order of who is on them stays. Lines
 * that feed boxes too are left as they are.
 */
final class LineGrowth {
    private final Plan plan;
    private final TaskMaker tasks;
    private final List<Line> lines;

    LineGrowth(Plan plan, TaskMaker tasks, List<Line> lines) {
        this.plan = plan;
        this.tasks = tasks;
        this.lines = lines.stream()
                .filter(l -> !l.stops().isEmpty() && l.boxes().isEmpty())
                .toList();
    }

    /** @return those who found no place within the limits */
    List<Fixture> take(List<Fixture> seeking, LineWriter writer) {
        if (lines.isEmpty()) {
            return seeking;
        }
        List<Fixture> all = new ArrayList<>(seeking);
        List<Chain> chains = new ArrayList<>();
        List<TaskMaker.Place> places = new ArrayList<>();
        for (Line line : lines) {
            int first = all.size();
            line.units().forEach(u -> all.add(plan.fixture(u).orElseThrow()));
            int[] units = new int[all.size() - first];
            for (int i = 0; i < units.length; i++) {
                units[i] = first + i;
            }
            chains.add(new Chain(places.size(), units));
            places.add(tasks.places(List.<PortRef>of(line.from())).get(0));
        }
        ChainTask task = tasks.task(all, places);
        Map<Integer, Chain> grown = new HashMap<>();
        List<Fixture> left = new ArrayList<>();
        for (int unit = 0; unit < seeking.size(); unit++) {
            Optional<Chain> best = cheapest(task, chains, unit);
            if (best.isEmpty()) {
                left.add(seeking.get(unit));
            } else {
                chains.set(best.get().feed(), best.get());
                grown.put(best.get().feed(), best.get());
            }
        }
        grown.forEach((line, chain) -> writer.put(lines.get(line).with(stops(chain, all))));
        return left;
    }

    private static Optional<Chain> cheapest(ChainTask task, List<Chain> chains, int unit) {
        Optional<Chain> best = Optional.empty();
        long least = Long.MAX_VALUE;
        for (Chain chain : chains) {
            for (int place = 0; place <= chain.units().length; place++) {
                Chain with = new Chain(chain.feed(), ChainSearch.with(chain.units(), place, new int[] {unit}));
                long more = task.cost(with) - task.cost(chain);
                if (more < least && task.bears(with)) {
                    least = more;
                    best = Optional.of(with);
                }
            }
        }
        return best;
    }

    static List<LineStop> stops(Chain chain, List<Fixture> units) {
        List<LineStop> stops = new ArrayList<>();
        for (int unit : chain.units()) {
            stops.add(LineUnits.stop(units.get(unit)));
        }
        return stops;
    }
}
