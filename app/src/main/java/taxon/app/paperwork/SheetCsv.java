package taxon.app.paperwork;

import java.util.ArrayList;
import java.util.List;
import taxon.core.dmx.AddressText;
import taxon.core.dmx.StartAddress;
import taxon.formats.csv.SpreadsheetCsv;

/**
 * Papers as CSV, for other programs: the header is the first row; an address stands as such and as universe and slot in columns of
 * their own; of what job, revision and day a row is stands at its end.
 */
public final class SheetCsv {
    private static final String ADDRESS = "Address";
    private static final List<String> PARTS = List.of("Universe", "Slot");
    private static final List<String> ORIGIN = List.of("Job", "Revision", "Date");

    private SheetCsv() {}

    public static byte[] of(Sheet sheet) {
        boolean grouped = sheet.groups().stream().anyMatch(g -> !g.title().isEmpty());
        int address = sheet.columns().indexOf(ADDRESS);
        List<String> header = new ArrayList<>(sheet.columns());
        header.addAll(address + 1, address < 0 ? List.of() : PARTS);
        if (grouped) {
            header.add("Part of the paper");
        }
        header.addAll(ORIGIN);
        List<List<String>> rows = new ArrayList<>();
        for (Sheet.Group group : sheet.groups()) {
            for (List<String> row : group.rows()) {
                List<String> cells = new ArrayList<>(row);
                cells.addAll(address + 1, address < 0 ? List.of() : parts(row.get(address)));
                if (grouped) {
                    cells.add(group.title());
                }
                cells.addAll(List.of(sheet.job(), sheet.revision(), sheet.date()));
                rows.add(cells);
            }
        }
        return SpreadsheetCsv.write(header, rows);
    }

    /** Universe and slot, both empty where there is no address. */
    private static List<String> parts(String cell) {
        if (!(AddressText.read(cell) instanceof AddressText.Read read)) {
            return List.of("", "");
        }
        StartAddress address = read.address();
        return List.of(
                address.universe().toString(), Integer.toString(address.slot().number()));
    }
}
