package taxon.core.addressing.style;

import java.util.List;
import java.util.Optional;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.Piece;
import taxon.core.rig.Fixture;

/**
 * Where a fixture that may move is now.
 *
 * @param index its place among those that have an address, in the order of the request, from 0
 * @param weight what moving costs, in points
 * @param spots what its pieces take now, with the room that is kept
 * @param trouble why it cannot stay, whatever the others that are asked for do
 */
record CurrentPlace(int index, Fixture fixture, int weight, List<Spot> spots, Optional<Trouble> trouble) {
    CurrentPlace {
        spots = List.copyOf(spots);
    }

    /**
     * Slots that a piece takes now, or that one block takes of a piece whose blocks do not follow each other.
     *
     * @param length may reach past 512 for one that cannot stay
     * @param claims slots from its start that belong to it: a neighbour behind begins there or later
     */
    record Spot(Piece piece, int universe, int first, int length, int claims, int load) {
        int last() {
            return first + length - 1;
        }

        int lastClaimed() {
            return first + claims - 1;
        }

        /** True when both cannot stay. */
        boolean meets(Spot other) {
            if (isSameShare(other)) {
                return universe != other.universe || first != other.first;
            }
            return universe == other.universe
                    && (!piece.sharingClass().equals(other.piece.sharingClass())
                            || (first <= other.lastClaimed() && other.first <= lastClaimed()));
        }

        boolean isSameShare(Spot other) {
            return piece.shares() && piece.index() == other.piece.index();
        }
    }

    /** True for one spot that shares with nobody: it meets others on one universe only, and only as an interval. */
    boolean isPlain() {
        return spots.size() == 1 && !spots.get(0).piece().shares();
    }

    boolean mayStay() {
        return trouble.isEmpty();
    }

    /** True when both cannot stay. */
    boolean meets(CurrentPlace other) {
        return spots.stream().anyMatch(mine -> other.spots.stream().anyMatch(mine::meets));
    }
}
