package taxon.app.checks;

import java.util.ArrayList;
import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.grouping.IdRuns;
import taxon.core.proof.NotAsked;
import taxon.core.rig.Plan;

/**
 * Fixtures for which nobody was asked, and why.
 *
 * @param count how many
 * @param why "universe 7 goes through no port"
 * @param ids "701–712"
 */
record NotAskedLine(int count, String why, String ids) {

    static List<NotAskedLine> of(Plan plan, RigReading reading) {
        NotAsked notAsked = NotAsked.of(plan, reading.read(plan));
        List<NotAskedLine> lines = new ArrayList<>();
        notAsked.unread().keySet().stream().sorted().forEach(universe -> {
            var fixtures = notAsked.unread().getOrDefault(universe, List.of());
            lines.add(new NotAskedLine(fixtures.size(), why(plan, reading, universe), IdRuns.words(fixtures)));
        });
        if (!notAsked.unplaced().isEmpty()) {
            lines.add(new NotAskedLine(
                    notAsked.unplaced().size(), "without a planned address", IdRuns.words(notAsked.unplaced())));
        }
        return lines;
    }

    private static String why(Plan plan, RigReading reading, UniverseNumber universe) {
        if (reading.outdated(plan).contains(universe)) {
            return "universe " + universe + " goes another way since it was read";
        }
        if (reading.ways().containsKey(universe)) {
            return "universe " + universe + " was read by some of its ways only";
        }
        return plan.universe(universe).isRouted()
                ? "universe " + universe + " could not be read"
                : "universe " + universe + " goes through no port";
    }
}
