package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of lines by hand. */
public final class LineEdits {
    private LineEdits() {}

    /** Begins a line at a port, under the next number. */
    public static Edit begin(String name, PortRef from) {
        return new Edit(
                "Line " + name + " begun",
                plan -> put(plan, new Line(plan.nextNumber(Kind.LINE), name, from, List.of())));
    }

    /** Changes a line as a whole: its name, its port, its stops. */
    public static Edit change(Line line) {
        return new Edit("Line " + line.name() + " changed", plan -> put(plan, line));
    }

    /** Takes a line away; its units stay where they hang. */
    public static Edit remove(int number) {
        return new Edit(
                "Line taken away",
                plan -> plan.line(number)
                        .<Outcome>map(l -> new Changed(plan.without(List.of(l.elementKey()))))
                        .orElseGet(() -> Edit.refuse(noSuchLine(plan, number))));
    }

    /**
     * Plugs stops into a line, one after the other; each leaves the lines that carry the same universes to it, and its place on
     * this one.
     *
     * @param place before which stop, from 1; one more than there are for the end
     */
    public static Edit plug(int number, int place, List<LineStop> stops) {
        String title = stops.size() == 1 ? "Plugged into a line" : stops.size() + " plugged into a line";
        return new Edit(
                title,
                plan -> plan.line(number)
                        .map(l -> plugged(plan, l, place, stops))
                        .orElseGet(() -> Edit.refuse(noSuchLine(plan, number))));
    }

    /** Takes stops off a line. */
    public static Edit unplug(int number, Set<LineStop> stops) {
        String title = stops.size() == 1 ? "Taken off a line" : stops.size() + " taken off a line";
        return new Edit(
                title,
                plan -> plan.line(number)
                        .<Outcome>map(l -> new Changed(plan.with(without(l, stops))))
                        .orElseGet(() -> Edit.refuse(noSuchLine(plan, number))));
    }

    private static Line without(Line line, Set<LineStop> stops) {
        return line.with(line.stops().stream().filter(s -> !stops.contains(s)).toList());
    }

    private static Outcome plugged(Plan plan, Line line, int place, List<LineStop> stops) {
        int most = line.stops().size() + 1;
        if (place < 1 || place > most) {
            return Edit.refuse(
                    new Refusal("place on the line", Integer.toString(place), Fault.OUT_OF_RANGE, "1 to " + most));
        }
        if (stops.contains(new LineStop.Through(line.from().box()))) {
            return Edit.refuse(new Refusal(
                    "stop of line " + line.name(),
                    plan.box(line.from().box()).map(Box::name).orElse(""),
                    Fault.OUT_OF_RANGE,
                    "anything but the box where it begins"));
        }
        Set<LineStop> moving = new LinkedHashSet<>(stops);
        List<LineStop> changed = new ArrayList<>();
        for (int i = 0; i <= line.stops().size(); i++) {
            if (i == place - 1) {
                changed.addAll(moving);
            }
            if (i < line.stops().size() && !moving.contains(line.stops().get(i))) {
                changed.add(line.stops().get(i));
            }
        }
        if (changed.size() > Line.MOST_STOPS) {
            return Edit.refuse(new Refusal(
                    "number of stops on line " + line.name(),
                    Integer.toString(changed.size()),
                    Fault.OUT_OF_RANGE,
                    "0 to " + Line.MOST_STOPS));
        }
        Plan left = plan.with(others(plan, line, moving));
        return put(left, line.with(changed));
    }

    /** The other lines that bring one of those the same levels, without them. */
    private static List<Line> others(Plan plan, Line line, Set<LineStop> moving) {
        Feeds feeds = Feeds.of(plan);
        Set<?> carried = feeds.on(line);
        return plan.lines().stream()
                .filter(l -> l.number() != line.number())
                .filter(l -> l.stops().stream().anyMatch(moving::contains))
                .filter(l -> l.stops().stream().anyMatch(s -> moving.contains(s) && s instanceof LineStop.Through)
                        || feeds.on(l).equals(carried))
                .map(l -> without(l, moving))
                .toList();
    }

    private static Outcome put(Plan plan, Line line) {
        return fault(plan, line).<Outcome>map(Edit::refuse).orElseGet(() -> new Changed(plan.with(line)));
    }

    private static Optional<Refusal> fault(Plan plan, Line line) {
        return portFault(plan, line).or(() -> stopFault(plan, line)).or(() -> loopFault(plan, line));
    }

    private static Optional<Refusal> portFault(Plan plan, Line line) {
        PortRef from = line.from();
        Optional<Box> box = plan.box(from.box());
        if (box.isEmpty()) {
            return Optional.of(new Refusal("box", Integer.toString(from.box()), Fault.NOT_FOUND, "no such box"));
        }
        String port = box.get().name() + " port " + from.number();
        if (box.get().port(from.number()).isEmpty() || !box.get().kind().feedsLines()) {
            return Optional.of(new Refusal(
                    "port of line " + line.name(), port, Fault.OUT_OF_RANGE, "a port of a box that feeds lines"));
        }
        return plan.lines().stream()
                .filter(l -> l.number() != line.number() && l.from().equals(from))
                .findFirst()
                .map(l -> new Refusal("port", port, Fault.TAKEN, "line " + l.name()));
    }

    private static Optional<Refusal> stopFault(Plan plan, Line line) {
        for (LineStop stop : line.stops()) {
            if (plan.element(stop.elementKey()).isEmpty()) {
                return Optional.of(new Refusal("stop", stop.toString(), Fault.NOT_FOUND, "not in the plan"));
            }
        }
        for (int number : line.boxes()) {
            Box box = plan.box(number).orElseThrow();
            if (!box.kind().hangsOnLine()) {
                return Optional.of(new Refusal(
                        "stop of line " + line.name(),
                        box.name(),
                        Fault.OUT_OF_RANGE,
                        "a unit, a splitter or a transmitter, not a "
                                + box.kind().words()));
            }
            Optional<Line> other = plan.lines().stream()
                    .filter(l -> l.number() != line.number() && l.boxes().contains(number))
                    .findFirst();
            if (other.isPresent()) {
                return Optional.of(new Refusal(
                        "input of",
                        box.name(),
                        Fault.TAKEN,
                        "line " + other.get().name()));
            }
        }
        return Optional.empty();
    }

    /** No box feeds itself, neither at once nor round others. */
    private static Optional<Refusal> loopFault(Plan plan, Line line) {
        Set<Integer> behind = new HashSet<>();
        List<Integer> open = new ArrayList<>(line.boxes());
        while (!open.isEmpty()) {
            int box = open.remove(open.size() - 1);
            if (box == line.from().box()) {
                return Optional.of(new Refusal(
                        "stop of line " + line.name(),
                        line.boxes().stream()
                                .map(b -> plan.box(b).orElseThrow().name())
                                .collect(Collectors.joining(", ")),
                        Fault.OUT_OF_RANGE,
                        "boxes that do not feed the one where it begins"));
            }
            if (behind.add(box)) {
                plan.lines().stream()
                        .filter(l -> l.number() != line.number() && l.from().box() == box)
                        .forEach(l -> open.addAll(l.boxes()));
            }
        }
        return Optional.empty();
    }

    private static Refusal noSuchLine(Plan plan, int number) {
        return new Refusal(
                "line",
                Integer.toString(number),
                Fault.NOT_FOUND,
                plan.lines().isEmpty()
                        ? "no line in the plan yet"
                        : plan.lines().size() + " lines in the plan");
    }
}
