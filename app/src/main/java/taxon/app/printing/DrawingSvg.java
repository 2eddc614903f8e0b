package taxon.app.printing;

import java.util.Locale;
import org.springframework.web.util.HtmlUtils;
import taxon.core.drawing.Drawing;
import taxon.core.drawing.Shape;
import taxon.core.drawing.Shape.Anchor;
import taxon.core.drawing.Shape.Bend;
import taxon.core.drawing.Shape.Box;
import taxon.core.drawing.Shape.Fill;
import taxon.core.drawing.Shape.Stroke;
import taxon.core.drawing.Shape.Words;

/** A drawing for a screen: the sheet as it will be printed, in millimetres. */
public final class DrawingSvg {
    /** That of the style sheet, in which no size may be given here. */
    private static final double FONT_SIZE = 10;

    private final StringBuilder out = new StringBuilder(40_000);

    private DrawingSvg() {}

    /**
     * One sheet.
     *
     * @param number of the drawing on its page, by which its clip is told from others
     * @param title what it shows, for those who do not see it
     */
    public static String of(Drawing drawing, int number, String title) {
        DrawingSvg svg = new DrawingSvg();
        svg.out
                .append("<svg class=\"onpaper\" role=\"img\" aria-label=\"")
                .append(HtmlUtils.htmlEscape(title, "UTF-8"));
        svg.add(
                "\" viewBox=\"0 0 %s %s\" width=\"%smm\">",
                drawing.size().width(), drawing.size().height(), drawing.size().width());
        svg.out.append("<clipPath id=\"field-").append(number).append("\"><rect");
        svg.add(
                " x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\"/></clipPath>",
                drawing.field().x(),
                drawing.field().y(),
                drawing.field().width(),
                drawing.field().height());
        drawing.around().forEach(svg::draw);
        svg.out.append("<g clip-path=\"url(#field-").append(number).append(")\">");
        drawing.inside().forEach(svg::draw);
        return svg.out.append("</g></svg>").toString();
    }

    private void draw(Shape shape) {
        if (shape instanceof Stroke s) {
            line(s.isDashed());
            add(" d=\"M%s %sL%s %s\" stroke-width=\"%s\"/>", s.x1(), s.y1(), s.x2(), s.y2(), s.width());
        } else if (shape instanceof Bend b) {
            line(false);
            add(
                    " d=\"M%s %sC%s %s %s %s %s %s\" stroke-width=\"%s\"/>",
                    b.x1(), b.y1(), b.middle(), b.y1(), b.middle(), b.y2(), b.x2(), b.y2(), b.width());
        } else if (shape instanceof Box b) {
            box(b);
        } else {
            words((Words) shape);
        }
    }

    private void line(boolean dashed) {
        out.append(dashed ? "<path class=\"ink dashed\" fill=\"none\"" : "<path class=\"ink\" fill=\"none\"");
    }

    private void box(Box box) {
        out.append("<rect class=\"ink")
                .append(box.isDashed() ? " dashed" : "")
                .append("\" fill=\"")
                .append(color(box.fill()));
        add(
                "\" x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\" stroke-width=\"%s\"/>",
                box.x(), box.y(), box.width(), box.height(), box.line());
    }

    private static String color(Fill fill) {
        return fill.equals(Fill.PAPER) ? "white" : fill.equals(Fill.BLACK) ? "black" : Tint.hex(fill.tint());
    }

    private void words(Words words) {
        out.append("<text class=\"")
                .append(words.face().name().toLowerCase(Locale.ROOT))
                .append(
                        words.anchor() == Anchor.START
                                ? "\""
                                : words.anchor() == Anchor.END
                                        ? "\" text-anchor=\"end\""
                                        : "\" text-anchor=\"middle\"");
        add(
                " transform=\"translate(%s %s) rotate(%s) scale(%s)\">",
                words.x(), words.y(), -words.angle(), words.size() / FONT_SIZE);
        out.append(HtmlUtils.htmlEscape(words.text(), "UTF-8")).append("</text>");
    }

    private void add(String format, double... values) {
        Object[] rounded = new Object[values.length];
        for (int i = 0; i < values.length; i++) {
            rounded[i] = String.format(Locale.ROOT, "%.3f", values[i]);
        }
        out.append(String.format(Locale.ROOT, format, rounded));
    }
}
