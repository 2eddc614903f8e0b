package taxon.core.grouping;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;

/** The repeated parts of a fixture in a mode: its cells and its layers. */
public final class Cells {
    private static final Comparator<Part> ORDER =
            Comparator.comparing(Part::kind).thenComparing(Cells::compare);

    private Cells() {}

    /** In the order of their numbers; empty for a fixture that is one whole. */
    public static List<Part> of(Optional<Mode> mode) {
        return mode.stream()
                .flatMap(Mode::channels)
                .map(Channel::part)
                .filter(p -> p.kind() != Part.Kind.WHOLE)
                .distinct()
                .sorted(ORDER)
                .toList();
    }

    private static int compare(Part one, Part other) {
        for (int i = 0; i < Math.min(one.path().size(), other.path().size()); i++) {
            int difference = Integer.compare(one.path().get(i), other.path().get(i));
            if (difference != 0) {
                return difference;
            }
        }
        return Integer.compare(one.path().size(), other.path().size());
    }
}
