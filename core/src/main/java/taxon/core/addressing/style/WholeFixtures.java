package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.wish.Wish.Style;

/**
 * A fixture is placed whole or not at all: takes pieces of fixtures away whose other pieces found no place, and offers the room
 * that this gives back to those who were left out.
 */
final class WholeFixtures {
    private final Task task;
    private final Layout layout;
    private final Map<Integer, StartAddress> starts = new HashMap<>();
    private final Set<Integer> kept;
    private final Set<FixtureKey> unplaced;

    private WholeFixtures(Task task, Layout layout) {
        this.task = task;
        this.layout = layout;
        kept = new HashSet<>(layout.kept());
        unplaced = layout.unplaced(task.request().pieces());
        task.request().pieces().forEach(r -> layout.start(r).ifPresent(a -> starts.put(r.index(), a)));
    }

    static Layout of(Task task, Layout layout) {
        return new WholeFixtures(task, layout).whole();
    }

    private Layout whole() {
        if (unplaced.isEmpty()) {
            return layout;
        }
        List<Piece> pieces = task.request().pieces();
        pieces.stream().filter(this::isHalf).forEach(r -> {
            starts.remove(r.index());
            kept.remove(r.index());
        });
        if (task.request().wish().style() != Style.IN_ORDER) {
            offer(pieces);
        }
        return new Layout(
                Layout.starts(pieces, starts), kept, layout.reasons(), layout.optimum(), layout.leftAtLeast());
    }

    private boolean isHalf(Piece piece) {
        return !piece.shares() && unplaced.contains(piece.fixture().key());
    }

    private void offer(List<Piece> pieces) {
        JobSpace space = task.space();
        pieces.stream().filter(r -> !isOpen(r)).forEach(r -> seat(r, space));
        Map<FixtureKey, List<Piece>> byFixture = new LinkedHashMap<>();
        task.request().fixtures().stream()
                .filter(f -> unplaced.contains(f.key()))
                .forEach(f -> byFixture.put(f.key(), new ArrayList<>()));
        pieces.stream()
                .filter(this::isOpen)
                .forEach(r -> r.fixtures()
                        .flatMap(f -> Optional.ofNullable(byFixture.get(f.key())).stream())
                        .forEach(own -> own.add(r)));
        byFixture.values().forEach(own -> offer(own, space));
    }

    private boolean isOpen(Piece piece) {
        return !starts.containsKey(piece.index()) && !kept.contains(piece.index());
    }

    private void seat(Piece piece, JobSpace space) {
        if (kept.contains(piece.index()) && !piece.isTogether()) {
            piece.blocks()
                    .forEach(b -> b.start()
                            .ifPresent(a -> space.take(a, b.footprint(), piece.sharingClass(), Piece.load(b))));
        } else if (!task.isForced(piece)) {
            Optional.ofNullable(starts.get(piece.index())).or(piece::now).ifPresent(a -> space.take(a, piece));
        }
    }

    /** All pieces of a fixture find a place, or none is taken. What it shares may have been placed with another before it. */
    private void offer(List<Piece> own, JobSpace space) {
        List<Piece> open = own.stream().filter(this::isOpen).toList();
        Map<Integer, StartAddress> found = new NearPlaces(space.copy()).place(open);
        if (found.size() == open.size()) {
            starts.putAll(found);
            open.forEach(r -> seat(r, space));
        }
    }
}
