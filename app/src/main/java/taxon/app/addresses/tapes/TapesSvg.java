package taxon.app.addresses.tapes;

import java.util.Locale;
import org.springframework.web.util.HtmlUtils;
import taxon.app.addresses.tapes.Tape.Box;
import taxon.app.addresses.tapes.Tape.Caption;

/** Writes tapes as SVG. They may hold thousands of units, which is why no template does it. */
public final class TapesSvg {
    private static final int TITLED = 1_500;
    private static final int HEIGHT = 28;
    private static final int TOP = 6;
    private static final int[] SCALE = {1, 65, 129, 193, 257, 321, 385, 449};

    private final StringBuilder out = new StringBuilder(1 << 16);
    private final int job;
    private final boolean titled;

    private TapesSvg(int job, boolean titled) {
        this.job = job;
        this.titled = titled;
    }

    /** Tapes on which units are chosen and dragged. */
    public static String of(TapesDrawing drawing, int job) {
        return written(drawing, job, "data-tapes tabindex=\"0\"");
    }

    /** Tapes to look at. */
    public static String fixed(TapesDrawing drawing, int job) {
        return written(drawing, job, "data-fixed");
    }

    private static String written(TapesDrawing drawing, int job, String hands) {
        int boxes = drawing.tapes().stream().mapToInt(t -> t.boxes().size()).sum();
        TapesSvg svg = new TapesSvg(job, boxes <= TITLED);
        svg.add(
                "<svg id=\"tapes\" %s data-whole=\"%s\" data-left=\"%d\" data-slot=\"%s\" width=\"%d\" height=\"%d\""
                        + " viewBox=\"0 0 %d %d\" role=\"group\" aria-label=\"Tapes: each universe with its 512 slots\">",
                hands,
                drawing.isWhole(),
                Tape.LEFT,
                Tape.SLOT,
                drawing.width(),
                drawing.height(),
                drawing.width(),
                drawing.height());
        svg.tray(drawing.tray());
        int scale = drawing.tray().height() + 14;
        for (int slot : SCALE) {
            svg.add("<text class=\"m sm s\" y=\"%d\" x=\"%.1f\">%d</text>", scale, Tape.x(slot), slot);
        }
        svg.add("<text class=\"m sm s\" y=\"%d\" text-anchor=\"end\" x=\"%.1f\">512</text>", scale, Tape.x(513));
        drawing.tapes().forEach(svg::tape);
        return svg.out.append("</svg>").toString();
    }

    private void add(String format, Object... values) {
        out.append(String.format(Locale.ROOT, format, values));
    }

    private static String safe(String text) {
        return HtmlUtils.htmlEscape(text);
    }

    private static String round(double pixels) {
        return Double.toString(Math.round(pixels * 10) / 10.0);
    }

    private void tray(Tray tray) {
        if (tray.open() == 0) {
            return;
        }
        int more = tray.open() - tray.blocks().size();
        add("<g id=\"tray\" data-open=\"%d\">", tray.open());
        add(
                "<text class=\"s\" y=\"14\" x=\"%d\">No address yet: %d. Drag one to a tape, or press a free slot to put the chosen or the next there.%s</text>",
                Tape.LEFT, tray.open(), more > 0 ? " " + more + " more wait." : "");
        tray.blocks().forEach(this::waiting);
        out.append("</g>");
    }

    private void waiting(Tray.Block block) {
        add(
                "<g role=\"button\" class=\"unit waiting%s\" data-k=\"%d\" data-b=\"%d\" data-x=\"%s\" data-n=\"%d\" data-label=\"%s\"><title>%s</title>",
                block.chosen() ? " chosen" : "",
                block.key(),
                block.block(),
                round(block.x()),
                block.length(),
                safe(block.label()),
                safe(block.title()));
        add(
                "<rect class=\"box tint%d\" x=\"%s\" y=\"%d\" width=\"%s\" height=\"%d\"/>",
                block.tint(), round(block.x()), block.y(), round(block.width()), HEIGHT);
        add(
                "<text class=\"m b\" x=\"%s\" y=\"%d\">%s</text></g>",
                round(block.x() + 5), block.y() + 18, safe(block.label()));
    }

    private void tape(Tape tape) {
        add(
                "<g id=\"u%d\" data-u=\"%d\" data-y=\"%d\" transform=\"translate(0,%d)\">",
                tape.universe(), tape.universe(), tape.y(), tape.y());
        int x = tape.universe() > 99 ? 52 : tape.universe() > 9 ? 36 : 24;
        String name = abbreviated(tape.name(), tape.universe() > 9 ? 12 : 15);
        add(
                "<a href=\"/jobs/%d/universes/%d\" data-universe><text class=\"serif\" x=\"0\" y=\"27\">%d</text></a>",
                job, tape.universe(), tape.universe());
        add("<text class=\"s\" y=\"15\" x=\"%d\">%s</text>", x, safe(name));
        add("<text class=\"m sm\" y=\"30\" x=\"%d\">%s</text>", x, safe(tape.used()));
        add("<rect class=\"strip\" x=\"%d\" y=\"6\" width=\"829.44\" height=\"28\"/>", Tape.LEFT);
        ticks();
        tape.reserved().forEach(r -> {
            add("<rect class=\"res\" y=\"6\" height=\"28\" x=\"%s\" width=\"%s\"/>", round(r.x()), round(r.width()));
            add("<text class=\"s halo\" y=\"24\" x=\"%s\">%s</text>", round(r.x() + 6), safe(r.label()));
        });
        tape.free().stream()
                .filter(f -> !f.label().isEmpty())
                .forEach(f -> add(
                        "<text class=\"s\" text-anchor=\"middle\" y=\"24\" x=\"%s\">%s</text>",
                        round(f.middle()), safe(f.label())));
        tape.boxes().forEach(this::box);
        tape.lit()
                .forEach(l -> add(
                        "<rect class=\"lit\" y=\"35\" height=\"4\" x=\"%s\" width=\"%s\"/>",
                        round(l.x()), round(l.width())));
        tape.clashes().forEach(c -> {
            add("<rect class=\"clash\" y=\"6\" height=\"28\" x=\"%s\" width=\"%s\"/>", round(c.x()), round(c.width()));
            add("<path class=\"bracket\" d=\"M%s 4v-4h%sv4\"/>", round(c.x()), round(c.width()));
        });
        tape.parked()
                .forEach(p -> add(
                        "<path class=\"parked\" d=\"M%s 3h7.6l-3.8 6z\"><title>%s</title></path>",
                        round(p.x() - 3), safe(p.title())));
        tape.captions().forEach(this::caption);
        out.append("</g>");
    }

    private void ticks() {
        StringBuilder path = new StringBuilder();
        for (int k = 0; k <= 15; k++) {
            path.append('M')
                    .append(round(Tape.LEFT + k * 32 * Tape.SLOT))
                    .append(" 34v")
                    .append(k % 4 == 0 ? 5 : 3);
        }
        add("<path class=\"tick\" d=\"%s\"/>", path);
    }

    private void box(Box box) {
        out.append("<g role=\"button\" class=\"unit").append(box.chosen() ? " chosen" : "");
        out.append("\" data-k=\"").append(box.key()).append("\" data-b=\"").append(box.block());
        out.append("\" data-s=\"")
                .append(box.first())
                .append("\" data-n=\"")
                .append(box.length())
                .append("\">");
        if (titled) {
            out.append("<title>").append(safe(box.title())).append("</title>");
        }
        String x = round(box.x());
        out.append("<rect y=\"").append(TOP).append("\" height=\"").append(HEIGHT);
        out.append("\" class=\"box tint").append(box.tint()).append("\" x=\"").append(x);
        out.append("\" width=\"").append(round(box.width())).append("\"/>");
        out.append("<path class=\"edge\" d=\"M").append(x).append(" 2v32\"/>");
        if (box.locked()) {
            out.append("<path class=\"locked\" d=\"M").append(x).append(" 32h").append(round(box.width()));
            out.append("\"/>");
        }
        if (!box.label().isEmpty()) {
            out.append("<text class=\"m b\" y=\"24\" x=\"")
                    .append(round(box.x() + 5))
                    .append("\">");
            out.append(safe(box.label())).append("</text>");
        }
        if (box.chosen()) {
            out.append("<circle class=\"grip\" r=\"11\" cy=\"44\" cx=\"")
                    .append(round(box.x() + box.width() / 2))
                    .append("\"/>");
        }
        if (box.showsMark()) {
            out.append("<svg y=\"13\" width=\"14\" height=\"14\" x=\"").append(round(box.markX() - 7));
            out.append("\"><use href=\"#").append(box.standing().disc()).append("\"/></svg>");
        }
        out.append("</g>");
    }

    private void caption(Caption caption) {
        if (caption.isClash()) {
            add(
                    "<svg y=\"-9\" width=\"16\" height=\"16\" x=\"%s\"><use href=\"#mark-stop\"/></svg>",
                    round(caption.x() - 2));
        }
        add(
                "<text y=\"0\" class=\"m sm %s\" x=\"%s\">%s</text>",
                caption.isClash() ? "bad" : "s",
                round(caption.isClash() ? caption.x() + 17 : caption.x()),
                safe(caption.words()));
    }

    public static String abbreviated(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }
}
