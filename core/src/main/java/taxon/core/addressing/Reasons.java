package taxon.core.addressing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.Layout;
import taxon.core.addressing.style.Task;
import taxon.core.dmx.Slot;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;

/** Says why each piece lies where it lies: what it follows, what it goes round, what it begins. */
final class Reasons {
    private final Task task;
    private final Layout layout;
    private final JobSpace before;
    private final Map<Integer, Piece> previous = new HashMap<>();
    private final TreeMap<Integer, Piece> lastOf = new TreeMap<>();

    Reasons(Task task, Layout layout, List<Piece> placed) {
        this.task = task;
        this.layout = layout;
        before = task.base();
        for (Piece piece : Layout.bySlot(placed, layout)) {
            int universe = universe(piece);
            Piece last = lastOf.put(universe, piece);
            if (last != null) {
                previous.put(piece.index(), last);
            }
        }
    }

    private int universe(Piece piece) {
        return layout.start(piece).orElseThrow().universe().number();
    }

    Reason of(Piece piece) {
        Optional<Reason> known = Optional.ofNullable(layout.reasons().get(piece.index()));
        if (known.isPresent()) {
            return known.get();
        }
        if (task.request().forced().containsKey(piece.index())) {
            return new Reason.Shares(sharedWith(piece));
        }
        StartAddress start = layout.start(piece).orElseThrow();
        return Optional.ofNullable(previous.get(piece.index()))
                .map(p -> behind(p, start))
                .orElseGet(() -> first(piece, start));
    }

    private String sharedWith(Piece piece) {
        return task.request().plan().shares().stream()
                .filter(s -> s.blocks().contains(piece.blocks().get(0).ref()))
                .flatMap(s -> s.blocks().stream())
                .filter(b -> piece.blocks().stream().noneMatch(r -> r.ref().equals(b)))
                .flatMap(b -> task.request().plan().block(b).stream())
                .map(b -> b.label())
                .findFirst()
                .orElse("");
    }

    private Reason behind(Piece previousRun, StartAddress start) {
        int end = layout.start(previousRun).orElseThrow().slot().number() + previousRun.length() - 1;
        int slot = start.slot().number();
        return before.universe(start.universe().number()).isTakenBetween(end + 1, slot - 1)
                ? new Reason.Around(new SlotRange(end + 1, slot - 1))
                : new Reason.Follows(previousRun.label(), Math.max(0, slot - end - 1));
    }

    private Reason first(Piece piece, StartAddress start) {
        int slot = start.slot().number();
        int universe = start.universe().number();
        StartAddress from = task.request().wish().from();
        int begin = universe == from.universe().number() ? from.slot().number() : Slot.FIRST;
        if (before.universe(universe).isTakenBetween(begin, slot - 1)) {
            return new Reason.Around(new SlotRange(begin, slot - 1));
        }
        if (start.equals(from)) {
            return new Reason.Start();
        }
        Optional<Piece> left = Optional.ofNullable(lastOf.lowerEntry(universe)).map(Map.Entry::getValue);
        return left.filter(l -> l.sharingClass().equals(piece.sharingClass()))
                .<Reason>map(l -> new Reason.NextUniverse(UniverseNumber.of(universe(l)), piece.length()))
                .orElse(new Reason.Begins(start.universe()));
    }
}
