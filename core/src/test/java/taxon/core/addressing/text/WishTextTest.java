package taxon.core.addressing.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Order;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

class WishTextTest {

    @Test
    void whatIsUsualIsSaidInOneBreath() {
        assertThat(WishText.sentence(Wish.USUAL)).isEqualTo("by fixture ID, in order, from 1.001");
        assertThat(WishText.beside(Wish.USUAL)).isEmpty();
    }

    @Test
    void aSentenceNamesEveryChoiceThatIsNotUsual() {
        Wish wish = Wish.USUAL
                .withOrder(Order.RIG)
                .withStyle(Style.COMPACT_BY_PORT)
                .withSplit(Split.POSITION, true)
                .withSpacing(new Spacing(2, Starts.ROUND, 10, true))
                .withHeadroom(Headroom.ofSlots(16))
                .withBlocks(Blocks.OWN_UNIVERSE)
                .within(StartAddress.of(2, 101), UniverseSet.of(2, 9))
                .withUnitsPerLine(Optional.of(32));
        assertThat(WishText.sentence(wish))
                .isEqualTo("by place in the rig, compact by port, split by position, from 2.101, hazards apart, gap 2,"
                        + " starts at 1 and every 10, room for the largest mode, 16 slots free at each end,"
                        + " later blocks on their own universe, on universes 2-9, at most 32 units a line");
    }
}
