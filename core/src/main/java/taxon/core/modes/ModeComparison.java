package taxon.core.modes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;

/**
 * Modes side by side: attributes down, in the order in which the modes have them, modes across.
 *
 * @param columns in the order asked for
 * @param rows each attribute once for the whole, once for its entries, once for its layers
 */
public record ModeComparison(List<Column> columns, List<Row> rows) {

    /** A mode of a type; the types may differ. */
    public record Column(FixtureType type, Mode mode) {}

    /**
     * An attribute.
     *
     * @param entries one for each column; empty where the mode lacks the attribute
     */
    public record Row(Attribute attribute, Part.Kind kind, List<Optional<Entry>> entries) {
        public Row {
            entries = List.copyOf(entries);
        }

        /** The first channel of each column, where it has one: what its values do stands for all that are alike. */
        public List<Optional<Channel>> channels() {
            return entries.stream()
                    .map(e -> e.map(entry -> entry.uses().get(0).channel()))
                    .toList();
        }

        /** True when every mode has it. */
        public boolean isShared() {
            return entries.stream().allMatch(Optional::isPresent);
        }

        /** True when every mode has it in the same slots. */
        public boolean isSame() {
            return isShared()
                    && entries.stream().map(e -> e.map(Entry::slots)).distinct().count() == 1;
        }
    }

    /** @param uses one for each channel, in the order of the slots; a batten has many */
    public record Entry(List<Use> uses) {
        public Entry {
            uses = List.copyOf(uses);
        }

        List<List<Integer>> slots() {
            return uses.stream().map(Use::offsets).toList();
        }

        /** The widest channel, in bytes; 0 where all are virtual. */
        public int bytes() {
            return uses.stream().mapToInt(u -> u.offsets().size()).max().orElse(0);
        }
    }

    /**
     * A channel's slots.
     *
     * @param block counted from 1
     * @param channel its slots, coarse first; none for a virtual channel
     */
    public record Use(int block, Channel channel) {
        List<Integer> offsets() {
            return channel.offsets();
        }
    }

    private record Key(Attribute attribute, Part.Kind kind) {}

    public ModeComparison {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    public static ModeComparison of(List<Column> columns) {
        List<Map<Key, List<Use>>> byColumn =
                columns.stream().map(c -> uses(c.mode())).toList();
        List<Row> rows = keys(byColumn).stream()
                .map(key -> new Row(
                        key.attribute(),
                        key.kind(),
                        byColumn.stream()
                                .map(m -> Optional.ofNullable(m.get(key)).map(Entry::new))
                                .toList()))
                .toList();
        return new ModeComparison(columns, rows);
    }

    /** All modes of a type. */
    public static ModeComparison of(FixtureType type) {
        return of(type.modes().stream().map(m -> new Column(type, m)).toList());
    }

    private static Map<Key, List<Use>> uses(Mode mode) {
        Map<Key, List<Use>> uses = new LinkedHashMap<>();
        for (int i = 0; i < mode.blocks().size(); i++) {
            Block block = mode.blocks().get(i);
            for (Channel channel : block.channels()) {
                Key key = new Key(channel.attribute(), channel.part().kind());
                uses.computeIfAbsent(key, k -> new ArrayList<>()).add(new Use(i + 1, channel));
            }
        }
        return uses;
    }

    /** The order of the longest mode, with what it lacks behind. */
    private static List<Key> keys(List<Map<Key, List<Use>>> byColumn) {
        List<Key> keys = new ArrayList<>();
        byColumn.stream()
                .sorted(Comparator.comparingInt((Map<Key, List<Use>> m) -> -m.size()))
                .forEach(m -> m.keySet().stream().filter(k -> !keys.contains(k)).forEach(keys::add));
        return keys;
    }

    /** The attributes that the first column has and the second lacks. */
    public List<Attribute> onlyIn(int first, int second) {
        return rows.stream()
                .filter(r -> r.entries().get(first).isPresent()
                        && r.entries().get(second).isEmpty())
                .map(Row::attribute)
                .distinct()
                .toList();
    }

    /** Attributes that are finer in the first column than in the second, which has them too. */
    public List<Attribute> finerIn(int first, int second) {
        return rows.stream()
                .filter(r -> r.entries().get(first).isPresent()
                        && r.entries().get(second).isPresent())
                .filter(r -> r.entries().get(first).get().bytes()
                        > r.entries().get(second).get().bytes())
                .map(Row::attribute)
                .distinct()
                .toList();
    }

    /** A entry as a manual would put it: "4", "5, 6", with its block where the mode has several; long lists by their ends. */
    public static String words(Entry entry, Mode mode) {
        List<Use> uses = entry.uses();
        if (uses.size() <= 3) {
            return uses.stream().map(u -> words(u, mode)).collect(Collectors.joining("; "));
        }
        return words(uses.get(0), mode) + " … " + words(uses.get(uses.size() - 1), mode) + " (" + uses.size() + ")";
    }

    private static String words(Use use, Mode mode) {
        if (use.offsets().isEmpty()) {
            return "virtual";
        }
        String slots = use.offsets().stream().map(String::valueOf).collect(Collectors.joining(", "));
        return mode.blocks().size() == 1
                ? slots
                : mode.blocks().get(use.block() - 1).name() + " " + slots;
    }

    /** The lengths of the columns, each once, ascending. */
    public List<Integer> footprints() {
        return List.copyOf(
                columns.stream().map(c -> c.mode().footprint()).collect(Collectors.toCollection(TreeSet::new)));
    }
}
