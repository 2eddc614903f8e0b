package taxon.core.reception;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import taxon.core.reception.Happening.Kind;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception.SlotState;
import taxon.core.reception.UniverseReception.State;
import taxon.core.reception.UniverseReception.Taken;

/** The rules of ANSI E1.31-2018 and Art-Net 4, from memory; clauses are named where they are known. */
class UniverseReceptionTest {
    private static final long MILLI = 1_000_000;
    private static final Sender DESK = new Sender(Protocol.SACN, "d1", "Desk");
    private static final Sender SPARE = new Sender(Protocol.SACN, "d2", "Spare desk");
    private static final Sender NODE = new Sender(Protocol.ART_NET, "10.0.0.5", "Node");

    private static final Carrier CARRIER = new Carrier(Protocol.SACN, 7);

    private final List<Happening> log = new ArrayList<>();
    private final UniverseReception universe = new UniverseReception(CARRIER, log::add);

    private static LevelPacket levels(Sender sender, int priority, int sequence, int... values) {
        return new LevelPacket(sender, priority, sequence, false, false, 0, LevelPacket.LEVELS, bytes(values));
    }

    private static LevelPacket priorities(Sender sender, int sequence, int... values) {
        return new LevelPacket(sender, 100, sequence, false, false, 0, LevelPacket.SLOT_PRIORITIES, bytes(values));
    }

    private static byte[] bytes(int... values) {
        byte[] bytes = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            bytes[i] = (byte) values[i];
        }
        return bytes;
    }

    private static List<List<Integer>> winners(State state, int slots) {
        return state.slots().subList(0, slots).stream().map(SlotState::winners).toList();
    }

    private List<Integer> first(long millis, int slots) {
        return universe.state(millis * MILLI).levels().subList(0, slots);
    }

    /** 6.7.2: dropped where −20 &lt; difference ≤ 0, as a signed number of 8 bits. */
    @ParameterizedTest
    @CsvSource({
        "100, 101, TAKEN", "100, 100, LATE", "100, 99, LATE", "100, 81, LATE", "100, 80, TAKEN", "100, 227, TAKEN",
        "100, 228, TAKEN", "255, 0, TAKEN", "0, 255, LATE", "0, 237, LATE", "0, 236, TAKEN", "5, 250, LATE"
    })
    void aPacketThatComesALittleLateIsDropped(int before, int now, Taken taken) {
        universe.take(levels(DESK, 100, before, 1), 0);
        assertThat(universe.take(levels(DESK, 100, now, 2), MILLI)).isEqualTo(taken);
        assertThat(first(2, 1)).containsExactly(taken == Taken.TAKEN ? 2 : 1);
    }

    @Test
    void whatNeverCameIsCountedByTheNumbersAndWhatCameLateToo() {
        for (int sequence : new int[] {1, 2, 5, 4, 5, 6}) {
            universe.take(levels(DESK, 100, sequence, 1), sequence);
        }
        Heard heard = universe.state(10).heard().get(0);
        assertThat(heard.lost()).isEqualTo(2);
        assertThat(heard.late()).isEqualTo(2);
        assertThat(heard.packets()).isEqualTo(4);
    }

    /** Art-Net counts 1 to 255 and begins at 1 again; 0 is no number. */
    @Test
    void artNetBeginsAtOneAgainAndCountsNothingWhereItSaysZero() {
        for (int sequence : new int[] {253, 254, 255, 1, 2}) {
            assertThat(universe.take(levels(NODE, 100, sequence, 1), 0)).isEqualTo(Taken.TAKEN);
        }
        for (int i = 0; i < 3; i++) {
            assertThat(universe.take(levels(NODE, 100, 0, 1), 0)).isEqualTo(Taken.TAKEN);
        }
        assertThat(universe.state(0).heard().get(0).lost()).isZero();
        assertThat(universe.take(levels(NODE, 100, 7, 1), 0)).isEqualTo(Taken.TAKEN);
        assertThat(universe.take(levels(NODE, 100, 6, 1), 0)).isEqualTo(Taken.LATE);
    }

    /** 6.7.1: after 2.5 s of silence; a packet a second from a still sender keeps it. */
    @Test
    void aSenderIsLostAfterTwoAndAHalfSecondsAndNotBefore() {
        universe.take(levels(DESK, 100, 1, 200), 0);
        assertThat(first(2_500, 1)).containsExactly(200);
        universe.take(levels(DESK, 100, 2, 200), 2_400 * MILLI);
        assertThat(first(4_900, 1)).containsExactly(200);
        assertThat(first(4_901, 1)).containsExactly(0);
        assertThat(universe.state(4_901 * MILLI).heard()).isEmpty();
    }

    @Test
    void aSenderOfArtNetIsDroppedAfterTenSeconds() {
        universe.take(levels(NODE, 100, 1, 200), 0);
        assertThat(first(10_000, 1)).containsExactly(200);
        assertThat(first(10_001, 1)).containsExactly(0);
    }

    /** 6.2.6: a terminated stream is gone at once, not after the time of loss. */
    @Test
    void whoSaysThatItStopsIsGoneAtOnce() {
        universe.take(levels(DESK, 150, 1, 200), 0);
        universe.take(levels(SPARE, 100, 1, 40), 0);
        LevelPacket end = new LevelPacket(DESK, 150, 2, false, true, 0, 0, bytes(255));
        assertThat(universe.take(end, MILLI)).isEqualTo(Taken.ENDED);
        assertThat(first(1, 1)).containsExactly(40);
    }

    /** 6.2.6: preview data is seen and is not for live output. */
    @Test
    void previewIsHeardAndNeverInForce() {
        universe.take(new LevelPacket(DESK, 200, 1, true, false, 0, 0, bytes(255)), 0);
        universe.take(levels(SPARE, 1, 1, 7), 0);
        State state = universe.state(0);
        assertThat(state.levels().get(0)).isEqualTo(7);
        assertThat(state.heard()).extracting(Heard::isPreview).containsExactly(true, false);
    }

    /** 6.2.3: the highest priority alone; equal ones are merged slot by slot. */
    @Test
    void theHighestPriorityWinsAndEqualsAreMerged() {
        universe.take(levels(DESK, 100, 1, 10, 200, 0), 0);
        universe.take(levels(SPARE, 100, 1, 90, 20), 0);
        assertThat(first(0, 4)).containsExactly(90, 200, 0, 0);
        assertThat(winners(universe.state(0), 4)).containsExactly(List.of(0, 1), List.of(0, 1), List.of(0), List.of());
        universe.take(levels(SPARE, 101, 2, 5, 5), 0);
        assertThat(first(0, 3)).containsExactly(5, 5, 0);
    }

    /** Start code 0xDD: registered, no part of the standard. Priority 0 says nothing of a slot. */
    @Test
    void aPriorityOfASlotStandsBeforeThatOfTheUniverse() {
        universe.take(levels(DESK, 100, 1, 10, 10, 10), 0);
        universe.take(levels(SPARE, 50, 1, 99, 99, 99), 0);
        universe.take(priorities(SPARE, 1, 120, 0, 100), 0);
        State state = universe.state(0);
        assertThat(state.levels().subList(0, 3)).containsExactly(99, 10, 99);
        assertThat(winners(state, 3)).containsExactly(List.of(1), List.of(0), List.of(0, 1));
        assertThat(state.heard().get(1).hasSlotPriorities()).isTrue();
    }

    @Test
    void prioritiesOfSlotsThatNoLongerComeAreForgottenWhileLevelsGoOn() {
        universe.take(levels(DESK, 100, 1, 10), 0);
        universe.take(levels(SPARE, 50, 1, 99), 0);
        universe.take(priorities(SPARE, 1, 200), 0);
        universe.take(levels(DESK, 100, 2, 10), 2_000 * MILLI);
        universe.take(levels(SPARE, 50, 2, 99), 2_000 * MILLI);
        assertThat(first(2_500, 1)).containsExactly(99);
        assertThat(first(2_501, 1)).containsExactly(10);
    }

    /** Priorities alone are no levels; other start codes carry none. */
    @Test
    void whatCarriesNoLevelsIsInForceNowhere() {
        universe.take(priorities(SPARE, 1, 200), 0);
        universe.take(levels(DESK, 1, 1, 3), 0);
        assertThat(universe.take(new LevelPacket(DESK, 100, 9, false, false, 0, 0x17, bytes(1, 2)), 0))
                .isEqualTo(Taken.OTHER_START_CODE);
        assertThat(first(0, 1)).containsExactly(3);
    }

    @Test
    void aShorterPacketSaysNothingOfTheSlotsThatItLacks() {
        universe.take(levels(DESK, 100, 1, 10, 20, 30), 0);
        universe.take(levels(DESK, 100, 2, 10), MILLI);
        assertThat(first(1, 3)).containsExactly(10, 0, 0);
        assertThat(universe.state(MILLI).slots().get(2).winners()).isEmpty();
    }

    @Test
    void theFirstOneAndAHalfSecondsAreASampleOnly() {
        universe.take(levels(DESK, 100, 1, 10), 0);
        assertThat(universe.state(1_499 * MILLI).isSampling()).isTrue();
        assertThat(universe.state(1_500 * MILLI).isSampling()).isFalse();
    }

    @Test
    void rateAndJitterAreThoseOfTheLastPackets() {
        for (int i = 0; i < 200; i++) {
            long late = i == 190 ? 5 : 0;
            universe.take(levels(DESK, 100, i % 256, 1), (i * 25L + late) * MILLI);
        }
        Heard heard = universe.state(199 * 25 * MILLI).heard().get(0);
        assertThat(heard.rate()).isCloseTo(40, within(0.01));
        assertThat(heard.jitterMillis()).isCloseTo(10, within(1e-6));
        assertThat(heard.changedNanos()).isZero();
        assertThat(heard.isAllZero()).isFalse();
    }

    /** A thousand invented senders take no more room than those that are listened to. */
    @Test
    void aFloodOfSendersIsCountedAndTurnedAway() {
        for (int i = 0; i < 1_000; i++) {
            universe.take(levels(new Sender(Protocol.SACN, "x" + i, ""), 100, 1, i % 256), 0);
        }
        State state = universe.state(0);
        assertThat(state.heard()).hasSize(UniverseReception.MOST_SENDERS);
        assertThat(state.beyond()).isEqualTo(1_000 - UniverseReception.MOST_SENDERS);
        assertThat(universe.take(levels(DESK, 100, 1, 9), 2_600 * MILLI)).isEqualTo(Taken.TAKEN);
    }

    @Test
    void whoWasHeardBeforeAFloodLosesNothingByIt() {
        for (int i = 0; i < 200; i++) {
            universe.take(levels(DESK, 150, i, i), i * 25L * MILLI);
            for (int j = 0; j < 1_000; j += 1 + i % 7) {
                universe.take(levels(new Sender(Protocol.SACN, "x" + i + "." + j, ""), 100, 1, 255), i * 25L * MILLI);
            }
        }
        State state = universe.state(199 * 25L * MILLI);
        Heard desk = state.heard().get(0);
        assertThat(desk.sender()).isEqualTo(DESK);
        assertThat(desk.packets()).isEqualTo(200);
        assertThat(desk.lost()).isZero();
        assertThat(state.levels().get(0)).isEqualTo(199);
        assertThat(log.stream().filter(h -> h.kind() == Kind.TURNED_AWAY)).hasSize(1);
    }

    /** Against the rule said otherwise: for each slot the maximum over those of the highest priority, worked out from all that was sent. */
    @Test
    void mergingIsTheMaximumOfTheHighestPriorityOnRandomSenders() {
        Random random = new Random(7);
        for (int round = 0; round < 200; round++) {
            UniverseReception heard = new UniverseReception(CARRIER, h -> {});
            int senders = 1 + random.nextInt(5);
            int[] priority =
                    IntStream.range(0, senders).map(i -> 99 + random.nextInt(3)).toArray();
            int[][] values = new int[senders][];
            for (int s = 0; s < senders; s++) {
                values[s] = random.ints(1 + random.nextInt(512), 0, 256).toArray();
                heard.take(levels(new Sender(Protocol.SACN, "s" + s, ""), priority[s], 1, values[s]), 0);
            }
            List<Integer> levels = heard.state(0).levels();
            for (int slot = 0; slot < 512; slot++) {
                int at = slot;
                int highest = IntStream.range(0, senders)
                        .filter(s -> at < values[s].length)
                        .map(s -> priority[s])
                        .max()
                        .orElse(-1);
                int expected = IntStream.range(0, senders)
                        .filter(s -> at < values[s].length && priority[s] == highest)
                        .map(s -> values[s][at])
                        .max()
                        .orElse(0);
                assertThat(levels.get(slot)).isEqualTo(expected);
            }
        }
    }

    @Test
    void whatMovedAndHowFarIsKeptOfEachSlot() {
        universe.take(levels(DESK, 100, 1, 10, 20), 0);
        universe.take(levels(DESK, 100, 2, 10, 5), 5 * MILLI);
        universe.take(levels(DESK, 100, 3, 10, 200), 9 * MILLI);
        List<SlotState> slots = universe.state(10 * MILLI).slots();
        assertThat(slots.get(0).movedNanos()).isEmpty();
        assertThat(slots.get(1)).isEqualTo(new SlotState(200, List.of(0), Optional.of(9 * MILLI), 5, 200));
        universe.forgetExtent();
        universe.take(levels(DESK, 100, 4, 10, 150), 12 * MILLI);
        SlotState after = universe.state(13 * MILLI).slots().get(1);
        assertThat(after.least()).isEqualTo(150);
        assertThat(after.most()).isEqualTo(200);
    }

    @Test
    void theLogTellsWhoCameAndWent() {
        universe.take(levels(DESK, 100, 1, 10), 0);
        universe.take(levels(SPARE, 90, 1, 10), MILLI);
        universe.take(levels(SPARE, 110, 2, 10), 2 * MILLI);
        universe.take(new LevelPacket(DESK, 100, 2, false, true, 0, 0, bytes(1)), 3 * MILLI);
        universe.forget(2_502 * MILLI);
        universe.forget(2_503 * MILLI);
        assertThat(log)
                .containsExactly(
                        new Happening(0, CARRIER, DESK, Kind.BEGAN),
                        new Happening(MILLI, CARRIER, SPARE, Kind.BEGAN),
                        new Happening(2 * MILLI, CARRIER, SPARE, Kind.PRIORITY_CHANGED),
                        new Happening(3 * MILLI, CARRIER, DESK, Kind.ENDED),
                        new Happening(2_503 * MILLI, CARRIER, SPARE, Kind.LOST));
        assertThat(universe.isSilent()).isTrue();
    }

    /** What is kept between packets is what would be worked out anew from all of them. */
    @Test
    void theOverviewSaysWhatTheSlotsSay() {
        Random random = new Random(11);
        for (int i = 1; i < 3_000; i++) {
            Sender sender = new Sender(Protocol.SACN, "s" + random.nextInt(4), "");
            int[] values = random.ints(1 + random.nextInt(20), 0, 4).toArray();
            LevelPacket packet = random.nextInt(9) == 0
                    ? priorities(sender, i % 256, values)
                    : levels(sender, 99 + random.nextInt(3), i % 256, values);
            universe.take(packet, i * 60L * MILLI);
            UniverseReception.Overview overview = universe.overview(i * 60L * MILLI);
            State state = universe.state(i * 60L * MILLI);
            assertThat(overview.heard()).isEqualTo(state.heard());
            assertThat(universe.overview(i * 60L * MILLI).above())
                    .isEqualTo(state.levels().stream().filter(l -> l > 0).count());
        }
    }

    @Test
    void aPacketThatCannotBeIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> levels(DESK, 201, 1, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> levels(DESK, 100, 256, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> levels(DESK, 100, 1, new int[513]));
    }
}
