package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.compare.PatchCheck.Kind;
import taxon.core.dmx.StartAddress;

class PatchCheckTest {
    private static PatchRow row(int place, int id, int length, StartAddress... starts) {
        return new PatchRow(
                place,
                OptionalInt.of(id),
                Optional.empty(),
                "",
                "Tern",
                "",
                length == 0 ? OptionalInt.empty() : OptionalInt.of(length),
                List.of(starts));
    }

    @Test
    void whatLiesBesideEachOtherIsNoOverlap() {
        assertThat(PatchCheck.of(List.of(
                        row(0, 1, 16, StartAddress.of(1, 1)),
                        row(1, 2, 16, StartAddress.of(1, 17)),
                        row(2, 3, 16, StartAddress.of(1, 497)),
                        row(3, 4, 16, StartAddress.of(2, 1)))))
                .isEmpty();
    }

    @Test
    void aLongOneIsHeldAgainstAllThatBeginInIt() {
        assertThat(PatchCheck.of(List.of(
                        row(0, 1, 100, StartAddress.of(1, 1)),
                        row(1, 2, 10, StartAddress.of(1, 20)),
                        row(2, 3, 10, StartAddress.of(1, 60)))))
                .extracting(PatchCheck.Problem::sentence)
                .containsExactly(
                        "2 at 1.020 lies on 1, which ends at 1.100.", "3 at 1.060 lies on 1, which ends at 1.100.");
    }

    @Test
    void ofOneWithoutLengthOnlyItsFirstSlotIsKnown() {
        assertThat(PatchCheck.of(List.of(
                        row(0, 1, 0, StartAddress.of(1, 1)),
                        row(1, 2, 0, StartAddress.of(1, 2)),
                        row(2, 3, 0, StartAddress.of(1, 2)))))
                .extracting(PatchCheck.Problem::kind)
                .containsExactly(Kind.OVERLAP);
    }

    /** Two by two, by all pairs: whoever overlaps anybody is told. */
    @Test
    void everybodyWhoOverlapsIsTold() {
        Random random = new Random(4);
        for (int round = 0; round < 200; round++) {
            List<PatchRow> rows = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                rows.add(row(i, i + 1, 1 + random.nextInt(20), StartAddress.of(1, 1 + random.nextInt(480))));
            }
            Set<Integer> told = new HashSet<>();
            PatchCheck.of(rows).stream()
                    .filter(p -> p.kind() == Kind.OVERLAP)
                    .forEach(p -> told.add(p.rows().get(1).place()));
            for (PatchRow one : rows) {
                boolean overlapped = rows.stream()
                        .anyMatch(o -> (slot(o) < slot(one) || slot(o) == slot(one) && o.place() < one.place())
                                && slot(o) + o.footprint().getAsInt() > slot(one));
                assertThat(told.contains(one.place())).isEqualTo(overlapped);
            }
        }
    }

    private static int slot(PatchRow row) {
        return row.start().orElseThrow().slot().number();
    }
}
