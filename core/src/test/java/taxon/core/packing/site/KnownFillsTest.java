package taxon.core.packing.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import taxon.core.packing.Effort;
import taxon.core.packing.Grain;

/** The plain fillings of a site of 105 slots that costs 5 to begin. */
class KnownFillsTest {
    private static final List<Good> GOODS = List.of(new Good(30, 0, 9), new Good(45, 0, 9), new Good(40, 1, 9));

    private static Site site(OptionalInt only) {
        int[] longest = new int[513];
        for (int slot = 1; slot <= 105; slot++) {
            longest[slot] = 106 - slot;
        }
        return new Site(longest, 1, 5, only, List.of());
    }

    private static List<SiteFill> plain(Site site) {
        KnownFills known = new KnownFills(GOODS, List.of(site), 100);
        known.add(new BestFill(Grain.FINEST, GOODS), Effort.of(1_000_000));
        return known.of(0);
    }

    /** Three short ones and two long ones are most of one good; two short ones and a long one fill it to the last slot. */
    @Test
    void theyAreOfOneGoodAndOfOneClassByNumberAndBySlots() {
        assertThat(plain(site(OptionalInt.empty())))
                .extracting(f -> f.counts(3))
                .containsExactlyInAnyOrder(
                        new int[] {3, 0, 0}, new int[] {0, 2, 0}, new int[] {2, 1, 0}, new int[] {0, 0, 2});
    }

    @Test
    void eachCostsWhatItCostsToBeginTheSite() {
        assertThat(plain(site(OptionalInt.empty()))).allMatch(f -> f.cost() == 5);
    }

    @Test
    void whereOneClassMayLieOnlyItsFillingsAreKnown() {
        assertThat(plain(site(OptionalInt.of(1)))).extracting(f -> f.counts(3)).containsExactly(new int[] {0, 0, 2});
    }
}
