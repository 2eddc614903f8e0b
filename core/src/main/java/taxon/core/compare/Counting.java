package taxon.core.compare;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.dmx.StartAddress;
import taxon.core.listing.Column;
import taxon.core.listing.ListRow;

/**
 * From which number a side counts. Taxon counts universes and slots from 1.
 *
 * @param universesFromZero their universe 0 is universe 1 here
 * @param slotsFromZero their slot 0 is slot 1 here
 */
public record Counting(boolean universesFromZero, boolean slotsFromZero) {
    /** As Taxon does. */
    public static final Counting FROM_ONE = new Counting(false, false);

    /** "0.12", "0/12", "U0:12". */
    private static final Pattern PAIR = Pattern.compile("([^0-9]*)(\\d{1,5})(\\s*[./:\\- ]\\s*)(\\d{1,3})");

    private static final Pattern LAST_NUMBER = Pattern.compile("(.*?)(\\d{1,9})(\\D*)");

    /** What rows show by themselves: a list with a universe 0 counts universes from 0. */
    static Counting shownBy(List<ListRow> rows) {
        boolean universe = rows.stream()
                .anyMatch(r -> isZero(r.cell(Column.UNIVERSE)) || pair(r, 2).equals("0"));
        boolean slot = rows.stream()
                .anyMatch(r -> isZero(r.cell(Column.SLOT)) || pair(r, 4).matches("0{1,3}"));
        return new Counting(universe, slot);
    }

    private static boolean isZero(String cell) {
        Matcher number = LAST_NUMBER.matcher(cell);
        return number.matches() && number.group(2).matches("0+") && !cell.matches(".*\\d.*\\D+.*\\d.*");
    }

    private static String pair(ListRow row, int part) {
        Matcher pair = PAIR.matcher(row.cell(Column.ADDRESS));
        return pair.matches() ? pair.group(part) : "";
    }

    /** Both: what either says. */
    Counting or(Counting other) {
        return new Counting(universesFromZero || other.universesFromZero, slotsFromZero || other.slotsFromZero);
    }

    /** A row as it reads when it is counted from 1. An absolute address counts no universes, and stays. */
    ListRow fromOne(ListRow row) {
        if (equals(FROM_ONE)) {
            return row;
        }
        ListRow now = row.withLater(this::fromOne);
        if (universesFromZero) {
            now = now.withCell(Column.UNIVERSE, higher(row.cell(Column.UNIVERSE)));
        }
        if (slotsFromZero) {
            now = now.withCell(Column.SLOT, higher(row.cell(Column.SLOT)));
        }
        Matcher pair = PAIR.matcher(row.cell(Column.ADDRESS));
        return pair.matches()
                ? now.withCell(
                        Column.ADDRESS,
                        pair.group(1)
                                + (Integer.parseInt(pair.group(2)) + (universesFromZero ? 1 : 0))
                                + pair.group(3)
                                + (Integer.parseInt(pair.group(4)) + (slotsFromZero ? 1 : 0)))
                : now;
    }

    private static String higher(String cell) {
        Matcher number = LAST_NUMBER.matcher(cell);
        return number.matches() ? number.group(1) + (Long.parseLong(number.group(2)) + 1) + number.group(3) : cell;
    }

    /** An address as this side would write it: "0.012". */
    public String words(StartAddress address) {
        int universe = address.universe().number() - (universesFromZero ? 1 : 0);
        int slot = address.slot().number() - (slotsFromZero ? 1 : 0);
        return String.format(Locale.ROOT, "%d.%03d", universe, slot);
    }

    /** As {@link #words(StartAddress)}; "no address" where there is none. */
    public String words(Optional<StartAddress> address) {
        return address.map(this::words).orElse("no address");
    }
}
