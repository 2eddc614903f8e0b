package taxon.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.proof.FoundUnit;
import taxon.core.proof.FoundUnit.FoundBlock;
import taxon.core.proof.RigComparison;
import taxon.core.proof.UnitSays;
import taxon.core.proof.UnitSays.Axes;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;
import taxon.core.writing.Prepared.Left;
import taxon.core.writing.Result.Outcome;

/** 101 is planned at 2.001 in its first mode, panReversed. */
class UnitOrdersTest {
    private static final UniverseNumber TWO = UniverseNumber.of(2);
    private static final FixtureType SPOT = FixtureType.of(
            TypeId.of("spot"),
            "Test",
            "spot",
            "spot",
            Facts.onALine(),
            List.of(
                    new Mode("short", Optional.of(1), List.of(ChannelScript.block("Main", "Dimmer Pan Tilt"))),
                    new Mode("long", Optional.of(2), List.of(ChannelScript.block("Main", "Dimmer Pan:2 Tilt:2")))));
    private static final Set<Item> ALL =
            EnumSet.of(Item.ADDRESS, Item.MODE, Item.LABEL, Item.PAN_REVERSED, Item.TILT_REVERSED, Item.AXES_SWAPPED);

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 1, Optional.of(101), Optional.of(StartAddress.of(2, 1)));
        Fixture one = plan.fixture(FixtureKey.of(1)).orElseThrow();
        return plan.with(one.withTraits(one.traits().withPanReversed(true)));
    }

    private static FoundUnit unit(String label, int mode, int start, Axes axes) {
        return new FoundUnit(
                TWO,
                "7FF0:00000001",
                "Test",
                "spot",
                label,
                mode,
                mode == 1 ? "short" : "long",
                Optional.empty(),
                new UnitSays("", Optional.empty(), Optional.empty(), List.of(), List.of(), axes, false, 2),
                List.of(new FoundBlock(Slot.of(start), mode == 1 ? 3 : 5)));
    }

    private static Axes axes(boolean pan) {
        return new Axes(Optional.of(pan), Optional.of(false), Optional.of(false));
    }

    private static Prepared prepared(Plan plan, FoundUnit... units) {
        return UnitOrders.of(
                plan, RigComparison.of(plan, Set.of(TWO), List.of(units)).lines(), ALL);
    }

    private static List<String> words(Prepared prepared) {
        return prepared.orders().stream()
                .map(o -> o.words().replace("101, unit 7FF0:00000001: ", ""))
                .toList();
    }

    @Test
    void everythingThatDiffersIsAnOrderTheModeFirst() {
        assertThat(words(prepared(plan(), unit("101", 2, 65, axes(false)))))
                .containsExactly("mode 2, long → 1, short", "start address 65 → 1", "pan reversed off → on");
        assertThat(prepared(plan(), unit("101", 1, 1, axes(true)))).isEqualTo(Prepared.NOTHING);
    }

    @Test
    void onlyWhatIsWantedIsWritten() {
        List<RigComparison.Line> lines = RigComparison.of(plan(), Set.of(TWO), List.of(unit("101", 2, 65, axes(false))))
                .lines();
        assertThat(words(UnitOrders.of(plan(), lines, Set.of(Item.ADDRESS)))).containsExactly("start address 65 → 1");
    }

    /** Known by its label, type and address, or UID, and otherwise not at all. */
    @Test
    void aUnitThatIsOnlyTakenForItByItsTypeIsLeftWithTheWayOut() {
        Prepared prepared = prepared(plan(), unit("", 1, 65, axes(true)));
        assertThat(prepared.orders()).isEmpty();
        assertThat(prepared.left())
                .extracting(Left::why)
                .containsExactly(
                        "it was only taken for 101 by its type; let it make itself known, look which one it is, and say so");
    }

    @Test
    void whatAUnitDoesNotLetItselfBeToldIsSaid() {
        Prepared prepared = prepared(plan(), unit("101", 1, 1, Axes.UNKNOWN));
        assertThat(prepared.orders()).isEmpty();
        assertThat(prepared.left())
                .extracting(Left::why)
                .containsExactly("it does not let itself be told: pan reversed");
    }

    @Test
    void aUnitOfAnotherTypeIsNotWritten() {
        FoundUnit other = new FoundUnit(
                TWO, "7FF0:00000001", "Test", "wash", "101", 1, "short", List.of(new FoundBlock(Slot.of(65), 3)));
        assertThat(prepared(plan(), other).orders()).isEmpty();
        assertThat(prepared(plan(), other).left())
                .extracting(Left::why)
                .containsExactly("it is another type than planned, a wash");
    }

    @Test
    void whatAUnitHasIsReadAsItIsWritten() {
        FoundUnit unit = unit("101", 2, 65, axes(true));
        assertThat(UnitOrders.valueOf(unit, Item.ADDRESS, 1)).contains(Value.of(65));
        assertThat(UnitOrders.valueOf(unit, Item.ADDRESS, 2)).isEmpty();
        assertThat(UnitOrders.valueOf(unit, Item.MODE, 0)).contains(new Value("2", "2, long"));
        assertThat(UnitOrders.valueOf(unit, Item.LABEL, 0)).contains(Value.of("101"));
        assertThat(UnitOrders.valueOf(unit, Item.PAN_REVERSED, 0)).contains(Value.of(true));
        assertThat(UnitOrders.valueOf(unit("", 1, 1, Axes.UNKNOWN), Item.PAN_REVERSED, 0))
                .isEmpty();
        assertThat(UnitOrders.valueOf(unit, Item.IDENTIFY, 0)).contains(Value.of(false));
    }

    private static WriteList list(Result... results) {
        List<Order> orders = prepared(plan(), unit("101", 2, 65, axes(false))).orders();
        WriteList ready = WriteList.of("test", "Ann", Instant.EPOCH, true, new Prepared(orders, List.of()));
        return results.length == 0 ? ready : ready.at(WriteList.State.ENDED, List.of(results));
    }

    /** What was refused is as it was; of what nobody knows the old value is written to be sure. */
    @Test
    void whatMayHaveChangedIsPutBackTheLastFirst() {
        assertThat(list().back()).isEqualTo(Prepared.NOTHING);
        WriteList ended = list(
                Result.written("1, short"), new Result(Outcome.UNKNOWN, "silent"), Result.refused("write protect"));
        assertThat(words(ended.back())).containsExactly("start address 1 → 65", "mode 1, short → 2, long");
    }

    @Test
    void aListThatBrokeOffPutsBackAllThatNobodyKnows() {
        WriteList broke = list().at(WriteList.State.BEGUN, List.of(Result.written("1, short")));
        assertThat(words(broke.back())).hasSize(3);
    }

    @Test
    void whatWasNotKnownBeforeCannotBePutBackAndThatIsSaid() {
        Order order = new Order(
                new Target.Unit("7FF0:00000001", TWO, Optional.empty(), "101"),
                Item.LABEL,
                0,
                Optional.empty(),
                Value.of("101"));
        WriteList list = WriteList.of("test", "Ann", Instant.EPOCH, false, new Prepared(List.of(order), List.of()))
                .at(WriteList.State.ENDED, new ArrayList<>(List.of(Result.written("101"))));
        assertThat(list.back().orders()).isEmpty();
        assertThat(list.back().left()).extracting(Left::why).containsExactly("what its label was before is not known");
    }
}
