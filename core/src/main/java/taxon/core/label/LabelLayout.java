package taxon.core.label;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.label.LabelStock.Size;
import taxon.core.label.TextMeasure.Face;

/**
 * How a label is drawn on its size: every text as large as it fits, nothing cut. What does not fit is left out whole and told.
 *
 * @param texts in the order in which they are read
 * @param codes the code as a square, once or, on a turned label, twice; none where it would be too small to be read
 * @param bars the tint
 * @param leftOut what does not fit
 */
public record LabelLayout(List<Text> texts, List<Square> codes, List<Bar> bars, List<Unfit> leftOut) {
    /** Printers shift by up to 2 mm: nothing lies nearer to the edge (common practice). */
    public static final double MARGIN = 3;

    /** The smallest module of a code that a phone reads at arm's length (common practice). */
    public static final double SMALLEST_MODULE = 0.4;

    /** Letters smaller than that, 5 points, are not read. */
    public static final double SMALLEST_LETTERS = 5 * 25.4 / 72;

    private static final double LARGEST_LINE = 4.6;
    private static final double LEADING = 1.22;
    private static final double SHARE_OF_LINES = 0.58;
    private static final double LARGEST_SHARE = 0.72;
    private static final double CAPITAL = 0.72;
    private static final double LARGEST_CODE = 18;
    private static final double BAR = 2;
    private static final double FIRST = 1.7;

    /** Modules of a code of version 1 (ISO/IEC 18004). */
    private static final int MODULES = 21;

    /** Modules that stay white around it. */
    private static final int QUIET = 4;

    public LabelLayout {
        texts = List.copyOf(texts);
        codes = List.copyOf(codes);
        bars = List.copyOf(bars);
        leftOut = List.copyOf(leftOut);
    }

    /**
     * A text.
     *
     * @param x where it begins
     * @param y of the line that it stands on
     * @param size from one line to the next
     * @param isTurned true when it stands upside down, beginning at x and running to the left
     */
    public record Text(double x, double y, double size, Face face, String words, boolean isTurned) {}

    /** A square; x and y are its upper left corner. */
    public record Square(double x, double y, double side) {}

    /** A rectangle; x and y are its upper left corner. */
    public record Bar(double x, double y, double width, double height) {}

    /**
     * Something that has no room.
     *
     * @param what it tells, "Position"
     * @param needed in millimetres, at the smallest size that is read
     * @param room in millimetres
     */
    public record Unfit(String what, double needed, double room) {
        /** "Position needs 61.2 mm and has 40". */
        public String words() {
            return what + " needs " + LabelStock.mm(needed) + " mm and has " + LabelStock.mm(Math.max(0, room));
        }
    }

    /**
     * Lays a label out.
     *
     * @param code in letters, as it stands beside the square
     */
    public static LabelLayout of(Label label, Size size, String code, TextMeasure measure) {
        if (!label.isTurned()) {
            return new Fitter(
                            label,
                            new Bar(MARGIN, MARGIN, size.width() - 2 * MARGIN, size.height() - 2 * MARGIN),
                            code,
                            measure)
                    .layout();
        }
        Bar half = new Bar(MARGIN, MARGIN, size.width() - 2 * MARGIN, size.height() / 2 - 1.5 * MARGIN);
        return new Fitter(label, half, code, measure).layout().andTurned(size);
    }

    private LabelLayout andTurned(Size size) {
        List<Text> all = new ArrayList<>(texts);
        texts.forEach(t ->
                all.add(new Text(size.width() - t.x(), size.height() - t.y(), t.size(), t.face(), t.words(), true)));
        List<Square> squares = new ArrayList<>(codes);
        codes.forEach(c ->
                squares.add(new Square(size.width() - c.x() - c.side(), size.height() - c.y() - c.side(), c.side())));
        List<Bar> strips = new ArrayList<>(bars);
        bars.forEach(b -> strips.add(
                new Bar(size.width() - b.x() - b.width(), size.height() - b.y() - b.height(), b.width(), b.height())));
        return new LabelLayout(all, squares, strips, leftOut);
    }

    /** Fits one label into the room inside its margins. */
    private static final class Fitter {
        private final Label label;
        private final Bar room;
        private final String code;
        private final TextMeasure measure;
        private final List<Text> texts = new ArrayList<>();
        private final List<Bar> bars = new ArrayList<>();
        private final List<Unfit> leftOut = new ArrayList<>();
        private final Optional<Square> square;
        private double left;
        private double width;

        private record Line(String what, String words, Face face) {
            /** What is read next after the head is larger than the rest. */
            double weight() {
                return face == Face.BOLD ? FIRST : 1;
            }
        }

        Fitter(Label label, Bar room, String code, TextMeasure measure) {
            this.label = label;
            this.room = room;
            this.code = code;
            this.measure = measure;
            left = room.x();
            width = room.width();
            if (label.tinted().isPresent() && room.height() > 0 && width > 10 * BAR) {
                bars.add(new Bar(left, room.y(), BAR, room.height()));
                left += BAR * 1.5;
                width -= BAR * 1.5;
            }
            square = square();
        }

        private Optional<Square> square() {
            double side = Math.min(LARGEST_CODE, Math.min(room.height(), width * 0.4));
            double module = side / MODULES;
            if (module < SMALLEST_MODULE) {
                leftOut.add(new Unfit("the code as a square", MODULES * SMALLEST_MODULE, side));
                return Optional.empty();
            }
            double x = left + width - side;
            width -= side + QUIET * module;
            return Optional.of(new Square(x, room.y(), side));
        }

        LabelLayout layout() {
            if (room.height() <= 0 || width <= 0) {
                leftOut.clear();
                leftOut.add(new Unfit("everything", 2 * MARGIN, Math.min(room.width(), room.height()) + 2 * MARGIN));
                return new LabelLayout(List.of(), List.of(), List.of(), leftOut);
            }
            List<Line> lines = lines();
            double weights = lines.stream().mapToDouble(Line::weight).sum();
            double pitch =
                    lines.isEmpty() ? 0 : Math.min(LARGEST_LINE * LEADING, room.height() * share(weights) / weights);
            double y = room.y() + room.height() - weights * pitch;
            for (Line line : lines) {
                double high = line.weight() * pitch;
                double size = Math.min(high / LEADING, width / measure.width(line.face(), line.words()));
                y += high;
                texts.add(new Text(left, y - high * (1 - CAPITAL) / 2, size, line.face(), line.words(), false));
            }
            head(room.height() - weights * pitch);
            return new LabelLayout(texts, square.stream().toList(), bars, leftOut);
        }

        /** How much of the height lines take: more than usual only where they would be too small to be read. */
        private double share(double weights) {
            double least = weights * SMALLEST_LETTERS * LEADING / room.height();
            return Math.max(SHARE_OF_LINES, Math.min(LARGEST_SHARE, least));
        }

        private void head(double height) {
            double wide = measure.width(Face.BOLD, label.head());
            double size = Math.min(height / CAPITAL * 0.9, width / wide);
            if (size < SMALLEST_LETTERS) {
                leftOut.add(0, new Unfit("“" + label.head() + "”", wide * SMALLEST_LETTERS, width));
                return;
            }
            texts.add(0, new Text(left, room.y() + size * CAPITAL, size, Face.BOLD, label.head(), false));
        }

        /** The lines that have room. Whole fields are given up, never a part of one: the last first, and the code never. */
        private List<Line> lines() {
            List<List<Line>> fields = new ArrayList<>();
            label.fields().stream()
                    .filter(f -> !f.text().isEmpty())
                    .map(f -> broken(
                            new Line(f.what(), f.text(), f.equals(label.fields().get(0)) ? Face.BOLD : Face.PLAIN)))
                    .filter(lines -> !lines.isEmpty())
                    .forEach(fields::add);
            List<Line> letters = broken(new Line("the code", code, Face.EVEN));
            double most = room.height() * LARGEST_SHARE / (SMALLEST_LETTERS * LEADING);
            double lines = weight(letters)
                    + fields.stream().mapToDouble(Fitter::weight).sum();
            while (lines > most && !fields.isEmpty()) {
                List<Line> given = fields.remove(fields.size() - 1);
                double needed = lines * SMALLEST_LETTERS * LEADING / LARGEST_SHARE;
                leftOut.add(new Unfit(given.get(0).what(), needed, room.height()));
                lines -= weight(given);
            }
            if (weight(letters) > most) {
                leftOut.add(new Unfit("the code", SMALLEST_LETTERS * LEADING / LARGEST_SHARE, room.height()));
            } else {
                fields.add(letters);
            }
            return fields.stream().flatMap(List::stream).toList();
        }

        private static double weight(List<Line> lines) {
            return lines.stream().mapToDouble(Line::weight).sum();
        }

        /** One line, or where it is too long two or three that break at its spaces; none where even that does not do. */
        private List<Line> broken(Line line) {
            double most = width / SMALLEST_LETTERS;
            List<Line> parts = new ArrayList<>();
            StringBuilder begun = new StringBuilder();
            for (String word : line.words().split(" ")) {
                String longer = begun.isEmpty() ? word : begun + " " + word;
                if (measure.width(line.face(), longer) <= most) {
                    begun.setLength(0);
                    begun.append(longer);
                } else if (begun.isEmpty() || measure.width(line.face(), word) > most || parts.size() == 2) {
                    leftOut.add(
                            new Unfit(line.what(), measure.width(line.face(), line.words()) * SMALLEST_LETTERS, width));
                    return List.of();
                } else {
                    parts.add(new Line(line.what(), begun.toString(), line.face()));
                    begun.setLength(0);
                    begun.append(word);
                }
            }
            parts.add(new Line(line.what(), begun.toString(), line.face()));
            return parts;
        }
    }
}
