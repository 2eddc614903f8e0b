package taxon.formats.csv;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.equipmentlist.Column;
import taxon.core.text.Likeness;

/**
 * The spellings of column headers that are understood, for each column the plainest first. Common practice; compared
 * without case, spaces and signs.
 */
final class HeaderWords {
    private static final Map<Column, List<String>> WORDS = new EnumMap<>(Map.of(
            Column.QUANTITY,
                    List.of("Quantity", "Qty", "Count", "Number of", "No of", "Pcs", "Pieces", "Amount", "Units", "#"),
            Column.MAKER, List.of("Maker", "Manufacturer", "Make", "Brand", "Mfr", "Vendor"),
            Column.TYPE,
                    List.of(
                            "Type",
                            "Fixture type",
                            "Model",
                            "Instrument type",
                            "Fixture",
                            "Instrument",
                            "Device",
                            "Luminaire",
                            "Description"),
            Column.MODE, List.of("Mode", "DMX mode", "Personality", "Channels", "Ch", "Channel count", "Footprint"),
            Column.POSITION, List.of("Position", "Location", "Hang", "Truss", "Place", "Zone", "Room", "Area"),
            Column.FIRST_ID,
                    List.of(
                            "First fixture ID",
                            "Fixture ID",
                            "First ID",
                            "ID",
                            "IDs",
                            "FID",
                            "Fixture no",
                            "Fixture number",
                            "Fixture IDs",
                            "Head",
                            "Channel",
                            "Unit ID"),
            Column.NOTE, List.of("Note", "Notes", "Comment", "Comments", "Remark", "Remarks", "Purpose"),
            Column.ADDRESS, List.of("Address", "DMX address", "DMX", "Patch", "Start address", "Addr", "DMX start"),
            Column.UNIVERSE, List.of("Universe", "Univ", "Uni", "DMX universe"),
            Column.SLOT, List.of("Slot", "DMX slot", "Start slot", "DMX channel", "Start channel")));

    private static final Map<String, Match> BY_KEY = byKey();

    private HeaderWords() {}

    /** @param rank how far down the list of spellings; of two headers for one column the lower rank is meant */
    record Match(Column column, int rank) {}

    static Optional<Match> match(String header) {
        return Optional.ofNullable(BY_KEY.get(key(header)));
    }

    /** The first spelling of each column, for a message. */
    static String known() {
        return WORDS.values().stream().map(w -> w.get(0)).collect(Collectors.joining(", "));
    }

    /** "Fixture #" is a number, "#" alone a count. */
    private static String key(String header) {
        String stripped = header.strip();
        return stripped.equals("#") ? stripped : Likeness.key(stripped.replace("#", " no"));
    }

    private static Map<String, Match> byKey() {
        Map<String, Match> map = new HashMap<>();
        WORDS.forEach((column, words) -> {
            for (int rank = 0; rank < words.size(); rank++) {
                map.put(key(words.get(rank)), new Match(column, rank));
            }
        });
        return Map.copyOf(map);
    }
}
