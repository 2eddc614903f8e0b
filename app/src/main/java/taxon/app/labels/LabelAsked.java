package taxon.app.labels;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import taxon.core.label.LabelStock;
import taxon.core.label.LabelStock.Size;

/**
 * How labels are to be printed, as the fields of a form or the end of an address say it. What cannot be read is told in a sentence; what
 * is shown then is on the usual stock.
 *
 * @param choice the slug of a common stock, or "own"
 * @param start the first label of the first sheet that is free, from 1
 * @param shiftX by how much everything moves to the right, since the printer moves it to the left
 * @param copies of each label
 * @param pieces only the labels of these keys; all where it is empty
 * @param faults what could not be read
 */
record LabelAsked(
        String choice,
        Own own,
        LabelStock stock,
        int start,
        double shiftX,
        double shiftY,
        int copies,
        Set<String> pieces,
        List<String> faults) {
    static final int MOST_COPIES = 20;
    private static final String USUAL = "a4-21";
    private static final String OWN = "own";
    private static final double MOST_SHIFT = 5;
    private static final int MOST_PIECES = 20_000;

    /** A size of one's own, as typed. */
    record Own(String width, String height, String sheet, String gapX, String gapY) {}

    /** Where the fields are read from. */
    interface Parameters {
        @Nullable
        String value(String name);
    }

    static LabelAsked read(Parameters parameters) {
        return new Reader(parameters).asked();
    }

    /** A shift as it is typed. */
    public static String typed(double millimetres) {
        return millimetres == Math.rint(millimetres)
                ? Long.toString(Math.round(millimetres))
                : Double.toString(millimetres);
    }

    /** True for a size of one's own. */
    public boolean isOwn() {
        return choice.equals(OWN);
    }

    /** True when the label of that key is wanted. */
    boolean takes(String key) {
        return pieces.isEmpty() || pieces.contains(key);
    }

    private static final class Reader {
        private final Parameters parameters;
        private final List<String> faults = new ArrayList<>();

        Reader(Parameters parameters) {
            this.parameters = parameters;
        }

        private String text(String name) {
            return Objects.requireNonNullElse(parameters.value(name), "").strip();
        }

        private String text(String name, String otherwise) {
            String text = text(name);
            return text.isEmpty() ? otherwise : text;
        }

        LabelAsked asked() {
            String choice = text("stock", USUAL);
            Own own = new Own(
                    text("width", "60"),
                    text("height", "30"),
                    text("sheet", "roll"),
                    text("gapX", "0"),
                    text("gapY", "0"));
            LabelStock stock =
                    stock(choice, own).orElseGet(() -> LabelStock.called(USUAL).orElseThrow());
            int start = whole("start", "first free label", 1, stock.perSheet());
            return new LabelAsked(
                    choice,
                    own,
                    stock,
                    start,
                    millimetres("shiftX", "0", "shift to the right", -MOST_SHIFT, MOST_SHIFT),
                    millimetres("shiftY", "0", "shift downwards", -MOST_SHIFT, MOST_SHIFT),
                    whole("copies", "number of copies", 1, MOST_COPIES),
                    pieces(),
                    List.copyOf(faults));
        }

        private Optional<LabelStock> stock(String choice, Own own) {
            if (!choice.equals(OWN)) {
                Optional<LabelStock> common = LabelStock.called(choice);
                if (common.isEmpty()) {
                    faults.add("No stock is called “" + clipped(choice) + "”.");
                }
                return common;
            }
            double width = millimetres("width", own.width(), "width of a label", 1, LabelStock.LARGEST);
            double height = millimetres("height", own.height(), "height of a label", 1, LabelStock.LARGEST);
            double gapX = millimetres("gapX", own.gapX(), "gap between columns", 0, 100);
            double gapY = millimetres("gapY", own.gapY(), "gap between rows", 0, 100);
            if (!faults.isEmpty()) {
                return Optional.empty();
            }
            try {
                Size label = new Size(width, height);
                return switch (own.sheet()) {
                    case "roll" -> Optional.of(LabelStock.roll(OWN, label));
                    case "a4" -> Optional.of(LabelStock.filling(OWN, LabelStock.A4, label, gapX, gapY));
                    case "letter" -> Optional.of(LabelStock.filling(OWN, LabelStock.LETTER, label, gapX, gapY));
                    default ->
                        throw new IllegalArgumentException(
                                "“" + clipped(own.sheet()) + "” is no sheet; there are roll, a4 and letter.");
                };
            } catch (IllegalArgumentException e) {
                faults.add(String.valueOf(e.getMessage()));
                return Optional.empty();
            }
        }

        private double millimetres(String name, String otherwise, String what, double least, double most) {
            String text = text(name, otherwise).replace(',', '.');
            if (text.matches("-?\\d{1,4}(\\.\\d{1,3})?")) {
                double value = Double.parseDouble(text);
                if (value >= least && value <= most) {
                    return value;
                }
            }
            faults.add("“" + clipped(text) + "” is no " + what + ": it takes " + typed(least) + " to " + typed(most)
                    + " mm.");
            return Math.max(least, 0);
        }

        private int whole(String name, String what, int least, int most) {
            String text = text(name, Integer.toString(least));
            if (text.matches("\\d{1,6}")) {
                int value = Integer.parseInt(text);
                if (value >= least && value <= most) {
                    return value;
                }
            }
            faults.add("“" + clipped(text) + "” is no " + what + ": it takes " + least + " to " + most + ".");
            return least;
        }

        private Set<String> pieces() {
            Set<String> pieces = new TreeSet<>();
            Arrays.stream(text("pieces").split(","))
                    .map(String::strip)
                    .filter(p -> p.matches("[A-Za-z0-9.-]{1,120}"))
                    .limit(MOST_PIECES)
                    .forEach(pieces::add);
            return pieces;
        }

        private static String clipped(String text) {
            return text.length() > 40 ? text.substring(0, 40) + " …" : text;
        }
    }
}
