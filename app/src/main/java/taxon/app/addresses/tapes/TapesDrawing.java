package taxon.app.addresses.tapes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Finding;
import taxon.core.finding.Grounds;
import taxon.core.finding.Rule;
import taxon.core.network.RouteWords;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Universe;

/**
 * The tapes of a job, one under the other. Lengths in pixels.
 *
 * @param height of all tapes, drawn or not, with the tray
 * @param tray what has no address yet
 * @param tapes the first of them or all
 */
public record TapesDrawing(int width, int height, Tray tray, List<Tape> tapes) {
    /** As many as fit on a screen beside the wish. */
    private static final int FIRST = 7;

    private static final int WIDTH = 950;
    private static final int TOP = 40;

    /** How much is drawn: what a page begins with, everything, or everything as a proposal leaves it, where nobody places. */
    private enum Extent {
        FIRST,
        ALL,
        PROPOSED
    }

    /** Those that a page begins with. */
    public static TapesDrawing first(JobState state, Selection selection, TintBy tints) {
        return of(state, selection, tints, LegalStarts.of(state.plan(), selection), Extent.FIRST);
    }

    /** All of them, what moves marked; nobody places anything there. */
    public static TapesDrawing proposed(JobState after, Selection moved, TintBy tints) {
        return of(after, moved, tints, Map.of(), Extent.PROPOSED);
    }

    public static TapesDrawing of(JobState state, Selection selection, TintBy tints) {
        return of(state, selection, tints, LegalStarts.of(state.plan(), selection), Extent.ALL);
    }

    public boolean isWhole() {
        return height == TOP + tray.height() + tapes.size() * Tape.PITCH;
    }

    private static TapesDrawing of(
            JobState state,
            Selection selection,
            TintBy tints,
            Map<UniverseNumber, List<SlotRange>> lit,
            Extent extent) {
        Plan plan = state.plan();
        Tray tray = extent == Extent.PROPOSED ? Tray.NONE : Tray.of(plan, tints::of, selection);
        List<Universe> universes = new ArrayList<>(plan.universes());
        // Whoever has something to place finds an empty tape to put it on.
        if (tray.open() > 0) {
            LegalStarts.universes(plan).stream()
                    .skip(universes.size())
                    .forEach(next -> universes.add(plan.universe(next)));
        }
        int most = extent == Extent.FIRST ? FIRST : Integer.MAX_VALUE;
        int top = TOP + tray.height();
        Fits fits = Fits.of(plan);
        Map<UniverseNumber, List<PlannedBlock>> blocks = new TreeMap<>();
        plan.blocks()
                .forEach(b -> b.start()
                        .ifPresent(a -> blocks.computeIfAbsent(a.universe(), u -> new ArrayList<>())
                                .add(b)));
        Map<UniverseNumber, List<ReservedRun>> reserved = new TreeMap<>();
        plan.reservedRuns()
                .forEach(r -> reserved.computeIfAbsent(r.universe(), u -> new ArrayList<>())
                        .add(r));
        Map<UniverseNumber, List<Grounds.Overlap>> overlaps = overlaps(state);
        List<Tape> tapes = new ArrayList<>();
        TapeMaker maker = new TapeMaker(plan, tints::of, selection);
        for (Universe universe : universes.subList(0, Math.min(most, universes.size()))) {
            UniverseNumber number = universe.number();
            tapes.add(maker.tape(
                    top + tapes.size() * Tape.PITCH,
                    number.number(),
                    routeWords(universe),
                    fits,
                    blocks.getOrDefault(number, List.of()),
                    reserved.getOrDefault(number, List.of()),
                    overlaps.getOrDefault(number, List.of()),
                    lit.getOrDefault(number, List.of())));
        }
        return new TapesDrawing(WIDTH, top + universes.size() * Tape.PITCH, tray, List.copyOf(tapes));
    }

    private static Map<UniverseNumber, List<Grounds.Overlap>> overlaps(JobState state) {
        Map<UniverseNumber, List<Grounds.Overlap>> overlaps = new TreeMap<>();
        for (Finding finding : state.check().byRule().getOrDefault(Rule.OVERLAP, List.of())) {
            if (finding.grounds() instanceof Grounds.Overlap overlap) {
                overlaps.computeIfAbsent(overlap.universe(), u -> new ArrayList<>())
                        .add(overlap);
            }
        }
        return overlaps;
    }

    public static String routeWords(Universe universe) {
        String route = universe.isRouted()
                ? universe.routes().stream().map(RouteWords::brief).distinct().collect(Collectors.joining(", "))
                : "no route";
        return universe.label().isBlank() ? route : universe.label();
    }
}
