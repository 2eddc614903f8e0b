package taxon.app.labels;

import java.util.List;
import java.util.Locale;
import org.springframework.web.util.HtmlUtils;
import taxon.app.printing.CodeSquare;
import taxon.app.printing.Tint;
import taxon.core.label.LabelLayout.Bar;
import taxon.core.label.LabelLayout.Square;
import taxon.core.label.LabelLayout.Text;
import taxon.core.label.LabelStock;
import taxon.core.label.LabelStock.Place;

/** The first sheet of labels as a drawing to scale, in millimetres. */
final class LabelSvg {
    /** That of the style sheet, in which no size may be given here. */
    private static final double FONT_SIZE = 10;

    private final StringBuilder out = new StringBuilder(40_000);

    private LabelSvg() {}

    /** One sheet; the labels that were used before are struck out. */
    static String of(LabelAsked asked, List<FittedLabel> labels, LabelFiles.TintOf tints) {
        LabelSvg svg = new LabelSvg();
        LabelStock stock = asked.stock();
        svg.open(stock.sheet().width(), stock.sheet().height());
        for (int i = 0; i < stock.perSheet(); i++) {
            svg.outline(stock, stock.place(i), i < asked.start() - 1);
        }
        int index = asked.start() - 1;
        for (FittedLabel label : labels) {
            for (int copy = 0; copy < asked.copies() && index < stock.perSheet(); copy++) {
                svg.label(label, stock.place(index++), asked, tints.of(label));
            }
        }
        return svg.out.append("</svg>").toString();
    }

    private void open(double width, double height) {
        add(
                "<svg class=\"labels\" role=\"img\" aria-label=\"The first sheet\" viewBox=\"0 0 %s %s\" width=\"%smm\">",
                width, height, width);
    }

    private void outline(LabelStock stock, Place place, boolean used) {
        add(
                "<rect class=\"stock\" x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\"/>",
                place.x(), place.y(), stock.label().width(), stock.label().height());
        if (used) {
            add(
                    "<line class=\"used\" x1=\"%s\" y1=\"%s\" x2=\"%s\" y2=\"%s\"/>",
                    place.x(),
                    place.y() + stock.label().height(),
                    place.x() + stock.label().width(),
                    place.y());
        }
    }

    private void label(FittedLabel label, Place place, LabelAsked asked, int tint) {
        add("<g transform=\"translate(%s %s)\">", place.x() + asked.shiftX(), place.y() + asked.shiftY());
        for (Bar bar : label.layout().bars()) {
            out.append("<rect fill=\"").append(Tint.hex(tint));
            add("\" x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\"/>", bar.x(), bar.y(), bar.width(), bar.height());
        }
        label.layout().codes().forEach(s -> square(label, s));
        label.layout().texts().forEach(this::text);
        out.append("</g>");
    }

    private void square(FittedLabel label, Square square) {
        out.append("<path class=\"black\" d=\"");
        new CodeSquare(label.code())
                .draw(
                        (float) square.side(),
                        (x, y, width, height) ->
                                add("M%s %sh%sv%sh-%sz", square.x() + x, square.y() + y, width, height, width));
        out.append("\"/>");
    }

    private void text(Text text) {
        out.append("<text class=\"").append(text.face().name().toLowerCase(Locale.ROOT));
        add("\" transform=\"translate(%s %s)", text.x(), text.y());
        out.append(text.isTurned() ? " rotate(180)" : "");
        add(" scale(%s)\">", text.size() / FONT_SIZE);
        out.append(HtmlUtils.htmlEscape(FittedLabel.printable(text.face(), text.words()), "UTF-8"))
                .append("</text>");
    }

    private void add(String format, double... values) {
        Object[] rounded = new Object[values.length];
        for (int i = 0; i < values.length; i++) {
            rounded[i] = String.format(Locale.ROOT, "%.3f", values[i]);
        }
        out.append(String.format(Locale.ROOT, format, rounded));
    }
}
