package taxon.app.network;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.app.network.NetworkDrawing.Air;
import taxon.app.network.NetworkDrawing.Loose;
import taxon.app.network.NetworkDrawing.Plate;
import taxon.app.network.NetworkDrawing.Row;
import taxon.app.network.NetworkDrawing.Run;
import taxon.app.network.NetworkDrawing.Stop;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.Drawing.Field;
import taxon.core.drawing.Shape;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Bend;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Fill;
import taxon.core.drawing.Shape.Stroke;
import taxon.core.drawing.Shape.Words;
import taxon.core.drawing.SheetSize;
import taxon.core.drawing.TitledSheet;
import taxon.core.label.TextMeasure;
import taxon.core.label.TextMeasure.Face;
import taxon.core.rig.Plan;

/**
 * The drawing of the network on paper, across the whole width: cut into sheets between boxes where it is longer, which are laid one under
 * the other. It has no scale: lengths of cable are on the paper of lines.
 */
final class NetworkSheets {
    /** How much of a sheet is filled at least before it is cut. */
    private static final double LEAST_FILLED = 0.4;

    private static final double TEXT = 12;
    private static final double THIN = 0.8;
    private static final double WIRE = 1.6;
    private static final double PADDING = 8;
    private static final double FOOT = 8;
    private static final double SMALL_MM = 2.4;

    private final SheetSize size;
    private final TextMeasure measure;
    private final NetworkDrawing drawing;
    private final Field field;
    private final double perPixel;
    private final List<Shape> shapes = new ArrayList<>();

    private NetworkSheets(Plan plan, SheetSize size, TextMeasure measure) {
        this.size = size;
        this.measure = measure;
        drawing = NetworkLayout.plain(plan);
        field = new Field(
                TitledSheet.SIDE,
                TitledSheet.TOP,
                size.width() - 2 * TitledSheet.SIDE,
                size.height() - TitledSheet.TOP - TitledSheet.BOTTOM - FOOT);
        perPixel = field.width() / (drawing.width() + 2);
    }

    /** The sheets; none where there is no box. */
    static List<Drawing> of(Plan plan, SheetSize size, TextMeasure measure) {
        return plan.boxes().isEmpty() ? List.of() : new NetworkSheets(plan, size, measure).sheets();
    }

    private List<Drawing> sheets() {
        drawing.cables().forEach(this::cable);
        drawing.plates().forEach(this::plate);
        drawing.rows().forEach(this::row);
        drawing.loose().forEach(this::loose);
        List<Double> cuts = cuts();
        return IntStream.range(0, cuts.size() - 1)
                .mapToObj(i -> sheet(cuts.get(i), cuts.get(i + 1), i + 1, cuts.size() - 1))
                .toList();
    }

    private Drawing sheet(double from, double to, int number, int count) {
        Field own = new Field(field.x(), field.y(), field.width(), to - from);
        List<Shape> seen = shapes.stream()
                .map(s -> s.moved(field.x(), field.y() - from))
                .filter(s -> s.meets(own))
                .toList();
        String words = count == 1 ? "No scale" : "No scale; sheet " + number + " of " + count + ", one under the other";
        Shape foot = new Words(
                size.width() - TitledSheet.SIDE,
                size.height() - TitledSheet.BOTTOM - FOOT / 2,
                SMALL_MM,
                Face.PLAIN,
                words,
                Anchor.END,
                0);
        return new Drawing(size, own, seen, List.of(foot));
    }

    /** Where sheets begin and end, in millimetres of the whole drawing: where nothing is cut through, or at least no row. */
    private List<Double> cuts() {
        double end = drawing.height() * perPixel;
        List<Double> tops = Stream.of(
                        drawing.rows().stream().map(Row::y),
                        drawing.plates().stream().map(Plate::y),
                        drawing.loose().stream().map(l -> l.y() - 16))
                .flatMap(s -> s)
                .map(y -> (y - 3) * perPixel)
                .sorted()
                .toList();
        List<Double> cuts = new ArrayList<>(List.of(0.0));
        double from = 0;
        while (end - from > field.height()) {
            double low = from + field.height() * LEAST_FILLED;
            double high = from + field.height();
            List<Double> there = tops.stream()
                    .filter(t -> t > low && t <= high)
                    .sorted((a, b) -> Double.compare(b, a))
                    .toList();
            from = there.stream()
                    .filter(this::cutsNoPlate)
                    .findFirst()
                    .or(() -> there.stream().filter(this::cutsNoRow).findFirst())
                    .orElse(high);
            cuts.add(from);
        }
        cuts.add(end);
        return cuts;
    }

    private boolean cutsNoPlate(double at) {
        double y = at / perPixel;
        return cutsNoRow(at) && drawing.plates().stream().noneMatch(p -> p.y() < y && y < p.y() + p.height());
    }

    private boolean cutsNoRow(double at) {
        double y = at / perPixel;
        return drawing.rows().stream().noneMatch(r -> r.y() < y && y < r.y() + 30);
    }

    private double mm(double pixels) {
        return pixels * perPixel;
    }

    private double x(double pixels) {
        return (pixels - drawing.left() + 1) * perPixel;
    }

    private void box(double x, double y, double width, double height, boolean dashed) {
        shapes.add(new Box(x(x), mm(y), mm(width), mm(height), Fill.PAPER, mm(THIN), dashed));
    }

    /** Words as large as they fit; never cut. */
    private void words(double x, double y, double room, Face face, String text, Anchor anchor) {
        if (!text.isEmpty()) {
            double size = Math.min(TEXT, room / measure.width(face, text));
            shapes.add(new Words(x(x), mm(y), mm(size), face, text, anchor, 0));
        }
    }

    private void cable(NetworkDrawing.Cable cable) {
        NetworkDrawing.Ends ends = cable.ends();
        shapes.add(new Bend(x(ends.x1()), mm(ends.y1()), x(ends.x2()), mm(ends.y2()), mm(WIRE)));
    }

    private void plate(Plate plate) {
        double room = plate.width() - 2 * PADDING;
        double x = plate.x() + PADDING;
        box(plate.x(), plate.y(), plate.width(), plate.height(), false);
        words(x, plate.y() + 17, room, Face.BOLD, plate.name(), Anchor.START);
        boolean high = plate.height() > 50;
        words(x, plate.y() + (high ? 33 : 30), room, Face.EVEN, plate.words(), Anchor.START);
        words(x, plate.y() + (high ? 49 : 43), room, Face.PLAIN, plate.more(), Anchor.START);
    }

    private void row(Row row) {
        box(row.x(), row.y(), row.width(), 30, row.universe().isEmpty());
        words(row.x() + 6, row.y() + 19, 14, Face.PLAIN, Integer.toString(row.port()), Anchor.START);
        if (row.universe().isEmpty()) {
            words(row.x() + row.width() - 6, row.y() + 19, 60, Face.PLAIN, row.slots(), Anchor.END);
        } else {
            box(row.x() + 20, row.y() + 3, 40, 24, false);
            words(row.x() + 40, row.y() + 20, 36, Face.BOLD, row.universe(), Anchor.MIDDLE);
        }
        words(row.x() + 66, row.y() + 19, row.width() - 72, Face.EVEN, row.carried(), Anchor.START);
        row.line().ifPresent(l -> line(row, l));
        row.air().ifPresent(a -> air(row, a));
    }

    private void line(Row row, Run run) {
        wire(row, run.y(), run.to(), false);
        named(run.x(), run.y(), run.name());
        run.stops().forEach(this::stop);
    }

    private void air(Row row, Air air) {
        wire(row, air.y(), air.to(), true);
        named(air.x(), air.y(), "radio");
        air.stops().forEach(this::stop);
    }

    private void wire(Row row, int y, int to, boolean dashed) {
        double from = row.x() + row.width();
        shapes.add(new Stroke(x(from), mm(y + 15), x(to - 3), mm(y + 15), mm(WIRE), dashed));
    }

    private void named(int x, int y, String name) {
        box(x, y + 3, 46, 24, false);
        words(x + 23, y + 20, 42, Face.BOLD, name, Anchor.MIDDLE);
    }

    private void stop(Stop stop) {
        box(stop.x(), stop.y(), stop.width(), 24, false);
        words(stop.x() + stop.width() / 2.0, stop.y() + 16, stop.width() - 3, Face.PLAIN, stop.name(), Anchor.MIDDLE);
    }

    private void loose(Loose loose) {
        box(loose.x(), loose.y() - 14, 240, 22, true);
        words(loose.x() + 8, loose.y() + 2, 224, Face.PLAIN, loose.words(), Anchor.START);
    }
}
