package taxon.core.raising;

/** Why a slot is not raised. Units are named by their labels. */
public sealed interface Barred {
    /** It was not armed. */
    record NotArmed() implements Barred {}

    /**
     * A unit that can hurt people listens there, and was not armed by its name.
     *
     * @param what it can do, in words
     */
    record Hazard(String unit, String what) implements Barred {}

    /** A laser whose zone is not parked yet: only what shows and sets the zone may be raised. */
    record ZoneFirst(String unit) implements Barred {}

    /** It holds a value. */
    record Parked(String unit, int value, String why) implements Barred {}

    /**
     * The box makes the highest of two sources of it, which brings no sense where it is not about brightness.
     *
     * @param unit that listens there
     */
    record WouldMix(String unit) implements Barred {}
}
