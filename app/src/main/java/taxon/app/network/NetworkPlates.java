package taxon.app.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.app.network.NetworkDrawing.Cable;
import taxon.app.network.NetworkDrawing.Ends;
import taxon.app.network.NetworkDrawing.Plate;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/** The boxes of the drawing, and the cables between them. */
final class NetworkPlates {
    static final int HEIGHT = 46;
    static final int GAP = 14;
    private static final int PLATE = 140;

    private final Plan plan;
    private final NetworkMarks marks;
    private final WayLight light;
    private final List<Plate> plates = new ArrayList<>();
    private final List<Cable> cables = new ArrayList<>();
    private final Map<Integer, Plate> plateOf = new HashMap<>();

    NetworkPlates(Plan plan, NetworkMarks marks, WayLight light) {
        this.plan = plan;
        this.marks = marks;
        this.light = light;
    }

    List<Plate> plates() {
        return List.copyOf(plates);
    }

    List<Cable> cables() {
        return List.copyOf(cables);
    }

    /** One plate for several boxes. */
    void together(Plate plate, List<Box> boxes) {
        plates.add(plate);
        boxes.forEach(b -> plateOf.put(b.number(), plate));
    }

    /** The box that a box is cabled to; 0 where nobody has said. */
    static int over(Box box) {
        return box.facts().reaches().map(PortRef::box).orElse(0);
    }

    void place(Box box, int x, int top, int height) {
        NetworkMarks.Mark mark = marks.ofBox(box.number());
        Plate plate = new Plate(
                x,
                top,
                PLATE,
                height,
                box.number(),
                "",
                box.name(),
                box.card().map(Object::toString).orElse(box.kind().words()),
                box.place()
                        .position()
                        .flatMap(plan::position)
                        .map(p -> p.name())
                        .orElse(""),
                mark.severity(),
                mark.why(),
                light.on(box.number()));
        plates.add(plate);
        plateOf.put(box.number(), plate);
    }

    /** Boxes of one column, each as near as can be to the middle of those that are cabled to it. */
    void beside(int x, List<Box> boxes) {
        List<Box> ordered = boxes.stream()
                .sorted(Comparator.comparingDouble(this::middle).thenComparingInt(Box::number))
                .toList();
        int next = 8;
        for (Box box : ordered) {
            int top = Math.max(next, (int) middle(box) - HEIGHT / 2);
            place(box, x, top, HEIGHT);
            next = top + HEIGHT + GAP;
        }
    }

    private double middle(Box box) {
        return plateOf.entrySet().stream()
                .filter(e -> plan.box(e.getKey())
                                .filter(b -> over(b) == box.number())
                                .isPresent()
                        || over(box) == e.getKey())
                .mapToInt(e -> e.getValue().y() + e.getValue().height() / 2)
                .average()
                .orElse(HEIGHT / 2.0 + 8);
    }

    /** A cable between two that are drawn; none where they are one plate, or one is not drawn. */
    void joined(int one, int other) {
        Plate a = plateOf.get(one);
        Plate b = plateOf.get(other);
        if (a == null || b == null || a.equals(b)) {
            return;
        }
        Plate left = a.x() <= b.x() ? a : b;
        Plate right = left.equals(a) ? b : a;
        int fromX = left.x() == right.x() ? left.x() : left.x() + left.width();
        int fromY = left.y() + left.height() / 2;
        int toY = right.y() + right.height() / 2;
        cables.add(new Cable(new Ends(fromX, fromY, right.x(), toY), light.on(one) && light.on(other)));
    }
}
