package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import taxon.app.form.Selection;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Universe;

/** All universes of a job on one sheet, each as a thin strip to scale with how full it is: 64 of them fit a screen. */
public final class OverviewSvg {
    private static final int PITCH = 11;
    private static final int HEIGHT = 8;
    private static final int LEFT = 40;
    private static final double SLOT = 1.4;
    private static final int WIDTH = 950;

    private OverviewSvg() {}

    public static String of(Plan plan, int job, Selection selection, TintBy tints) {
        Map<UniverseNumber, List<PlannedBlock>> blocks = new TreeMap<>();
        plan.blocks()
                .forEach(b -> b.start()
                        .ifPresent(a -> blocks.computeIfAbsent(a.universe(), u -> new ArrayList<>())
                                .add(b)));
        Fits fits = Fits.of(plan);
        List<Universe> universes = plan.universes();
        int height = universes.size() * PITCH + 4;
        StringBuilder out = new StringBuilder(1 << 16);
        out.append("<svg id=\"overview\" role=\"group\" aria-label=\"All universes, each with its 512 slots\" width=\"")
                .append(WIDTH)
                .append("\" height=\"")
                .append(height)
                .append("\" viewBox=\"0 0 ")
                .append(WIDTH)
                .append(' ')
                .append(height)
                .append("\">");
        int y = 2;
        for (Universe universe : universes) {
            UniverseNumber number = universe.number();
            line(out, job, number, y, fits.used(number));
            plan.reservedRuns().stream()
                    .filter(r -> r.universe().equals(number))
                    .forEach(r -> reserved(out, r.slots()));
            blocks.getOrDefault(number, List.of()).forEach(b -> unit(out, b, selection, tints));
            out.append("</g>");
            y += PITCH;
        }
        return out.append("</svg>").toString();
    }

    private static void line(StringBuilder out, int job, UniverseNumber number, int y, int used) {
        out.append("<g transform=\"translate(0,")
                .append(y)
                .append(")\"><a href=\"/jobs/")
                .append(job)
                .append("/universes/")
                .append(number);
        out.append("\" data-universe><text class=\"m xs\" x=\"32\" y=\"8\" text-anchor=\"end\">")
                .append(number);
        out.append("</text></a><rect class=\"strip\" x=\"").append(LEFT).append("\" y=\"0\" width=\"");
        out.append(512 * SLOT).append("\" height=\"").append(HEIGHT).append("\"/><text class=\"m xs s\" y=\"8\" x=\"");
        out.append(LEFT + 512 * SLOT + 8)
                .append("\">")
                .append(used)
                .append(" used, ")
                .append(512 - used)
                .append(" free");
        out.append("</text>");
    }

    private static void reserved(StringBuilder out, SlotRange slots) {
        out.append("<rect class=\"res\" y=\"0\" height=\"").append(HEIGHT).append("\" x=\"");
        out.append(round(LEFT + (slots.first() - 1) * SLOT)).append("\" width=\"");
        out.append(round(slots.length() * SLOT)).append("\"/>");
    }

    private static void unit(StringBuilder out, PlannedBlock block, Selection selection, TintBy tints) {
        SlotRange slots = block.slots().orElseThrow();
        int key = block.fixture().key().number();
        boolean chosen = selection.holds(block.fixture().key());
        out.append("<rect role=\"button\" data-k=\"").append(key).append("\" class=\"unit box tint");
        out.append(tints.of(block))
                .append(chosen ? " chosen" : "")
                .append("\" y=\"0\" height=\"")
                .append(HEIGHT);
        out.append("\" x=\"").append(round(LEFT + (slots.first() - 1) * SLOT)).append("\" width=\"");
        out.append(round(slots.length() * SLOT)).append("\"/>");
    }

    private static String round(double pixels) {
        return Double.toString(Math.round(pixels * 10) / 10.0);
    }
}
