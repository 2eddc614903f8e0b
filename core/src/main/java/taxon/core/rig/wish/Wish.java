package taxon.core.rig.wish;

import java.util.Optional;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;

/**
 * How fixtures of a job are to be addressed.
 *
 * @param aim who comes first, and what matters most
 * @param apart what shares no universe
 * @param spacing how far apart
 * @param bounds where at all
 */
public record Wish(Aim aim, Apart apart, Spacing spacing, Bounds bounds) {

    public static final int MOST_UNITS = 512;

    /** What is usual: close together from 1.001, by fixture ID. */
    public static final Wish USUAL = new Wish(
            new Aim(Order.FIXTURE_ID, Style.IN_ORDER),
            new Apart(Split.NONE, false, Blocks.FOLLOW_ON),
            Spacing.CLOSE,
            new Bounds(Headroom.NONE, StartAddress.of(1, 1), UniverseSet.ALL, Optional.empty()));

    /** Who comes first, and what matters most. */
    public record Aim(Order order, Style style) {}

    /**
     * What shares no universe.
     *
     * @param hazards true to keep apart what can hurt people
     * @param blocks what the blocks of one fixture do
     */
    public record Apart(Split split, boolean hazards, Blocks blocks) {}

    /**
     * Where fixtures may be placed.
     *
     * @param headroom what stays free at the end of every universe
     * @param from nothing is placed before it
     * @param universes nothing is placed outside them
     * @param unitsPerLine how many fixtures one universe's line takes, 1 to 512, where that is limited; only
     *     {@link Style#COMPACT_BY_PORT} heeds it
     */
    public record Bounds(Headroom headroom, StartAddress from, UniverseSet universes, Optional<Integer> unitsPerLine) {
        public Bounds {
            unitsPerLine.ifPresent(Bounds::requireUnits);
        }

        private static void requireUnits(int units) {
            if (units < 1 || units > MOST_UNITS) {
                throw new IllegalArgumentException(units + " units a line are outside 1 to " + MOST_UNITS);
            }
        }
    }

    /** Who comes first. */
    public enum Order {
        FIXTURE_ID,
        /** Position by position, along each. */
        RIG,
        TYPE_THEN_ID
    }

    /** What matters most. */
    public enum Style {
        /** Addresses ascend in the order of the fixtures. */
        IN_ORDER,
        FEWEST_UNIVERSES,
        /** As few units as possible are touched again. */
        LEAST_CHANGE,
        /** The ports that exist are filled before another is asked for. */
        COMPACT_BY_PORT
    }

    /** What shares no universe. */
    public enum Split {
        NONE,
        POSITION,
        TYPE,
        /** The cable run that feeds a fixture. */
        LINE,
        /** The first folder or group that a fixture is in. */
        GROUP,
        PURPOSE
    }

    /** What the blocks of one fixture do, where it has several. */
    public enum Blocks {
        /** One behind the other, as one run. */
        FOLLOW_ON,
        /** Each block number has a run of its own: all first blocks, then all second ones. */
        OWN_RUN,
        /** Second and later blocks lie on other universes than first ones. */
        OWN_UNIVERSE,
        /** Second and later blocks of one mode share an address on purpose. */
        SHARE
    }

    /** In which order fixtures are placed. */
    public Order order() {
        return aim.order();
    }

    /** What matters most where not everything can be had. */
    public Style style() {
        return aim.style();
    }

    /** What shares no universe. */
    public Split split() {
        return apart.split();
    }

    /** True when hazards stand on universes of their own. */
    public boolean hazardsApart() {
        return apart.hazards();
    }

    /** What the blocks of one fixture do. */
    public Blocks blocks() {
        return apart.blocks();
    }

    /** What stays free at the end of each universe. */
    public Headroom headroom() {
        return bounds.headroom();
    }

    /** The lowest address that may be given. */
    public StartAddress from() {
        return bounds.from();
    }

    /** The universes that may be used. */
    public UniverseSet universes() {
        return bounds.universes();
    }

    /** How many units a universe may have at most; empty for any number. */
    public Optional<Integer> unitsPerLine() {
        return bounds.unitsPerLine();
    }

    /** How many fixtures a line takes in the style that is wished for; empty where that counts none. */
    public Optional<Integer> lineLimit() {
        return unitsPerLine().filter(k -> style() == Style.COMPACT_BY_PORT);
    }

    private Wish with(Aim changed) {
        return new Wish(changed, apart, spacing, bounds);
    }

    private Wish with(Apart changed) {
        return new Wish(aim, changed, spacing, bounds);
    }

    private Wish with(Bounds changed) {
        return new Wish(aim, apart, spacing, changed);
    }

    /** The same in another order. */
    public Wish withOrder(Order changed) {
        return with(new Aim(changed, style()));
    }

    /** The same in another style. */
    public Wish withStyle(Style changed) {
        return with(new Aim(order(), changed));
    }

    /** The same with another split, hazards apart or not. */
    public Wish withSplit(Split changed, boolean hazards) {
        return with(new Apart(changed, hazards, blocks()));
    }

    /** The same with blocks that do otherwise. */
    public Wish withBlocks(Blocks changed) {
        return with(new Apart(split(), hazardsApart(), changed));
    }

    /** The same with other gaps and starts. */
    public Wish withSpacing(Spacing changed) {
        return new Wish(aim, apart, changed, bounds);
    }

    /** The same with other room at the end. */
    public Wish withHeadroom(Headroom changed) {
        return with(new Bounds(changed, from(), universes(), unitsPerLine()));
    }

    /** The same from another address on, on other universes. */
    public Wish within(StartAddress changedFrom, UniverseSet changedUniverses) {
        return with(new Bounds(headroom(), changedFrom, changedUniverses, unitsPerLine()));
    }

    /** The same with another limit to a line. */
    public Wish withUnitsPerLine(Optional<Integer> changed) {
        return with(new Bounds(headroom(), from(), universes(), changed));
    }
}
