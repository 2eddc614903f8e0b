package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.request.SharingClass;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;

/** Several classes on universes of which some are roomier than others, against every way to put them there. */
class FewestUniversesTest {
    private static final int UNIVERSES = 5;

    static LongStream seeds() {
        return Rigs.seeds(90);
    }

    /** What is the best there is: first as few left out as can be, then as few universes begun. */
    private record Best(int left, int begun) {
        boolean isBetterThan(Best other) {
            return left < other.left || (left == other.left && begun < other.begun);
        }
    }

    /** What is left of a universe. */
    private static final class Bin {
        private int free;
        private boolean used;
        private Optional<SharingClass> sharingClass = Optional.empty();
    }

    /**
     * Up to nine fixtures of up to three types that keep apart, on five universes of which the ends are reserved, here more, there
     * less. Fixture 1 lies on universe 2 and is not asked for.
     */
    private record Case(Task task, Map<Integer, Integer> ends, Style style) {
        static Case of(long seed, Style style, Effort effort) {
            Random random = new Random(seed);
            boolean apart = random.nextInt(4) > 0;
            Plan plan = place(add(empty(), type("a", 100), 1, 1), 1, 1, StartAddress.of(2, 1));
            int key = 2;
            for (String name : List.of("a", "b", "c")) {
                int length = name.equals("a") ? 100 : 60 + random.nextInt(200);
                int count = 1 + random.nextInt(3);
                plan = add(plan, type(name, length), count, key);
                key += count;
            }
            Map<Integer, Integer> ends = new TreeMap<>();
            for (int universe = 1; universe <= UNIVERSES; universe++) {
                int end = random.nextInt(5) == 0 ? 512 : 130 + random.nextInt(250);
                ends.put(universe, end);
                plan = end == 512 ? plan : reserved(plan, universe, end + 1);
            }
            Wish wish = Wish.USUAL
                    .withStyle(style)
                    .withSplit(apart ? Split.TYPE : Split.NONE, apart)
                    .within(StartAddress.of(1, 1), UniverseSet.of(1, UNIVERSES));
            Set<FixtureKey> asked = new HashSet<>();
            plan.fixtures().stream().skip(1).forEach(f -> asked.add(f.key()));
            return new Case(
                    Task.of(plan, new PlacementRequest(Scope.CHOSEN, asked, wish), Set.of(), effort), ends, style);
        }

        private static Plan reserved(Plan plan, int universe, int from) {
            return plan.with(new ReservedRun(universe, UniverseNumber.of(universe), new SlotRange(from, 512), "kept"));
        }

        Layout layout() {
            return style == Style.COMPACT_BY_PORT ? FewestUniverses.layByPort(task) : FewestUniverses.lay(task);
        }

        Best best() {
            List<Bin> bins = new ArrayList<>();
            for (int universe = 1; universe <= UNIVERSES; universe++) {
                Bin bin = new Bin();
                bin.free = ends.getOrDefault(universe, 0) - (universe == 2 ? 100 : 0);
                bins.add(bin);
            }
            SharingClass ofTheFirst = task.request().pieces().get(0).sharingClass();
            bins.get(1).used = true;
            bins.get(1).sharingClass = Optional.of(ofTheFirst);
            return best(task.request().pieces(), 0, bins, new Best(0, 0), new Best(Integer.MAX_VALUE, 0));
        }

        private static Best best(List<Piece> pieces, int at, List<Bin> bins, Best sofar, Best known) {
            if (!sofar.isBetterThan(known)) {
                return known;
            }
            if (at == pieces.size()) {
                return sofar;
            }
            Piece next = pieces.get(at);
            Best found = known;
            for (Bin bin : bins) {
                boolean open = bin.sharingClass
                        .filter(c -> !c.equals(next.sharingClass()))
                        .isEmpty();
                if (open && bin.free >= next.length()) {
                    Optional<SharingClass> before = bin.sharingClass;
                    boolean begins = !bin.used;
                    bin.sharingClass = Optional.of(next.sharingClass());
                    bin.free -= next.length();
                    bin.used = true;
                    found = best(pieces, at + 1, bins, new Best(sofar.left, sofar.begun + (begins ? 1 : 0)), found);
                    bin.free += next.length();
                    bin.sharingClass = before;
                    bin.used = !begins;
                }
            }
            return best(pieces, at + 1, bins, new Best(sofar.left + 1, sofar.begun), found);
        }

        /** What a layout comes to, which must be legal. */
        Best of(Layout layout) {
            Map<Integer, SharingClass> classes = new HashMap<>();
            classes.put(2, task.request().pieces().get(0).sharingClass());
            Set<Integer> taken = new HashSet<>();
            int slots = 0;
            int left = 0;
            for (Piece piece : task.request().pieces()) {
                Optional<StartAddress> start = layout.start(piece);
                left += start.isPresent() ? 0 : 1;
                if (start.isPresent()) {
                    int universe = start.get().universe().number();
                    int first = start.get().slot().number();
                    assertThat(first + piece.length() - 1).isLessThanOrEqualTo(ends.getOrDefault(universe, 0));
                    assertThat(universe == 2 && first <= 100).isFalse();
                    assertThat(classes.computeIfAbsent(universe, u -> piece.sharingClass()))
                            .isEqualTo(piece.sharingClass());
                    slots += piece.length();
                    for (int slot = first; slot < first + piece.length(); slot++) {
                        taken.add(universe << 10 | slot);
                    }
                }
            }
            assertThat(taken).as("nobody lies on anybody").hasSize(slots);
            return new Best(left, classes.size() - 1);
        }
    }

    private static int bound(Layout layout) {
        return layout.optimum() instanceof Optimum.Ports ports
                ? ports.atLeast()
                : ((Optimum.Universes) layout.optimum()).atLeast();
    }

    private static int used(Layout layout) {
        return layout.optimum() instanceof Optimum.Ports ports
                ? ports.used()
                : ((Optimum.Universes) layout.optimum()).used();
    }

    private static Effort plenty() {
        return Effort.of(Effort.OF_A_REQUEST);
    }

    /** One universe more is in use than are begun: that of fixture 1. */
    private static void claimsWhatIsSo(Case c, Best best) {
        Layout layout = c.layout();
        Best found = c.of(layout);
        assertThat(best.isBetterThan(found) || best.equals(found)).isTrue();
        assertThat(used(layout)).isEqualTo(found.begun() + 1);
        assertThat(layout.leftAtLeast()).isLessThanOrEqualTo(best.left());
        if (best.left() == 0) {
            assertThat(bound(layout)).isLessThanOrEqualTo(best.begun() + 1);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsClaimedOfALayoutIsSo(long seed) {
        for (Style style : List.of(Style.FEWEST_UNIVERSES, Style.COMPACT_BY_PORT)) {
            Best best = Case.of(seed, style, plenty()).best();
            for (long effort : new long[] {0, 20_000, 100_000, Effort.OF_A_REQUEST}) {
                claimsWhatIsSo(Case.of(seed, style, Effort.of(effort)), best);
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noWayPlacesMoreAndNoneThatPlacesAllNeedsFewer(long seed) {
        Case c = Case.of(seed, Style.FEWEST_UNIVERSES, plenty());
        Best best = c.best();
        Best found = c.of(c.layout());
        assertThat(found.left()).isEqualTo(best.left());
        if (best.left() == 0) {
            assertThat(found.begun()).isEqualTo(best.begun());
        }
    }

    private static Layout byHand(Plan plan, Wish wish, Style style) {
        Task task = Task.of(plan, new PlacementRequest(Scope.ALL, Set.of(), wish.withStyle(style)), Set.of(), plenty());
        return style == Style.COMPACT_BY_PORT ? FewestUniverses.layByPort(task) : FewestUniverses.lay(task);
    }

    private static Wish on(int universes, Split split) {
        return Wish.USUAL.withSplit(split, true).within(StartAddress.of(1, 1), UniverseSet.of(1, universes));
    }

    /**
     * The first type is put on universe 1, which is the roomiest; of what it leaves the second needs two. Put on universe 4 it would
     * leave it one: that two universes do is found, and no bound is above.
     */
    @Test
    void whatOneClassTookDoesNotRaiseTheBoundOfTheNext() {
        Plan plan = add(add(empty(), type("a", 120), 1, 1), type("b", 150), 2, 2);
        for (int universe = 2; universe <= 3; universe++) {
            plan = Case.reserved(plan, universe, 181);
        }
        Layout layout = byHand(Case.reserved(plan, 4, 131), on(4, Split.TYPE), Style.FEWEST_UNIVERSES);
        assertThat(layout.optimum()).isEqualTo(new Optimum.Universes(2, 2));
    }

    /** No two of them fit on one universe, so that each needs its own; none is said to be left out. */
    @Test
    void asManyEmptyUniversesAreLookedAtAsFixturesOfMoreThanHalf() {
        for (int count : new int[] {1, 2, 7, 12}) {
            Layout layout =
                    byHand(add(empty(), type("half", 260), count, 1), on(20, Split.NONE), Style.FEWEST_UNIVERSES);
            assertThat(layout.starts()).hasSize(count).allMatch(Optional::isPresent);
            assertThat(layout.optimum()).isEqualTo(new Optimum.Universes(count, count));
        }
    }

    /** Seven short ones need three lines of three, though one universe would hold them; two classes need lines of their own. */
    @Test
    void aLineOfThreeTakesThree() {
        Wish wish = on(20, Split.TYPE).withUnitsPerLine(Optional.of(3));
        Plan one = add(empty(), type("a", 10), 7, 1);
        assertThat(byHand(one, wish, Style.COMPACT_BY_PORT).optimum()).isEqualTo(new Optimum.Ports(0, 3, 3));
        Plan two = add(one, type("b", 10), 4, 8);
        assertThat(byHand(two, wish, Style.COMPACT_BY_PORT).optimum()).isEqualTo(new Optimum.Ports(0, 5, 5));
    }

    /** Else the tests above would say little. */
    @Test
    void manyRigsAreTightAndTheFewestAreKnownToBeTheFewest() {
        List<Case> cases = LongStream.range(0, 60)
                .mapToObj(seed -> Case.of(seed, Style.FEWEST_UNIVERSES, plenty()))
                .toList();
        List<Case> whole = cases.stream().filter(c -> c.best().left() == 0).toList();
        assertThat(whole).hasSizeBetween(20, 55);
        assertThat(whole.stream().filter(c -> bound(c.layout()) == used(c.layout())))
                .hasSizeGreaterThan(whole.size() * 9 / 10);
    }
}
