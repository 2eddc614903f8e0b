package taxon.core.numbering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.length.Length;
import taxon.core.numbering.NumberingOrder.By;
import taxon.core.numbering.NumberingProposal.Range;
import taxon.core.numbering.NumberingRequest.Families;
import taxon.core.numbering.NumberingRequest.Room;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class NumberingTest {
    private static final NumberingOrder ALONG = new NumberingOrder(By.POSITION, false, false);

    private static NumberingRequest request(Plan plan, Families families, int first, Room room, boolean keep) {
        Set<FixtureKey> all = plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet());
        return new NumberingRequest(all, ALONG, families, first, room, new TreeMap<>(), keep, false);
    }

    /** Eight on a pipe, the last four pasted copies of the first and hung between them. */
    private static Plan pasted() {
        Plan plan = Rigs.add(Rigs.add(Rigs.empty(), Rigs.type("t", 4), 4, 201), Rigs.type("t", 4), 4, 201);
        List<Fixture> hung = new ArrayList<>();
        for (Fixture f : plan.fixtures()) {
            int key = f.key().number();
            int millimetres = key <= 4 ? key * 1000 : (key - 4) * 1000 + 500;
            hung.add(f.withOffset(Optional.of(Length.millimetres(millimetres))));
        }
        return plan.with(hung);
    }

    private static List<Integer> numbers(Plan plan) {
        return RigOrder.of(plan, plan.fixtures(), ALONG).stream()
                .map(f -> f.id().map(FixtureId::number).orElse(0))
                .toList();
    }

    @Test
    void aMessOfPastedCopiesIsPutRightInOneStep() {
        Plan plan = pasted();
        assertThat(numbers(plan)).containsExactly(201, 201, 202, 202, 203, 203, 204, 204);
        NumberingProposal proposal =
                Numbering.propose(plan, request(plan, Families.BY_POSITION, 201, Room.HUNDRED, false));
        assertThat(numbers(plan)).contains(201);
        assertThat(numbers(Rigs.apply(plan, proposal.edit()))).containsExactly(201, 202, 203, 204, 205, 206, 207, 208);
    }

    @Test
    void familiesBeginAtTheNextHundredWithRoomToGrow() {
        Plan plan = Rigs.add(Rigs.add(Rigs.empty(), Rigs.type("a", 4), 3, 7), Rigs.type("b", 4), 120, 300);
        plan = Rigs.add(plan, Rigs.type("c", 4), 2, 900);
        NumberingProposal proposal = Numbering.propose(plan, request(plan, Families.BY_TYPE, 101, Room.HUNDRED, false));
        assertThat(proposal.families()).extracting(Range::first).containsExactly(101, 201, 401);
        assertThat(proposal.families()).extracting(Range::last).containsExactly(103, 320, 402);
        assertThat(Numbering.propose(plan, request(plan, Families.BY_TYPE, 101, Room.TEN, false))
                        .families())
                .extracting(Range::first)
                .containsExactly(101, 111, 231);
    }

    @Test
    void whatIsNotAskedForKeepsItsNumberAndNobodyGetsItTwice() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("a", 4), 5, 1);
        NumberingRequest some = new NumberingRequest(
                Set.of(FixtureKey.of(1), FixtureKey.of(4), FixtureKey.of(5)),
                ALONG,
                Families.ONE,
                1,
                Room.NONE,
                new TreeMap<>(),
                false,
                false);
        Plan numbered = Rigs.apply(plan, Numbering.propose(plan, some).edit());
        assertThat(numbers(numbered)).containsExactly(1, 2, 3, 4, 5);
    }

    @Test
    void numbersThatFitStayAndTheOthersFillIn() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("a", 4), 5, 101);
        int[] ids = {101, 150, 103, 104, 7};
        for (int i = 0; i < 5; i++) {
            plan = plan.with(
                    plan.fixture(FixtureKey.of(i + 1)).orElseThrow().withId(Optional.of(FixtureId.of(ids[i]))));
        }
        NumberingProposal proposal = Numbering.propose(plan, request(plan, Families.ONE, 101, Room.HUNDRED, true));
        assertThat(proposal.kept()).isEqualTo(3);
        assertThat(numbers(Rigs.apply(plan, proposal.edit()))).containsExactly(101, 102, 103, 104, 105);
    }

    @Test
    void aFamilyThatDoesNotFitSaysHowManyNumbersItHas() {
        Plan plan = Rigs.add(Rigs.add(Rigs.empty(), Rigs.type("a", 4), 5, 1), Rigs.type("b", 4), 2, 50);
        NumberingRequest tight = new NumberingRequest(
                plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet()),
                ALONG,
                Families.BY_TYPE,
                1,
                Room.NONE,
                new TreeMap<>(Map.of("type-b", 4)),
                false,
                false);
        assertThatThrownBy(() -> Numbering.propose(plan, tight))
                .isInstanceOfSatisfying(NumbersRunOutException.class, e -> {
                    assertThat(e.free()).isEqualTo(3);
                    assertThat(e.limit()).isEqualTo(3);
                });
    }

    @Test
    void aFamilyStaysInTheHundredInWhichMostOfItsNumbersAre() {
        Plan plan = Rigs.add(Rigs.add(Rigs.empty(), Rigs.type("a", 4), 3, 301), Rigs.type("b", 4), 4, 101);
        plan = Rigs.add(Rigs.add(plan, Rigs.type("c", 4), 2, 302), Rigs.type("d", 4), 2, 9001);
        NumberingProposal proposal = Numbering.propose(plan, request(plan, Families.BY_TYPE, 101, Room.HUNDRED, true));
        assertThat(proposal.families()).extracting(Range::first).containsExactly(301, 101, 201, 9001);
        assertThat(proposal.kept()).isEqualTo(9);
    }

    @Test
    void unitsAreCountedAlongThePosition() {
        Plan plan = pasted();
        NumberingRequest base = request(plan, Families.ONE, 201, Room.NONE, true);
        NumberingRequest units = new NumberingRequest(
                base.fixtures(), ALONG, base.families(), 201, Room.NONE, new TreeMap<>(), true, true);
        Plan numbered = Rigs.apply(plan, Numbering.propose(plan, units).edit());
        assertThat(RigOrder.of(numbered, numbered.fixtures(), ALONG))
                .extracting(Fixture::unit)
                .containsExactly(1, 2, 3, 4, 5, 6, 7, 8);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void onAnyRigNumbersAreGivenOnceFamiliesStayApartAndAgainChangesNothing(int round) {
        for (long seed = round * 50L; seed < round * 50L + 50; seed++) {
            Random random = new Random(seed);
            Plan plan = Rigs.hung(seed);
            NumberingRequest request = new NumberingRequest(
                    plan.fixtures().stream()
                            .map(Fixture::key)
                            .filter(k -> random.nextInt(6) > 0)
                            .collect(Collectors.toSet()),
                    new NumberingOrder(By.values()[random.nextInt(3)], random.nextBoolean(), random.nextBoolean()),
                    Families.values()[random.nextInt(3)],
                    1 + random.nextInt(300),
                    Room.values()[random.nextInt(4)],
                    new TreeMap<>(),
                    random.nextBoolean(),
                    random.nextBoolean());
            NumberingProposal proposal = Numbering.propose(plan, request);
            Plan numbered = Rigs.apply(plan, proposal.edit());
            checkBijection(numbered, request, seed);
            checkApart(numbered, proposal, seed);
            NumberingProposal again = Numbering.propose(numbered, request);
            assertThat(again.changes()).as("seed " + seed).isEmpty();
        }
    }

    private static void checkBijection(Plan plan, NumberingRequest request, long seed) {
        Set<Integer> others = new HashSet<>();
        List<Integer> given = new ArrayList<>();
        plan.fixtures()
                .forEach(f -> f.id().ifPresent(id -> {
                    if (request.fixtures().contains(f.key())) {
                        given.add(id.number());
                    } else {
                        others.add(id.number());
                    }
                }));
        assertThat(given)
                .as("seed " + seed)
                .doesNotHaveDuplicates()
                .hasSize(request.fixtures().size());
        assertThat(given).as("seed " + seed).noneMatch(others::contains);
    }

    private static void checkApart(Plan plan, NumberingProposal proposal, long seed) {
        List<Range> runs = proposal.families().stream()
                .sorted(Comparator.comparing(Range::first))
                .toList();
        for (int i = 0; i + 1 < runs.size(); i++) {
            assertThat(runs.get(i).last())
                    .as("seed " + seed)
                    .isLessThan(runs.get(i + 1).first());
        }
        for (Range run : runs) {
            int before = 0;
            for (Fixture member : run.family().members()) {
                int number = plan.fixture(member.key())
                        .orElseThrow()
                        .id()
                        .orElseThrow()
                        .number();
                assertThat(number).as("seed " + seed).isGreaterThan(before).isLessThanOrEqualTo(run.limit());
                before = number;
            }
        }
    }

    /** Starts that are told may leave too few numbers; what is proposed all the same is sound. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void familiesThatAreToldWhereToBeginStayApartToo(int round) {
        int proposed = 0;
        for (long seed = round * 50L; seed < round * 50L + 50; seed++) {
            Random random = new Random(seed);
            Plan plan = Rigs.hung(seed);
            TreeMap<String, Integer> starts = new TreeMap<>();
            plan.types().types().stream()
                    .filter(t -> random.nextInt(3) == 0)
                    .forEach(t -> starts.put("type-" + t.id(), 1 + random.nextInt(600)));
            NumberingRequest request = new NumberingRequest(
                    plan.fixtures().stream().map(Fixture::key).collect(Collectors.toSet()),
                    ALONG,
                    Families.BY_TYPE,
                    1 + random.nextInt(300),
                    Room.values()[random.nextInt(4)],
                    starts,
                    random.nextBoolean(),
                    false);
            try {
                NumberingProposal proposal = Numbering.propose(plan, request);
                Plan numbered = Rigs.apply(plan, proposal.edit());
                checkBijection(numbered, request, seed);
                checkApart(numbered, proposal, seed);
                proposed++;
            } catch (NumbersRunOutException tight) {
                assertThat(tight.free()).isLessThan(tight.family().members().size());
            }
        }
        assertThat(proposed).isGreaterThan(25);
    }

    /** Every subset is tried: none that could stay is larger. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void noMoreNumbersCouldStay(long round) {
        for (long seed = round * 100; seed < round * 100 + 100; seed++) {
            Random random = new Random(seed);
            int room = 8 + random.nextInt(8);
            int[] ranks = random.ints(1 + random.nextInt(8), -1, room).toArray();
            int most = 0;
            for (int subset = 0; subset < 1 << ranks.length; subset++) {
                most = Math.max(most, canStay(ranks, subset, room) ? Integer.bitCount(subset) : 0);
            }
            Map<Integer, Integer> kept = Keeper.keep(ranks, room);
            assertThat(kept).as("seed " + seed).hasSize(most);
            int[] filled = Keeper.fill(ranks.length, kept);
            assertThat(filled).as("seed " + seed).isSorted().doesNotHaveDuplicates();
            assertThat(filled[0]).isNotNegative();
            assertThat(filled[ranks.length - 1]).isLessThan(room);
        }
    }

    private static boolean canStay(int[] ranks, int subset, int room) {
        int rank = -1;
        int place = -1;
        for (int i = 0; i < ranks.length; i++) {
            if ((subset & 1 << i) != 0) {
                if (ranks[i] < 0 || ranks[i] - rank < i - place) {
                    return false;
                }
                rank = ranks[i];
                place = i;
            }
        }
        return room - rank >= ranks.length - place;
    }

    @Test
    void theEditGivesWhatWasProposedOrRefuses() {
        Plan plan = pasted();
        NumberingProposal proposal = Numbering.propose(plan, request(plan, Families.ONE, 99_990, Room.NONE, false));
        Plan more = Rigs.add(plan, Rigs.type("t", 4), 9, 99_991);
        assertThat(proposal.edit().applyTo(more)).isInstanceOf(Edit.Refused.class);
    }
}
