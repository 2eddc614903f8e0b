package taxon.core.paper;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.grouping.IdRuns;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;

/**
 * What of a rig stands on a paper, and in which order.
 *
 * @param chosen only these fixtures; all where it is empty
 * @param position only what hangs there, by the number of the position
 * @param universe only what sits in it
 * @param piece only the one label or card of that key
 * @param since with what a change notice compares
 */
public record PaperChoice(
        SortedSet<FixtureKey> chosen,
        Optional<Integer> position,
        Optional<UniverseNumber> universe,
        Order order,
        Optional<String> piece,
        Optional<Since> since) {
    public static final PaperChoice ALL = new PaperChoice(
            new TreeSet<>(), Optional.empty(), Optional.empty(), Order.USUAL, Optional.empty(), Optional.empty());

    /** The order of fixtures. */
    public enum Order {
        /** That of the paper itself: fixture IDs, or the walk along a position. */
        USUAL("usual"),
        ID("fixture ID"),
        WALK("walk along the rig"),
        ADDRESS("address");

        private final String words;

        Order(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** All pieces of what is chosen. */
    public PaperChoice(
            SortedSet<FixtureKey> chosen, Optional<Integer> position, Optional<UniverseNumber> universe, Order order) {
        this(chosen, position, universe, order, Optional.empty(), Optional.empty());
    }

    /**
     * An earlier state of the job.
     *
     * @param words which it is, and of which state the plan is, where that is not now: "since revision A", "from revision A to
     *     revision B"
     */
    public record Since(Plan plan, String words) {}

    /** The same, compared with an earlier state. */
    public PaperChoice since(Plan earlier, String words) {
        return new PaperChoice(chosen, position, universe, order, piece, Optional.of(new Since(earlier, words)));
    }

    /** One piece of all that there are. */
    public static PaperChoice piece(String key) {
        return new PaperChoice(
                new TreeSet<>(), Optional.empty(), Optional.empty(), Order.USUAL, Optional.of(key), Optional.empty());
    }

    public PaperChoice {
        chosen = new TreeSet<>(chosen);
    }

    /** True when every fixture of the rig may stand on it. */
    public boolean isAll() {
        return chosen.isEmpty() && position.isEmpty() && universe.isEmpty();
    }

    /** True when a fixture stands on it. */
    public boolean takes(Fixture fixture) {
        return (chosen.isEmpty() || chosen.contains(fixture.key()))
                && position.map(p -> p == fixture.position()).orElse(true)
                && universe.map(u -> sitsIn(fixture, u)).orElse(true);
    }

    private static boolean sitsIn(Fixture fixture, UniverseNumber universe) {
        return fixture.addresses().values().stream().anyMatch(a -> a.universe().equals(universe));
    }

    /** True when a universe stands on it; which fixtures of it do is another question. */
    boolean takes(UniverseNumber number) {
        return universe.map(number::equals).orElse(true);
    }

    /** The fixtures that stand on it, in its order. */
    List<Fixture> of(Plan plan, Order usual) {
        List<Fixture> taken = plan.fixtures().stream().filter(this::takes).toList();
        return switch (order == Order.USUAL ? usual : order) {
            case USUAL, ID -> taken;
            case WALK -> RigOrder.of(plan, taken, NumberingOrder.USUAL);
            case ADDRESS ->
                taken.stream()
                        .sorted(Comparator.comparingInt(PaperChoice::first))
                        .toList();
        };
    }

    /** Where its first block with an address starts; those without any come last. */
    private static int first(Fixture fixture) {
        return fixture.addresses().values().stream()
                .findFirst()
                .map(StartAddress::absolute)
                .orElse(Integer.MAX_VALUE);
    }

    /** "101 to 112, North quay, universe 3"; empty where it is all of the rig. */
    public String words(Plan plan) {
        List<Fixture> some =
                chosen.stream().flatMap(k -> plan.fixture(k).stream()).toList();
        return Stream.of(
                        chosen.isEmpty() ? "" : some.isEmpty() ? "no fixture" : IdRuns.words(some),
                        position.map(p -> plan.position(p)
                                        .map(Position::name)
                                        .orElse("position " + p + ", which is gone"))
                                .orElse(""),
                        universe.map(u -> "universe " + u).orElse(""))
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
    }
}
