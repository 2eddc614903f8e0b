package taxon.core.checklist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.CheckItem;
import taxon.core.rig.CheckItem.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.UnitCheck.Seen;
import taxon.core.rig.edit.CheckEdits;
import taxon.core.testing.Rigs;

/** Two spots with an add-on at 1.001 and 1.011, their add-ons at 1.101 and 1.103; a batten of nine cells at 1.201. */
class CheckListTest {
    private static final FixtureType SPOT = Rigs.typeOf(
            "spot",
            ChannelScript.block("Main", "Dimmer Pan:2=32768 Tilt:2=32768 ColorAdd_R ColorAdd_G Gobo1"),
            ChannelScript.block("Add-on", "Shutter1 Dimmer"));
    private static final FixtureType BATTEN =
            Rigs.typeOf("batten", new ChannelScript().cells(9, "Dimmer").toBlock("Main", ""));
    private static final FixtureKey ONE = FixtureKey.of(1);
    private static final CheckItem PAN = CheckItem.of(Kind.PAN);
    private static final CheckItem ADDRESS = CheckItem.of(Kind.ADDRESS);

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 2, 101);
        plan = Rigs.add(plan, BATTEN, 1, 201);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(1, 1));
        plan = Rigs.place(plan, 1, 2, StartAddress.of(1, 101));
        plan = Rigs.place(plan, 2, 1, StartAddress.of(1, 11));
        return Rigs.place(plan, 3, 1, StartAddress.of(1, 201));
    }

    private static Fixture fixture(Plan plan, int key) {
        return plan.fixture(FixtureKey.of(key)).orElseThrow();
    }

    private static List<String> names(Plan plan, int key) {
        return CheckItems.of(plan, fixture(plan, key)).stream()
                .map(CheckItem::name)
                .toList();
    }

    private static Plan noted(Plan plan, int key, CheckItem item, Seen seen, String note) {
        return Rigs.apply(
                plan,
                CheckEdits.note(
                        FixtureKey.of(key),
                        item,
                        seen,
                        (p, f) -> new UnitCheck(
                                f.key(), item, seen, note, CheckItems.against(p, f, item), Instant.EPOCH, "Ann")));
    }

    private static CheckState state(Plan plan, int key, CheckItem item) {
        return CheckState.of(plan, fixture(plan, key)).stream()
                .filter(s -> s.item().equals(item))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aUnitHasTheChecksThatItsTypeCallsFor() {
        assertThat(names(plan(), 1))
                .containsExactly("there", "address", "intensity", "colour", "pan", "tilt", "wheel Gobo1", "block 2");
        assertThat(names(plan(), 2)).as("its add-on has no address").doesNotContain("block 2");
        assertThat(names(plan(), 3))
                .as("of nine cells the first and the last say which way round they count")
                .containsExactly("there", "address", "intensity", "part cell 1", "part cell 9");
        Plan without = Rigs.add(Rigs.empty(), SPOT, 1, 101);
        assertThat(names(without, 1)).containsExactly("there");
    }

    @Test
    void everyNameIsReadBack() {
        Plan plan = plan();
        plan.fixtures()
                .forEach(f -> CheckItems.of(plan, f)
                        .forEach(i -> assertThat(CheckItem.read(i.name())).isEqualTo(i)));
    }

    @Test
    void whatIsRaisedForACheckShowsItAndIsOnlyOfThatUnit() {
        Plan plan = plan();
        Fixture one = fixture(plan, 1);
        assertThat(CheckRaise.levels(plan, one, CheckItem.of(Kind.THERE))).isEmpty();
        Map<StartAddress, Integer> pan = CheckRaise.levels(plan, one, PAN);
        assertThat(pan)
                .as("three quarters of its way, coarse and fine")
                .containsEntry(StartAddress.of(1, 2), 191)
                .containsEntry(StartAddress.of(1, 3), 255)
                .as("with light")
                .containsEntry(StartAddress.of(1, 1), 255);
        assertThat(CheckRaise.levels(plan, one, CheckItem.of(Kind.COLOUR)))
                .containsEntry(StartAddress.of(1, 6), 255)
                .containsEntry(StartAddress.of(1, 7), 0);
        assertThat(CheckRaise.levels(plan, one, new CheckItem(Kind.WHEEL, "Gobo1")))
                .containsEntry(StartAddress.of(1, 8), 128);
        assertThat(CheckRaise.levels(plan, one, new CheckItem(Kind.BLOCK, "2")))
                .containsEntry(StartAddress.of(1, 102), 255);
        assertThat(CheckRaise.levels(plan, fixture(plan, 3), new CheckItem(Kind.PART, "cell 9")))
                .containsExactly(Map.entry(StartAddress.of(1, 209), 255));
        CheckItems.of(plan, one)
                .forEach(i -> assertThat(CheckRaise.levels(plan, one, i).keySet())
                        .as(i.name())
                        .allMatch(s -> s.slot().number() <= 8
                                || s.slot().number() == 101
                                || s.slot().number() == 102));
    }

    @Test
    void whatWasSeenIsStaleOnceSomethingElseIsPlanned() {
        Plan right = noted(plan(), 1, ADDRESS, Seen.RIGHT, "");
        assertThat(state(right, 1, ADDRESS).isDone()).isTrue();
        Plan moved = Rigs.place(right, 1, 1, StartAddress.of(2, 1));
        assertThat(state(moved, 1, ADDRESS).stale()).isTrue();
        assertThat(state(moved, 1, ADDRESS).isDone()).isFalse();
        assertThat(state(Rigs.place(moved, 1, 1, StartAddress.of(1, 1)), 1, ADDRESS)
                        .isDone())
                .as("and true again once it is planned as it was")
                .isTrue();
        Plan wrong = noted(plan(), 1, ADDRESS, Seen.NOTHING, "");
        assertThat(state(wrong, 1, ADDRESS).isWrong()).isTrue();
        assertThat(state(Rigs.place(wrong, 1, 1, StartAddress.of(2, 1)), 1, ADDRESS)
                        .isWrong())
                .as("nobody knows any more")
                .isFalse();
    }

    /** A check of the add-on says nothing of the main block, and the other way about. */
    @Test
    void aMoveOfOneBlockLeavesWhatWasSeenOfAnother() {
        CheckItem block = new CheckItem(Kind.BLOCK, "2");
        Plan right = noted(plan(), 1, block, Seen.RIGHT, "");
        assertThat(state(Rigs.place(right, 1, 1, StartAddress.of(2, 1)), 1, block)
                        .isDone())
                .isTrue();
        assertThat(state(Rigs.place(right, 1, 2, StartAddress.of(2, 1)), 1, block)
                        .stale())
                .isTrue();
    }

    @Test
    void anAxisThatGoesTheOtherWayRoundIsReversedInThePlanByTheSameEdit() {
        Plan after = noted(plan(), 1, PAN, Seen.OTHER_WAY, "");
        assertThat(fixture(after, 1).traits().panReversed()).isTrue();
        assertThat(fixture(after, 1).traits().tiltReversed()).isFalse();
        assertThat(state(after, 1, PAN).isDone()).as("it is as planned now").isTrue();
        Plan again = noted(after, 1, PAN, Seen.OTHER_WAY, "");
        assertThat(fixture(again, 1).traits().panReversed()).isFalse();
        Plan turned = after.with(
                fixture(after, 1).withTraits(fixture(after, 1).traits().withPanReversed(false)));
        assertThat(state(turned, 1, PAN).stale()).isTrue();
        assertThat(state(noted(turned, 1, CheckItem.of(Kind.TILT), Seen.RIGHT, ""), 1, CheckItem.of(Kind.TILT))
                        .isDone())
                .isTrue();
    }

    @Test
    void onlyAnAxisGoesTheOtherWayRound() {
        assertThatThrownBy(() -> noted(plan(), 1, ADDRESS, Seen.OTHER_WAY, "")).hasMessageContaining("pan and tilt");
        assertThatThrownBy(() -> new CheckItem(Kind.WHEEL, "")).hasMessageContaining("wheel");
        assertThatThrownBy(() -> new CheckItem(Kind.PAN, "2")).hasMessageContaining("pan");
    }

    @Test
    void progressIsCountedByPositionAndWhatIsWrongIsListed() {
        Plan plan = plan();
        assertThat(CheckProgress.of(plan).done()).isZero();
        for (CheckItem item : CheckItems.of(plan, fixture(plan, 3))) {
            plan = noted(plan, 3, item, Seen.RIGHT, "");
        }
        plan = noted(plan, 1, ADDRESS, Seen.WRONG_ONE, "102");
        CheckProgress progress = CheckProgress.of(plan);
        assertThat(progress.units()).isEqualTo(3);
        assertThat(progress.done()).isEqualTo(1);
        assertThat(progress.positions())
                .singleElement()
                .satisfies(p -> assertThat(p.wrong()).isEqualTo(1));
        Plan now = plan;
        assertThat(progress.wrong())
                .extracting(w -> CheckText.line(now, w))
                .containsExactly("101 address: wrong one moved, 102 (Ann)");
    }

    @Test
    void whatWasSeenGoesWithItsFixtureAndIsTakenBack() {
        Plan noted = noted(plan(), 1, ADDRESS, Seen.RIGHT, "");
        assertThat(noted.without(List.of(Fixture.keyOf(ONE))).checks()).isEmpty();
        assertThat(Rigs.apply(noted, CheckEdits.forget(ONE, ADDRESS)).checks()).isEmpty();
    }

    /** Only what was raised alone is told: the spots have two blocks, the batten one. */
    @Test
    void whatWasSeenIsHandedOnForExplaining() {
        Plan plan = noted(plan(), 3, ADDRESS, Seen.WRONG_ONE, "101");
        assertThat(CheckObservations.of(plan)).containsExactly("1.201 to 1.209: 101");
        assertThat(CheckObservations.of(noted(plan(), 3, ADDRESS, Seen.NOTHING, "a lamp is out")))
                .containsExactly("1.201 to 1.209: nothing");
        assertThat(CheckObservations.of(noted(plan(), 3, ADDRESS, Seen.WRONG_ONE, "something blue")))
                .as("nobody knows who that is")
                .isEmpty();
        Plan both = noted(noted(plan(), 3, ADDRESS, Seen.NOTHING, ""), 2, ADDRESS, Seen.RIGHT, "");
        assertThat(CheckObservations.of(both))
                .as("what was right on that universe tells causes apart")
                .containsExactly("1.011 to 1.018: 102", "1.201 to 1.209: nothing");
        assertThat(CheckObservations.of(noted(plan(), 3, ADDRESS, Seen.RIGHT, "")))
                .as("where nothing is wrong there is nothing to explain")
                .isEmpty();
    }
}
