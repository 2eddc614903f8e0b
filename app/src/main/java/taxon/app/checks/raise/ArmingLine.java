package taxon.app.checks.raise;

import java.util.List;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.raising.RaisingText;
import taxon.core.rig.Plan;
import taxon.core.text.Counted;

/**
 * One arming as lists show it.
 *
 * @param ended why it is over; empty where it is not
 */
public record ArmingLine(int id, String state, String who, String what, int minutes, String ended, boolean network) {
    static ArmingLine of(Arming arming, Plan plan) {
        var reach = arming.asked().reach();
        String universes = reach.universes().stream()
                .sorted()
                .map(UniverseNumber::toString)
                .collect(Collectors.joining(", "));
        List<String> labels = reach.units().stream()
                .sorted()
                .flatMap(k -> plan.fixture(k).stream())
                .map(f -> f.label())
                .toList();
        String what = universes.isEmpty()
                ? labels.size() == 1 ? labels.get(0) : Counted.of(labels.size(), "unit")
                : (reach.universes().size() == 1 ? "universe " : "universes ") + universes;
        return new ArmingLine(
                arming.id(),
                taxon.formats.json.Json.slug(arming.state(System.nanoTime())),
                arming.asked().who(),
                what,
                arming.asked().minutes(),
                arming.grip().flatMap(g -> g.ended()).map(RaisingText::of).orElse(""),
                arming.asked().network());
    }
}
