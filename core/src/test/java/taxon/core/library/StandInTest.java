package taxon.core.library;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.library.StandIn.Fit;
import taxon.demo.DemoTypes;

class StandInTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "R G B W                     | ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W",
                "r, g, b, warm white         | ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_WW",
                "pan pan fine tilt tilt fine | Pan Pan+1 Tilt Tilt+1",
                "Pan 16 bit, Dimmer          | Pan Pan+1 Dimmer",
                "dimmer strobe colour wheel  | Dimmer Shutter1 Color1",
                "gobo 2 rotation, gobo 2     | Gobo2Pos Gobo2",
                "R G B W A UV strobe dimmer  | ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W ColorAdd_RY ColorAdd_UV Shutter1 Dimmer",
            })
    void aTypedOrderIsUnderstood(String typed, String slots) {
        ChannelOrder order = ChannelOrder.of(typed);
        assertThat(String.join(" ", order.slots())).isEqualTo(slots);
        assertThat(order.unknown()).isEmpty();
    }

    @Test
    void aColumnWithNumbersIsUnderstoodAndUnknownWordsAreTold() {
        ChannelOrder order = ChannelOrder.of("1 Dimmer\n2. Wobble\n3\tRed");
        assertThat(order.slots()).containsExactly("Dimmer", "Wobble", "ColorAdd_R");
        assertThat(order.unknown()).containsExactly("Wobble");
    }

    @ParameterizedTest
    @CsvSource({
        "Dimmer ColorAdd_R ColorAdd_G ColorAdd_B, EXACT, 4",
        "Dimmer ColorAdd_R ColorAdd_G ColorAdd_B Shutter1, MORE_BEHIND, 4",
        "Dimmer ColorAdd_R ColorAdd_G, LESS_BEHIND, 3",
        "Dimmer Shutter1 ColorAdd_R ColorAdd_G ColorAdd_B, EXTRA_BETWEEN, 1",
        "ColorAdd_R ColorAdd_G ColorAdd_B Dimmer, OTHER_ORDER, 0",
        "Dimmer ColorAdd_B ColorAdd_G Zoom, PARTLY, 2",
    })
    void aModeIsJudgedByItsOrder(String mode, Fit fit, int right) {
        StandIn standIn = only("dimmer r g b", mode).orElseThrow();
        assertThat(standIn.fit()).isEqualTo(fit);
        assertThat(standIn.right()).isEqualTo(right);
        assertThat(StandInText.advice(standIn)).endsWith(".");
    }

    @Test
    void aModeThatSharesLittleIsLeftOut() {
        assertThat(only("dimmer r g b", "Pan Tilt Zoom Dimmer")).isEmpty();
    }

    @Test
    void whatWouldMisbehaveIsSaidSlotBySlot() {
        StandIn standIn = only("r g b amber", "ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W Dimmer")
                .orElseThrow();
        assertThat(standIn.wrong())
                .extracting(StandInText::sentence)
                .containsExactly(
                        "Slot 4: the console sends white, the unit takes it as amber.",
                        "Slot 5: the console sends intensity, past the end of the unit.");
        assertThat(StandInText.sentence(only("r g b pan", "ColorAdd_R ColorAdd_G ColorAdd_B")
                        .orElseThrow()
                        .wrong()
                        .get(0)))
                .isEqualTo("Slot 4: the unit has pan, which the console does not reach.");
    }

    @Test
    void theBestComeFirst() {
        List<TypeSummary> types = DemoTypes.withGeneric().types().stream()
                .map(t -> TypeSummary.of(t, Source.BUILT_IN))
                .toList();
        List<StandIn> ranked = StandIn.rank(ChannelOrder.of("R G B W"), types, 10);
        assertThat(ranked.get(0).type().fullName()).isEqualTo("Generic RGBW");
        assertThat(ranked.get(0).fit()).isEqualTo(Fit.EXACT);
        assertThat(ranked.get(1).fit()).isEqualTo(Fit.MORE_BEHIND);
        assertThat(ranked)
                .isSortedAccordingTo(java.util.Comparator.comparing((StandIn s) -> -s.right())
                        .thenComparing(StandIn::fit));
        assertThat(StandIn.rank(ChannelOrder.of(" "), types, 10)).isEmpty();
    }

    @Test
    void moreRightSlotsGoBeforeABetterOrderOfFewer() {
        TypeSummary shorter = made("short", "ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W");
        TypeSummary other = made("other", "ColorAdd_R ColorAdd_G ColorAdd_B ColorAdd_W Dimmer Zoom");
        List<StandIn> ranked = StandIn.rank(ChannelOrder.of("R G B W Dimmer Iris"), List.of(shorter, other), 5);
        assertThat(ranked).extracting(s -> s.type().name()).containsExactly("other", "short");
        assertThat(ranked).extracting(StandIn::right).containsExactly(5, 4);
        assertThat(ranked).extracting(StandIn::fit).containsExactly(Fit.PARTLY, Fit.LESS_BEHIND);
    }

    @Test
    void oneSlotThatIsNotReachedIsSaidOfOne() {
        assertThat(only("R G B Pan", "ColorAdd_R ColorAdd_G ColorAdd_B").map(StandInText::advice))
                .contains("Works as far as it goes; the last slot of the unit stays as it is.");
        assertThat(only("R G B Pan Tilt", "ColorAdd_R ColorAdd_G ColorAdd_B").map(StandInText::advice))
                .contains("Works as far as it goes; the last 2 slots of the unit stay as they are.");
    }

    private static TypeSummary made(String name, String channels) {
        Mode mode = new Mode("only", Optional.empty(), List.of(ChannelScript.block("Main", channels)));
        return TypeSummary.of(
                FixtureType.of(TypeId.of(name), "Test", name, name, Facts.onALine(), List.of(mode)), Source.MADE_HERE);
    }

    private static Optional<StandIn> only(String typed, String mode) {
        FixtureType type = FixtureType.of(
                TypeId.of("t"),
                "Test",
                "T",
                "T",
                Facts.onALine(),
                List.of(new Mode("M", Optional.empty(), List.of(ChannelScript.block("Main", mode)))));
        return StandIn.rank(ChannelOrder.of(typed), List.of(TypeSummary.of(type, Source.MADE_HERE)), 5).stream()
                .findFirst();
    }
}
