package taxon.core.addressing.style;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.core.testing.Rigs.add;
import static taxon.core.testing.Rigs.empty;
import static taxon.core.testing.Rigs.place;
import static taxon.core.testing.Rigs.placeAll;
import static taxon.core.testing.Rigs.type;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.dmx.UniverseSet;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/** When it is looked for fewer who are left out, with how much effort, and what stays of what was found before. */
class FewerLeftOutTest {
    private static final Wish ON_ONE =
            Wish.USUAL.withStyle(Style.FEWEST_UNIVERSES).within(StartAddress.of(1, 1), UniverseSet.of(1, 1));

    /** Of these the ten new ones take the room of the others, who then stay in each other's way: all 20 are left out. */
    private static Attempt crowded() {
        Plan plan = add(add(empty(), type("long", 79), 8, 1), type("short", 20), 12, 9);
        plan = placeAll(plan, 1, 4, 342, 6, 269, 8, 286, 11, 261, 13, 97);
        plan = placeAll(plan, 2, 5, 130, 7, 502, 10, 483, 12, 442, 14, 277);
        plan = plan.with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(297, 301), "kept"))
                .with(new ReservedRun(2, UniverseNumber.of(2), new SlotRange(301, 305), "kept"));
        Wish wish = Wish.USUAL
                .withStyle(Style.IN_ORDER)
                .withSplit(Split.TYPE, false)
                .withHeadroom(Headroom.ofSlots(22))
                .within(StartAddress.of(1, 1), UniverseSet.of(1, 2));
        return new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), wish));
    }

    private static Laid first(Attempt attempt) {
        return attempt.lay(attempt.request().wish().style(), Set.of(), Effort.of(Effort.OF_A_REQUEST));
    }

    @Test
    void newOnesWaitWhereOthersWouldStayInEachOthersWay() {
        Laid found = first(crowded());
        assertThat(found.left()).isEqualTo(20);
        assertThat(found.newOnes()).hasSize(10);
        Laid fewer = new FewerLeftOut(crowded(), Effort.of(Effort.OF_A_REQUEST)).withoutNewOnes(found);
        assertThat(fewer.leftOut()).containsExactlyInAnyOrder(FixtureKey.of(1), FixtureKey.of(2), FixtureKey.of(3));
        assertThat(fewer.leftAtLeast()).isEqualTo(found.leftAtLeast());
    }

    /** A third of the effort has to be more than three layings. */
    @Test
    void nothingIsBegunThatCouldNotSearch() {
        Laid found = first(crowded());
        long little = 3 * crowded().layings(3) + 2;
        Effort effort = Effort.of(little);
        assertThat(new FewerLeftOut(crowded(), effort).withoutNewOnes(found)).isSameAs(found);
        assertThat(new FewerLeftOut(crowded(), effort).than(found).left()).isEqualTo(found.left());
        assertThat(effort.left()).isEqualTo(little);
        Effort enough = Effort.of(little + 1);
        new FewerLeftOut(crowded(), enough).withoutNewOnes(found);
        assertThat(enough.left()).isLessThan(little);
    }

    @Test
    void whereOnlyNewOnesAreLeftOutNobodyWaits() {
        Plan plan = placeAll(add(empty(), type("a", 300), 2, 1), 1, 1, 1);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        Laid found = first(attempt);
        assertThat(found.leftOut()).containsExactly(FixtureKey.of(2));
        Effort effort = Effort.of(Effort.OF_A_REQUEST);
        assertThat(new FewerLeftOut(attempt, effort).withoutNewOnes(found)).isSameAs(found);
        assertThat(effort.left()).isEqualTo(Effort.OF_A_REQUEST);
    }

    /** In order 1 and 2 fill the universe; without the long 1 all four others lie there. */
    @Test
    void theLongestIsTakenApartWhereTheOthersHaveRoomThen() {
        Plan plan = add(add(empty(), type("long", 400), 1, 1), type("short", 100), 5, 2);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        Laid found = attempt.lay(Style.IN_ORDER, Set.of(), Effort.of(Effort.OF_A_REQUEST));
        assertThat(found.left()).isEqualTo(4);
        Laid fewer = new FewerLeftOut(attempt, Effort.of(Effort.OF_A_REQUEST)).than(found);
        assertThat(fewer.leftOut()).containsExactly(FixtureKey.of(1));
    }

    // Which are tried apart from the others, by a laying that leaves out what the test says

    private static final long GIVEN = 3_600_000;

    private final List<String> tried = new ArrayList<>();
    private final Map<Set<FixtureKey>, Laid> found = new HashMap<>();
    private long given = GIVEN;

    /** Fixture 1 has the fewest slots, the last but one and the last the most. */
    private static Attempt unequal(int count, boolean addressed) {
        Plan plan = empty();
        for (int key = 1; key <= count; key++) {
            plan = add(plan, type("of-" + key, Math.min(key, count - 1) * 10), 1, key);
            plan = addressed ? place(plan, key, 1, StartAddress.of(1, key * 40)) : plan;
        }
        return new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
    }

    private static Set<FixtureKey> keys(int... keys) {
        return IntStream.of(keys).mapToObj(FixtureKey::of).collect(Collectors.toSet());
    }

    private static Laid leaving(Attempt attempt, int... out) {
        Task task = Task.of(attempt.plan(), attempt.request(), Set.of(), Effort.of(GIVEN));
        Map<Integer, StartAddress> starts = new HashMap<>();
        task.request().pieces().stream()
                .filter(p -> !keys(out).contains(p.fixture().key()))
                .forEach(p -> starts.put(p.index(), StartAddress.of(1, 1)));
        return new Laid(task, Layout.byHand(task.request().pieces(), starts, Map.of()), List.of(), 0);
    }

    /** What is looked for, each try with its part of the effort; what the test does not name leaves out all. */
    private FewerLeftOut looked(Attempt attempt, long mostOffers) {
        int[] all = attempt.plan().fixtures().stream()
                .mapToInt(f -> f.key().number())
                .toArray();
        return new FewerLeftOut(
                attempt,
                (apart, effort) -> {
                    String numbers = apart.stream()
                            .map(FixtureKey::number)
                            .sorted()
                            .map(String::valueOf)
                            .collect(Collectors.joining(" "));
                    tried.add(numbers + ", 1/" + given / effort.left());
                    return found.getOrDefault(apart, leaving(attempt, all));
                },
                Effort.of(given),
                mostOffers);
    }

    @Test
    void theLongestAreTriedByThirdsThenTheNewOnesThenEachAloneThenAllButEach() {
        Attempt attempt = unequal(4, false);
        Laid before = leaving(attempt, 1, 2, 3, 4);
        looked(attempt, 100).than(before);
        assertThat(tried)
                .containsExactly(
                        "3, 1/3",
                        "3 4, 1/3",
                        "1 2 3 4, 1/3",
                        "1 2 3 4, 1/6",
                        "3, 1/6",
                        "4, 1/6",
                        "2, 1/6",
                        "1, 1/6",
                        "1 2 4, 1/6",
                        "1 2 3, 1/6",
                        "1 3 4, 1/6",
                        "2 3 4, 1/6");
    }

    /** Four new ones of a rig of four are sixteen offers. */
    @Test
    void newOnesAreNotTriedWhereTheyAreTooManyOffers() {
        Attempt attempt = unequal(4, false);
        looked(attempt, 15).than(leaving(attempt, 1));
        assertThat(tried).containsExactly("1, 1/3", "1, 1/6");
        tried.clear();
        looked(attempt, 16).than(leaving(attempt, 1));
        assertThat(tried).containsExactly("1, 1/3", "1 2 3 4, 1/6", "1, 1/6");
    }

    @Test
    void ofMoreThanEightNoneIsTriedAlone() {
        Attempt nine = unequal(9, true);
        looked(nine, 0).than(leaving(nine, 1, 2, 3, 4, 5, 6, 7, 8, 9));
        assertThat(tried).containsExactly("7 8 9, 1/3", "4 5 6 7 8 9, 1/3", "1 2 3 4 5 6 7 8 9, 1/3");
        tried.clear();
        looked(nine, 0).than(leaving(nine, 1, 2, 3, 4, 5, 6, 7, 8));
        assertThat(tried).hasSize(3 + 8 + 8);
    }

    @Test
    void whatLeavesOutFewerIsTakenAndWhatLeavesOutMoreIsNot() {
        Attempt attempt = unequal(4, true);
        Laid before = leaving(attempt, 1, 2, 3);
        assertThat(looked(attempt, 0).than(before)).isSameAs(before);
        Laid better = leaving(attempt, 1, 4);
        found.put(keys(3), better);
        assertThat(looked(attempt, 0).than(before)).isSameAs(better);
        Laid best = leaving(attempt, 2);
        found.put(keys(1), best);
        assertThat(looked(attempt, 0).than(before)).isSameAs(best);
    }

    /** With all of them apart the others lie in the style that was wished, which is better where it leaves out no more. */
    @Test
    void ofTwoThatLeaveOutAsManyTheOneWithAllApartIsTaken() {
        Attempt attempt = unequal(4, true);
        Laid before = leaving(attempt, 1, 2, 3);
        found.put(keys(3), leaving(attempt, 1, 2, 4));
        found.put(keys(1), leaving(attempt, 1, 2, 4));
        assertThat(looked(attempt, 0).than(before)).isSameAs(before);
        Laid asWished = leaving(attempt, 1, 2, 3);
        found.put(keys(1, 2, 3), asWished);
        assertThat(looked(attempt, 0).than(before)).isSameAs(asWished);
    }

    @Test
    void nobodyIsTriedAloneWhereNoFewerCanBeLeftOut() {
        Attempt attempt = unequal(4, true);
        looked(attempt, 0).than(leaving(attempt, 1, 2).atLeast(2));
        assertThat(tried).containsExactly("2, 1/3", "1 2, 1/3");
        tried.clear();
        looked(attempt, 0).than(leaving(attempt, 1, 2).atLeast(1));
        assertThat(tried).hasSize(4);
    }

    /** Fixture 4 is new; that it is apart was tried with a third of the effort. */
    @Test
    void newOnesThatWaitedAreNotTriedAgain() {
        Plan plan = add(unequal(3, true).plan(), type("new", 15), 1, 4);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        looked(attempt, 100).than(leaving(attempt, 1, 4));
        assertThat(tried).containsExactly("4, 1/3", "4, 1/3", "1 4, 1/3", "1, 1/6");
        tried.clear();
        looked(attempt, 100).than(leaving(attempt, 4));
        assertThat(tried).containsExactly("4, 1/3", "4, 1/6");
    }

    /** One new one of a rig of four is four offers. */
    @Test
    void newOnesDoNotWaitWhereTheyAreTooManyOffers() {
        Plan plan = add(unequal(3, true).plan(), type("new", 15), 1, 4);
        Attempt attempt = new Attempt(plan, new PlacementRequest(Scope.ALL, Set.of(), ON_ONE));
        Laid before = leaving(attempt, 1, 4);
        assertThat(looked(attempt, 3).withoutNewOnes(before)).isSameAs(before);
        assertThat(tried).isEmpty();
        found.put(keys(4), leaving(attempt, 4));
        assertThat(looked(attempt, 4).withoutNewOnes(before).leftOut()).containsExactly(FixtureKey.of(4));
        assertThat(tried).containsExactly("4, 1/3");
    }

    @Test
    void nobodyIsTriedAloneWithTooLittleEffort() {
        Attempt attempt = unequal(4, true);
        given = 6 * attempt.layings(3);
        looked(attempt, 0).than(leaving(attempt, 1, 2));
        assertThat(tried).hasSize(2);
        tried.clear();
        given += 6;
        looked(attempt, 0).than(leaving(attempt, 1, 2));
        assertThat(tried).hasSize(4);
    }
}
