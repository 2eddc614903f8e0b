package taxon.core.packing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class EffortTest {
    @Test
    void whatAPartSpendsIsTakenFromTheWhole() {
        Effort effort = Effort.of(100);
        boolean more = effort.within(40, part -> part.spend(30));
        assertThat(more).isTrue();
        assertThat(effort.left()).isEqualTo(70);
        assertThat(effort.percentSpent()).isEqualTo(30);
    }

    @Test
    void aPartHasNoMoreThanItIsGivenNorThanThereIs() {
        Effort effort = Effort.of(100);
        assertThat(effort.<Long>within(40, Effort::left)).isEqualTo(40);
        assertThat(effort.<Long>within(400, Effort::left)).isEqualTo(100);
        assertThat(effort.<Boolean>within(40, part -> part.spend(40))).isFalse();
        assertThat(effort.isSpent()).isFalse();
    }

    @Test
    void whatIsStoppedHasNothingLeft() {
        Effort effort = Effort.of(100);
        effort.stop();
        assertThat(effort.isSpent()).isTrue();
        assertThat(effort.<Boolean>within(50, part -> part.spend(1))).isFalse();
    }

    @Test
    void lessThanNothingIsNoEffort() {
        assertThatThrownBy(() -> Effort.of(-1)).hasMessageContaining("-1");
    }

    /** A packing that is not searched is legal all the same, and its bound holds. */
    @Test
    void withoutEffortWhatIsFoundIsWorseButTrue() {
        List<ItemKind> kinds = List.of(new ItemKind(260, 0, 3), new ItemKind(170, 0, 6), new ItemKind(90, 0, 8));
        List<Bin> bins = java.util.Collections.nCopies(9, new Bin(List.of(new Hole(1, 512)), Bin.ANY_LOAD));
        Packed without = FewestBins.pack(Grain.FINEST, kinds, List.of(), bins, Effort.of(0));
        Packed with = FewestBins.pack(Grain.FINEST, kinds, List.of(), bins, Effort.of(Effort.OF_A_REQUEST));
        assertThat(without.atLeast()).isLessThanOrEqualTo(with.used());
        assertThat(without.used()).isGreaterThanOrEqualTo(with.used());
        assertThat(with.isOptimal()).isTrue();
    }
}
