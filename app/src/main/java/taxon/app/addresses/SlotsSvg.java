package taxon.app.addresses;

import java.util.List;
import org.springframework.web.util.HtmlUtils;

/** One universe drawn slot by slot: 16 lines of 32, each slot with what it drives, its byte and its level at rest. */
final class SlotsSvg {
    private static final int ACROSS = 32;
    private static final int WIDTH = 29;
    private static final int HEIGHT = 44;
    private static final int LETTERS = 5;

    private SlotsSvg() {}

    static String of(List<SlotLine> lines, int universe) {
        int width = ACROSS * WIDTH + 2;
        int height = lines.size() / ACROSS * HEIGHT + 2;
        StringBuilder out = new StringBuilder(1 << 16);
        out.append("<svg id=\"slots\" role=\"img\" aria-label=\"Universe ").append(universe);
        out.append(", slot by slot\" width=\"")
                .append(width)
                .append("\" height=\"")
                .append(height);
        out.append("\" viewBox=\"0 0 ").append(width).append(' ').append(height).append("\">");
        lines.forEach(l -> slot(out, l));
        return out.append("</svg>").toString();
    }

    private static void slot(StringBuilder out, SlotLine line) {
        int x = 1 + (line.slot() - 1) % ACROSS * WIDTH;
        int y = 1 + (line.slot() - 1) / ACROSS * HEIGHT;
        String tint = line.tint() >= 0 ? "tint" + line.tint() : line.attribute().isEmpty() ? "strip" : "res";
        out.append("<g transform=\"translate(").append(x).append(',').append(y).append(")\"><title>");
        out.append(HtmlUtils.htmlEscape(String.join(", ", line.cells()))).append("</title>");
        out.append("<rect class=\"cell ")
                .append(tint)
                .append(line.clash() ? " torn" : "")
                .append("\" width=\"");
        out.append(WIDTH).append("\" height=\"").append(HEIGHT - 2).append("\"/>");
        text(out, "xs s", 9, Integer.toString(line.slot()));
        if (line.key() > 0) {
            text(out, "xs b", 20, shortened(line.begins() ? line.who() : ""));
            text(out, "xs", 30, shortened(line.attribute()));
            text(
                    out,
                    "xs s",
                    39,
                    line.resolution().isEmpty()
                            ? line.rest()
                            : line.resolution().charAt(0) + line.rest());
        }
        out.append(line.begins() ? "<path class=\"edge\" d=\"M0 0v42\"/>" : "").append("</g>");
    }

    private static void text(StringBuilder out, String style, int y, String words) {
        if (!words.isEmpty()) {
            out.append("<text class=\"m ")
                    .append(style)
                    .append("\" x=\"2\" y=\"")
                    .append(y)
                    .append("\">");
            out.append(HtmlUtils.htmlEscape(words)).append("</text>");
        }
    }

    private static String shortened(String text) {
        return text.length() <= LETTERS ? text : text.substring(0, LETTERS);
    }
}
