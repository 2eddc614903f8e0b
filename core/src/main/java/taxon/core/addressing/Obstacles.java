package taxon.core.addressing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import taxon.core.addressing.answer.LeftOut;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.request.SharingClasses;
import taxon.core.addressing.space.FreeRun;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.packing.Hole;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Spacing.Starts;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;

/**
 * Says why a fixture finds no place: on the plan as it is when all others are placed, the wish is loosened one part after the
 * other until there is room, and that part is the reason, with the place.
 */
final class Obstacles {
    private final Plan after;
    private final Wish wish;
    private final SharingClasses classes;
    private final JobSpace space;
    private final Map<Wish, JobSpace> loose = new HashMap<>();
    private final Map<List<Object>, Obstacle> known = new HashMap<>();

    /** @param after the plan when all others are placed */
    Obstacles(Plan after, ResolvedRequest request) {
        this.after = after;
        wish = request.wish();
        classes = new SharingClasses(after, wish);
        space = JobSpace.of(after, wish, classes, b -> false);
    }

    /**
     * Why one fixture is left out.
     *
     * @param pieces its pieces; the first that has no place tells the reason
     */
    LeftOut of(Fixture fixture, List<Piece> pieces) {
        Piece piece = pieces.stream()
                .filter(r -> r.length() > space.lastSlot()
                        || first(space, r.length(), r.sharingClass()).isEmpty())
                .findFirst()
                .orElse(pieces.get(0));
        List<Object> alike = List.of(piece.length(), piece.ownLength(), piece.sharingClass(), pieces.size());
        return new LeftOut(fixture, known.computeIfAbsent(alike, k -> obstacle(piece, pieces)), piece.length());
    }

    private static Optional<StartAddress> first(JobSpace space, int length, SharingClass sharingClass) {
        return space.firstFit(space.wish().from(), length, sharingClass, 0);
    }

    private Obstacle obstacle(Piece piece, List<Piece> all) {
        if (piece.length() > space.lastSlot()) {
            return new Obstacle.TooLong(space.lastSlot());
        }
        if (space.firstAllowed().isEmpty()) {
            return new Obstacle.NoUniverse();
        }
        return first(space, piece.length(), piece.sharingClass())
                .map(a -> passed(a, piece, all))
                .or(() -> offStarts(piece))
                .or(() -> keptForMode(piece))
                .or(() -> tooNear(piece))
                .or(() -> split(piece))
                .orElseGet(() -> new Obstacle.NoRoom(largest(piece.sharingClass())));
    }

    private Obstacle passed(StartAddress place, Piece piece, List<Piece> all) {
        if (wish.lineLimit().isPresent()) {
            return new Obstacle.LineFull(
                    place, space.universe(place.universe().number()).load());
        }
        if (wish.style() == Style.IN_ORDER) {
            return new Obstacle.OrderPassed(place);
        }
        return all.size() > 1
                ? new Obstacle.NotTogether(all.size(), place)
                : new Obstacle.NoRoom(largest(piece.sharingClass()));
    }

    private Optional<Obstacle> offStarts(Piece piece) {
        Spacing now = wish.spacing();
        return now.starts() == Starts.ANYWHERE
                ? Optional.empty()
                : loosened(
                                w -> w.withSpacing(new Spacing(now.gap(), Starts.ANYWHERE, 1, now.largestMode())),
                                piece,
                                piece.length())
                        .map(a -> new Obstacle.OffStarts(a, now.every()));
    }

    private Optional<Obstacle> keptForMode(Piece piece) {
        return piece.ownLength() == piece.length()
                ? Optional.empty()
                : loosened(UnaryOperator.identity(), piece, piece.ownLength())
                        .map(a -> new Obstacle.KeptForMode(a, piece.ownLength()));
    }

    private Optional<Obstacle> tooNear(Piece piece) {
        int gap = wish.spacing().gap();
        return gap == 0
                ? Optional.empty()
                : loosened(w -> w.withSpacing(Spacing.CLOSE), piece, piece.ownLength())
                        .map(a -> new Obstacle.TooNear(a, gap));
    }

    private Optional<Obstacle> split(Piece piece) {
        Wish together = wish.withSplit(Split.NONE, false).withBlocks(Wish.Blocks.FOLLOW_ON);
        SharingClasses all = new SharingClasses(after, together);
        JobSpace open = loose.computeIfAbsent(together, w -> JobSpace.of(after, w, all, b -> false));
        return first(open, piece.length(), all.of(piece.fixture(), 1)).map(a -> new Obstacle.Split(a, here(a)));
    }

    private SharingClass here(StartAddress place) {
        return space.universe(place.universe().number()).classes().stream()
                .sorted()
                .findFirst()
                .orElse(new SharingClass("", false, false));
    }

    private Optional<StartAddress> loosened(UnaryOperator<Wish> change, Piece piece, int length) {
        JobSpace open = loose.computeIfAbsent(change.apply(wish), w -> JobSpace.of(after, w, classes, b -> false));
        return first(open, length, piece.sharingClass());
    }

    private Optional<FreeRun> largest(SharingClass sharingClass) {
        Optional<FreeRun> largest = Optional.empty();
        Optional<Integer> at = space.firstAllowed();
        while (at.isPresent()) {
            int universe = at.get();
            for (Hole hole : space.universe(universe).accepts(sharingClass) ? space.holes(universe) : List.<Hole>of()) {
                if (largest.isEmpty() || hole.length() > largest.get().slots().length()) {
                    largest = Optional.of(
                            new FreeRun(UniverseNumber.of(universe), new SlotRange(hole.first(), hole.last())));
                }
            }
            at = space.allowedFrom(universe + 1);
        }
        return largest;
    }
}
