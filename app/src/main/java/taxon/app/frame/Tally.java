package taxon.app.frame;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import taxon.app.edit.JobState;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.finding.Severity;
import taxon.core.proof.Standing;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;

/**
 * The figures at the bottom of every page.
 *
 * @param slots taken by fixtures, on all universes
 * @param ofSlots 512 for each universe
 * @param largestGap "4.246, 267 slots"; empty when no universe is in use
 */
public record Tally(
        int fixtures,
        int slots,
        int ofSlots,
        int universes,
        String largestGap,
        int gapUniverse,
        long stops,
        long warns,
        int set,
        int proved,
        int stale) {

    public static Tally of(JobState state) {
        Plan plan = state.plan();
        List<UniverseNumber> universes =
                plan.universes().stream().map(Universe::number).toList();
        Fits fits = Fits.of(plan);
        Map<Standing, Integer> standings = standings(plan);
        var gap = fits.largest(universes);
        return new Tally(
                plan.fixtures().size(),
                universes.stream().mapToInt(fits::used).sum(),
                universes.size() * Slot.LAST,
                universes.size(),
                gap.map(g -> g.universe()
                                + String.format(
                                        Locale.ROOT, ".%03d, ", g.slots().first())
                                + Counted.of(g.slots().length(), "slot"))
                        .orElse(""),
                gap.map(g -> g.universe().number()).orElse(0),
                state.check().count(Severity.STOP),
                state.check().count(Severity.WARN),
                standings.getOrDefault(Standing.SET, 0) + standings.getOrDefault(Standing.PROVED, 0),
                standings.getOrDefault(Standing.PROVED, 0),
                standings.getOrDefault(Standing.STALE, 0));
    }

    private static Map<Standing, Integer> standings(Plan plan) {
        Map<Standing, Integer> counts = new EnumMap<>(Standing.class);
        for (PlannedBlock block : plan.blocks()) {
            counts.merge(Standing.of(block, plan), 1, Integer::sum);
        }
        return counts;
    }
}
