package taxon.core.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/** What is wrong with a patch that is no plan, as far as its rows say: without types, only of IDs, addresses and lengths. */
public final class PatchCheck {
    private PatchCheck() {}

    /** What may be wrong. */
    public enum Kind {
        /** Several have one fixture ID. */
        SAME_ID,
        /** Two lie on the same slots. */
        OVERLAP,
        /** One would end past slot 512. */
        PAST_THE_END,
        /** One has no address, where the list says where others are. */
        NO_ADDRESS
    }

    /**
     * One thing.
     *
     * @param stop true for what cannot work on a rig; false for what may be meant so
     * @param rows of which it is
     */
    public record Problem(Kind kind, boolean stop, List<PatchRow> rows, String sentence) {
        public Problem {
            rows = List.copyOf(rows);
        }

        /** The row where it shows: the last of them. */
        public PatchRow row() {
            return rows.get(rows.size() - 1);
        }
    }

    /** A row with a run of slots. */
    private record Placed(PatchRow row, StartAddress start, int length) {
        int last() {
            return start.slot().number() + length - 1;
        }
    }

    /** All of them: IDs first, then addresses along the universes. */
    public static List<Problem> of(List<PatchRow> rows) {
        List<Problem> problems = new ArrayList<>();
        sameIds(rows, problems);
        List<Placed> placed = new ArrayList<>();
        for (PatchRow row : rows) {
            if (row.starts().isEmpty() && row.saysWhere()) {
                problems.add(new Problem(Kind.NO_ADDRESS, false, List.of(row), row.label() + " has no address."));
            }
            // Of several blocks nobody says which is how long.
            int length = row.starts().size() == 1 ? row.footprint().orElse(1) : 1;
            row.starts().forEach(s -> placed.add(new Placed(row, s, length)));
        }
        pastTheEnd(placed, problems);
        overlaps(placed, problems);
        return problems;
    }

    private static void sameIds(List<PatchRow> rows, List<Problem> problems) {
        Map<Integer, List<PatchRow>> byId = new LinkedHashMap<>();
        rows.forEach(r -> r.id().ifPresent(
                        i -> byId.computeIfAbsent(i, k -> new ArrayList<>()).add(r)));
        byId.forEach((id, same) -> {
            if (same.size() > 1) {
                problems.add(new Problem(
                        Kind.SAME_ID, false, same, "Fixture ID " + id + " is there " + same.size() + " times."));
            }
        });
    }

    private static void pastTheEnd(List<Placed> placed, List<Problem> problems) {
        placed.stream()
                .filter(p -> p.last() > Slot.LAST)
                .forEach(p -> problems.add(new Problem(
                        Kind.PAST_THE_END,
                        true,
                        List.of(p.row()),
                        p.row().label() + " at " + p.start() + " with " + p.length() + " slots ends "
                                + (p.last() - Slot.LAST) + " past slot 512.")));
    }

    /** Along each universe: whoever begins before the furthest end so far lies on whoever ends there. */
    private static void overlaps(List<Placed> placed, List<Problem> problems) {
        SortedMap<Integer, List<Placed>> byUniverse = new TreeMap<>();
        placed.forEach(p -> byUniverse
                .computeIfAbsent(p.start().universe().number(), u -> new ArrayList<>())
                .add(p));
        byUniverse.values().forEach(all -> {
            all.sort(Comparator.comparing(Placed::start));
            Optional<Placed> furthest = Optional.empty();
            for (Placed next : all) {
                furthest.filter(f -> f.last() >= next.start().slot().number())
                        .ifPresent(f -> problems.add(overlap(f, next)));
                if (furthest.isEmpty() || furthest.get().last() < next.last()) {
                    furthest = Optional.of(next);
                }
            }
        });
    }

    private static Problem overlap(Placed one, Placed other) {
        return new Problem(
                Kind.OVERLAP,
                true,
                List.of(one.row(), other.row()),
                other.row().label() + " at " + other.start() + " lies on "
                        + one.row().label() + ", which ends at "
                        + one.start().universe() + "."
                        + String.format(Locale.ROOT, "%03d", Math.min(Slot.LAST, one.last()))
                        + ".");
    }
}
