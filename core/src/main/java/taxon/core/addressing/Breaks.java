package taxon.core.addressing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.answer.Break;
import taxon.core.addressing.answer.Break.Why;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.Layout;
import taxon.core.addressing.style.Task;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Hole;
import taxon.core.rig.wish.Wish.Style;

/** Says why each universe but the first of a layout is begun. */
final class Breaks {
    private final Task task;
    private final Layout layout;
    private final JobSpace after;
    private final TreeMap<Integer, List<Piece>> byUniverse = new TreeMap<>();

    Breaks(Task task, Layout layout, List<Piece> placed, JobSpace after) {
        this.task = task;
        this.layout = layout;
        this.after = after;
        for (Piece piece : Layout.bySlot(placed, layout)) {
            byUniverse
                    .computeIfAbsent(
                            layout.start(piece).orElseThrow().universe().number(), u -> new ArrayList<>())
                    .add(piece);
        }
    }

    private int slot(Piece piece) {
        return layout.start(piece).orElseThrow().slot().number();
    }

    List<Break> all() {
        List<Break> breaks = new ArrayList<>();
        Optional<Integer> left = Optional.empty();
        for (Map.Entry<Integer, List<Piece>> entry : byUniverse.entrySet()) {
            int universe = entry.getKey();
            Piece first = entry.getValue().get(0);
            left.ifPresent(l -> breaks.add(
                    new Break(UniverseNumber.of(l), UniverseNumber.of(universe), first.label(), why(l, first))));
            left = Optional.of(universe);
        }
        return breaks;
    }

    private Why why(int left, Piece first) {
        List<Piece> there = byUniverse.getOrDefault(left, List.of());
        Piece last = there.get(there.size() - 1);
        if (!last.sharingClass().equals(first.sharingClass())) {
            return new Why.Split(last.sharingClass(), first.sharingClass());
        }
        if (layout.keeps(first) || first.blocks().get(0).start().equals(layout.start(first))) {
            return new Why.Stays();
        }
        int from = task.request().wish().style() == Style.IN_ORDER ? slot(last) : Slot.FIRST;
        if (after.firstFitOn(left, from, first.length(), first.sharingClass(), 0)
                .isEmpty()) {
            int largest = after.holes(left).stream()
                    .filter(h -> h.first() >= from)
                    .mapToInt(Hole::length)
                    .max()
                    .orElse(0);
            return new Why.Full(first.length(), largest);
        }
        boolean full = !after.lineTakes(left, first.load());
        return full ? new Why.LineFull(after.universe(left).load()) : new Why.Packed();
    }
}
