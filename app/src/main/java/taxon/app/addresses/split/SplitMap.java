package taxon.app.addresses.split;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Position;

/**
 * Which positions, or types, lie on which universes, as bands between two columns; width by slots. Lengths in pixels.
 *
 * @param sources positions in the order of the rig, or types by name
 */
public record SplitMap(int width, int height, List<Node> sources, List<Node> universes, List<Band> bands) {
    static final int BAR = 14;

    private static final int WIDTH = 900;
    private static final int LEFT = 190;
    private static final int RIGHT = 720;
    private static final int GAP = 16;
    /** The gap where there are so many nodes that they would not be seen at a glance. */
    private static final int NARROW_GAP = 3;

    private static final int MANY = 24;
    /** The least distance from node to node, so that its words have room. */
    private static final int LINE = 13;

    private static final int WIDE_LINE = 28;
    /** What all slots together may take in height. */
    private static final double ALL_SLOTS = 640;

    private static final int TOP = 12;
    private static final double PER_SLOT = 0.14;
    private static final double LEAST = 3;

    /** @param spread over how many of the other side it is */
    public record Node(String name, int slots, int spread, double y, double height) {}

    /**
     * What lies on one universe of one position or type.
     *
     * @param keys the fixtures, ascending
     */
    public record Band(
            String source,
            int universe,
            int slots,
            List<Integer> keys,
            int tint,
            double from,
            double to,
            double width) {
        /** The outline of the band. */
        public String path() {
            double middle = (LEFT + BAR + RIGHT) / 2.0;
            return String.format(
                    Locale.ROOT,
                    "M%d %.1fC%.1f %.1f %.1f %.1f %d %.1fv%.1fC%.1f %.1f %.1f %.1f %d %.1fz",
                    LEFT + BAR,
                    from,
                    middle,
                    from,
                    middle,
                    to,
                    RIGHT,
                    to,
                    width,
                    middle,
                    to + width,
                    middle,
                    from + width,
                    LEFT + BAR,
                    from + width);
        }
    }

    public int left() {
        return LEFT;
    }

    public int right() {
        return RIGHT;
    }

    /** The slots taken, each once whoever shares it, and who is there. */
    private record Cell(BitSet taken, Set<Integer> keys) {
        static Cell of(PlannedBlock block) {
            BitSet taken = new BitSet();
            block.slots().ifPresent(s -> taken.set(s.first(), s.last() + 1));
            return new Cell(taken, Set.of(block.fixture().key().number()));
        }

        Cell and(Cell other) {
            BitSet both = (BitSet) taken.clone();
            both.or(other.taken);
            TreeSet<Integer> all = new TreeSet<>(keys);
            all.addAll(other.keys);
            return new Cell(both, all);
        }

        int slots() {
            return taken.cardinality();
        }
    }

    public static SplitMap of(Plan plan, boolean byType) {
        Map<String, Map<UniverseNumber, Cell>> cells = new LinkedHashMap<>();
        if (!byType) {
            plan.positions().stream().map(Position::name).forEach(n -> cells.put(n, new TreeMap<>()));
        }
        for (PlannedBlock block : plan.blocks()) {
            if (block.start().isPresent()) {
                String source = byType
                        ? block.type().fullName()
                        : plan.position(block.fixture()).name();
                cells.computeIfAbsent(source, s -> new TreeMap<>())
                        .merge(block.start().get().universe(), Cell.of(block), Cell::and);
            }
        }
        cells.values().removeIf(Map::isEmpty);
        return new Layout(cells).map();
    }

    private static final class Layout {
        private final Map<String, Map<UniverseNumber, Cell>> cells;
        private final Map<UniverseNumber, Double> universeY = new TreeMap<>();
        private final List<Node> sources = new ArrayList<>();
        private final List<Node> universes = new ArrayList<>();
        private final double perSlot;
        private final boolean dense;

        Layout(Map<String, Map<UniverseNumber, Cell>> cells) {
            this.cells = cells;
            int slots = cells.values().stream()
                    .flatMap(m -> m.values().stream())
                    .mapToInt(Cell::slots)
                    .sum();
            perSlot = Math.min(PER_SLOT, ALL_SLOTS / Math.max(1, slots));
            long nodes = cells.values().stream()
                    .flatMap(m -> m.keySet().stream())
                    .distinct()
                    .count();
            dense = Math.max(nodes, cells.size()) > MANY;
        }

        /** From the top of a node to the top of the next. */
        private double pitch(double height) {
            return Math.max(height + (dense ? NARROW_GAP : GAP), dense ? LINE : WIDE_LINE);
        }

        SplitMap map() {
            double right = layUniverses();
            List<Band> bands = new ArrayList<>();
            double y = TOP;
            for (Map.Entry<String, Map<UniverseNumber, Cell>> source : cells.entrySet()) {
                double from = y;
                for (Map.Entry<UniverseNumber, Cell> cell : source.getValue().entrySet()) {
                    double width = width(cell.getValue().slots());
                    double to = universeY.getOrDefault(cell.getKey(), 0.0);
                    universeY.put(cell.getKey(), to + width);
                    bands.add(new Band(
                            source.getKey(),
                            cell.getKey().number(),
                            cell.getValue().slots(),
                            List.copyOf(cell.getValue().keys()),
                            sources.size() % 10,
                            from,
                            to,
                            width));
                    from += width;
                }
                int slots = source.getValue().values().stream()
                        .mapToInt(Cell::slots)
                        .sum();
                sources.add(new Node(source.getKey(), slots, source.getValue().size(), y, from - y));
                y += pitch(from - y);
            }
            return new SplitMap(WIDTH, (int) Math.max(y, right) + TOP, sources, universes, bands);
        }

        private double layUniverses() {
            TreeMap<UniverseNumber, List<Cell>> by = new TreeMap<>();
            cells.values()
                    .forEach(m -> m.forEach((u, c) ->
                            by.computeIfAbsent(u, k -> new ArrayList<>()).add(c)));
            double y = TOP;
            for (Map.Entry<UniverseNumber, List<Cell>> entry : by.entrySet()) {
                double height = entry.getValue().stream()
                        .mapToDouble(c -> width(c.slots()))
                        .sum();
                int slots = entry.getValue().stream()
                        .reduce(Cell::and)
                        .map(Cell::slots)
                        .orElse(0);
                universes.add(new Node(
                        entry.getKey().toString(), slots, entry.getValue().size(), y, height));
                universeY.put(entry.getKey(), y);
                y += pitch(height);
            }
            return y;
        }

        private double width(int slots) {
            return Math.max(dense ? 1 : LEAST, slots * perSlot);
        }
    }
}
