package taxon.app.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.app.form.Fields;
import taxon.core.network.BoxKind;
import taxon.core.network.Route;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** The boxes that may send a universe. */
final class Senders {
    private Senders() {}

    /** @param priority empty when it does not send the universe */
    record Sender(int box, String name, Optional<Integer> priority) {}

    static List<Sender> of(Plan plan, Universe universe) {
        return boxes(plan)
                .map(b -> new Sender(
                        b.number(),
                        b.name(),
                        universe.sources().stream()
                                .filter(s -> s.box() == b.number())
                                .map(Universe.Source::priority)
                                .findFirst()))
                .toList();
    }

    private static Stream<Box> boxes(Plan plan) {
        return plan.boxes().stream().filter(b -> b.kind() == BoxKind.CONSOLE || b.kind() == BoxKind.SERVER);
    }

    static List<Universe.Source> read(Fields fields, Plan plan, Universe before) {
        List<Universe.Source> sources = new ArrayList<>();
        boxes(plan).forEach(b -> {
            String field = "priority-" + b.number();
            if (fields.isGiven(field)) {
                fields.numberOrNone(field, "priority", 0, Route.Sacn.HIGHEST_PRIORITY)
                        .ifPresent(p -> sources.add(new Universe.Source(b.number(), p)));
            } else {
                before.sources().stream().filter(s -> s.box() == b.number()).forEach(sources::add);
            }
        });
        return sources;
    }
}
