package taxon.app.rig.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.springframework.web.util.HtmlUtils;
import taxon.app.rig.drawing.RigPlan.Line;
import taxon.app.rig.drawing.RigPlan.Segment;
import taxon.app.rig.drawing.RigPlan.Unit;

/** Writes the drawings of the rig as SVG. They may hold thousands of units, which is why no template does it. */
public final class RigSvg {
    private static final double NAME_HEIGHT = 18;
    private static final double LETTER = 7.5;
    private static final double WORDS_OF_UNIT = 36;

    private final StringBuilder out = new StringBuilder(1 << 16);
    private final int job;
    private final List<Written> names = new ArrayList<>();
    private final List<Unit> standing = new ArrayList<>();

    /** A name that stands on the drawing. */
    private record Written(double x, double y, String name) {}

    private RigSvg(int job) {
        this.job = job;
    }

    /**
     * The rig from above.
     */
    public static String above(RigPlan plan, int job, String frontWords) {
        RigSvg svg = new RigSvg(job);
        svg.add(
                "<svg id=\"above\" data-units hx-boost=\"false\" tabindex=\"0\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\"",
                plan.width(), plan.height(), plan.width(), plan.height());
        svg.add(" data-metre=\"%.3f\" role=\"group\" aria-label=\"The rig from above\">", plan.perMetre());
        svg.centre(plan, frontWords);
        plan.lines().forEach(svg::line);
        plan.lines().forEach(l -> svg.standing.addAll(l.units()));
        plan.lines().forEach(svg::runs);
        plan.lines()
                .forEach(l -> l.units().stream()
                        .filter(u -> u.mark().chosen() && !u.readable())
                        .forEach(svg::callOut));
        return svg.out.append("</svg>").toString();
    }

    /** Units that are too small for words are named as runs, where there is room: "101–116". */
    private void runs(Line line) {
        List<Unit> small = line.units().stream()
                .filter(u -> !u.readable() && u.mark().id().matches("\\d{1,5}"))
                .sorted(Comparator.comparingDouble(Unit::x).thenComparingDouble(Unit::y))
                .toList();
        for (int from = 0; from < small.size(); ) {
            int to = from + 1;
            while (to < small.size() && id(small.get(to)) == id(small.get(to - 1)) + 1) {
                to++;
            }
            run(small.get(from), small.get(to - 1));
            from = to;
        }
    }

    private static int id(Unit unit) {
        return Integer.parseInt(unit.mark().id());
    }

    private void run(Unit first, Unit last) {
        String words = first.equals(last)
                ? first.mark().id()
                : first.mark().id() + "–" + last.mark().id();
        double half = first.size() / 2;
        double x = (first.x() + last.x()) / 2 - words.length() * LETTER / 2;
        double middle = (first.y() + last.y()) / 2;
        Stream.of(
                        new Written(x, Math.min(first.y(), last.y()) - half - 5, words),
                        new Written(x, Math.max(first.y(), last.y()) + half + 14, words),
                        new Written(x + words.length() * LETTER / 2 + half + 8, middle + 14, words))
                .filter(w -> !isTaken(w.x(), w.y(), words) && !isCovered(w))
                .findFirst()
                .ifPresent(w -> {
                    names.add(w);
                    add("<text class=\"m sm s halo run\" x=\"%.1f\" y=\"%.1f\">%s</text>", w.x(), w.y(), words);
                });
    }

    /** True where a unit stands, with the words above and below it. */
    private boolean isCovered(Written words) {
        double right = words.x() + words.name().length() * LETTER;
        return standing.stream().anyMatch(u -> {
            double up = u.readable() ? WORDS_OF_UNIT : u.size() / 2;
            return words.x() < u.x() + u.size() / 2
                    && right > u.x() - u.size() / 2
                    && words.y() > u.y() - up
                    && words.y() - NAME_HEIGHT / 2 < u.y() + up;
        });
    }

    /** The chosen one is always named, and stands above all others. */
    private void callOut(Unit unit) {
        add(
                "<text class=\"m b halo callout\" text-anchor=\"middle\" x=\"%.1f\" y=\"%.1f\">%s</text>",
                unit.x(), unit.y() - unit.size() / 2 - 6, safe(unit.mark().id()));
    }

    /** Positions of which it is not known where they lie, each as a bar. */
    public static String bars(RigDrawing drawing, int job) {
        RigSvg svg = new RigSvg(job);
        svg.add(
                "<svg id=\"bars\" data-units hx-boost=\"false\" tabindex=\"0\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\"",
                drawing.width(), drawing.height(), drawing.width(), drawing.height());
        svg.out.append(" role=\"group\" aria-label=\"The rig, position by position\">");
        drawing.bars().forEach(bar -> svg.bar(drawing, bar));
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

    private void centre(RigPlan plan, String words) {
        Segment c = plan.centre();
        add("<line class=\"centre\" x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\"/>", c.x1(), c.y1(), c.x2(), c.y2());
        add(
                "<text class=\"place halo\" text-anchor=\"%s\" x=\"%.1f\" y=\"%.1f\">%s</text>",
                plan.front().anchor(), plan.front().x(), plan.front().y(), safe(words));
        add(
                "<g transform=\"translate(8,%d)\"><path class=\"line\" fill=\"none\" d=\"M0 -4v8M0 0h%dM%d -4v8\"/>",
                plan.height() - 24, plan.scale(), plan.scale());
        add("<text class=\"s\" y=\"18\">%s</text></g>", safe(plan.scaleWords()));
    }

    private void line(Line line) {
        add(
                "<g data-position=\"%d\" data-size=\"%.1f\" data-room=\"%.1f\"><line class=\"line\" x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\"/>",
                line.position(), size(line), room(line), line.x1(), line.y1(), line.x2(), line.y2());
        nameOf(line);
        line.units().forEach(u -> unit(u, u.size() == size(line)));
        out.append("</g>");
    }

    /** Beside a row of units that are too small to be read, where there is room; else above it, or below an upright one. */
    private void nameOf(Line line) {
        boolean upright = Math.abs(line.y1() - line.y2()) > 40;
        double left = Math.min(line.x1(), line.x2());
        boolean tiny = line.units().stream().anyMatch(u -> !u.readable());
        double beside = left - line.name().length() * LETTER - 14;
        if (tiny && !upright && beside > 0) {
            name(line.position(), line.name(), beside, line.y1() + 5);
        } else {
            double y = upright ? Math.max(line.y1(), line.y2()) + 24 : Math.min(line.y1(), line.y2()) - 30;
            name(line.position(), line.name(), left, y);
        }
    }

    /** A position's name chooses all that hangs on it. It stands a little higher where another name is already. */
    private void name(int position, String name, double x, double y) {
        double free = y;
        while (isTaken(x, free, name)) {
            free -= NAME_HEIGHT;
        }
        names.add(new Written(x, free, name));
        add(
                "<a href=\"/jobs/%d/choose?position=%d\" data-all=\"%d\"><title>Choose all on %s</title>",
                job, position, position, safe(name));
        add("<text class=\"place halo\" x=\"%.1f\" y=\"%.1f\">%s</text></a>", x, free, safe(name));
    }

    private boolean isTaken(double x, double y, String name) {
        return names.stream()
                .anyMatch(w -> Math.abs(w.y() - y) < NAME_HEIGHT
                        && x < w.x() + w.name().length() * LETTER
                        && w.x() < x + name.length() * LETTER);
    }

    private static double size(Line line) {
        return line.units().stream().mapToDouble(Unit::size).max().orElse(0);
    }

    private static double room(Line line) {
        return line.units().stream().mapToDouble(Unit::room).max().orElse(0);
    }

    /** One that is too small to be read is a box and nothing else: half the elements of a page that has thousands. */
    private void unit(Unit u, boolean likeItsLine) {
        String words = u.mark().title() + ", " + u.mark().address() + (u.guessed() ? ", offset not known" : "");
        String offset = u.guessed() ? "" : " data-offset=\"" + u.offset() + "\"";
        if (u.readable()) {
            out.append("<g");
            who(u.mark(), words, offset);
            out.append(u.mark().chosen() ? " class=\"chosen\"" : "");
            out.append(" transform=\"translate(")
                    .append(round(u.x()))
                    .append(',')
                    .append(round(u.y()))
                    .append(")\">");
            box(u, -u.size() / 2, -u.size() / 2, "");
            out.append("/>");
            labels(u);
            if (u.mark().chosen() && !u.guessed()) {
                add("<circle class=\"grip\" r=\"11\" cx=\"%.1f\" cy=\"0\"/>", u.size() / 2 + 9);
            }
            out.append("</g>");
        } else {
            box(u, u.x() - u.size() / 2, u.y() - u.size() / 2, u.mark().chosen() ? " chosen" : "");
            out.append(likeItsLine ? "" : " data-own=\"" + round(u.size()) + '"');
            who(u.mark(), words, offset);
            out.append("/>");
        }
    }

    /** A box that is still open for further attributes. */
    private void box(Unit u, double x, double y, String more) {
        out.append("<rect rx=\"").append(round(Math.min(3, u.size() / 5)));
        out.append("\" class=\"box tint")
                .append(u.mark().tint())
                .append(u.guessed() ? " guessed" : "")
                .append(more);
        out.append("\" x=\"").append(round(x)).append("\" y=\"").append(round(y));
        out.append("\" width=\"")
                .append(round(u.size()))
                .append("\" height=\"")
                .append(round(u.size()))
                .append('"');
    }

    private void labels(Unit u) {
        out.append("<text class=\"m sm b\" y=\"4\" text-anchor=\"middle\">");
        out.append(safe(u.mark().id())).append("</text>");
        disc(u.mark(), -27);
        if (u.room() >= RigPlan.ROOM_FOR_ADDRESS) {
            address(u.mark(), 27);
        }
    }

    /** No link: thousands of links are what makes a page slow, and the script chooses more than a link can. */
    private void who(UnitMark mark, String words, String offset) {
        out.append(" role=\"button\" tabindex=\"-1\" data-k=\"").append(mark.key());
        out.append("\" data-id=\"").append(safe(mark.id()));
        out.append("\" data-disc=\"").append(mark.standing().disc());
        out.append("\" data-address=\"")
                .append(safe(mark.address()))
                .append('"')
                .append(offset);
        out.append(" aria-label=\"").append(safe(words)).append('"');
    }

    private void disc(UnitMark mark, int y) {
        out.append("<svg x=\"-7\" y=\"")
                .append(y)
                .append("\" width=\"14\" height=\"14\"><use href=\"#")
                .append(mark.standing().disc())
                .append("\"/></svg>");
    }

    private void address(UnitMark mark, int y) {
        add("<text class=\"m sm s\" y=\"%d\" text-anchor=\"middle\">%s</text>", y, safe(mark.address()));
    }

    private void bar(RigDrawing drawing, RigDrawing.Bar bar) {
        add(
                "<g data-position=\"%d\" transform=\"translate(0,%d)\"><line class=\"line\" x1=\"0\" y1=\"0\" y2=\"0\" x2=\"%d\"/>",
                bar.position(), bar.y(), bar.width());
        add("<line class=\"thin\" x1=\"0\" y1=\"5\" y2=\"5\" x2=\"%d\"/>", bar.width());
        if (!bar.name().isEmpty()) {
            names.clear();
            name(bar.position(), bar.name(), 0, -28);
        }
        add("<text class=\"s\" y=\"-28\" text-anchor=\"end\" x=\"%d\">%s</text>", drawing.width(), safe(bar.words()));
        for (RigDrawing.Unit u : bar.units()) {
            out.append("<g");
            who(u.mark(), u.mark().title(), "");
            out.append(u.mark().chosen() ? " class=\"chosen\"" : "");
            out.append(" transform=\"translate(").append(u.x()).append(",0)\">");
            out.append("<rect x=\"-15\" y=\"-12\" width=\"30\" height=\"24\" rx=\"3\" class=\"box tint")
                    .append(u.mark().tint())
                    .append("\"/>");
            out.append("<text class=\"m sm b\" y=\"4\" text-anchor=\"middle\">")
                    .append(safe(u.mark().id()))
                    .append("</text>");
            disc(u.mark(), -25);
            address(u.mark(), 27);
            out.append("</g>");
        }
        out.append("</g>");
    }
}
