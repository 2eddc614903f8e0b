package taxon.app.network;

import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxNumber;
import taxon.core.network.RouteWords;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.Texts;

/**
 * One thing that a number may mean which a box shows.
 *
 * @param as how it is understood
 * @param number in every notation, "Port-Address 19 = 0·1·3, group of sixteen 2:4"
 * @param universe of the job; empty where it has none of that number
 * @param label what the job calls that universe; empty where it says nothing of it
 */
record BoxMeaning(String as, String number, Optional<Integer> universe, String label) {
    private static final int LONGEST = 30;

    static List<BoxMeaning> of(String box, Plan plan) {
        return BoxNumber.meanings(shown(box), plan.sheet().counting()).stream()
                .map(m -> of(m, plan))
                .toList();
    }

    /** What was asked, no longer than a box shows. */
    static String shown(String box) {
        return Texts.clip(box.strip(), LONGEST);
    }

    private static BoxMeaning of(BoxNumber.Meaning meaning, Plan plan) {
        String label = meaning.universe()
                .flatMap(u -> plan.universes().stream()
                        .filter(known -> known.number().equals(u))
                        .findFirst())
                .map(Universe::label)
                .orElse("");
        String number = meaning.address()
                .map(RouteWords::of)
                .or(() -> meaning.sacn().map(RouteWords::of))
                .orElse("");
        return new BoxMeaning(meaning.kind().words(), number, meaning.universe().map(u -> u.number()), label);
    }
}
