package taxon.app.rig.table;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import taxon.app.frame.Marks;
import taxon.core.dmx.StartAddress;
import taxon.core.length.Length;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Position;
import taxon.core.rig.RigPart;
import taxon.core.rigtable.FieldText;
import taxon.core.rigtable.FixtureColumn;
import taxon.formats.json.Json;

/** A column of the rig table: one that can be edited, or one that is worked out. */
public enum TableColumn {
    ID(FixtureColumn.ID, 62),
    TYPE("Type", 150),
    MODE(FixtureColumn.MODE, 100),
    POSITION(FixtureColumn.POSITION, 104),
    UNIT(FixtureColumn.UNIT, 48),
    OFFSET(FixtureColumn.OFFSET, 76),
    ADDRESS(FixtureColumn.ADDRESS, 96),
    SLOTS("Slots", 50),
    STANDING("Standing", 96),
    NAME(FixtureColumn.NAME, 100),
    NOTE(FixtureColumn.NOTE, 110),
    PURPOSE(FixtureColumn.PURPOSE, 110),
    COLOUR(FixtureColumn.COLOUR, 90),
    LINE(FixtureColumn.LINE, 90),
    UNIVERSE("Universe", 70),
    OUTLET("Outlet", 110),
    PORT("Port", 50),
    ON_LINE("On line", 70),
    LINE_PLACE("Place on the line", 110),
    PAN_REVERSED(FixtureColumn.PAN_REVERSED, 92),
    TILT_REVERSED(FixtureColumn.TILT_REVERSED, 92),
    AXES_SWAPPED(FixtureColumn.AXES_SWAPPED, 96),
    MIRRORS(FixtureColumn.MIRRORS, 66),
    HAZARD(FixtureColumn.HAZARD, 90),
    PARKED(FixtureColumn.PARKED, 120),
    MENU(FixtureColumn.MENU, 140),
    CELLS("Cells", 70),
    GROUPS(FixtureColumn.GROUPS, 140);

    static final List<TableColumn> USUAL =
            List.of(ID, TYPE, MODE, POSITION, UNIT, OFFSET, ADDRESS, SLOTS, STANDING, NAME, NOTE);

    /** Those that cells and layers have, too, come early. */
    static final List<TableColumn> OF_PARTS =
            List.of(ID, TYPE, MODE, POSITION, UNIT, ADDRESS, SLOTS, STANDING, NAME, PARKED, GROUPS, NOTE);

    private static final int ID_OF_PART = 104;

    private final String title;
    private final Optional<FixtureColumn> edited;
    private final int width;

    TableColumn(FixtureColumn edited, int width) {
        this.title = edited.words();
        this.edited = Optional.of(edited);
        this.width = width;
    }

    TableColumn(String title, int width) {
        this.title = title;
        this.edited = Optional.empty();
        this.width = width;
    }

    public String title() {
        return title;
    }

    /** What of a fixture the column edits; empty for one that is worked out. */
    public Optional<FixtureColumn> edited() {
        return edited;
    }

    /** In pixels, at least; "101, cell 3" is longer than an ID. */
    public int width(boolean withParts) {
        return this == ID && withParts ? ID_OF_PART : width;
    }

    public String slug() {
        return Json.slug(this);
    }

    public static Optional<TableColumn> of(String slug) {
        return Arrays.stream(values()).filter(c -> c.slug().equals(slug)).findFirst();
    }

    /** True when it shows something of others, so that a row may change though its fixture does not. */
    boolean showsOthers() {
        return this == MIRRORS || this == OUTLET || this == PORT || this == ON_LINE || this == LINE_PLACE;
    }

    /** The column that edits this. */
    public static Optional<TableColumn> editing(FixtureColumn column) {
        return Arrays.stream(values())
                .filter(c -> c.edited.equals(Optional.of(column)))
                .findFirst();
    }

    /** What a row reads here; empty where a cell or layer has nothing of its own. */
    public String text(RowTexts texts, RigPart row) {
        Plan plan = texts.plan();
        return switch (this) {
            case TYPE -> row.isWhole() ? plan.type(row.fixture()).fullName() : "";
            case SLOTS -> Integer.toString(slots(plan, row));
            case STANDING -> Marks.of(RigRow.standing(plan, row)).word();
            case CELLS -> {
                int cells = row.isWhole() ? RigPart.of(plan, row.fixture()).size() : 0;
                yield cells == 0 ? "" : Integer.toString(cells);
            }
            case UNIVERSE, OUTLET, PORT, ON_LINE, LINE_PLACE -> texts.way(row, this);
            default -> FieldText.of(plan, row, edited.orElseThrow());
        };
    }

    private static int slots(Plan plan, RigPart row) {
        return row.isWhole()
                ? plan.blocksOf(row.fixture()).stream()
                        .mapToInt(PlannedBlock::footprint)
                        .sum()
                : row.slots(plan).stream().mapToInt(s -> s.offsets().size()).sum();
    }

    /** What is empty comes last; what counts is compared as it counts, words without case. */
    public Comparator<Fixture> order(RowTexts texts) {
        Plan plan = texts.plan();
        return switch (this) {
            case ID -> known(f -> f.id().map(FixtureId::number));
            case UNIT -> Comparator.comparingInt(Fixture::unit);
            case OFFSET -> known(f -> f.offset().map(Length::micrometres));
            case ADDRESS -> known(f -> f.addresses().values().stream().min(StartAddress::compareTo));
            case POSITION -> Comparator.comparing(plan::position, Position.ORDER);
            case SLOTS, CELLS, MIRRORS -> known(f -> number(text(texts, RigPart.whole(f))));
            default ->
                known(f -> Optional.of(text(texts, RigPart.whole(f)))
                        .filter(t -> !t.isEmpty())
                        .map(t -> t.toLowerCase(Locale.ROOT)));
        };
    }

    private static Optional<Integer> number(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(Integer.valueOf(text));
    }

    private static <T extends Comparable<T>> Comparator<Fixture> known(Function<Fixture, Optional<T>> value) {
        Comparator<Optional<T>> emptyLast = Comparator.comparing(Optional::isEmpty);
        return Comparator.comparing(
                value,
                emptyLast.thenComparing(
                        (a, b) -> a.isPresent() && b.isPresent() ? a.get().compareTo(b.get()) : 0));
    }
}
