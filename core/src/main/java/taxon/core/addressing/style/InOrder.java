package taxon.core.addressing.style;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;

/**
 * Places pieces one after the other, each at the first free place after the one before of its class. So addresses ascend within
 * each class; another class begins on the first universe that is open to it. Time: linear in the pieces, and in the universes
 * for each class.
 */
final class InOrder {
    private final JobSpace space;
    private final Map<Integer, StartAddress> starts = new HashMap<>();
    private final Map<SharingClass, StartAddress> next = new HashMap<>();

    private InOrder(Task task) {
        space = task.space();
    }

    static Layout lay(Task task) {
        InOrder style = new InOrder(task);
        style.starts.putAll(task.request().forced());
        task.open().forEach(style::place);
        return Layout.of(task.request().pieces(), style.starts, new Optimum.Unclaimed(), 0);
    }

    private void place(Piece piece) {
        StartAddress from = next.getOrDefault(piece.sharingClass(), space.wish().from());
        Optional<StartAddress> start = space.firstFit(from, piece.length(), piece.sharingClass(), piece.load());
        start.ifPresent(a -> {
            space.take(a, piece);
            starts.put(piece.index(), a);
            next.put(piece.sharingClass(), behind(a, piece));
        });
    }

    private StartAddress behind(StartAddress start, Piece piece) {
        int slot = start.slot().number() + space.grain().pace(piece.length());
        return slot <= Slot.LAST
                ? StartAddress.of(start.universe().number(), slot)
                : start.nextUniverse().orElse(start);
    }
}
