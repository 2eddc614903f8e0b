package taxon.core.rigtable;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Part;
import taxon.core.grouping.Groupings;
import taxon.core.grouping.IdRuns;
import taxon.core.grouping.RigTree;
import taxon.core.listing.TableRow;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Group.Rule;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits.Parked;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.edit.GroupEdits;
import taxon.core.rig.edit.ParkEdits;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

/** Cells and layers as rows of the table, each with its start address, its name, what is parked in it and its groups. */
class PartRowsTest {
    private static final FixtureKey LAYERED = FixtureKey.of(1);
    private static final FixtureKey BATTEN = FixtureKey.of(2);

    /** A master with two layers, each a block of its own, at 1.001 as manuals count it; a batten of cells in one block at 2.101. */
    private static final Plan RIG = rig();

    private static Plan rig() {
        Plan plan = Rigs.add(Rigs.empty(), DemoTypes.book().named("", "Bittern").orElseThrow(), 1, 501);
        plan = Rigs.add(plan, DemoTypes.book().named("", "Curlew 12").orElseThrow(), 1, 401);
        plan = plan.with(plan.fixture(LAYERED).orElseThrow().withMode("2 layers"));
        plan = plan.with(plan.fixture(BATTEN).orElseThrow().withMode("37-channel"));
        plan = after(plan, new FieldChange(BATTEN, FixtureColumn.ADDRESS, "2.101"));
        Plan one = after(plan, new FieldChange(LAYERED, FixtureColumn.ADDRESS, "1.001"));
        List<FieldChange> layers = List.of(layer(1, FixtureColumn.ADDRESS, "1.007"));
        one = TableWork.of(one, layers).plan();
        for (String name : List.of("Inner", "Outer, left")) {
            one = Rigs.apply(one, GroupEdits.make(group(name, one.groups().size() + 1)));
        }
        return Rigs.apply(one, GroupEdits.make(Group.folder(1, "Dock", Optional.empty())));
    }

    private static Group group(String name, int id) {
        return new Group(
                1, GroupKind.GROUP, name, Optional.of(FixtureId.of(id)), Optional.empty(), List.of(), List.of());
    }

    private static FieldChange layer(int number, FixtureColumn column, String text) {
        return new FieldChange(new PartRef(LAYERED, Part.layer(number)), column, text);
    }

    private static FieldChange cell(int number, FixtureColumn column, String text) {
        return new FieldChange(new PartRef(BATTEN, Part.cell(number)), column, text);
    }

    private static Plan after(Plan plan, FieldChange... changes) {
        TableWork work = TableWork.of(plan, Arrays.asList(changes));
        assertThat(work.faults()).isEmpty();
        return work.plan();
    }

    private static String fault(Plan plan, FieldChange change) {
        TableWork work = TableWork.of(plan, List.of(change));
        assertThat(work.plan()).isEqualTo(plan);
        return work.faults().get(0).reason().sentence();
    }

    private static String text(Plan plan, FieldChange at) {
        return FieldText.of(plan, RigPart.find(plan, at.row()).orElseThrow(), at.column());
    }

    /** Common practice in manuals: a 6-slot master at 1, then layers, so the first layer at 7. */
    @Test
    void theFirstLayerBehindASixSlotMasterAtOneIsAtSeven() {
        Plan oneBlock = onlyOneBlock();
        List<RigPart> layers = RigPart.of(oneBlock, oneBlock.fixtures().get(0));
        assertThat(layers).extracting(RigPart::label).containsExactly("1, layer 1", "1, layer 2");
        assertThat(layers)
                .extracting(r -> FieldText.of(oneBlock, r, FixtureColumn.ADDRESS))
                .containsExactly("1.007", "1.011");
    }

    private static Plan onlyOneBlock() {
        FixtureType type = Rigs.typeOf(
                "stack",
                new ChannelScript()
                        .whole("Dimmer:2 ColorAdd_R ColorAdd_G ColorAdd_B Control1")
                        .layer(1, "Dimmer MediaFolder1 MediaContent1 Zoom")
                        .layer(2, "Dimmer MediaFolder1 MediaContent1 Zoom")
                        .toBlock("Main", ""));
        return after(
                Rigs.add(Rigs.empty(), type, 1, 1), new FieldChange(FixtureKey.of(1), FixtureColumn.ADDRESS, "1.001"));
    }

    @Test
    void aCellBeginsWhereItsFirstSlotIsWhereverTheFixtureGoes() {
        FieldChange third = cell(3, FixtureColumn.ADDRESS, "");
        PlannedBlock block = RIG.blocksOf(RIG.fixture(BATTEN).orElseThrow()).get(0);
        int offset = block.block().channels().stream()
                .filter(c -> c.part().equals(Part.cell(3)))
                .flatMap(c -> c.offsets().stream())
                .min(Integer::compare)
                .orElseThrow();
        assertThat(text(RIG, third)).isEqualTo("2." + (100 + offset));
        Plan moved = after(RIG, new FieldChange(BATTEN, FixtureColumn.ADDRESS, "3.001"));
        assertThat(text(moved, third)).isEqualTo(StartAddress.of(3, offset).toString());
        Plan none = after(RIG, new FieldChange(BATTEN, FixtureColumn.ADDRESS, ""));
        assertThat(text(none, third)).isEmpty();
        Plan cut = after(RIG, new FieldChange(BATTEN, FixtureColumn.ADDRESS, "3.512"));
        assertThat(text(cut, third)).isEmpty();
    }

    @Test
    void aLayerWithABlockToItselfTakesAnAddressAndTheOthersStay() {
        Plan plan = after(RIG, layer(2, FixtureColumn.ADDRESS, "4.1"));
        assertThat(plan.fixture(LAYERED).orElseThrow().addresses())
                .containsEntry(1, StartAddress.of(1, 1))
                .containsEntry(2, StartAddress.of(1, 7))
                .containsEntry(3, StartAddress.of(4, 1));
        Plan taken = after(plan, layer(2, FixtureColumn.ADDRESS, ""));
        assertThat(taken.fixture(LAYERED).orElseThrow().addresses()).doesNotContainKey(3);
        assertThat(fault(plan, layer(2, FixtureColumn.ADDRESS, "4.1 4.50"))).contains("one address");
    }

    @Test
    void aLockedFixtureKeepsTheAddressesOfItsLayers() {
        Fixture fixture = RIG.fixture(LAYERED).orElseThrow();
        Plan locked = RIG.with(fixture.withTraits(fixture.traits().withLocked(true)));
        assertThat(fault(locked, layer(2, FixtureColumn.ADDRESS, "4.1"))).contains("locked");
    }

    @Test
    void aCellAmongOthersSendsWhoeverTypesItsAddressToItsFixture() {
        assertThat(fault(RIG, cell(3, FixtureColumn.ADDRESS, "5.001")))
                .startsWith("The address is that of fixture 401, whose slot ")
                .endsWith("it is; change it there.");
        assertThat(fault(RIG, cell(3, FixtureColumn.UNIT, "5")))
                .isEqualTo("The unit is that of fixture 401; change it there.");
    }

    @Test
    void aPartKeepsItsNameThroughAModeThatLacksIt() {
        Plan plan = after(RIG, layer(2, FixtureColumn.NAME, "Water"), cell(1, FixtureColumn.NAME, "Stern end"));
        assertThat(text(plan, layer(2, FixtureColumn.NAME, ""))).isEqualTo("Water");
        assertThat(after(plan, layer(2, FixtureColumn.NAME, ""), cell(1, FixtureColumn.NAME, "")))
                .isEqualTo(RIG);
        Plan four = after(plan, new FieldChange(LAYERED, FixtureColumn.MODE, "4 layers"));
        Plan named = after(four, layer(4, FixtureColumn.NAME, "Fire"));
        Plan two = after(named, new FieldChange(LAYERED, FixtureColumn.MODE, "2 layers"));
        assertThat(fault(two, layer(4, FixtureColumn.NAME, "x")))
                .isEqualTo("There is no part layer 4 (in mode 2 layers of 501).");
        Plan back = after(two, new FieldChange(LAYERED, FixtureColumn.MODE, "4 layers"));
        assertThat(text(back, layer(4, FixtureColumn.NAME, ""))).isEqualTo("Fire");
        assertThat(fault(RIG, cell(1, FixtureColumn.NAME, "x".repeat(81)))).contains("name");
    }

    @Test
    void whatIsParkedReadsByItsChannelAndIsParkedSo() {
        Plan plan = after(RIG, cell(3, FixtureColumn.PARKED, "red = 255 house light; green=7 for looks; nobody knows"));
        assertThat(text(plan, cell(3, FixtureColumn.PARKED, "")))
                .isEqualTo("red = 255 house light; green = 7 for looks; nobody knows");
        assertThat(text(plan, new FieldChange(BATTEN, FixtureColumn.PARKED, "")))
                .isEqualTo("red cell 3 = 255 house light; green cell 3 = 7 for looks; nobody knows");
        assertThat(text(plan, cell(2, FixtureColumn.PARKED, ""))).isEmpty();
        assertThat(after(plan, cell(3, FixtureColumn.PARKED, ""))).isEqualTo(RIG);
    }

    @Test
    void aNameWithoutAPartMeansItInAllAndReadsSo() {
        Plan plan = after(RIG, new FieldChange(BATTEN, FixtureColumn.PARKED, "blue = 30 glow"));
        assertThat(text(plan, new FieldChange(BATTEN, FixtureColumn.PARKED, "")))
                .isEqualTo("blue = 30 glow");
        assertThat(text(plan, cell(5, FixtureColumn.PARKED, ""))).isEqualTo("blue = 30 glow");
        Plan otherwise = after(plan, cell(5, FixtureColumn.PARKED, "blue = 31 glow"));
        assertThat(text(otherwise, new FieldChange(BATTEN, FixtureColumn.PARKED, "")))
                .contains("blue cell 4 = 30 glow; blue cell 5 = 31 glow");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "red = 256 x | values 0 to 255",
                "red = 5 | channel = value and why",
                "zoom = 5 x | a channel that it has; there is no zoom in 401, cell 3",
                "1.1 = 5 x | a channel that it has",
                "red = 5 x; red = 6 y | a slot is parked twice",
            })
    void whatCannotBeParkedIsToldAndNothingIs(String text, String words) {
        assertThat(fault(RIG, cell(3, FixtureColumn.PARKED, text))).contains(words);
    }

    static LongStream seeds() {
        return Rigs.seeds(200);
    }

    /** Any slots at any values, with reasons that look like entries: the text means exactly those. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsParkedGoesRoundAsText(long seed) {
        Random random = new Random(seed);
        List<String> whys = List.of("kept", "a; b", "one = two", "x = 3", "; y", "1.2 = 3");
        Fixture fixture = RIG.fixture(random.nextBoolean() ? BATTEN : LAYERED).orElseThrow();
        List<Parked> parked = random.ints(1 + random.nextInt(30), 0, 30)
                .distinct()
                .mapToObj(i -> new Parked(
                        1 + (fixture.key().equals(LAYERED) ? random.nextInt(3) : 0),
                        1 + i,
                        random.nextInt(3),
                        whys.get(random.nextInt(random.nextBoolean() ? 1 : 3))))
                .toList();
        RigPart row = RigPart.whole(fixture.withTraits(fixture.traits().withParked(parked)));
        String text = ParkedText.of(RIG, row);
        assertThat(ParkedText.read(RIG, RigPart.whole(fixture), text)).containsExactlyInAnyOrderElementsOf(parked);
    }

    @Test
    void aChannelOfALayerIsParkedByItsNumberToo() {
        Plan plan = Rigs.apply(RIG, ParkEdits.park(RIG, List.of(LAYERED), "red 2", Optional.of(9), "lamp"));
        assertThat(text(plan, layer(2, FixtureColumn.PARKED, ""))).isEqualTo("red = 9 lamp");
        assertThat(text(plan, layer(1, FixtureColumn.PARKED, ""))).isEmpty();
        Plan named = Rigs.apply(RIG, ParkEdits.park(RIG, List.of(LAYERED), "red layer 2", Optional.of(9), "lamp"));
        assertThat(named).isEqualTo(plan);
    }

    @Test
    void cellsGoIntoGroupsByNameOrNumberAndOutAgain() {
        Plan plan = after(
                RIG,
                cell(1, FixtureColumn.GROUPS, "outer, left, INNER"),
                cell(2, FixtureColumn.GROUPS, "1"),
                layer(1, FixtureColumn.GROUPS, "Inner"));
        assertThat(text(plan, cell(1, FixtureColumn.GROUPS, ""))).isEqualTo("Inner, Outer, left");
        assertThat(text(plan, new FieldChange(BATTEN, FixtureColumn.GROUPS, "")))
                .isEmpty();
        assertThat(IdRuns.parts(Groupings.all(plan).get(0).parts())).isEqualTo("501 layer 1, 401 cells 1, 2");
        assertThat(RigTree.inside(plan, 1)).containsExactlyInAnyOrder(LAYERED, BATTEN);
        Plan out = after(
                plan,
                cell(1, FixtureColumn.GROUPS, ""),
                cell(2, FixtureColumn.GROUPS, ""),
                layer(1, FixtureColumn.GROUPS, ""));
        assertThat(out).isEqualTo(RIG);
    }

    @Test
    void aFolderKeepsWholeFixturesAndOneOfThem() {
        assertThat(fault(RIG, cell(1, FixtureColumn.GROUPS, "Dock"))).contains("a folder keeps whole fixtures");
        Plan two = Rigs.apply(RIG, GroupEdits.make(Group.folder(1, "Shed", Optional.empty())));
        FieldChange both = new FieldChange(BATTEN, FixtureColumn.GROUPS, "Dock, Shed");
        assertThat(fault(two, both)).contains("one folder at most");
        Plan dock = after(two, new FieldChange(BATTEN, FixtureColumn.GROUPS, "Dock"));
        Plan shed = after(dock, new FieldChange(BATTEN, FixtureColumn.GROUPS, "Shed, Inner"));
        assertThat(text(shed, both)).isEqualTo("Inner, Shed");
        assertThat(fault(shed, new FieldChange(BATTEN, FixtureColumn.GROUPS, "Attic")))
                .startsWith("There is no folder or group Attic (Inner, Outer, left, Dock, Shed");
    }

    @Test
    void nobodyLeavesAGroupThatTakesThemByItsRule() {
        Group ruled = new Group(
                1,
                GroupKind.GROUP,
                "Battens",
                Optional.empty(),
                Optional.empty(),
                List.of(),
                List.of(Rule.ofType(RIG.fixture(BATTEN).orElseThrow().type())));
        Plan plan = Rigs.apply(RIG, GroupEdits.make(ruled));
        assertThat(fault(plan, new FieldChange(BATTEN, FixtureColumn.GROUPS, "")))
                .contains("Battens among them, which takes it by its rule");
        Plan more = after(plan, new FieldChange(BATTEN, FixtureColumn.GROUPS, "Battens, Inner"));
        assertThat(more.groups().get(0).members()).containsExactly(BATTEN);
        assertThat(more.groups().get(3).members()).isEmpty();
    }

    @Test
    void aFixtureThatGoesTakesItsPartsOutOfTheirGroups() {
        Plan plan = after(RIG, cell(1, FixtureColumn.GROUPS, "Inner"));
        Plan gone = Rigs.apply(plan, FixtureEdits.remove(List.of(BATTEN)));
        assertThat(gone.groups().get(0).parts()).isEmpty();
    }

    @Test
    void rowsOfCellsArePastedBackByTheirLabels() {
        List<TableRow> rows = List.of(
                new TableRow(1, List.of("ID", "Name")),
                new TableRow(2, List.of("401, cell 2", "Middle")),
                new TableRow(3, List.of("401, Cell 99", "None")));
        Pasted pasted = Pasted.match(RIG, rows, List.of(), List.of());
        assertThat(pasted.changes()).containsExactly(cell(2, FixtureColumn.NAME, "Middle"));
        assertThat(pasted.left()).extracting(Pasted.Left::text).containsExactly("401, Cell 99");
    }

    @Test
    void layersAreCountedOnByTheirOwnLengths() {
        Fixture fixture = RIG.fixture(LAYERED).orElseThrow();
        List<RigPart> layers = RigPart.of(RIG, fixture);
        int length = RIG.blocksOf(fixture).get(1).footprint();
        assertThat(Series.of(RIG, layers, FixtureColumn.ADDRESS, 1))
                .containsExactly(layer(
                        2, FixtureColumn.ADDRESS, StartAddress.of(1, 7 + length).toString()));
        assertThat(Series.down(RIG, layers, FixtureColumn.NAME))
                .extracting(FieldChange::row)
                .containsExactly(new PartRef(LAYERED, Part.layer(2)));
    }

    @Test
    void everySlotOfAModeBelongsToTheWholeOrToOneRow() {
        for (FixtureKey key : List.of(LAYERED, BATTEN)) {
            Fixture fixture = RIG.fixture(key).orElseThrow();
            long wholes = RIG.blocksOf(fixture).stream()
                    .flatMap(b -> b.block().channels().stream())
                    .filter(c -> c.part().equals(Part.WHOLE))
                    .mapToLong((Channel c) -> c.offsets().size())
                    .sum();
            long parts = RigPart.of(RIG, fixture).stream()
                    .flatMap(p -> p.slots(RIG).stream())
                    .mapToLong(s -> s.offsets().size())
                    .sum();
            long all = RigPart.whole(fixture).slots(RIG).stream()
                    .mapToLong(s -> s.offsets().size())
                    .sum();
            assertThat(wholes + parts).isEqualTo(all);
        }
    }
}
