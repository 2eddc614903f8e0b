package taxon.core.packing.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.packing.Effort;
import taxon.core.packing.site.SiteFill.Placed;
import taxon.core.testing.Rigs;

/** Choices among known fillings, against all of them. */
class ChosenFillsTest {
    private static final int GOODS = 3;
    private static final long PENALTY = 40;

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    /** One to three sites, some of them several that are alike, each with up to four fillings; some are worth more than they cost. */
    private record Case(List<Site> sites, KnownFills known, List<List<SiteFill>> universes, int[] need) {
        static Case of(long seed) {
            Random random = new Random(seed);
            List<Site> sites = new ArrayList<>();
            IntStream.rangeClosed(0, random.nextInt(3))
                    .forEach(s -> sites.add(
                            new Site(new int[513], 1 + random.nextInt(2), 5, OptionalInt.empty(), List.of())));
            List<Good> goods = Collections.nCopies(GOODS, new Good(10, 0, 9));
            KnownFills known = new KnownFills(goods, sites, PENALTY);
            List<List<SiteFill>> universes = new ArrayList<>();
            for (int s = 0; s < sites.size(); s++) {
                for (int n = random.nextInt(5); n > 0; n--) {
                    known.add(fill(s, random));
                }
                for (int i = 0; i < sites.get(s).count(); i++) {
                    universes.add(known.of(s));
                }
            }
            return new Case(sites, known, universes, random.ints(GOODS, 0, 5).toArray());
        }

        private static SiteFill fill(int site, Random random) {
            List<Placed> placed = new ArrayList<>();
            for (int n = 1 + random.nextInt(4); n > 0; n--) {
                placed.add(new Placed(random.nextInt(GOODS), 1));
            }
            return new SiteFill(site, List.of(), placed, random.nextInt(30) - 10L);
        }

        Optional<List<SiteFill>> below(long total, long effort) {
            return new ChosenFills(sites, known, GOODS, PENALTY, Effort.of(effort)).below(total, need);
        }

        long total(List<SiteFill> fills) {
            int[] left = need;
            for (SiteFill fill : fills) {
                left = SiteFill.beside(fill.counts(GOODS), left);
            }
            return fills.stream().mapToLong(SiteFill::cost).sum()
                    + PENALTY * Arrays.stream(left).sum();
        }

        long least(int at, List<SiteFill> chosen) {
            if (at == universes.size()) {
                return total(chosen);
            }
            long least = least(at + 1, chosen);
            for (SiteFill fill : universes.get(at)) {
                List<SiteFill> more = new ArrayList<>(chosen);
                more.add(fill);
                least = Math.min(least, least(at + 1, more));
            }
            return least;
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noChoiceComesToLess(long seed) {
        Case c = Case.of(seed);
        long least = c.least(0, List.of());
        assertThat(c.below(least + 1, 1_000_000).map(c::total)).contains(least);
        assertThat(c.below(Long.MAX_VALUE, 1_000_000).map(c::total)).contains(least);
        assertThat(c.below(least, 1_000_000)).as("nothing is below the least").isEmpty();
    }

    /** Each site is chosen for as often as there are universes of it at most. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void noUniverseIsFilledTwice(long seed) {
        Case c = Case.of(seed);
        List<SiteFill> fills = c.below(Long.MAX_VALUE, 1_000_000).orElseThrow();
        for (int s = 0; s < c.sites().size(); s++) {
            int site = s;
            assertThat(fills.stream().filter(f -> f.site() == site))
                    .hasSizeLessThanOrEqualTo(c.sites().get(s).count());
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void withLittleEffortWhatIsFoundIsBelowTheTotalOrNothingIs(long seed) {
        Case c = Case.of(seed);
        long total = PENALTY * Arrays.stream(c.need()).sum() + 1;
        for (long effort : new long[] {0, 30, 100, 300}) {
            assertThat(c.below(total, effort).map(c::total).filter(t -> t >= total))
                    .isEmpty();
        }
        assertThat(c.below(total, 0)).isEmpty();
    }

    /** The first of them stays, and one that has nothing is none. */
    @Test
    void ofFillingsThatHaveTheSameOneIsKnown() {
        List<Site> sites = List.of(new Site(new int[513], 1, 5, OptionalInt.empty(), List.of()));
        KnownFills known = new KnownFills(List.of(new Good(10, 0, 2)), sites, PENALTY);
        known.add(new SiteFill(0, List.of(), List.of(new Placed(0, 1)), 5));
        known.add(new SiteFill(0, List.of(), List.of(new Placed(0, 100)), 5));
        known.add(new SiteFill(0, List.of(), List.of(), 0));
        assertThat(known.of(0))
                .singleElement()
                .satisfies(f -> assertThat(f.placed()).containsExactly(new Placed(0, 1)));
    }
}
