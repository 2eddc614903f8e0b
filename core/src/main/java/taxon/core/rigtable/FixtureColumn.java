package taxon.core.rigtable;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.text.Likeness;

/** What of a fixture can be edited as a cell. */
public enum FixtureColumn {
    ID("ID", "Fixture ID", "FID", "Fixture number", "Number"),
    MODE("Mode", "DMX mode", "Personality"),
    POSITION("Position", "Location", "Hang", "Place", "Zone", "Room"),
    UNIT("Unit", "Unit number", "Unit no"),
    OFFSET("Offset", "Offset from the centre", "Across"),
    ADDRESS("Address", "DMX address", "Start address", "Patch"),
    NAME("Name", "Fixture name"),
    NOTE("Note", "Notes", "Comment", "Remark"),
    PURPOSE("Purpose", "Focus"),
    COLOUR("Colour", "Color", "Gel"),
    LINE("Line", "Cable run"),
    HAZARD("Hazard", "Danger"),
    PAN_REVERSED("Pan reversed", "Pan invert"),
    TILT_REVERSED("Tilt reversed", "Tilt invert"),
    AXES_SWAPPED("Axes swapped", "Swap"),
    MIRRORS("Mirrors", "Mirror of");

    private final String words;
    private final String headers;

    /** @param others further spellings of a header, common practice */
    FixtureColumn(String words, String... others) {
        this.words = words;
        headers = Arrays.stream(others).map(Likeness::key).collect(Collectors.joining("|", "|", "|"));
    }

    /** As it stands above the column: "Pan reversed". */
    public String words() {
        return words;
    }

    /** The column that a header means; compared without case, spaces and signs. */
    public static Optional<FixtureColumn> ofHeader(String header) {
        String key = Likeness.key(header);
        return Arrays.stream(values())
                .filter(c ->
                        Likeness.key(c.words).equals(key) || (!key.isEmpty() && c.headers.contains("|" + key + "|")))
                .findFirst();
    }
}
