package taxon.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.apply;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.type;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.network.Counting;
import taxon.core.network.Ipv4;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.NetworkEdits;
import taxon.core.testing.Rigs;

class PlanCheckTest {
    /** Two 16-slot fixtures, 101 at 2.001 and 102 at 2.017. */
    private static final Plan CLEAN =
            routed(add(empty(), type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(2, 1))));

    @Test
    void aCleanPlanHasEveryRuleCheckedAndNothingFound() {
        assertThat(PlanCheck.of(CLEAN).byRule()).containsOnlyKeys(Rule.values());
        assertThat(PlanCheck.of(CLEAN).findings()).isEmpty();
    }

    @Test
    void anOverlapNamesBothTheSlotsAndAWayOut() {
        Finding finding = only(place(CLEAN, 2, 1, StartAddress.of(2, 9)), Rule.OVERLAP);
        assertThat(FindingText.sentence(finding))
                .isEqualTo("Overlap at 2.009 to 2.016. 102 starts at 2.009; 101 runs to 2.016."
                        + " Slot 9 is intensity there and intensity here, 10 intensity and intensity,"
                        + " 11 intensity and intensity, and 5 more.");
        assertThat(finding.remedy().map(Remedy::label)).contains("Move 102 to 2.017");
    }

    @Test
    void theWayOutOfAnOverlapNeverMovesWhatIsLocked() {
        Plan plan = place(CLEAN, 2, 1, StartAddress.of(2, 9));
        Plan one = apply(plan, LockEdits.lock(List.of(FixtureKey.of(2)), true));
        assertThat(only(one, Rule.OVERLAP).remedy().map(Remedy::label)).contains("Move 101 to 2.025");
        Plan both = apply(one, LockEdits.lock(List.of(FixtureKey.of(1)), true));
        assertThat(only(both, Rule.OVERLAP).remedy()).isEmpty();
    }

    @Test
    void onlyStopsThatWereNotThereBeforeAreNew() {
        Plan one = place(CLEAN, 2, 1, StartAddress.of(2, 9));
        Plan two = place(add(one, type("u", 16), 1, 300), 3, 1, StartAddress.of(2, 505));
        assertThat(PlanCheck.of(one).broughtSince(PlanCheck.of(CLEAN)))
                .extracting(Finding::rule)
                .containsExactly(Rule.OVERLAP);
        assertThat(PlanCheck.of(two).broughtSince(PlanCheck.of(one)))
                .extracting(Finding::rule)
                .containsExactly(Rule.PAST_END);
        assertThat(PlanCheck.of(CLEAN).broughtSince(PlanCheck.of(two))).isEmpty();
    }

    /** Of warnings only those that an address brings are told: reserved slots, shares that part, hazards that are joined. */
    @Test
    void whatAMoveBringsIsToldAndOtherWarningsAreNot() {
        Plan kept = CLEAN.with(new ReservedRun(1, UniverseNumber.of(2), new SlotRange(100, 110), "kept"));
        Plan touched = place(kept, 2, 1, StartAddress.of(2, 105));
        assertThat(PlanCheck.of(touched).broughtSince(PlanCheck.of(kept)))
                .extracting(Finding::rule)
                .containsExactly(Rule.RESERVED_TOUCHED);
        Plan open = add(CLEAN, type("u", 4), 1, 300);
        assertThat(PlanCheck.of(open).byRule().get(Rule.NO_ADDRESS)).hasSize(1);
        assertThat(PlanCheck.of(open).broughtSince(PlanCheck.of(CLEAN))).isEmpty();
    }

    @Test
    void manyAtOneAddressGiveOneFindingEachBeyondTheFirst() {
        Plan plan = add(CLEAN, type("t", 16), 5, 201);
        for (int key = 3; key <= 7; key++) {
            plan = place(plan, key, 1, StartAddress.of(2, 1));
        }
        assertThat(PlanCheck.of(plan).byRule().get(Rule.OVERLAP)).hasSize(5);
    }

    @Test
    void aRunPast512SaysWhereItWouldEndAndWhereItFits() {
        Finding finding = only(place(CLEAN, 2, 1, StartAddress.of(2, 500)), Rule.PAST_END);
        assertThat(FindingText.sentence(finding))
                .isEqualTo("102 Test t needs 16 slots from 2.500; the universe ends at 512, it would end at 515."
                        + " First free place: 2.017.");
    }

    @Test
    void aFixtureWithoutAddressSaysHowManySlotsItNeeds() {
        Finding finding = only(add(CLEAN, type("u", 6, 20), 1, 301), Rule.NO_ADDRESS);
        assertThat(FindingText.sentence(finding)).isEqualTo("301 Test u has no address; it needs 26 slots.");
    }

    @Test
    void aFixtureWithOneBlockOpenNamesTheBlock() {
        Plan plan = place(add(CLEAN, type("u", 6, 20), 1, 301), 3, 1, StartAddress.of(2, 100));
        assertThat(FindingText.sentence(only(plan, Rule.BLOCK_NOT_ADDRESSED)))
                .contains("no address for Block 2; it needs 20");
    }

    @Test
    void aModeThatTheTypeLacksIsFoundWithTheModesThatItHas() {
        Finding finding = only(CLEAN.with(CLEAN.fixtures().get(0).withMode("wide")), Rule.MODE_MISSING);
        assertThat(FindingText.sentence(finding)).contains("101 has the mode “wide”, which Test t lacks", "only");
    }

    @Test
    void aFixtureIdGivenTwiceNamesTheNextFreeOne() {
        Plan plan = CLEAN.with(
                CLEAN.fixtures().get(1).withId(CLEAN.fixtures().get(0).id()));
        Finding finding = only(plan, Rule.DUPLICATE_ID);
        assertThat(FindingText.sentence(finding))
                .contains("Fixture ID 101 is given 2 times: Pipe, unit 1; Pipe, unit 2.", "next free ID is 102");
    }

    @Test
    void aReservedRunThatIsTouchedIsNamed() {
        Plan plan = CLEAN.with(new ReservedRun(1, UniverseNumber.of(2), new SlotRange(30, 60), "house lights"));
        Finding finding = only(plan, Rule.RESERVED_TOUCHED);
        assertThat(FindingText.sentence(finding))
                .isEqualTo("102 takes 2.030 to 2.032, which is reserved for house lights.");
    }

    @Test
    void aUniverseInUseThatNothingCarriesIsFoundAndAFreePortIsOffered() {
        Plan plan = add(empty(), type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(7, 1)));
        assertThat(FindingText.sentence(only(plan, Rule.UNIVERSE_UNROUTED)))
                .isEqualTo("Universe 7 is routed nowhere: 32 slots of 2 fixtures reach no line.");
        Plan withNode = apply(plan, NetworkEdits.addBox(Box.node(1, "Quay node", Ipv4.of(10, 0, 0, 1), 1)));
        assertThat(only(withNode, Rule.UNIVERSE_UNROUTED).remedy().map(Remedy::label))
                .contains("Carry it as streaming ACN 7 to Quay node port 1");
        Plan counted = withNode.with(withNode.sheet().withCounting(new Counting(0, 100)));
        assertThat(only(counted, Rule.UNIVERSE_UNROUTED).remedy().map(Remedy::label))
                .contains("Carry it as streaming ACN 107 to Quay node port 1");
    }

    @Test
    void fixturesWithoutANumberAreToldOnceTogether() {
        Plan plan = add(CLEAN, type("u", 4), 3, Optional.empty(), Optional.of(StartAddress.of(2, 200)));
        Finding finding = only(plan, Rule.NO_ID);
        assertThat(FindingText.sentence(finding)).isEqualTo("3 fixtures have no number.");
        assertThat(finding.severity()).isEqualTo(Severity.NOTE);
        assertThat(finding.fixtures()).hasSize(3);
        assertThat(finding.remedy().map(Remedy::label)).contains("Number them");
    }

    @Test
    void aGroupWithTheNumberOfAFixtureIsTold() {
        Group bow = new Group(
                1,
                Group.GroupKind.GROUP,
                "Bow",
                Optional.of(FixtureId.of(102)),
                Optional.empty(),
                new TreeSet<>(Set.of(FixtureKey.of(1))),
                List.of());
        Finding finding = only(CLEAN.with(bow), Rule.GROUP_NUMBER_TAKEN);
        assertThat(FindingText.sentence(finding))
                .isEqualTo("Fixture 102 has the number of the group “Bow”: whoever types it may get either.");
        assertThat(finding.fixtures()).containsExactly(FixtureKey.of(2));
    }

    static LongStream seeds() {
        return Rigs.seeds(100);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyRemedyThatIsAnEditMakesItsFindingGoAway(long seed) {
        Plan plan = Rigs.random(seed);
        for (Finding finding : PlanCheck.of(plan).findings()) {
            if (finding.remedy().orElse(null) instanceof Remedy.Apply apply) {
                Plan after = apply(plan, apply.edit());
                assertThat(PlanCheck.of(after).find(finding.id()))
                        .as(finding.id())
                        .isEmpty();
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void overlapsAreFoundExactlyWhereSlotsAreShared(long seed) {
        Plan plan = Rigs.random(seed);
        long owned = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .mapToLong(b -> b.slots().orElseThrow().length())
                .sum();
        long distinct = plan.blocks().stream()
                .filter(b -> b.start().isPresent())
                .flatMapToInt(b -> IntStream.rangeClosed(
                        b.start().orElseThrow().absolute(),
                        b.start().orElseThrow().absolute()
                                + b.slots().orElseThrow().length()
                                - 1))
                .distinct()
                .count();
        assertThat(PlanCheck.of(plan).byRule().get(Rule.OVERLAP).isEmpty()).isEqualTo(owned == distinct);
    }

    @Test
    void whatOnlyAnAppReachesNeedsNoAddressAndOneThatItHasIsFound() {
        FixtureType deaf = Rigs.typeReachedBy(Reach.APP_ONLY, "glow", 4);
        Plan without = add(CLEAN, deaf, 1, 700);
        assertThat(PlanCheck.of(without).byRule().get(Rule.NO_ADDRESS)).isEmpty();
        Fixture fixture = without.fixtures().get(without.fixtures().size() - 1);
        Plan with = without.with(fixture.withAddress(1, Optional.of(StartAddress.of(9, 1))));
        Finding found = only(with, Rule.ADDRESS_UNHEARD);
        assertThat(FindingText.sentence(found)).contains("700 has the address 9.001", "no universe does");
        Remedy.Apply away = (Remedy.Apply) found.remedy().orElseThrow();
        assertThat(apply(with, away.edit())).isEqualTo(without);
    }

    private static Finding only(Plan plan, Rule rule) {
        List<Finding> found = PlanCheck.of(plan).byRule().get(rule);
        assertThat(found).hasSize(1);
        return found.get(0);
    }

    private static Plan routed(Plan plan) {
        Plan withNode = apply(plan, NetworkEdits.addBox(Box.node(1, "Gate node", Ipv4.of(10, 0, 0, 2), 1)));
        Finding unrouted =
                PlanCheck.of(withNode).byRule().get(Rule.UNIVERSE_UNROUTED).get(0);
        return apply(withNode, ((Remedy.Apply) unrouted.remedy().orElseThrow()).edit());
    }
}
