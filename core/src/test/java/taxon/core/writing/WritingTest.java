package taxon.core.writing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.writing.Result.Outcome;

class WritingTest {
    private static final Target UNIT = new Target.Unit("7FF0:00000001", UniverseNumber.of(2), Optional.empty(), "204");

    private static Order address(int was, int will) {
        return new Order(UNIT, Item.ADDRESS, 1, Optional.of(Value.of(was)), Value.of(will));
    }

    private static List<Outcome> outcomes(List<Result> results) {
        return results.stream().map(Result::outcome).toList();
    }

    @Test
    void allAreWrittenInTheirOrderAndToldOneByOne() throws InterruptedException {
        List<String> written = new ArrayList<>();
        List<Integer> told = new ArrayList<>();
        Pen pen = order -> {
            written.add(order.will().raw());
            return Result.readBack(order, order.will());
        };
        List<Result> results = new Writing(pen, true, () -> false)
                .run(List.of(address(1, 17), address(17, 33)), r -> told.add(r.size()));
        assertThat(written).containsExactly("17", "33");
        assertThat(told).containsExactly(1, 2);
        assertThat(outcomes(results)).containsExactly(Outcome.WRITTEN, Outcome.WRITTEN);
    }

    /** Whatever the surprise is: another value read back, a refusal, silence. */
    @Test
    void afterTheFirstSurpriseNothingMoreIsWrittenWhereThatIsWanted() throws InterruptedException {
        for (Result surprise : List.of(
                new Result(Outcome.OTHERWISE, "5"), Result.refused("write protect"), Result.unknown("silent"))) {
            List<Order> written = new ArrayList<>();
            Pen pen = order -> {
                written.add(order);
                return surprise;
            };
            List<Order> three = List.of(address(1, 17), address(1, 33), address(1, 49));
            assertThat(outcomes(new Writing(pen, true, () -> false).run(three, r -> {})))
                    .containsExactly(surprise.outcome(), Outcome.NOT_TRIED, Outcome.NOT_TRIED);
            assertThat(written).hasSize(1);
            written.clear();
            assertThat(outcomes(new Writing(pen, false, () -> false).run(three, r -> {})))
                    .containsOnly(surprise.outcome());
            assertThat(written).hasSize(3);
        }
    }

    @Test
    void onceItIsStoppedNothingMoreIsWritten() throws InterruptedException {
        List<Order> written = new ArrayList<>();
        Pen pen = order -> {
            written.add(order);
            return Result.readBack(order, order.will());
        };
        assertThat(outcomes(new Writing(pen, false, () -> !written.isEmpty())
                        .run(List.of(address(1, 17), address(1, 33)), r -> {})))
                .containsExactly(Outcome.WRITTEN, Outcome.NOT_TRIED);
    }

    @Test
    void whatIsReadBackDecidesAndNotWhatWasSent() {
        assertThat(Result.readBack(address(1, 17), Value.of(17)).outcome()).isEqualTo(Outcome.WRITTEN);
        assertThat(Result.readBack(address(1, 17), Value.of(1))).isEqualTo(new Result(Outcome.OTHERWISE, "1"));
    }

    @Test
    void whatWasThereIsWrittenBackWhereItIsKnownAndDiffers() {
        assertThat(address(65, 73).back()).contains(address(73, 65));
        assertThat(address(73, 73).back()).isEmpty();
        assertThat(new Order(UNIT, Item.LABEL, 0, Optional.empty(), Value.of("204")).back())
                .isEmpty();
        assertThat(new Order(UNIT, Item.LABEL, 0, Optional.of(Value.of("")), Value.of("204")).words())
                .isEqualTo("204, unit 7FF0:00000001: label none → 204");
        assertThat(address(65, 73).words()).isEqualTo("204, unit 7FF0:00000001: start address 65 → 73");
    }

    @Test
    void anOrderThatNobodyCouldMeanCannotBeMade() {
        assertThatThrownBy(() -> address(1, 513)).hasMessageContaining("outside 1 to 512");
        assertThatThrownBy(() -> new Order(UNIT, Item.PORT_RDM, 1, Optional.empty(), Value.of(true)))
                .hasMessageContaining("is nothing of");
        assertThatThrownBy(() -> new Order(UNIT, Item.ADDRESS, 0, Optional.empty(), Value.of(1)))
                .hasMessageContaining("of part 0");
        assertThatThrownBy(() -> new Order(UNIT, Item.LABEL, 2, Optional.empty(), Value.of("x")))
                .hasMessageContaining("of part 2");
    }
}
