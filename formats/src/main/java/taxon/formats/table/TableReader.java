package taxon.formats.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.TableRow;
import taxon.formats.table.TableFile.Fault;
import taxon.formats.table.TableFile.Origin;
import taxon.formats.table.TableFile.Read;
import taxon.formats.table.TableFile.Unreadable;

/**
 * Reads a table out of a file, whatever program wrote it: separated text in any usual encoding, or an XLSX workbook. What it is
 * shows in its first bytes; its name is of no account.
 */
public final class TableReader {
    /** 32 MiB: fifty thousand rows of 600 bytes. */
    public static final int MOST_BYTES = 32 << 20;

    private static final char[] SEPARATORS = {',', ';', '\t', '|'};

    private static final int SMALL_TEXT = 512 << 10;
    private static final int SMALL_WORKBOOK = 64 << 10;

    private TableReader() {}

    /** True for a file that can be read, or refused, while whoever gave it looks on; others are read in the background. */
    public static boolean isReadInAMoment(byte[] file) {
        int most = Workbooks.isWorkbook(file) ? SMALL_WORKBOOK : SMALL_TEXT;
        return file.length <= most || file.length > MOST_BYTES;
    }

    /** @param sheet of a workbook; the first where it is empty or there is none that is called so */
    public static TableFile read(byte[] file, String sheet) {
        if (file.length == 0) {
            return new Unreadable(Fault.EMPTY, "", "");
        }
        if (file.length > MOST_BYTES) {
            return new Unreadable(Fault.TOO_LARGE, Integer.toString(file.length), Integer.toString(MOST_BYTES));
        }
        try {
            Read read = Workbooks.isWorkbook(file) ? Workbooks.read(file, sheet) : text(file);
            return read.rows().stream().allMatch(TableRow::isBlank) ? emptyOr(read) : read;
        } catch (UnreadableException e) {
            return e.reason();
        }
    }

    /** An empty sheet of several may be left for another. */
    private static TableFile emptyOr(Read read) {
        return read.origin().sheets().size() > 1 ? read : new Unreadable(Fault.EMPTY, "", "");
    }

    private static Read text(byte[] file) throws UnreadableException {
        if (Workbooks.isOldWorkbook(file) && Workbooks.isLocked(file)) {
            throw new UnreadableException(Fault.LOCKED, "", "");
        }
        if (Workbooks.isOldWorkbook(file)) {
            throw new UnreadableException(Fault.OLD_WORKBOOK, "", "");
        }
        TextDecoder.Decoded decoded =
                TextDecoder.decode(file).orElseThrow(() -> new UnreadableException(Fault.NOT_TEXT, "", ""));
        char separator = separator(decoded.text());
        List<TableRow> rows = CsvTable.read(decoded.text(), separator, TableLimits.MOST_ROWS + 1);
        TableLimits.checkRows(rows.size());
        return new Read(new Origin(decoded.encoding() + ", " + words(separator), "", List.of()), rows);
    }

    /**
     * The one under which the first rows have the most columns that are known; else the one that parts most cells. Where none parts
     * any, the first under which the text cannot be read is taken, so that it is said why.
     */
    private static char separator(String text) {
        char best = SEPARATORS[0];
        long bestScore = 0;
        Optional<Character> broken = Optional.empty();
        for (char separator : SEPARATORS) {
            Optional<Long> score = beginning(text, separator).map(TableReader::score);
            if (score.isEmpty() && broken.isEmpty()) {
                broken = Optional.of(separator);
            }
            if (score.orElse(0L) > bestScore) {
                best = separator;
                bestScore = score.orElse(0L);
            }
        }
        return bestScore == 0 ? broken.orElse(best) : best;
    }

    private static Optional<List<TableRow>> beginning(String text, char separator) {
        try {
            return Optional.of(new ArrayList<>(CsvTable.read(text, separator, ColumnGuess.HEADER_WITHIN)));
        } catch (UnreadableException notThisSeparator) {
            return Optional.empty();
        }
    }

    private static long score(List<TableRow> rows) {
        long known = ColumnGuess.of(rows).columns().size();
        long parted = rows.stream().filter(r -> r.cells().size() > 1).count();
        return known * 1000 + parted;
    }

    private static String words(char separator) {
        return switch (separator) {
            case ',' -> "comma";
            case ';' -> "semicolon";
            case '\t' -> "tab";
            default -> "upright stroke";
        };
    }
}
