package taxon.core.rig;

import java.util.List;
import java.util.Optional;
import taxon.core.text.Texts;

/**
 * What someone should know of one fixture besides its place and its patch.
 *
 * @param purpose what it is for, "front light, bow"; at most 80 characters
 * @param colour colour or gel, at most 80 characters
 * @param panReversed true when pan goes the other way than the rest of its type
 * @param axesSwapped true when pan and tilt change places
 * @param mirrors the fixture that it mirrors, where it does; one that is gone counts as none
 * @param hazard what it can do to people where it hangs, at most 120 characters
 * @param parked slots that hold a value, each block and slot once, at most 64
 * @param line the cable run that feeds it, "quay left 2"; at most 40 characters
 * @param locked true when no proposal may move it
 */
public record Traits(
        String purpose,
        String colour,
        boolean panReversed,
        boolean tiltReversed,
        boolean axesSwapped,
        Optional<FixtureKey> mirrors,
        String hazard,
        List<Parked> parked,
        String line,
        boolean locked) {
    public static final Traits NONE =
            new Traits("", "", false, false, false, Optional.empty(), "", List.of(), "", false);

    private static final int MOST_PARKED = 64;

    /**
     * A slot that holds a value.
     *
     * @param block counted from 1
     * @param offset the slot inside the block, 1 to 512
     * @param value 0 to 255
     * @param why at most 120 characters, not empty
     */
    public record Parked(int block, int offset, int value, String why) {
        public Parked {
            if (block < 1 || block > 64) {
                throw new IllegalArgumentException("block " + block + " is outside 1 to 64");
            }
            if (offset < 1 || offset > 512) {
                throw new IllegalArgumentException("slot " + offset + " of a block is outside 1 to 512");
            }
            if (value < 0 || value > 255) {
                throw new IllegalArgumentException("the value " + value + " is outside 0 to 255");
            }
            Texts.requireLine("reason for parking", why, 120);
        }
    }

    public Traits {
        Texts.allowLine("purpose", purpose, 80);
        Texts.allowLine("colour", colour, 80);
        Texts.allowLine("hazard", hazard, 120);
        Texts.allowLine("line", line, 40);
        parked = List.copyOf(parked);
        if (parked.size() > MOST_PARKED) {
            throw new IllegalArgumentException(parked.size() + " parked slots are more than " + MOST_PARKED);
        }
        if (parked.stream().map(p -> p.block() * 1000 + p.offset()).distinct().count() != parked.size()) {
            throw new IllegalArgumentException("a slot is parked twice");
        }
    }

    /** Traits of a fixture of which no cable run is known and which proposals may move. */
    public Traits(
            String purpose,
            String colour,
            boolean panReversed,
            boolean tiltReversed,
            boolean axesSwapped,
            Optional<FixtureKey> mirrors,
            String hazard,
            List<Parked> parked) {
        this(purpose, colour, panReversed, tiltReversed, axesSwapped, mirrors, hazard, parked, "", false);
    }

    public Traits withPurpose(String changed) {
        return new Traits(
                changed, colour, panReversed, tiltReversed, axesSwapped, mirrors, hazard, parked, line, locked);
    }

    public Traits withColour(String changed) {
        return new Traits(
                purpose, changed, panReversed, tiltReversed, axesSwapped, mirrors, hazard, parked, line, locked);
    }

    public Traits withPanReversed(boolean changed) {
        return new Traits(purpose, colour, changed, tiltReversed, axesSwapped, mirrors, hazard, parked, line, locked);
    }

    public Traits withTiltReversed(boolean changed) {
        return new Traits(purpose, colour, panReversed, changed, axesSwapped, mirrors, hazard, parked, line, locked);
    }

    public Traits withAxesSwapped(boolean changed) {
        return new Traits(purpose, colour, panReversed, tiltReversed, changed, mirrors, hazard, parked, line, locked);
    }

    public Traits withMirrors(Optional<FixtureKey> changed) {
        return new Traits(
                purpose, colour, panReversed, tiltReversed, axesSwapped, changed, hazard, parked, line, locked);
    }

    public Traits withHazard(String changed) {
        return new Traits(
                purpose, colour, panReversed, tiltReversed, axesSwapped, mirrors, changed, parked, line, locked);
    }

    public Traits withLine(String changed) {
        return new Traits(
                purpose, colour, panReversed, tiltReversed, axesSwapped, mirrors, hazard, parked, changed, locked);
    }

    public Traits withLocked(boolean changed) {
        return new Traits(
                purpose, colour, panReversed, tiltReversed, axesSwapped, mirrors, hazard, parked, line, changed);
    }
}
