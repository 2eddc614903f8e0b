package taxon.core.rigtable;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.listing.Column;
import taxon.core.text.Likeness;

/** What of a fixture can be edited as a cell. */
public enum FixtureColumn {
    ID("ID"),
    MODE("Mode"),
    POSITION("Position"),
    UNIT("Unit", "Unit number", "Unit no"),
    OFFSET("Offset", "Offset from the centre", "Across"),
    ADDRESS("Address"),
    NAME("Name", "Fixture name"),
    NOTE("Note"),
    PURPOSE("Purpose", "Focus"),
    COLOUR("Colour", "Color", "Gel"),
    LINE("Line", "Cable run"),
    HAZARD("Hazard", "Danger"),
    PAN_REVERSED("Pan reversed", "Pan invert"),
    TILT_REVERSED("Tilt reversed", "Tilt invert"),
    AXES_SWAPPED("Axes swapped", "Swap"),
    MIRRORS("Mirrors", "Mirror of"),
    PARKED("Parked", "Park"),
    MENU("Menu", "Own settings", "Menu settings"),
    GROUPS("Folder and groups", "Groups", "Group", "Folder");

    private static final Set<FixtureColumn> OF_PARTS = EnumSet.of(ADDRESS, NAME, PARKED, GROUPS);

    private final String words;
    private final String headers;

    /** @param others further spellings of a header, common practice */
    FixtureColumn(String words, String... others) {
        this.words = words;
        headers = Arrays.stream(others).map(Likeness::key).collect(Collectors.joining("|", "|", "|"));
    }

    /** True when a cell or layer has it of its own, and not only its whole fixture. */
    public boolean isOfParts() {
        return OF_PARTS.contains(this);
    }

    /** As it stands above the column: "Pan reversed". */
    public String words() {
        return words;
    }

    /** The column of the table that is called so; compared without case, spaces and signs. */
    public static Optional<FixtureColumn> called(String header) {
        String key = Likeness.key(header);
        return Arrays.stream(values())
                .filter(c ->
                        Likeness.key(c.words).equals(key) || (!key.isEmpty() && c.headers.contains("|" + key + "|")))
                .findFirst();
    }

    /** The column that takes what a column of a list holds; a universe and a slot go into an address together. */
    static Optional<FixtureColumn> of(Column column) {
        return switch (column) {
            case FIRST_ID -> Optional.of(ID);
            case MODE -> Optional.of(MODE);
            case POSITION -> Optional.of(POSITION);
            case ADDRESS -> Optional.of(ADDRESS);
            case NAME -> Optional.of(NAME);
            case NOTE -> Optional.of(NOTE);
            case QUANTITY, MAKER, TYPE, FOOTPRINT, UNIVERSE, SLOT -> Optional.empty();
        };
    }
}
