package taxon.app.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.app.compare.TapePair.Bar;
import taxon.app.compare.TapePair.Join;
import taxon.core.compare.Match;
import taxon.core.compare.PatchRow;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Plan;

/**
 * The universes in which both sides differ, ours above and theirs below.
 *
 * @param more how many further ones there are
 */
record TapePairs(List<TapePair> shown, int more) {
    /** Of the drawing: 512 slots of two units. */
    static final int UNIT = 2;

    private static final int MOST = 6;
    private static final int LETTER = 8;
    private static final Set<Kind> WHERE = Set.of(Kind.UNIVERSE, Kind.ADDRESS, Kind.FOOTPRINT);

    static TapePairs of(ComparedSides sides, Plan plan) {
        Drawing drawing = new Drawing(sides, plan);
        List<TapePair> pairs = drawing.pairs();
        return new TapePairs(pairs.subList(0, Math.min(MOST, pairs.size())), Math.max(0, pairs.size() - MOST));
    }

    private static final class Drawing {
        private final ComparedSides sides;
        private final SortedMap<Integer, List<Bar>> ours = new TreeMap<>();
        private final SortedMap<Integer, List<Bar>> theirs = new TreeMap<>();
        private final Map<Integer, List<Join>> joins = new HashMap<>();
        private final Set<Integer> differing = new HashSet<>();
        private final Map<PatchRow, Integer> lengths = new HashMap<>();

        Drawing(ComparedSides sides, Plan plan) {
            this.sides = sides;
            lengths(plan);
            Set<PatchRow> moved = new HashSet<>();
            sides.comparison().differences().forEach((match, found) -> {
                if (found.stream().anyMatch(d -> WHERE.contains(d.kind()))) {
                    moved.add(match.ours());
                    join(match);
                }
            });
            Set<PatchRow> there = new HashSet<>();
            sides.comparison().matches().stream()
                    .filter(m -> moved.contains(m.ours()))
                    .forEach(m -> there.add(m.theirs()));
            moved.addAll(sides.comparison().onlyOurs());
            there.addAll(sides.comparison().onlyTheirs());
            bars(sides.ours(), moved, ours);
            bars(sides.theirs().rows(), there, theirs);
        }

        /** Of the first block of each row; what their side does not say is as long as ours. */
        private void lengths(Plan plan) {
            for (PatchRow row : sides.ours()) {
                plan.blocksOf(plan.fixtures().get(row.place())).stream()
                        .findFirst()
                        .ifPresent(b -> lengths.put(row, b.footprint()));
            }
            for (PatchRow row : sides.theirs().rows()) {
                if (row.starts().size() == 1 && row.footprint().isPresent()) {
                    lengths.put(row, row.footprint().getAsInt());
                }
            }
            sides.comparison().matches().forEach(m -> {
                if (lengths.containsKey(m.ours()) && !lengths.containsKey(m.theirs())) {
                    lengths.put(
                            m.theirs(),
                            Optional.ofNullable(lengths.get(m.ours())).orElse(1));
                }
            });
        }

        private void join(Match match) {
            Optional<StartAddress> here = match.ours().start();
            Optional<StartAddress> there = match.theirs().start();
            if (here.isPresent()
                    && there.isPresent()
                    && here.get().universe().equals(there.get().universe())) {
                joins.computeIfAbsent(here.get().universe().number(), u -> new ArrayList<>())
                        .add(new Join(
                                middle(match.ours(), here.get()),
                                middle(match.theirs(), there.get()),
                                match.ours().label() + ": " + here.get() + " here, "
                                        + sides.theirs().counting().words(there.get()) + " there"));
            }
        }

        private int middle(PatchRow row, StartAddress start) {
            return (start.slot().number() - 1) * UNIT + width(row, start) / 2;
        }

        /** Of one of which nobody says how long it is, a single slot is drawn. */
        private int width(PatchRow row, StartAddress start) {
            int length = lengths.getOrDefault(row, 1);
            return Math.max(1, Math.min(length, 513 - start.slot().number())) * UNIT;
        }

        private void bars(List<PatchRow> rows, Set<PatchRow> odd, SortedMap<Integer, List<Bar>> into) {
            for (PatchRow row : rows) {
                row.start().ifPresent(start -> {
                    int universe = start.universe().number();
                    int width = width(row, start);
                    boolean differs = odd.contains(row);
                    if (differs) {
                        differing.add(universe);
                    }
                    String label = row.label().length() * LETTER < width ? row.label() : "";
                    into.computeIfAbsent(universe, u -> new ArrayList<>())
                            .add(new Bar(
                                    (start.slot().number() - 1) * UNIT,
                                    width,
                                    label,
                                    row.label() + ", " + start,
                                    differs));
                });
            }
        }

        List<TapePair> pairs() {
            return differing.stream()
                    .sorted()
                    .map(u -> new TapePair(
                            u,
                            ours.getOrDefault(u, List.of()),
                            theirs.getOrDefault(u, List.of()),
                            joins.getOrDefault(u, List.of())))
                    .toList();
        }
    }
}
