package taxon.core.addressing.style;

import java.util.List;
import java.util.Set;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * What a style has to do: a request, the space without those who are asked for, and how much may be computed.
 *
 * @param base never filled itself; {@link #space} is
 */
public record Task(ResolvedRequest request, JobSpace base, Effort effort) {

    /** What reading or seating one fixture takes, about; so that what is done again and again is counted too. */
    static final int NUMBERS_OF_A_FIXTURE = 1_000;

    /** @param held those who are taken as fixed where they are, though they are asked for */
    public static Task of(Plan plan, PlacementRequest request, Set<FixtureKey> held, Effort effort) {
        return of(ResolvedRequest.of(plan, request, held), effort);
    }

    public static Task of(ResolvedRequest request, Effort effort) {
        effort.spend((long) NUMBERS_OF_A_FIXTURE * request.plan().fixtures().size());
        JobSpace base = JobSpace.of(
                request.plan(),
                request.wish(),
                request.classes(),
                b -> request.keys().contains(b.fixture().key()));
        return new Task(request, base, effort);
    }

    /** The space as it is when nobody who is asked for is placed yet, to be filled. */
    public JobSpace space() {
        return base.copy();
    }

    /** Pieces that go where others need them, and pieces that are longer than a universe, are no part of any search. */
    List<Piece> open() {
        return request.pieces().stream()
                .filter(r -> !isForced(r) && r.length() <= base.lastSlot())
                .toList();
    }

    boolean isForced(Piece piece) {
        return request.forced().containsKey(piece.index());
    }
}
