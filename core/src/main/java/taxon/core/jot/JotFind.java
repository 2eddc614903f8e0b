package taxon.core.jot;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.core.dmx.AddressText;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** Finds fixtures by ID, by address, or by a word of their name, type or position. */
public final class JotFind {
    private JotFind() {}

    /** The first of the three that finds anything; empty when none does. */
    public static List<Fixture> matching(Plan plan, String wanted) {
        return byId(plan, wanted)
                .or(() -> byAddress(plan, wanted))
                .orElseGet(() -> byWord(plan, wanted.toLowerCase(Locale.ROOT)));
    }

    private static Optional<List<Fixture>> byId(Plan plan, String wanted) {
        List<Fixture> found = plan.fixtures().stream()
                .filter(f -> f.id().map(i -> i.toString().equals(wanted)).orElse(false))
                .toList();
        return found.isEmpty() ? Optional.empty() : Optional.of(found);
    }

    /** Whatever takes that slot. */
    private static Optional<List<Fixture>> byAddress(Plan plan, String wanted) {
        if (!(AddressText.read(wanted) instanceof AddressText.Read read)) {
            return Optional.empty();
        }
        List<Fixture> found = plan.blocks().stream()
                .filter(b -> b.start()
                                .filter(a -> a.universe().equals(read.address().universe()))
                                .isPresent()
                        && b.slots()
                                .orElseThrow()
                                .contains(read.address().slot().number()))
                .map(b -> b.fixture())
                .distinct()
                .toList();
        return found.isEmpty() ? Optional.empty() : Optional.of(found);
    }

    private static List<Fixture> byWord(Plan plan, String word) {
        return plan.fixtures().stream()
                .filter(f -> (f.name() + "\n" + plan.type(f).fullName() + "\n"
                                + plan.position(f).name())
                        .toLowerCase(Locale.ROOT)
                        .contains(word))
                .toList();
    }
}
