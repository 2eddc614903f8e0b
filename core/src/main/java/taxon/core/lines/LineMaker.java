package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.dmx.UniverseNumber;
import taxon.core.lines.LineProposal.NoLine;
import taxon.core.lines.LineProposal.Sum;
import taxon.core.lines.LineProposal.Why;
import taxon.core.network.CableRules;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;

/** Makes a proposal of lines, universe by universe. */
final class LineMaker {
    private final Plan plan;
    private final LineWish wish;
    private final CableRules rules;
    private final Feeds feeds;
    private final Map<UniverseNumber, List<PortRef>> outlets;
    private final LineUnits units;
    private final TaskMaker tasks;
    private final LineWriter writer;
    private final List<NoLine> left = new ArrayList<>();
    private final List<Sum> sums = new ArrayList<>();
    private int staying;

    LineMaker(Plan plan, LineWish wish) {
        this.plan = plan;
        this.wish = wish;
        rules = plan.sheet().network().cable();
        feeds = Feeds.of(plan);
        outlets = feeds.outlets();
        units = new LineUnits(plan, feeds);
        tasks = new TaskMaker(plan);
        writer = new LineWriter(plan);
    }

    LineProposal make() {
        Map<UniverseNumber, List<Line>> lines = linesByUniverse();
        for (UniverseNumber universe : units.universes()) {
            if (wish.asksFor(universe)) {
                draw(universe, lines.getOrDefault(universe, List.of()));
            }
        }
        return new LineProposal(
                LineProposal.edit(rules, writer.drawn(), writer.gone(), writer.splitters()),
                writer.drawn(),
                writer.gone(),
                writer.splitters(),
                sums,
                staying,
                left);
    }

    private Map<UniverseNumber, List<Line>> linesByUniverse() {
        Map<UniverseNumber, List<Line>> lines = new TreeMap<>();
        for (Line line : plan.lines()) {
            Set<UniverseNumber> carried = feeds.on(line);
            if (carried.size() == 1) {
                lines.computeIfAbsent(carried.iterator().next(), u -> new ArrayList<>())
                        .add(line);
            }
        }
        return lines;
    }

    private void draw(UniverseNumber universe, List<Line> lines) {
        List<Fixture> seeking = wish.anew() ? units.of(universe) : units.loose(universe);
        staying += units.of(universe).size() - seeking.size();
        if (seeking.isEmpty()) {
            return;
        }
        List<PortRef> ports = outlets.getOrDefault(universe, List.of());
        if (ports.isEmpty()) {
            left.add(new NoLine("universe " + universe, universe, Why.NO_OUTLET));
            return;
        }
        List<Fixture> still = seeking;
        Set<PortRef> taken = new HashSet<>();
        if (wish.anew()) {
            lines.stream().filter(l -> !l.boxes().isEmpty()).forEach(l -> taken.add(l.from()));
        } else {
            lines.forEach(l -> taken.add(l.from()));
            still = new LineGrowth(plan, tasks, lines).take(seeking, writer);
        }
        List<PortRef> free = ports.stream().filter(p -> !taken.contains(p)).toList();
        if (still.isEmpty()) {
            return;
        }
        if (free.isEmpty()) {
            left.add(new NoLine("universe " + universe, universe, Why.NO_PORT_FREE));
            return;
        }
        drawFrom(universe, still, free, wish.anew() ? lines : List.of());
    }

    /** @param before lines that give way to the new ones; they stay where there are none */
    private void drawFrom(UniverseNumber universe, List<Fixture> seeking, List<PortRef> free, List<Line> before) {
        List<TaskMaker.Place> places = tasks.places(free);
        ChainTask all = tasks.task(seeking, places);
        List<Fixture> near = near(universe, seeking, all);
        if (near.isEmpty()) {
            return;
        }
        ChainTask task = near.size() == seeking.size() ? all : tasks.task(near, places);
        Optional<SplitAnswer> answer = SplitAnswer.of(task, rules);
        if (answer.isEmpty()) {
            left.add(new NoLine("universe " + universe, universe, Why.DOES_NOT_FIT));
            return;
        }
        before.forEach(writer::clear);
        writer.draw(answer.get(), near, places, rules.splitterOutputs());
        sums.add(new LineSums(answer.get(), rules).of(universe));
    }

    /** Without those that no line can reach at all. */
    private List<Fixture> near(UniverseNumber universe, List<Fixture> seeking, ChainTask all) {
        List<Fixture> near = new ArrayList<>();
        for (int i = 0; i < seeking.size(); i++) {
            int unit = i;
            if (all.feeds().stream()
                    .anyMatch(f -> all.length(f, unit) <= all.limits().length())) {
                near.add(seeking.get(i));
            } else {
                left.add(new NoLine(seeking.get(i).label(), universe, Why.TOO_FAR));
            }
        }
        return near;
    }
}
