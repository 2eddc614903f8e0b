package taxon.core.addressing.answer;

import java.util.Optional;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.FreeRun;
import taxon.core.dmx.StartAddress;

/** Why a fixture finds no place: what is true of the universes as they are when all others are placed. */
public sealed interface Obstacle {
    /** Its mode is not one of its type, so nobody knows how many slots it takes. */
    record ModeMissing() implements Obstacle {}

    /** Only an app's radio reaches it: it can hear no universe. */
    record NeverHears() implements Obstacle {}

    /** It is locked and has no address for each of its blocks. */
    record Locked() implements Obstacle {}

    /**
     * It is longer than a universe with what is to stay free at its end.
     *
     * @param most slots of one universe that may be used
     */
    record TooLong(int most) implements Obstacle {}

    /** There is room, but only before what was placed last: the order has passed it. */
    record OrderPassed(StartAddress place) implements Obstacle {}

    /** There is room, but only where the wish lets nothing begin. */
    record OffStarts(StartAddress place, int every) implements Obstacle {}

    /**
     * There is room for it as it is, but not for the longest mode of its type.
     *
     * @param own slots that it takes as it is
     */
    record KeptForMode(StartAddress place, int own) implements Obstacle {}

    /** There is room, but too near to a neighbour. */
    record TooNear(StartAddress place, int gap) implements Obstacle {}

    /** There is room, but only on universes that the wish keeps for others. */
    record Split(StartAddress place, SharingClass here) implements Obstacle {}

    /** There is room, but the line of that universe is full. */
    record LineFull(StartAddress place, int units) implements Obstacle {}

    /**
     * Each of its runs would find a place alone, but not all of them.
     *
     * @param place where one of them would fit
     */
    record NotTogether(int runs, StartAddress place) implements Obstacle {}

    /** The wish allows no universe at all. */
    record NoUniverse() implements Obstacle {}

    /**
     * No universe that is allowed has a free run of that length.
     *
     * @param largest the longest run that is free and open to it, where one is
     */
    record NoRoom(Optional<FreeRun> largest) implements Obstacle {}
}
