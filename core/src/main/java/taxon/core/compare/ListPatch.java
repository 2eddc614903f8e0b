package taxon.core.compare;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.compare.TheirPatch.RowFault;
import taxon.core.dmx.StartAddress;
import taxon.core.listing.AddressCells;
import taxon.core.listing.CellFault;
import taxon.core.listing.CellFault.Reason;
import taxon.core.listing.Column;
import taxon.core.listing.IdRange;
import taxon.core.listing.ListReading;
import taxon.core.listing.ListRow;
import taxon.core.listing.NumberHabits;
import taxon.core.listing.WholeCells;
import taxon.core.rig.FixtureId;

/**
 * A patch list of another program as rows. It is read by the columns and habits of equipment lists; types need not be known here. A cell that
 * is not understood is told, and the rest of its row is taken; a row of several fixtures is taken for each of them.
 */
public final class ListPatch {
    private static final int MOST_IN_ROW = 1_000;
    private static final int MOST_SLOTS = 99_999;
    /** "16", "16ch", "16 channels": a mode that says no more than how long it is. */
    private static final Pattern LENGTH_ALONE = Pattern.compile(
            "(?i)(\\d{1,4})(?:[.,]0+)?\\s*(?:-?\\s*(?:ch|chs|chan|channels?|slots?|kanal|kanäle|dmx))?\\.?");

    private static final Set<Column> WHERE = EnumSet.of(Column.ADDRESS, Column.UNIVERSE, Column.SLOT);

    private final WholeCells wholes;
    private final AddressCells addresses;
    private final List<PatchRow> rows = new ArrayList<>();
    private final List<Integer> lines = new ArrayList<>();
    private final List<RowFault> faults = new ArrayList<>();

    private ListPatch(NumberHabits habits) {
        wholes = new WholeCells(habits);
        addresses = new AddressCells(habits, wholes);
    }

    /**
     * Reads a list.
     *
     * @param habits how its numbers are written
     * @param told from where it counts, as somebody said; a number 0 says so by itself
     */
    public static TheirPatch read(ListReading list, NumberHabits habits, Counting told) {
        Counting counting = told.or(Counting.shownBy(list.rows()));
        ListPatch patch = new ListPatch(habits);
        list.rows().forEach(r -> patch.read(counting.fromOne(r)));
        return new TheirPatch(patch.rows, patch.lines, patch.faults, counting);
    }

    private void read(ListRow row) {
        List<CellFault> cells = new ArrayList<>();
        OptionalInt footprint = footprint(row, cells);
        Optional<IdRange.Parsed> ids = cell(row, Column.FIRST_ID).flatMap(t -> IdRange.read(t, wholes, cells));
        int count = count(row, ids, cells);
        List<StartAddress> starts = starts(row, cells);
        boolean says = ids.isPresent()
                || !starts.isEmpty()
                || !row.cell(Column.NAME).isEmpty()
                || !row.cell(Column.TYPE).isEmpty();
        if (!says && cells.isEmpty()) {
            cells.add(new CellFault(Column.TYPE, "", Reason.EMPTY, "an ID, a name, a type or an address"));
        }
        boolean where = row.has(Column.ADDRESS) || row.has(Column.SLOT);
        where &= cells.stream().noneMatch(f -> WHERE.contains(f.column()));
        for (int n = 0; says && n < count; n++) {
            add(row, n, ids, footprint, along(starts, n, footprint), where && (n == 0 || footprint.isPresent()));
        }
        if (count > 1 && !starts.isEmpty() && footprint.isEmpty()) {
            cells.add(new CellFault(
                    Column.FOOTPRINT,
                    "",
                    Reason.EMPTY,
                    "how long each is; only the first of " + count + " has an address"));
        }
        if (!cells.isEmpty()) {
            faults.add(new RowFault(row.line(), !says, cells));
        }
    }

    private void add(
            ListRow row,
            int nth,
            Optional<IdRange.Parsed> ids,
            OptionalInt footprint,
            List<StartAddress> starts,
            boolean where) {
        OptionalInt id = ids.map(i -> i.first() + nth)
                .filter(FixtureId::isLegal)
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
        String mode = row.cell(Column.MODE);
        rows.add(new PatchRow(
                rows.size(),
                id,
                Optional.empty(),
                row.cell(Column.NAME),
                (row.cell(Column.MAKER) + " " + row.cell(Column.TYPE)).strip(),
                LENGTH_ALONE.matcher(mode).matches() ? "" : mode,
                footprint,
                starts,
                where));
        lines.add(row.line());
    }

    /** Of several in a row the next ones follow each other; without a length, or past the end of the universe, nothing is said of them. */
    private static List<StartAddress> along(List<StartAddress> starts, int nth, OptionalInt footprint) {
        if (nth == 0 || starts.isEmpty()) {
            return starts;
        }
        long slot = starts.get(0).slot().number() + (long) nth * footprint.orElse(0);
        return footprint.isEmpty() || slot > 512
                ? List.of()
                : List.of(StartAddress.of(starts.get(0).universe().number(), (int) slot));
    }

    private OptionalInt footprint(ListRow row, List<CellFault> cells) {
        Optional<String> said = cell(row, Column.FOOTPRINT);
        if (said.isPresent()) {
            return said.flatMap(t -> wholes.read(Column.FOOTPRINT, t, 1, MOST_SLOTS, cells))
                    .map(OptionalInt::of)
                    .orElse(OptionalInt.empty());
        }
        Matcher length = LENGTH_ALONE.matcher(row.cell(Column.MODE));
        return length.matches() ? OptionalInt.of(Integer.parseInt(length.group(1))) : OptionalInt.empty();
    }

    private int count(ListRow row, Optional<IdRange.Parsed> ids, List<CellFault> cells) {
        Optional<Integer> range = ids.flatMap(IdRange.Parsed::count);
        Optional<Integer> said =
                cell(row, Column.QUANTITY).flatMap(t -> wholes.read(Column.QUANTITY, t, 1, MOST_IN_ROW, cells));
        if (said.isPresent() && range.isPresent() && !said.equals(range)) {
            cells.add(new CellFault(
                    Column.QUANTITY,
                    row.cell(Column.QUANTITY),
                    Reason.CONTRADICTS,
                    "the fixture IDs " + row.cell(Column.FIRST_ID) + " are " + range.get()));
        }
        int count = range.or(() -> said).orElse(1);
        if (count > MOST_IN_ROW) {
            cells.add(new CellFault(
                    Column.FIRST_ID,
                    row.cell(Column.FIRST_ID),
                    Reason.OUT_OF_RANGE,
                    "at most " + MOST_IN_ROW + " in a row"));
            return 1;
        }
        return count;
    }

    /** The first block, and the later ones as far as the list has columns for them and no block between is without address. */
    private List<StartAddress> starts(ListRow row, List<CellFault> cells) {
        List<StartAddress> starts = new ArrayList<>();
        addresses.read(row, cells).ifPresent(starts::add);
        row.later().forEach((block, later) -> {
            List<CellFault> own = new ArrayList<>();
            Optional<StartAddress> start = addresses.read(later, own);
            own.forEach(f -> cells.add(f.ofBlock(block)));
            if (start.isPresent() && starts.size() != block - 1) {
                cells.add(new CellFault(
                                Column.ADDRESS,
                                start.get().toString(),
                                Reason.CONTRADICTS,
                                "the block before it has none")
                        .ofBlock(block));
            } else {
                start.ifPresent(starts::add);
            }
        });
        return starts;
    }

    private static Optional<String> cell(ListRow row, Column column) {
        return Optional.of(row.cell(column)).filter(c -> !c.isEmpty());
    }
}
