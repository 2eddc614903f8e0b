package taxon.app.paperwork;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import taxon.app.printing.DrawingSvg;
import taxon.app.printing.PrintFonts;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.Shape;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Words;
import taxon.core.drawing.TitledSheet;
import taxon.core.label.LabelLayout;
import taxon.core.label.TextMeasure.Face;

/**
 * The sheets that a paper begins with where it is a drawing.
 *
 * @param notes what is not drawn, or otherwise than asked for, a sentence each
 * @param drawn by whom, in words
 */
public record DrawnPaper(List<Drawing> sheets, List<String> notes, String drawn) {
    /** What is a list. */
    public static final DrawnPaper NONE = new DrawnPaper(List.of(), List.of(), "");

    private static final double TITLE = 13 * 25.4 / 72;
    private static final double SMALL = 9 * 25.4 / 72;

    /** The sheets with the title of their paper, as on the pages of its list, and with who drew them and what is not on them. */
    List<Drawing> titled(Sheet sheet) {
        return sheets.stream().map(d -> d.with(title(sheet, d)).with(foot(d))).toList();
    }

    private static List<Shape> title(Sheet sheet, Drawing drawing) {
        double room = drawing.size().width() - 2 * TitledSheet.SIDE - 42;
        return List.of(
                fitted(TitledSheet.SIDE, 10, TITLE, Face.BOLD, sheet.title(), room),
                fitted(TitledSheet.SIDE, 15.5, SMALL, Face.PLAIN, sheet.origin(), room));
    }

    private List<Shape> foot(Drawing drawing) {
        String words = (drawn + " " + String.join(" ", notes)).strip();
        double room = drawing.size().width() - 2 * TitledSheet.SIDE - 30;
        if (PrintFonts.shared().width(Face.PLAIN, words) * LabelLayout.SMALLEST_LETTERS > room) {
            words = drawn + " What is not on it is said on the page after the drawing.";
        }
        return words.isEmpty()
                ? List.of()
                : List.of(fitted(TitledSheet.SIDE, drawing.size().height() - 6, SMALL, Face.PLAIN, words, room));
    }

    /** As large as it is usual, or as it fits: nothing is cut. */
    private static Words fitted(double x, double y, double size, Face face, String words, double room) {
        double wide = PrintFonts.shared().width(face, words);
        return new Words(x, y, Math.min(size, room / wide), face, words, Anchor.START, 0);
    }

    /** For a screen, each sheet at its true size. */
    public List<String> svg(Sheet sheet) {
        List<Drawing> titled = titled(sheet);
        return IntStream.range(0, titled.size())
                .mapToObj(i -> DrawingSvg.of(
                        titled.get(i), i + 1, sheet.title() + ", sheet " + (i + 1) + " of " + titled.size()))
                .toList();
    }

    /** Everything that is written on it, for the letters that its fonts lack. */
    Stream<String> texts() {
        return sheets.stream()
                .flatMap(d -> Stream.concat(d.inside().stream(), d.around().stream()))
                .flatMap(s -> s instanceof Words w ? Stream.of(w.text()) : Stream.empty());
    }
}
