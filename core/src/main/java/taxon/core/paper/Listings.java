package taxon.core.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.paper.Column.Shape;
import taxon.core.paper.Paper.Listing;
import taxon.core.paper.Paper.Part;

/**
 * Papers as lists for a spreadsheet: universe and slot each in a column of its own, since a spreadsheet makes 1.1 of 1.100; what
 * part of the paper a row is of stands beside it.
 */
final class Listings {
    static final String PART = "Part of the paper";

    private Listings() {}

    static Listing of(List<Column> columns, List<Part> parts) {
        boolean titled = parts.stream().anyMatch(p -> !p.title().isEmpty());
        List<String> header = new ArrayList<>();
        columns.forEach(c -> header.addAll(names(c)));
        if (titled) {
            header.add(PART);
        }
        List<List<Cell>> rows = new ArrayList<>();
        for (Part part : parts) {
            for (List<Cell> row : part.rows()) {
                List<Cell> cells = new ArrayList<>();
                for (int i = 0; i < columns.size(); i++) {
                    cells.addAll(split(row.get(i), columns.get(i).shape()));
                }
                if (titled) {
                    cells.add(Cell.of(part.title()));
                }
                rows.add(cells);
            }
        }
        return new Listing(header, rows);
    }

    /** "Address" becomes "Universe" and "Slot"; another start keeps its name before both. */
    private static List<String> names(Column column) {
        String before = column.name().equals("Address") ? "" : column.name() + " ";
        return switch (column.shape()) {
            case TEXT, FIGURE -> List.of(column.name());
            case START ->
                Stream.of("universe", "slot").map(n -> capital(before + n)).toList();
            case RUN -> List.of("Universe", "Slot", "Last slot");
        };
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static List<Cell> split(Cell cell, Shape shape) {
        return switch (shape) {
            case TEXT, FIGURE -> List.of(cell);
            case START -> cell instanceof Cell.Start start ? start(start) : List.of(Cell.EMPTY, Cell.EMPTY);
            case RUN ->
                cell instanceof Cell.Run run
                        ? List.of(
                                Cell.of(run.universe().number()),
                                Cell.of(run.slots().first()),
                                Cell.of(run.slots().last()))
                        : List.of(Cell.EMPTY, Cell.EMPTY, Cell.EMPTY);
        };
    }

    static List<Cell> start(Cell.Start start) {
        return start.address().map(a -> List.of(universe(a), slot(a))).orElse(List.of(Cell.EMPTY, Cell.EMPTY));
    }

    private static Cell universe(StartAddress address) {
        return Cell.of(address.universe().number());
    }

    private static Cell slot(StartAddress address) {
        return Cell.of(address.slot().number());
    }
}
