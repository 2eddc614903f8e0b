package taxon.core.paper;

import java.util.List;
import java.util.stream.Stream;

/**
 * A paper: what it is of and its rows.
 *
 * @param of what it is limited to, in words; empty where it is of all
 * @param parts at least the one that it has when nothing stands on it
 * @param list the rows for a spreadsheet, where these are others than the ones for reading
 */
public record Paper(PaperKind kind, String of, List<Column> columns, List<Part> parts, Listing list) {
    public Paper {
        columns = List.copyOf(columns);
        parts = List.copyOf(parts);
    }

    /**
     * Some rows under a title.
     *
     * @param title empty where the paper is one list
     */
    public record Part(String title, List<List<Cell>> rows) {
        public Part {
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /**
     * Rows for a spreadsheet under one header; a number and a text each stand alone in their cell.
     *
     * @param rows each with one cell for each name of the header
     */
    public record Listing(List<String> header, List<List<Cell>> rows) {
        public Listing {
            header = List.copyOf(header);
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    static Paper of(PaperKind kind, String of, List<Column> columns, List<Part> parts) {
        return new Paper(kind, of, columns, parts, Listings.of(columns, parts));
    }

    /** How many rows there are in all. */
    public int size() {
        return parts.stream().mapToInt(p -> p.rows().size()).sum();
    }

    /** "Patch by fixture", or "Patch by fixture: 101 to 112". */
    public String title() {
        return kind.title() + (of.isEmpty() ? "" : ": " + of);
    }

    static Stream<Cell> cells(String... words) {
        return Stream.of(words).map(Cell::of);
    }
}
