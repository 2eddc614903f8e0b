package taxon.app.addresses;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.app.edit.JobState;
import taxon.app.web.Selection;
import taxon.core.addressing.Occupancy;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Evidence;
import taxon.core.finding.Finding;
import taxon.core.finding.Rule;
import taxon.core.network.Route;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Universe;

/** All tapes of a job, one under the other. Lengths in pixels. */
record TapesDrawing(int width, int height, List<Tape> tapes) {
    private static final int WIDTH = 950;
    private static final int TOP = 40;

    static TapesDrawing of(JobState state, Selection selection, TintBy tints) {
        Plan plan = state.plan();
        Occupancy occupancy = Occupancy.of(plan, Set.of());
        Map<UniverseNumber, List<SlotRange>> lit = Lit.of(plan, selection);
        Map<UniverseNumber, List<PlannedBlock>> blocks = new TreeMap<>();
        plan.blocks()
                .forEach(b -> b.start()
                        .ifPresent(a -> blocks.computeIfAbsent(a.universe(), u -> new ArrayList<>())
                                .add(b)));
        Map<UniverseNumber, List<ReservedRun>> reserved = new TreeMap<>();
        plan.reservedRuns()
                .forEach(r -> reserved.computeIfAbsent(r.universe(), u -> new ArrayList<>())
                        .add(r));
        Map<UniverseNumber, List<Evidence.Overlap>> overlaps = overlaps(state);
        List<Tape> tapes = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            UniverseNumber number = universe.number();
            TapeMaker maker = new TapeMaker(plan, tints::of, selection);
            tapes.add(maker.tape(
                    TOP + tapes.size() * Tape.PITCH,
                    number.number(),
                    routeWords(universe),
                    occupancy,
                    blocks.getOrDefault(number, List.of()),
                    reserved.getOrDefault(number, List.of()),
                    overlaps.getOrDefault(number, List.of()),
                    lit.getOrDefault(number, List.of())));
        }
        return new TapesDrawing(WIDTH, TOP + tapes.size() * Tape.PITCH, List.copyOf(tapes));
    }

    private static Map<UniverseNumber, List<Evidence.Overlap>> overlaps(JobState state) {
        Map<UniverseNumber, List<Evidence.Overlap>> overlaps = new TreeMap<>();
        for (Finding finding : state.check().byRule().getOrDefault(Rule.OVERLAP, List.of())) {
            if (finding.evidence() instanceof Evidence.Overlap overlap) {
                overlaps.computeIfAbsent(overlap.universe(), u -> new ArrayList<>())
                        .add(overlap);
            }
        }
        return overlaps;
    }

    static String routeWords(Universe universe) {
        String route = universe.route()
                .map(r ->
                        r instanceof Route.ArtNet a ? "Art-Net " + a.address() : "sACN " + ((Route.Sacn) r).universe())
                .orElse("no route");
        return universe.label().isBlank() ? route : universe.label();
    }
}
