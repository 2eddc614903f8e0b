package taxon.core.listing;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.listing.CellFault.Reason;
import taxon.core.rig.FixtureId;

/** Fixture IDs as lists write them: "101", "101-108", "101 to 108". */
public final class IdRange {
    private static final Pattern RANGE = Pattern.compile("(\\d{1,9})\\s*(?:[-–—]|to|\\.\\.)\\s*(\\d{1,9})");

    private IdRange() {}

    /** @param count how many, where a range was written */
    public record Parsed(int first, Optional<Integer> count) {}

    /**
     * Reads one.
     *
     * @param faults where it is none, why
     */
    public static Optional<Parsed> read(String text, WholeCells cells, List<CellFault> faults) {
        Matcher range = RANGE.matcher(text);
        if (!range.matches()) {
            return cells.read(Column.FIRST_ID, text, 1, FixtureId.LAST, faults)
                    .map(first -> new Parsed(first, Optional.empty()));
        }
        int first = Integer.parseInt(range.group(1));
        int last = Integer.parseInt(range.group(2));
        if (!FixtureId.isLegal(first) || !FixtureId.isLegal(last) || last < first) {
            faults.add(new CellFault(
                    Column.FIRST_ID,
                    text,
                    Reason.OUT_OF_RANGE,
                    "a first and a last ID in ascending order, 1 to " + FixtureId.LAST));
            return Optional.empty();
        }
        return Optional.of(new Parsed(first, Optional.of(last - first + 1)));
    }
}
