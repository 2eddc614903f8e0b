package taxon.app.addresses.split;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.app.addresses.split.SplitMap.Band;
import taxon.app.addresses.split.SplitMap.Node;
import taxon.core.rig.BlockRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.ShareEdits;
import taxon.core.testing.Rigs;

class SplitMapTest {

    private static Plan rig(int fixtures, int length) {
        return Rigs.full(Rigs.type("t", length), fixtures, 101);
    }

    @Test
    void bandsAreAsWideAsTheirSlotsAndFillBothTheirNodes() {
        SplitMap map = SplitMap.of(rig(6, 128), false);
        assertThat(map.bands()).extracting(Band::slots).containsExactly(512, 256);
        assertThat(map.bands().get(0).width()).isEqualTo(2 * map.bands().get(1).width());
        assertThat(map.sources()).singleElement().satisfies(n -> {
            assertThat(n.spread()).isEqualTo(2);
            assertThat(n.height())
                    .isCloseTo(map.bands().stream().mapToDouble(Band::width).sum(), within(0.001));
        });
        assertThat(map.universes()).extracting(Node::name).containsExactly("1", "2");
        assertThat(map.bands().get(1).to()).isEqualTo(map.universes().get(1).y());
    }

    @Test
    void aSharedSlotIsCountedOnce() {
        Plan plan = rig(3, 16);
        List<BlockRef> two = List.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(2), 1));
        Plan shared = ((Edit.Changed) ShareEdits.share(two, "").applyTo(plan)).plan();
        assertThat(SplitMap.of(shared, false).bands()).extracting(Band::slots).containsExactly(32);
        assertThat(SplitMap.of(shared, true).bands().get(0).keys()).containsExactly(1, 2, 3);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 24, 64, 200})
    void noTwoNodesStandInOneAnotherHoweverManyThereAre(int universes) {
        SplitMap map = SplitMap.of(rig(universes, 500), false);
        for (int i = 1; i < map.universes().size(); i++) {
            Node before = map.universes().get(i - 1);
            assertThat(map.universes().get(i).y())
                    .isGreaterThan(before.y() + before.height())
                    .isGreaterThanOrEqualTo(before.y() + 13);
        }
        assertThat(map.universes()).hasSize(universes);
        assertThat(map.height()).isLessThan(100 + 64 * Math.max(14, universes));
    }

    @Test
    void sixtyFourUniversesAreSeenAtAGlance() {
        assertThat(SplitMap.of(rig(64, 500), false).height()).isLessThan(900);
    }
}
