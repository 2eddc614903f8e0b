package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import taxon.core.dmx.StartAddress;

/** Prints how long large patches take to be held against each other, and how that grows: {@code ./taxon bench compare}. */
@EnabledIfSystemProperty(named = "taxon.figures", matches = "true")
class CompareFiguresTest {
    private static final int RUNS = 15;

    private static List<PatchRow> patch(int rows, int shift) {
        List<PatchRow> patch = new ArrayList<>();
        for (int i = 0; i < rows; i++) {
            patch.add(new PatchRow(
                    i,
                    OptionalInt.of(1 + i),
                    Optional.empty(),
                    "Lamp " + i,
                    i % 3 == 0 ? "Fernglass Tern" : "Fernglass Heron",
                    "16-channel",
                    OptionalInt.of(16),
                    List.of(StartAddress.of(1 + shift + i / 32, 1 + i % 32 * 16))));
        }
        return patch;
    }

    private static double millis(int rows, int shift, boolean ids) {
        List<PatchRow> ours = patch(rows, 0);
        List<PatchRow> theirs = new ArrayList<>(patch(rows, shift));
        if (!ids) {
            theirs.replaceAll(r -> new PatchRow(
                    r.place(), OptionalInt.empty(), r.uuid(), "", r.type(), r.mode(), r.footprint(), r.starts()));
        }
        double[] all = new double[RUNS];
        for (int run = 0; run < RUNS; run++) {
            long begun = System.nanoTime();
            Comparison comparison = Comparison.of(ours, theirs);
            all[run] = (System.nanoTime() - begun) / 1e6;
            assertThat(comparison.matches()).hasSize(rows);
        }
        Arrays.sort(all);
        return all[RUNS / 2];
    }

    @Test
    void printTheFigures() {
        millis(2_000, 1, true);
        for (boolean ids : new boolean[] {true, false}) {
            double last = 0;
            for (int rows : new int[] {2_500, 5_000, 10_000, 20_000, 40_000}) {
                double took = millis(rows, 1, ids);
                System.out.printf(
                        Locale.ROOT,
                        "%6d against %6d, %s: %6.1f ms%s%n",
                        rows,
                        rows,
                        ids ? "by ID" : "without IDs or names",
                        took,
                        last == 0 ? "" : String.format(Locale.ROOT, ", %.1f times", took / last));
                last = took;
            }
        }
    }
}
