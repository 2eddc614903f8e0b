package taxon.app.lists;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.listing.Column;
import taxon.core.listing.ListReading;
import taxon.core.listing.TableRow;
import taxon.formats.json.Json;

/**
 * The columns of a table, each with what stands in it and what it is taken for.
 *
 * @param headerLine 0 where there is none
 * @param headers lines that may be the header, with their words
 * @param needed true when the list cannot be read before something is said
 */
public record ColumnChooser(int headerLine, List<HeaderLine> headers, List<Known> columns, boolean needed) {
    private static final int HEADERS = 40;
    private static final int SAMPLES = 3;
    private static final int SHOWN = 30;

    public record HeaderLine(int line, String words) {}

    /**
     * @param letter as table programs call it, "C"
     * @param samples what stands below the header
     * @param holds the name of what it is taken for; empty for nothing
     */
    public record Known(int index, String letter, String header, List<String> samples, String holds) {}

    /** A meaning that a column can have: value and words. */
    public record Choice(String value, String words) {}

    /** What a column can be taken for: value and words. */
    public List<Choice> choices() {
        return Arrays.stream(Column.values())
                .map(c -> new Choice(Json.slug(c), c.words()))
                .toList();
    }

    /**
     * What is to be chosen.
     *
     * @param anyOf without any of these columns the list cannot be read
     */
    public static ColumnChooser of(List<TableRow> rows, Optional<ListReading> reading, Set<Column> anyOf) {
        int headerLine = reading.map(r -> r.columns().headerLine()).orElse(0);
        Optional<TableRow> header = rows.stream()
                .filter(r -> headerLine > 0 && r.line() == headerLine)
                .findFirst();
        List<TableRow> below = rows.stream()
                .filter(r -> r.line() > headerLine && !r.isBlank())
                .limit(HEADERS)
                .toList();
        int width = below.stream().mapToInt(r -> r.cells().size()).max().orElse(0);
        width = Math.max(width, header.map(h -> h.cells().size()).orElse(0));
        List<Known> columns = new ArrayList<>();
        for (int i = 0; i < width; i++) {
            int index = i;
            String holds = reading.map(r -> r.columns().columns().get(index))
                    .map(Json::slug)
                    .orElse("");
            List<String> samples = below.stream()
                    .map(r -> r.cell(index))
                    .filter(c -> !c.isEmpty())
                    .distinct()
                    .limit(SAMPLES)
                    .map(ColumnChooser::shown)
                    .toList();
            columns.add(new Known(
                    i, letter(i), header.map(h -> shown(h.cell(index))).orElse(""), samples, holds));
        }
        boolean needed =
                reading.filter(r -> anyOf.stream().anyMatch(r.columns()::has)).isEmpty() && !rows.isEmpty();
        return new ColumnChooser(headerLine, headers(rows), columns, needed);
    }

    private static List<HeaderLine> headers(List<TableRow> rows) {
        return rows.stream()
                .limit(HEADERS)
                .filter(r -> !r.isBlank())
                .limit(SAMPLES * 4L)
                .map(r -> new HeaderLine(
                        r.line(),
                        String.join(
                                ", ",
                                r.cells().stream()
                                        .filter(c -> !c.isBlank())
                                        .limit(SAMPLES * 2L)
                                        .map(ColumnChooser::shown)
                                        .toList())))
                .toList();
    }

    private static String shown(String cell) {
        String line = cell.strip().replaceAll("\\s+", " ");
        return line.length() > SHOWN ? line.substring(0, SHOWN) + "…" : line;
    }

    private static String letter(int index) {
        return index < 26
                ? String.valueOf((char) ('A' + index))
                : String.valueOf((char) ('A' + index / 26 - 1)) + (char) ('A' + index % 26);
    }
}
