package taxon.app.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;
import org.springframework.web.util.HtmlUtils;
import taxon.app.rig.RigPlan.Line;
import taxon.app.rig.RigPlan.Segment;
import taxon.app.rig.RigPlan.Unit;

/** Writes the drawings of the rig as SVG. They may hold thousands of units, which is why no template does it. */
final class RigSvg {
    private static final double NAME_HEIGHT = 18;
    private static final double LETTER = 7.5;

    private final StringBuilder out = new StringBuilder(1 << 16);
    private final int job;
    private final IntFunction<String> choosing;
    private final List<Written> names = new ArrayList<>();

    /** A name that stands on the drawing. */
    private record Written(double x, double y, String name) {}

    private RigSvg(int job, IntFunction<String> choosing) {
        this.job = job;
        this.choosing = choosing;
    }

    /**
     * The rig from above.
     *
     * @param choosing the address that chooses a fixture
     */
    static String above(RigPlan plan, int job, IntFunction<String> choosing, String frontWords) {
        RigSvg svg = new RigSvg(job, choosing);
        svg.add(
                "<svg id=\"above\" data-units hx-boost=\"false\" tabindex=\"0\" width=\"%d\" height=\"%d\" viewBox=\"0 0 %d %d\"",
                plan.width(), plan.height(), plan.width(), plan.height());
        svg.add(" data-metre=\"%.3f\" role=\"group\" aria-label=\"The rig from above\">", plan.perMetre());
        svg.centre(plan, frontWords);
        plan.lines().forEach(svg::line);
        return svg.out.append("</svg>").toString();
    }

    /** Positions of which it is not known where they lie, each as a bar. */
    static String bars(RigDrawing drawing, int job, IntFunction<String> choosing) {
        RigSvg svg = new RigSvg(job, choosing);
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
                "<g data-position=\"%d\"><line class=\"line\" x1=\"%.1f\" y1=\"%.1f\" x2=\"%.1f\" y2=\"%.1f\"/>",
                line.position(), line.x1(), line.y1(), line.x2(), line.y2());
        nameOf(line);
        line.units().forEach(this::unit);
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

    private void unit(Unit u) {
        String half = round(-u.size() / 2);
        String size = round(u.size());
        String more =
                (u.guessed() ? "" : "\" data-offset=\"" + u.offset()) + "\" data-size=\"" + size + "\" data-room=\""
                        + round(u.room()) + "\" data-address=\"" + safe(u.mark().address());
        open(u.mark(), round(u.x()) + "," + round(u.y()), more);
        String guessed = u.guessed() ? ", offset not known" : "";
        out.append("<title>")
                .append(safe(u.mark().title() + ", " + u.mark().address() + guessed))
                .append("</title>");
        out.append("<rect rx=\"")
                .append(round(Math.min(3, u.size() / 5)))
                .append("\" class=\"box tint")
                .append(u.mark().tint())
                .append(u.guessed() ? " guessed" : "");
        out.append("\" x=\"")
                .append(half)
                .append("\" y=\"")
                .append(half)
                .append("\" width=\"")
                .append(size);
        out.append("\" height=\"").append(size).append("\"/>");
        if (u.readable()) {
            out.append("<text class=\"m sm b\" y=\"4\" text-anchor=\"middle\">")
                    .append(safe(u.mark().id()))
                    .append("</text>");
            disc(u.mark(), -27);
        }
        if (u.readable() && u.room() >= RigPlan.ROOM_FOR_ADDRESS) {
            address(u.mark(), 27);
        }
        out.append("</a>");
    }

    private void open(UnitMark mark, String place, String more) {
        out.append("<a data-above tabindex=\"-1\" data-k=\"")
                .append(mark.key())
                .append("\" data-id=\"")
                .append(safe(mark.id()));
        out.append("\" data-disc=\"").append(mark.standing().disc()).append(more);
        out.append("\" href=\"")
                .append(safe(choosing.apply(mark.key())))
                .append("\" transform=\"translate(")
                .append(place)
                .append(")\"");
        out.append(mark.chosen() ? " class=\"chosen\">" : ">");
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
            open(u.mark(), u.x() + ",0", "");
            out.append("<title>").append(safe(u.mark().title())).append("</title>");
            out.append("<rect x=\"-15\" y=\"-12\" width=\"30\" height=\"24\" rx=\"3\" class=\"box tint")
                    .append(u.mark().tint())
                    .append("\"/>");
            out.append("<text class=\"m sm b\" y=\"4\" text-anchor=\"middle\">")
                    .append(safe(u.mark().id()))
                    .append("</text>");
            disc(u.mark(), -25);
            address(u.mark(), 27);
            out.append("</a>");
        }
        out.append("</g>");
    }
}
