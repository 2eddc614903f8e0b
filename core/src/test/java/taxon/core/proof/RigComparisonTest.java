package taxon.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.RemoteManagement.Software;
import taxon.core.fixture.SettingGuide;
import taxon.core.proof.FoundUnit.FoundBlock;
import taxon.core.proof.RigComparison.Difference;
import taxon.core.proof.RigComparison.Line;
import taxon.core.proof.RigComparison.Reason;
import taxon.core.proof.RigComparison.Verdict;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.JobEdits;
import taxon.core.testing.Rigs;

class RigComparisonTest {
    private static final UniverseNumber TWO = UniverseNumber.of(2);
    /** 101 at 2.001, 102 at 2.017, 103 at 2.033. */
    private static final Plan PLAN =
            Rigs.add(Rigs.empty(), Rigs.type("t", 16), 3, Optional.of(101), Optional.of(StartAddress.of(2, 1)));

    @Test
    void unitsThatAnswerAsPlannedAreRight() {
        RigComparison comparison = compare(PLAN, unit(1, "101", 1), unit(2, "102", 17), unit(3, "103", 33));
        assertThat(comparison.counts()).containsEntry(Verdict.RIGHT, 3L).containsEntry(Verdict.MISSING, 0L);
    }

    @Test
    void aLabelFindsTheUnitThatHasAnotherAddress() {
        Line line = compare(PLAN, unit(1, "101", 1), unit(2, "102", 65), unit(3, "103", 33))
                .lines()
                .get(1);
        assertThat(line.verdict()).isEqualTo(Verdict.WRONG_ADDRESS);
        assertThat(line.reason()).isEqualTo(Reason.SAME_LABEL);
    }

    @Test
    void withoutALabelAUnitOfTheTypeThatIsLeftOverIsTaken() {
        Line line = compare(PLAN, unit(1, "", 1), unit(2, "", 65), unit(3, "", 33))
                .lines()
                .get(1);
        assertThat(line.verdict()).isEqualTo(Verdict.WRONG_ADDRESS);
        assertThat(line.reason()).isEqualTo(Reason.SAME_TYPE_IN_ORDER);
    }

    @Test
    void anotherPersonalityIsAWrongModeEvenAtTheRightAddress() {
        FoundUnit longer =
                new FoundUnit(TWO, uid(2), "Test", "t", "102", 2, "wide", List.of(new FoundBlock(Slot.of(17), 24)));
        Line line = compare(PLAN, unit(1, "101", 1), longer, unit(3, "103", 33))
                .lines()
                .get(1);
        assertThat(line.verdict()).isEqualTo(Verdict.WRONG_MODE);
        assertThat(line.differences()).containsExactlyInAnyOrder(Difference.MODE, Difference.LENGTH);
    }

    @Test
    void whatDoesNotAnswerIsMissingAndWhatNobodyPlannedIsUnexpected() {
        FoundUnit stranger = new FoundUnit(
                TWO, uid(9), "Oxbow", "Dunlin", "", 1, "3-channel", List.of(new FoundBlock(Slot.of(400), 3)));
        RigComparison comparison = compare(PLAN, unit(1, "101", 1), unit(3, "103", 33), stranger);
        assertThat(comparison.counts())
                .containsEntry(Verdict.RIGHT, 2L)
                .containsEntry(Verdict.MISSING, 1L)
                .containsEntry(Verdict.UNEXPECTED, 1L);
        assertThat(comparison.lines()).last().extracting(Line::verdict).isEqualTo(Verdict.UNEXPECTED);
    }

    @Test
    void aUnitWithAnotherFixturesLabelIsNotTakenForAMissingOne() {
        Plan onTwoUniverses = Rigs.add(PLAN, Rigs.type("t", 16), 1, 201);
        RigComparison comparison = compare(onTwoUniverses, unit(1, "101", 1), unit(2, "201", 65), unit(3, "103", 33));
        assertThat(comparison.counts()).containsEntry(Verdict.MISSING, 1L).containsEntry(Verdict.UNEXPECTED, 1L);
    }

    @Test
    void aReadingProvesWhatIsRightAndMakesWhatDiffersStale() {
        Plan after = read(PLAN, unit(1, "101", 1), unit(2, "102", 65));
        assertThat(after.blocks())
                .extracting(b -> Standing.of(b, after))
                .containsExactly(Standing.PROVED, Standing.STALE, Standing.PLANNED);
    }

    @Test
    void aUnitKnownByUidIsFoundAgainWhateverItsLabelSays() {
        Plan known = read(PLAN, unit(1, "101", 1), unit(2, "102", 17));
        Line line = compare(known, unit(2, "", 200), unit(1, "", 1)).lines().get(1);
        assertThat(line.reason()).isEqualTo(Reason.SAME_UID);
        assertThat(line.fixture().orElseThrow().label()).isEqualTo("102");
    }

    @Test
    void aMatchByOrderAloneIsNotRememberedByUid() {
        Plan after = read(PLAN, unit(1, "101", 1), unit(2, "", 65));
        assertThat(after.evidence(after.blocks().get(0).ref()).uid()).isEqualTo(uid(1));
        assertThat(after.evidence(after.blocks().get(1).ref()).uid()).isEmpty();
    }

    @Test
    void universesThatWereNotReadSayNothing() {
        assertThat(RigComparison.of(PLAN, Set.of(UniverseNumber.of(1)), List.of())
                        .lines())
                .isEmpty();
    }

    @Test
    void everyUnitAndEveryFixtureStandsOnExactlyOneLine() {
        List<FoundUnit> units = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            units.add(unit(i, i % 2 == 0 ? "101" : "", 1 + 16 * i));
        }
        RigComparison comparison = RigComparison.of(PLAN, Set.of(TWO), units);
        assertThat(comparison.lines().stream().flatMap(l -> l.found().stream()))
                .containsExactlyInAnyOrderElementsOf(units);
        assertThat(comparison.lines().stream().flatMap(l -> l.fixture().stream()))
                .containsExactlyInAnyOrderElementsOf(PLAN.fixtures());
    }

    @Test
    void aUnitOfAnotherTypeUnderTheRightLabelIsTheWrongThingAndIsRecordedByItsOwnName() {
        FoundUnit other = new FoundUnit(
                TWO, uid(2), "Oxbow", "Dunlin", "102", 1, "only", List.of(new FoundBlock(Slot.of(17), 16)));
        Line line = compare(PLAN, unit(1, "101", 1), other, unit(3, "103", 33))
                .lines()
                .get(1);
        assertThat(line.reason()).isEqualTo(Reason.SAME_LABEL);
        assertThat(line.differences()).contains(Difference.TYPE);
        assertThat(line.verdict()).isEqualTo(Verdict.WRONG_MODE);
        Plan after = read(PLAN, unit(1, "101", 1), other, unit(3, "103", 33));
        assertThat(after.evidence(after.blocks().get(1).ref())
                        .set()
                        .orElseThrow()
                        .mode())
                .isEqualTo("Dunlin, only");
    }

    @Test
    void ofTwoUnitsWithOneLabelTheOneThatDiffersLessIsTaken() {
        Line line =
                compare(PLAN, unit(1, "102", 65), unit(2, "102", 17)).lines().get(1);
        assertThat(line.fixture().orElseThrow().label()).isEqualTo("102");
        assertThat(line.found().orElseThrow().uid()).isEqualTo(uid(2));
        assertThat(line.verdict()).isEqualTo(Verdict.RIGHT);
    }

    @Test
    void ofTwoThatDifferAlikeTheOneOfTheLowerUidIsTakenWhateverCameFirst() {
        Line line =
                compare(PLAN, unit(7, "102", 65), unit(5, "102", 81)).lines().get(1);
        assertThat(line.found().orElseThrow().uid()).isEqualTo(uid(5));
    }

    @Test
    void whatIsLeftOfOneTypeIsTakenInTheOrderOfTheAddresses() {
        List<Line> lines = compare(PLAN, unit(1, "101", 1), unit(2, "", 300), unit(3, "", 200))
                .lines();
        assertThat(lines).extracting(l -> l.found().orElseThrow().uid()).containsExactly(uid(1), uid(3), uid(2));
        assertThat(lines)
                .extracting(Line::reason)
                .containsExactly(Reason.SAME_LABEL, Reason.SAME_TYPE_IN_ORDER, Reason.SAME_TYPE_IN_ORDER);
    }

    @Test
    void anUnlabelledUnitOfAnotherTypeAtTheRightAddressIsNoMatch() {
        FoundUnit other =
                new FoundUnit(TWO, uid(2), "Oxbow", "Dunlin", "", 1, "only", List.of(new FoundBlock(Slot.of(17), 16)));
        assertThat(compare(PLAN, other).counts())
                .containsEntry(Verdict.MISSING, 3L)
                .containsEntry(Verdict.UNEXPECTED, 1L);
    }

    @Test
    void aUnitWithFewerBlocksThanPlannedSaysNothingOfTheOthers() {
        Plan two =
                Rigs.add(Rigs.empty(), Rigs.type("t", 8, 8), 1, Optional.of(101), Optional.of(StartAddress.of(2, 1)));
        FoundUnit one =
                new FoundUnit(TWO, uid(1), "Test", "t", "101", 1, "only", List.of(new FoundBlock(Slot.of(1), 8)));
        Plan after = read(two, one);
        assertThat(after.blocks())
                .as("what is proved is the whole unit or nothing of it")
                .extracting(b -> Standing.of(b, after))
                .containsExactly(Standing.SET, Standing.PLANNED);
        assertThat(compare(two, one).lines().get(0).differences()).containsExactly(Difference.LENGTH);
    }

    @Test
    void aUnitOfAnotherLengthProvesNothing() {
        FoundUnit longer =
                new FoundUnit(TWO, uid(1), "Test", "t", "101", 1, "only", List.of(new FoundBlock(Slot.of(1), 19)));
        assertThat(compare(PLAN, longer).lines().get(0).verdict()).isEqualTo(Verdict.WRONG_MODE);
        assertThat(standing(read(PLAN, longer), 0)).isEqualTo(Standing.STALE);
    }

    @Test
    void aPersonalityThatTheTypeDoesNotKnowProvesNothingThoughItIsCalledTheSame() {
        FoundUnit other =
                new FoundUnit(TWO, uid(1), "Test", "t", "101", 7, "only", List.of(new FoundBlock(Slot.of(1), 16)));
        assertThat(compare(PLAN, other).lines().get(0).differences()).containsExactly(Difference.MODE);
        assertThat(standing(read(PLAN, other), 0)).isEqualTo(Standing.STALE);
    }

    @Test
    void aUnitOfOlderSoftwareIsReadByTheNumbersOfItsOwnVersion() {
        FixtureType counted = counted(Rigs.type("t", 8));
        Plan plan = Rigs.add(Rigs.empty(), counted, 1, Optional.of(101), Optional.of(StartAddress.of(2, 1)));
        assertThat(compare(plan, unit(1, 7, Optional.of(OLD))).lines().get(0).verdict())
                .isEqualTo(Verdict.RIGHT);
        assertThat(compare(plan, unit(1, 1, Optional.of(OLD))).lines().get(0).differences())
                .containsExactly(Difference.MODE);
        assertThat(compare(plan, unit(1, 1, Optional.of(NEW))).lines().get(0).verdict())
                .isEqualTo(Verdict.RIGHT);
        assertThat(compare(plan, unit(1, 1, Optional.of(99L))).lines().get(0).verdict())
                .as("a version that no file speaks of counts like the newest")
                .isEqualTo(Verdict.RIGHT);
    }

    private static final long OLD = 0x0100_0000L;
    private static final long NEW = 0x0200_0000L;

    /** The mode is the seventh of the older software and the first of the newer. */
    private static FixtureType counted(FixtureType type) {
        RemoteManagement remote = new RemoteManagement(
                true,
                Optional.empty(),
                Optional.empty(),
                List.of(
                        new Software(OLD, new TreeMap<>(Map.of(1, "another", 7, "only"))),
                        new Software(NEW, new TreeMap<>(Map.of(1, "only")))));
        Facts facts = new Facts(
                Hazard.NONE, Reach.LINE, List.of("XLR5"), List.of(), 8, Optional.empty(), remote, SettingGuide.NONE);
        return FixtureType.of(type.id(), type.maker(), type.name(), type.shortName(), facts, type.modes());
    }

    private static FoundUnit unit(int device, int personality, Optional<Long> software) {
        List<FoundBlock> blocks = List.of(new FoundBlock(Slot.of(1), 8));
        return new FoundUnit(TWO, uid(device), "Test", "t", "101", personality, "only", software, blocks);
    }

    @Test
    void twoUnitsOnOneAddressProveNeither() {
        RigComparison comparison = compare(PLAN, unit(1, "", 1), unit(2, "", 1));
        assertThat(comparison.lines().get(0).verdict()).isEqualTo(Verdict.UNSURE);
        assertThat(comparison.lines().get(0).reason()).isEqualTo(Reason.ONE_OF_SEVERAL);
        assertThat(comparison.counts()).containsEntry(Verdict.RIGHT, 0L);
        assertThat(standing(read(PLAN, unit(1, "", 1), unit(2, "", 1)), 0)).isEqualTo(Standing.PLANNED);
    }

    @Test
    void asManyUnitsAsFixturesOnOneAddressAreAllRightWhicheverIsWhich() {
        Plan shared = Rigs.place(PLAN, 2, 1, StartAddress.of(2, 1));
        assertThat(compare(shared, unit(1, "", 1), unit(2, "", 1), unit(3, "", 33))
                        .counts())
                .containsEntry(Verdict.RIGHT, 3L);
        assertThat(compare(shared, unit(1, "", 1), unit(3, "", 33)).counts())
                .as("one unit for two fixtures is one of them, nobody knows which")
                .containsEntry(Verdict.UNSURE, 1L)
                .containsEntry(Verdict.MISSING, 1L);
    }

    @Test
    void aUnitOnAnotherUniverseIsNeverProvedAtThePlannedOne() {
        FoundUnit elsewhere = new FoundUnit(
                UniverseNumber.of(3), uid(1), "Test", "t", "101", 1, "only", List.of(new FoundBlock(Slot.of(1), 16)));
        RigComparison comparison = RigComparison.of(PLAN, Set.of(TWO, UniverseNumber.of(3)), List.of(elsewhere));
        assertThat(comparison.lines().get(0).differences()).containsExactly(Difference.UNIVERSE);
        Plan after = Rigs.apply(
                PLAN, JobEdits.record("read", ReadingEvidence.of(PLAN, comparison, Instant.ofEpochSecond(5))));
        assertThat(standing(after, 0)).isEqualTo(Standing.STALE);
        assertThat(after.evidence(after.blocks().get(0).ref())
                        .set()
                        .orElseThrow()
                        .address())
                .isEqualTo(StartAddress.of(3, 1));
    }

    @Test
    void anOlderProofDoesNotOutliveAReadingThatContradictsIt() {
        Plan proved = read(PLAN, unit(1, "101", 1));
        assertThat(standing(proved, 0)).isEqualTo(Standing.PROVED);
        Plan after = read(proved, unit(1, "101", 99));
        assertThat(standing(after, 0)).isEqualTo(Standing.STALE);
        assertThat(after.evidence(after.blocks().get(0).ref()).proved()).isEmpty();
    }

    @Test
    void aUnitThatDoesNotSayWhatItIsIsNoProof() {
        FoundUnit nameless =
                new FoundUnit(TWO, uid(1), "", "", "101", 1, "only", List.of(new FoundBlock(Slot.of(1), 16)));
        assertThat(compare(PLAN, nameless).lines().get(0).verdict()).isEqualTo(Verdict.UNSURE);
        assertThat(standing(read(PLAN, nameless), 0)).isEqualTo(Standing.PLANNED);
    }

    @Test
    void whatNobodyAskedForIsCountedAndNamed() {
        Plan plan = Rigs.add(PLAN, Rigs.type("u", 4), 2, 301);
        NotAsked notAsked = NotAsked.of(plan, Set.of());
        assertThat(notAsked.count()).isEqualTo(5);
        assertThat(notAsked.unread().get(TWO)).hasSize(3);
        assertThat(notAsked.unplaced()).extracting(f -> f.label()).containsExactly("301", "302");
        assertThat(NotAsked.of(plan, Set.of(TWO)).unread()).isEmpty();
        assertThat(RigComparison.of(plan, Set.of(), List.of()).lines())
                .as("nobody is missing who was not asked")
                .isEmpty();
    }

    private static Standing standing(Plan plan, int block) {
        return Standing.of(plan.blocks().get(block), plan);
    }

    @Test
    void linesGoByUniverseThenFixtureIdAndStrangersComeLastByTheirUid() {
        Plan mixed = Rigs.add(PLAN, Rigs.type("t", 16), 1, Optional.of(50), Optional.of(StartAddress.of(2, 101)));
        mixed = Rigs.add(mixed, Rigs.type("t", 16), 1, Optional.empty(), Optional.of(StartAddress.of(2, 201)));
        mixed = Rigs.add(mixed, Rigs.type("t", 16), 1, Optional.of(400), Optional.of(StartAddress.of(1, 1)));
        FoundUnit high = new FoundUnit(TWO, uid(9), "A", "B", "", 1, "m", List.of(new FoundBlock(Slot.of(400), 3)));
        FoundUnit low = new FoundUnit(TWO, uid(8), "A", "C", "", 1, "m", List.of(new FoundBlock(Slot.of(410), 3)));
        List<Line> lines = RigComparison.of(mixed, Set.of(UniverseNumber.of(1), TWO), List.of(high, low))
                .lines();
        assertThat(lines)
                .extracting(l -> l.fixture()
                        .map(f -> f.label())
                        .orElseGet(() -> l.found().orElseThrow().uid()))
                .containsExactly("400", "50", "101", "102", "103", "no. 5", uid(8), uid(9));
        assertThat(lines.get(0).key()).contains(mixed.fixtures().get(4).key());
        assertThat(lines.get(6).key()).isEmpty();
    }

    private static Plan read(Plan plan, FoundUnit... units) {
        List<BlockEvidence> evidence = ReadingEvidence.of(plan, compare(plan, units), Instant.ofEpochSecond(5));
        return Rigs.apply(plan, JobEdits.record("read", evidence));
    }

    private static RigComparison compare(Plan plan, FoundUnit... units) {
        return RigComparison.of(plan, Set.of(TWO), List.of(units));
    }

    private static FoundUnit unit(int device, String label, int slot) {
        return new FoundUnit(
                TWO, uid(device), "Test", "t", label, 1, "only", List.of(new FoundBlock(Slot.of(slot), 16)));
    }

    private static String uid(int device) {
        return String.format("7FF0:%08X", device);
    }
}
