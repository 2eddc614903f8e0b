package taxon.app.addresses.tapes;

import java.util.List;
import org.springframework.web.util.HtmlUtils;

/**
 * One universe drawn slot by slot: 32 lines of 16, each slot with who is there, what it drives, its byte and its level at
 * rest. Lines in which nothing is are low.
 */
public final class SlotsSvg {
    private static final int ACROSS = 16;
    private static final int WIDTH = 59;
    private static final int HIGH = 53;
    private static final int LOW = 14;
    private static final int LETTERS = 10;

    private final StringBuilder out = new StringBuilder(1 << 16);

    private SlotsSvg() {}

    public static String of(List<SlotLine> lines, int universe) {
        SlotsSvg svg = new SlotsSvg();
        int y = 1;
        for (int from = 0; from < lines.size(); from += ACROSS) {
            y += svg.across(lines.subList(from, from + ACROSS), y);
        }
        int width = ACROSS * WIDTH + 2;
        return "<svg id=\"slots\" role=\"img\" aria-label=\"Universe " + universe + ", slot by slot\" width=\"" + width
                + "\" height=\"" + (y + 1) + "\" viewBox=\"0 0 " + width + ' ' + (y + 1) + "\">" + svg.out + "</svg>";
    }

    private int across(List<SlotLine> lines, int y) {
        int height = lines.stream().allMatch(l -> l.attribute().isEmpty()) ? LOW : HIGH;
        for (int i = 0; i < lines.size(); i++) {
            slot(lines.get(i), 1 + i * WIDTH, y, height);
        }
        return height;
    }

    private void slot(SlotLine line, int x, int y, int height) {
        String tint = line.tint() >= 0 ? "tint" + line.tint() : line.attribute().isEmpty() ? "strip" : "res";
        out.append("<g transform=\"translate(").append(x).append(',').append(y).append(")\"><title>");
        out.append(HtmlUtils.htmlEscape(String.join(", ", line.cells()))).append("</title>");
        out.append("<rect class=\"cell ").append(tint).append(line.isClash() ? " torn" : "");
        out.append("\" width=\"").append(WIDTH);
        out.append("\" height=\"").append(height - 2).append("\"/>");
        text("xs s", 9, Integer.toString(line.slot()));
        if (line.key() > 0) {
            text("xs b", 20, line.begins() ? line.who().replace(" and ", "+") : "");
            List<String> words = inTwo(line.attribute());
            text("xs", 30, words.get(0));
            text("xs", 39, words.get(1));
            text("xs s", 48, (line.resolution() + " " + line.rest()).strip());
        }
        out.append(line.begins() ? "<path class=\"edge\" d=\"M0 0v51\"/>" : "").append("</g>");
    }

    private void text(String style, int y, String words) {
        if (!words.isEmpty()) {
            out.append("<text class=\"m ")
                    .append(style)
                    .append("\" x=\"2\" y=\"")
                    .append(y)
                    .append("\"");
            // What is too long is set closer, never cut: two things must not look alike.
            if (words.length() > LETTERS) {
                out.append(" textLength=\"").append(WIDTH - 4).append("\" lengthAdjust=\"spacingAndGlyphs\"");
            }
            out.append('>');
            out.append(HtmlUtils.htmlEscape(words)).append("</text>");
        }
    }

    /** Parted at the blank that leaves both lines as short as can be; the second is empty where one line does. */
    private static List<String> inTwo(String text) {
        if (text.length() <= LETTERS || text.indexOf(' ') < 0) {
            return List.of(text, "");
        }
        int best = text.indexOf(' ');
        for (int at = best; at >= 0; at = text.indexOf(' ', at + 1)) {
            if (Math.max(at, text.length() - at) < Math.max(best, text.length() - best)) {
                best = at;
            }
        }
        return List.of(text.substring(0, best), text.substring(best + 1));
    }
}
