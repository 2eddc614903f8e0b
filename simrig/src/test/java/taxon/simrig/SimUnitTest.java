package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Mode;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/** What a unit refuses and what it does without a word (ANSI E1.20, 6.2 and 10, from memory). */
class SimUnitTest {
    private static final Uid OWN = new Uid(0x7FF0, 7);
    private static final Uid CONSOLE = new Uid(0x7FF1, 1);

    private final SimUnit unit = new SimUnit(
            OWN, "Oxbow", "Dunlin", "101", List.of(new SimPersonality("only", List.of(3))), 1, List.of(33), false);

    private Optional<RdmMessage> ask(Uid to, CommandClass command, int pid, int... data) {
        return unit.answer(RdmMessage.request(to, CONSOLE, 1, 0, command, pid, Bytes.of(data)));
    }

    private static Optional<NackReason> refusal(Optional<RdmMessage> answer) {
        return answer.filter(a -> a.portOrResponse() == RdmMessage.NACK)
                .map(a -> a.data().toArray())
                .map(d -> NackReason.values()[(d[0] & 0xFF) << 8 | d[1] & 0xFF]);
    }

    @Test
    void aQuestionWithDataThatItDoesNotTakeIsAFormatError() {
        assertThat(refusal(ask(OWN, CommandClass.GET, Pid.DMX_START_ADDRESS, 0)))
                .contains(NackReason.FORMAT_ERROR);
        assertThat(refusal(ask(OWN, CommandClass.GET, Pid.DEVICE_INFO, 1, 2))).contains(NackReason.FORMAT_ERROR);
        assertThat(refusal(ask(OWN, CommandClass.GET, Pid.DMX_PERSONALITY_DESCRIPTION)))
                .contains(NackReason.FORMAT_ERROR);
        assertThat(refusal(ask(OWN, CommandClass.GET, Pid.DMX_START_ADDRESS))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"7FF0", "FFFF"})
    void whatIsSetForManyIsDoneAndNobodyAnswers(String maker) {
        Uid all = new Uid(Integer.parseInt(maker, 16), 0xFFFF_FFFFL);
        assertThat(ask(all, CommandClass.SET, Pid.DMX_START_ADDRESS, 0, 77)).isEmpty();
        assertThat(unit.startAddress(0)).isEqualTo(77);
        assertThat(ask(all, CommandClass.GET, Pid.DMX_START_ADDRESS)).isEmpty();
    }

    @Test
    void whatIsForTheUnitsOfAnotherMakerIsNotForThisOne() {
        assertThat(ask(new Uid(0x7FF2, 0xFFFF_FFFFL), CommandClass.SET, Pid.DMX_START_ADDRESS, 0, 77))
                .isEmpty();
        assertThat(unit.startAddress(0)).isEqualTo(33);
    }

    @Test
    void whatCanOnlyBeReadIsNotSet() {
        for (int pid : new int[] {
            Pid.DEVICE_INFO, Pid.SOFTWARE_VERSION_LABEL, Pid.SUPPORTED_PARAMETERS, Pid.DMX_PERSONALITY_DESCRIPTION
        }) {
            assertThat(refusal(ask(OWN, CommandClass.SET, pid))).contains(NackReason.UNSUPPORTED_COMMAND_CLASS);
        }
    }

    @Test
    void identifyIsOnOrOff() {
        assertThat(refusal(ask(OWN, CommandClass.SET, Pid.IDENTIFY_DEVICE, 2))).contains(NackReason.DATA_OUT_OF_RANGE);
        assertThat(refusal(ask(OWN, CommandClass.SET, Pid.IDENTIFY_DEVICE, 1))).isEmpty();
    }

    @Test
    void aUnitDoesWhatItsOwnAddressAndModeMakeOfTheLevels() {
        SimPersonality first = SimPersonality.of(
                new Mode("short", Optional.of(1), List.of(ChannelScript.block("Main", "Dimmer ColorAdd_R"))));
        SimPersonality second = SimPersonality.of(
                new Mode("long", Optional.of(2), List.of(ChannelScript.block("Main", "ColorAdd_R Dimmer:2"))));
        SimUnit hung =
                new SimUnit(OWN, "Oxbow", "Dunlin", "", List.of(first, second), 1, List.of(511), false).hanging("101");
        List<Integer> levels = new ArrayList<>(Collections.nCopies(512, 0));
        levels.set(510, 255);
        levels.set(511, 7);
        SimShown shown = hung.shown(levels);
        assertThat(shown.hangs()).isEqualTo("101");
        assertThat(shown.mode()).isEqualTo("short");
        assertThat(shown.readings())
                .extracting(r -> r.channel().attribute().name() + " " + r.value())
                .containsExactly("Dimmer 255", "ColorAdd_R 7");
        hung.answer(RdmMessage.request(OWN, CONSOLE, 1, 0, CommandClass.SET, Pid.DMX_PERSONALITY, Bytes.of(2)));
        assertThat(hung.shown(levels).readings())
                .as("what lies past 512 is nothing")
                .extracting(r -> r.channel().attribute().name() + " " + r.value())
                .containsExactly("ColorAdd_R 255", "Dimmer " + (7 << 8));
    }
}
