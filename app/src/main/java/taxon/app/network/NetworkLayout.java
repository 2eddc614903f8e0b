package taxon.app.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.network.NetworkDrawing.Loose;
import taxon.app.network.NetworkDrawing.Plate;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Finding;
import taxon.core.network.BoxKind;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.NumberRuns;

/**
 * Lays the network out. Boxes stand in the order of their switches, and switches and senders at the height of what hangs on
 * them, so that cables cross only where two of them must.
 */
final class NetworkLayout {
    static final int WIDTH = 1240;
    private static final int SWITCHES = 168;
    private static final int BOXES = 336;
    private static final int FOLDED = 378;
    private static final int PORTS = 490;

    private final Plan plan;
    private final NetworkMarks marks;
    private final WayLight light;
    private final String fold;
    private final Set<String> open;
    private final NetworkRows rows;
    private final NetworkPlates plates;
    private int y = 8;

    /**
     * @param fold "position" or "rack" to fold the boxes of each together; anything else for none
     * @param open which of these are open all the same
     */
    static NetworkDrawing of(JobState state, Selection selection, String fold, Set<String> open) {
        return new NetworkLayout(state.plan(), state.check().findings(), selection, fold, open).draw();
    }

    /** For paper: every box, with nothing chosen and without findings, which are no part of the plan. */
    static NetworkDrawing plain(Plan plan) {
        return new NetworkLayout(plan, List.of(), Selection.NONE, "", Set.of()).draw();
    }

    private NetworkLayout(Plan plan, List<Finding> findings, Selection selection, String fold, Set<String> open) {
        this.plan = plan;
        marks = new NetworkMarks(findings);
        light = new WayLight(plan, selection.in(plan));
        this.fold = fold.equals("position") || fold.equals("rack") ? fold : "";
        this.open = open;
        rows = new NetworkRows(plan, selection, marks, light);
        plates = new NetworkPlates(plan, marks, light);
    }

    private NetworkDrawing draw() {
        Set<Integer> senders = senders();
        Map<String, List<Box>> groups = new LinkedHashMap<>();
        plan.boxes().stream()
                .filter(b -> b.kind() != BoxKind.SWITCH && !rows.isNested(b.number()))
                .filter(b -> !senders.contains(b.number()) || carries(b))
                .sorted(Comparator.comparingInt(NetworkPlates::over).thenComparingInt(Box::number))
                .forEach(b ->
                        groups.computeIfAbsent(key(b), k -> new ArrayList<>()).add(b));
        groups.forEach(this::group);
        List<Loose> loose = loose();
        plates.beside(
                SWITCHES,
                plan.boxes().stream().filter(b -> b.kind() == BoxKind.SWITCH).toList());
        plates.beside(
                0,
                plan.boxes().stream()
                        .filter(b -> senders.contains(b.number()) && !carries(b))
                        .toList());
        plan.boxes().forEach(this::cable);
        unswitched(senders);
        List<Plate> drawn = plates.plates();
        int height = drawn.stream().mapToInt(p -> p.y() + p.height()).max().orElse(0);
        int left = drawn.stream().mapToInt(Plate::x).min().orElse(0);
        return new NetworkDrawing(
                left, WIDTH - left, Math.max(y, height) + 8, drawn, rows.rows(), plates.cables(), loose, fold);
    }

    private Set<Integer> senders() {
        Set<Integer> senders = new TreeSet<>();
        plan.describedUniverses().forEach(u -> u.sources().forEach(s -> senders.add(s.box())));
        plan.boxes().stream().filter(b -> b.kind() == BoxKind.CONSOLE).forEach(b -> senders.add(b.number()));
        return senders;
    }

    /** True when something leaves by its own ports. */
    private boolean carries(Box box) {
        return IntStream.rangeClosed(1, box.ports().size())
                .mapToObj(p -> new PortRef(box.number(), p))
                .anyMatch(rows::carries);
    }

    private String key(Box box) {
        return switch (fold) {
            case "position" ->
                box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(p -> p.name())
                        .orElse("no position");
            case "rack" ->
                box.place().rack().isEmpty() ? "no rack" : box.place().rack();
            default -> "";
        };
    }

    private void group(String key, List<Box> boxes) {
        if (fold.isEmpty() || open.contains(key)) {
            boxes.forEach(this::box);
        } else {
            folded(key, boxes);
        }
    }

    private void folded(String key, List<Box> boxes) {
        Set<UniverseNumber> carried = new TreeSet<>();
        boxes.forEach(b -> IntStream.rangeClosed(1, b.ports().size())
                .mapToObj(p -> new PortRef(b.number(), p))
                .forEach(p -> carried.addAll(rows.at(p))));
        NetworkMarks.Mark mark = boxes.stream()
                .map(b -> marks.ofBox(b.number()))
                .filter(m -> !m.severity().isEmpty())
                .findFirst()
                .orElse(NetworkMarks.Mark.NONE);
        Plate plate = new Plate(
                BOXES,
                y,
                FOLDED,
                NetworkPlates.HEIGHT,
                0,
                key,
                key,
                boxes.size() == 1 ? "1 box" : boxes.size() + " boxes",
                carried.isEmpty()
                        ? "no universe"
                        : (carried.size() == 1 ? "universe " : "universes ")
                                + String.join(
                                        ", ",
                                        NumberRuns.words(
                                                carried.stream()
                                                        .map(UniverseNumber::number)
                                                        .collect(Collectors.toCollection(TreeSet::new)),
                                                "–")),
                mark.severity(),
                mark.why(),
                boxes.stream().anyMatch(b -> light.on(b.number())));
        plates.together(plate, boxes);
        y += NetworkPlates.HEIGHT + NetworkPlates.GAP;
    }

    private void box(Box box) {
        int end = rows.ports(box, y);
        int height = Math.max(NetworkPlates.HEIGHT, end - y - 4);
        plates.place(box, BOXES, y, height);
        y += height + NetworkPlates.GAP;
    }

    private void cable(Box box) {
        if (!rows.isNested(box.number())) {
            box.facts().reaches().ifPresent(r -> plates.joined(box.number(), r.box()));
        }
    }

    /** Where no switch is drawn, who sends is joined to who gets it. */
    private void unswitched(Set<Integer> senders) {
        if (plan.boxes().stream().anyMatch(b -> b.kind() == BoxKind.SWITCH)) {
            return;
        }
        Set<List<Integer>> pairs = new HashSet<>();
        plan.describedUniverses()
                .forEach(u -> u.sources()
                        .forEach(s -> u.routes()
                                .forEach(
                                        r -> pairs.add(List.of(s.box(), r.port().box())))));
        pairs.stream()
                .filter(p -> senders.contains(p.get(0)) && !p.get(0).equals(p.get(1)))
                .sorted(Comparator.<List<Integer>>comparingInt(p -> p.get(0)).thenComparingInt(p -> p.get(1)))
                .forEach(p -> plates.joined(p.get(0), p.get(1)));
    }

    private List<Loose> loose() {
        List<Loose> loose = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            if (!universe.isRouted()) {
                loose.add(new Loose(
                        PORTS,
                        y + 14,
                        universe.number().number(),
                        "Universe " + universe.number() + " is routed nowhere"));
                y += 26;
            }
        }
        return loose;
    }
}
