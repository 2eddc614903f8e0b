package taxon.core.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.SettingGuide;
import taxon.core.paper.Paper.Part;
import taxon.core.paper.PaperChoice.Order;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.MenuValues;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.Traits;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.MenuEdits;
import taxon.core.testing.Rigs;

class PapersTest {
    private static Paper of(Plan plan, PaperKind kind) {
        return Papers.of(plan, kind, PaperChoice.ALL);
    }

    private static List<List<String>> words(Paper paper) {
        return paper.parts().stream()
                .flatMap(p -> p.rows().stream())
                .map(PapersTest::words)
                .toList();
    }

    private static List<String> words(List<Cell> row) {
        return row.stream().map(Cell::words).toList();
    }

    private static String print(Paper paper) {
        return PaperText.of(paper, "Job").fingerprint();
    }

    static LongStream seeds() {
        return Rigs.seeds(60);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyBlockStandsOnceOnEachPatchAndEverySlotOnce(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        for (PaperKind kind : List.of(PaperKind.BY_FIXTURE, PaperKind.BY_POSITION, PaperKind.BY_TYPE)) {
            Paper paper = of(plan, kind);
            long modeless = plan.fixtures().stream()
                    .filter(f -> plan.blocksOf(f).isEmpty())
                    .count();
            assertThat(paper.size()).as(kind.title()).isEqualTo((int)
                    (plan.blocks().size() + modeless));
            assertThat(paper.list().rows()).hasSize(plan.fixtures().size());
        }
        List<PlannedBlock> placed =
                plan.blocks().stream().filter(b -> b.start().isPresent()).toList();
        assertThat(of(plan, PaperKind.BY_UNIVERSE).size())
                .isEqualTo(placed.size() + plan.reservedRuns().size());
        assertThat(of(plan, PaperKind.SLOTS).size())
                .isEqualTo(placed.stream()
                        .mapToInt(b -> (int) b.block().slotUses().stream()
                                .filter(u -> b.start().get().slot().number() + u.offset() - 1 <= 512)
                                .count())
                        .sum());
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyRowHasACellForEachColumnAndItsListOneForEachName(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        for (PaperKind kind : PaperKind.values()) {
            Paper paper = of(plan, kind);
            paper.parts().stream()
                    .flatMap(p -> p.rows().stream())
                    .forEach(row -> assertThat(row)
                            .as(kind.title())
                            .hasSize(paper.columns().size()));
            assertThat(paper.list().rows())
                    .allMatch(row -> row.size() == paper.list().header().size());
            assertThat(paper.list().header()).doesNotHaveDuplicates().doesNotContain("Address");
            assertThat(paper.list().rows().stream().flatMap(List::stream))
                    .noneMatch(c -> c instanceof Cell.Start || c instanceof Cell.Run);
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void papersOfEachUniverseTogetherAreThePaperOfAll(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        List<List<String>> together = new ArrayList<>();
        plan.universes()
                .forEach(u -> together.addAll(words(Papers.of(
                        plan,
                        PaperKind.BY_UNIVERSE,
                        new PaperChoice(new TreeSet<>(), Optional.empty(), Optional.of(u.number()), Order.USUAL)))));
        assertThat(together).isEqualTo(words(of(plan, PaperKind.BY_UNIVERSE)));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void papersOfEachPositionTogetherAreThePaperByPosition(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        List<String> together = plan.positions().stream()
                .flatMap(p -> words(Papers.of(
                                plan,
                                PaperKind.BY_POSITION,
                                new PaperChoice(
                                        new TreeSet<>(), Optional.of(p.number()), Optional.empty(), Order.USUAL)))
                        .stream())
                .map(String::valueOf)
                .toList();
        assertThat(together)
                .containsExactlyInAnyOrderElementsOf(words(of(plan, PaperKind.BY_POSITION)).stream()
                        .map(String::valueOf)
                        .toList());
    }

    @ParameterizedTest
    @EnumSource(PaperKind.class)
    void whereThereIsNothingItSaysSo(PaperKind kind) {
        assertThat(of(Rigs.empty(), kind).size()).isZero();
        assertThat(kind.nothing()).endsWith(".");
        assertThat(PaperKind.of(kind.slug())).contains(kind);
    }

    @Test
    void slotsOfAUniverseStandInOrderWithReservedRunsBetween() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, Optional.of(101), Optional.of(StartAddress.of(1, 97)))
                .with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(1, 96), "racks"));
        Part part = of(plan, PaperKind.BY_UNIVERSE).parts().get(0);
        assertThat(part.title()).isEqualTo("Universe 1, routed nowhere");
        assertThat(part.rows()).extracting(r -> r.get(0).words()).containsExactly("001–096", "097–112", "113–128");
        assertThat(words(part.rows().get(0))).contains("reserved", "racks");
        Paper.Listing list = of(plan, PaperKind.BY_UNIVERSE).list();
        assertThat(list.header()).startsWith("Universe", "Slot", "Last slot", "Fixture ID");
        assertThat(words(list.rows().get(1))).startsWith("1", "97", "112", "101");
    }

    @Test
    void aFixtureWithoutAddressOrModeIsThereAllTheSame() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 2, 101);
        Plan broken = plan.with(plan.fixtures().get(1).withMode("gone"));
        List<List<String>> rows = words(of(broken, PaperKind.BY_FIXTURE));
        assertThat(rows).hasSize(2);
        assertThat(rows.get(0)).contains("101", "none", "no address");
        assertThat(rows.get(1)).contains("102", "gone", "mode missing");
    }

    @Test
    void aFixtureOfSeveralBlocksIsOneRowOfAListWithEachAddressInColumnsOfItsOwn() {
        FixtureType type = Rigs.type("t", 8, 4);
        Plan plan = Rigs.add(Rigs.empty(), type, 1, Optional.of(7), Optional.of(StartAddress.of(2, 100)));
        plan = Rigs.place(plan, 1, 2, StartAddress.of(3, 1));
        Paper.Listing list = of(plan, PaperKind.BY_FIXTURE).list();
        List<String> row = words(list.rows().get(0));
        assertThat(row.get(list.header().indexOf("Universe"))).isEqualTo("2");
        assertThat(row.get(list.header().indexOf("Slot"))).isEqualTo("100");
        assertThat(row.get(list.header().indexOf("Block 2"))).isEqualTo("Block 2");
        assertThat(row.get(list.header().indexOf("Block 2 universe"))).isEqualTo("3");
        assertThat(row.get(list.header().indexOf("Block 2 slot"))).isEqualTo("1");
    }

    @Test
    void whatIsParkedInASlotStandsBesideIt() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 3), 1, Optional.of(7), Optional.of(StartAddress.of(1, 10)));
        Fixture fixture = plan.fixtures().get(0);
        plan = plan.with(
                fixture.withTraits(fixture.traits().withParked(List.of(new Traits.Parked(1, 2, 128, "house light")))));
        assertThat(words(of(plan, PaperKind.SLOTS)))
                .extracting(r -> r.get(0) + " " + r.get(7))
                .containsExactly("1.010 ", "1.011 at 128: house light", "1.012 ");
    }

    @Test
    void aUnitWhoseTypeIsDangerousIsToBeKnownThoughNobodySaidSo() {
        FixtureType plain = Rigs.type("laser", 8);
        FixtureType laser = FixtureType.of(
                plain.id(), "Test", "laser", "laser", Facts.of(Facts.Hazard.LASER, Facts.Reach.LINE), plain.modes());
        assertThat(words(of(Rigs.add(Rigs.empty(), laser, 1, 1), PaperKind.TO_KNOW)))
                .hasSize(1)
                .allSatisfy(row -> assertThat(row).contains("laser"));
        assertThat(of(Rigs.add(Rigs.empty(), Rigs.type("t", 8), 1, 1), PaperKind.TO_KNOW)
                        .size())
                .isZero();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void countsAreOfEveryFixtureOnce(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        int counted = of(plan, PaperKind.COUNTS).parts().stream()
                .flatMap(p -> p.rows().stream())
                .mapToInt(r -> Integer.parseInt(r.get(0).words()))
                .sum();
        assertThat(counted).isEqualTo(plan.fixtures().size());
    }

    @Test
    void whatLeavesTheShopIsCountedInCasesTooWhereSomebodySaidHowManyFit() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 5, 101);
        assertThat(of(plan, PaperKind.COUNTS).parts().get(0).title()).isEqualTo("5 × Test t, only");
        SettingGuide guide = new SettingGuide("", List.of(), "", "", Optional.empty(), List.of(), Optional.of(2));
        Edit edit = MenuEdits.describe(plan.fixtures().get(0).type(), guide, new MenuValues(new TreeMap<>()));
        assertThat(of(((Edit.Changed) edit.applyTo(plan)).plan(), PaperKind.COUNTS)
                        .parts()
                        .get(0)
                        .title())
                .isEqualTo("5 × Test t, only, in 3 cases of 2");
    }

    @Test
    void itsOrderIsThatOfAddressesWithThoseWithoutOneLast() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 3, 101);
        plan = Rigs.place(plan, 1, 1, StartAddress.of(2, 1));
        plan = Rigs.place(plan, 3, 1, StartAddress.of(1, 100));
        PaperChoice byAddress = new PaperChoice(new TreeSet<>(), Optional.empty(), Optional.empty(), Order.ADDRESS);
        assertThat(words(Papers.of(plan, PaperKind.BY_FIXTURE, byAddress)))
                .extracting(r -> r.get(0))
                .containsExactly("103", "101", "102");
    }

    @Test
    void whatItIsLimitedToStandsInItsTitle() {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 16), 4, 101);
        TreeSet<FixtureKey> chosen =
                plan.fixtures().stream().limit(3).map(Fixture::key).collect(Collectors.toCollection(TreeSet::new));
        PaperChoice some = new PaperChoice(
                chosen, Optional.of(plan.positions().get(0).number()), Optional.of(UniverseNumber.of(4)), Order.USUAL);
        assertThat(some.words(plan)).isEqualTo("101–103, Pipe, universe 4");
        assertThat(PaperChoice.ALL.words(plan)).isEmpty();
        PaperChoice gone = new PaperChoice(new TreeSet<>(), Optional.of(99), Optional.empty(), Order.USUAL);
        assertThat(gone.words(plan)).isEqualTo("position 99, which is gone");
        assertThat(Papers.of(plan, PaperKind.BY_FIXTURE, gone).size()).isZero();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aMoveChangesTheFingerprintOfWhatShowsItAndItsUndoGivesTheOldOneBack(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        Optional<PlannedBlock> placed =
                plan.blocks().stream().filter(b -> b.start().isPresent()).findFirst();
        if (placed.isEmpty()) {
            return;
        }
        PlannedBlock block = placed.get();
        StartAddress elsewhere = StartAddress.of(40_000, 1);
        Plan moved = plan.with(block.fixture().withAddress(block.ref().block(), Optional.of(elsewhere)));
        Plan back = moved.with(block.fixture());
        Set<PaperKind> showing = Set.of(
                PaperKind.BY_FIXTURE, PaperKind.BY_POSITION, PaperKind.BY_TYPE, PaperKind.BY_UNIVERSE, PaperKind.SLOTS);
        for (PaperKind kind : PaperKind.values()) {
            String before = print(of(plan, kind));
            if (showing.contains(kind)) {
                assertThat(print(of(moved, kind))).as(kind.title()).isNotEqualTo(before);
            }
            assertThat(print(of(back, kind))).as(kind.title()).isEqualTo(before);
        }
    }

    @Test
    void whereATextEndsAndTheNextBeginsCountsForTheFingerprint() {
        List<Column> columns = List.of(Column.text("A"), Column.text("B"));
        List<String> prints = IntStream.range(0, 4)
                .mapToObj(i -> List.of("aabb".substring(0, i), "aabb".substring(i)))
                .map(pair -> Paper.of(
                        PaperKind.GROUPS,
                        "",
                        columns,
                        List.of(new Part("", List.of(pair.stream().map(Cell::of).toList())))))
                .map(PapersTest::print)
                .toList();
        assertThat(prints).doesNotHaveDuplicates().allMatch(p -> p.matches("[0-9a-f]{64}"));
    }
}
