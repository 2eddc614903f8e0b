package taxon.core.cable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.length.Length;
import taxon.core.network.CableRules;
import taxon.core.testing.Rigs;

class PiecesTest {
    private static Length metres(double metres) {
        return new Length(Math.round(metres * 1e6));
    }

    private static String reaching(String metres) {
        return Pieces.reaching(Length.metres(metres), CableRules.USUAL.stock()).toString();
    }

    /** The lengths that are on most shelves (common practice). */
    @Test
    void fewPiecesBeforeLittleLeftOver() {
        assertThat(reaching("0")).isEqualTo("1 m");
        assertThat(reaching("2.5")).isEqualTo("3 m");
        assertThat(reaching("10")).isEqualTo("10 m");
        assertThat(reaching("10.001")).isEqualTo("15 m");
        assertThat(reaching("34")).isEqualTo("50 m");
        assertThat(reaching("51")).isEqualTo("50 m + 1 m");
        assertThat(reaching("130")).isEqualTo("50 m + 50 m + 50 m");
        assertThat(reaching("101")).isEqualTo("50 m + 50 m + 1 m");
    }

    @Test
    void feetAreNeverTakenForMoreThanTheyAre() {
        List<Length> feet =
                List.of(new Length(5 * Length.FOOT), new Length(25 * Length.FOOT), new Length(100 * Length.FOOT));
        assertThat(Pieces.reaching(new Length(25 * Length.FOOT), feet).lengths())
                .hasSize(1);
        assertThat(Pieces.reaching(new Length(25 * Length.FOOT + 10_000), feet).total())
                .isEqualTo(new Length(100 * Length.FOOT));
    }

    static LongStream seeds() {
        return Rigs.seeds(600);
    }

    /** Against trying all. */
    @ParameterizedTest
    @MethodSource("seeds")
    void theyReachByAsFewAsCanBeAndLeaveAsLittleAsCanBe(long seed) {
        Random random = new Random(seed);
        List<Length> stock = IntStream.range(0, 1 + random.nextInt(5))
                .mapToObj(i -> metres(0.5 * (1 + random.nextInt(40))))
                .distinct()
                .collect(Collectors.toList());
        Length needed = metres(random.nextInt(4_000) / 100.0);
        Pieces pieces = Pieces.reaching(needed, stock);
        assertThat(pieces.total()).isGreaterThanOrEqualTo(needed);
        assertThat(stock).containsAll(pieces.lengths());
        int count = pieces.lengths().size();
        Length longest = stock.stream().max(Length::compareTo).orElseThrow();
        assertThat(count == 1 || longest.micrometres() * (count - 1) < needed.micrometres())
                .isTrue();
        if (count <= 5) {
            assertThat(pieces.total().micrometres()).isEqualTo(least(stock, count, needed.micrometres(), 0));
        }
    }

    private static long least(List<Length> stock, int count, long needed, long sum) {
        if (count == 0) {
            return sum >= needed ? sum : Long.MAX_VALUE;
        }
        long best = Long.MAX_VALUE;
        for (Length piece : stock) {
            best = Math.min(best, least(stock, count - 1, needed, sum + piece.micrometres()));
        }
        return best;
    }
}
