package taxon.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.FixtureKey;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Prepared.Left;
import taxon.core.writing.Result;
import taxon.core.writing.Target;
import taxon.core.writing.Value;
import taxon.core.writing.WriteList;

class WriteListJsonTest {
    private static final Target UNIT =
            new Target.Unit("7FF0:00000001", UniverseNumber.of(2), Optional.of(FixtureKey.of(17)), "204");
    private static final Target STRANGER = new Target.Unit("7FF0:00000002", UniverseNumber.of(3), Optional.empty(), "");

    private static WriteList list(WriteList.State state, Result... results) {
        return new WriteList(
                "As planned: “4” writes",
                "Ann",
                Instant.ofEpochMilli(1_700_000_000_123L),
                true,
                List.of(
                        new Order(UNIT, Item.ADDRESS, 2, Optional.of(Value.of(65)), Value.of(73)),
                        new Order(STRANGER, Item.LABEL, 0, Optional.empty(), Value.of("")),
                        new Order(
                                new Target.OfBox(3, "Quay node"),
                                Item.PORT_NUMBER,
                                4,
                                Optional.of(new Value("16", "0·1·0")),
                                new Value("1", "0·0·1"))),
                List.of(new Left("205", "no unit answered for it")),
                state,
                List.of(results));
    }

    @Test
    void aListComesBackAsItWas() {
        for (WriteList list : List.of(
                list(WriteList.State.READY),
                list(WriteList.State.BEGUN, Result.written("73")),
                list(WriteList.State.ENDED, Result.written("73"), Result.refused("write protect"), Result.NOT_TRIED))) {
            assertThat(WriteListJson.read(Json.parse(WriteListJson.write(list).toString())))
                    .isEqualTo(list);
        }
    }
}
