package taxon.core.rig;

import java.util.Optional;
import java.util.function.Consumer;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * How fixtures of a job are to be addressed. A job has one that is in force, against which its addresses are checked, and
 * may keep others by name.
 *
 * @param number 0 for the one in force, 1 or more for one that is kept
 * @param name at most 40 characters; empty only for the one in force
 * @param from nothing is placed before it
 * @param universes nothing is placed outside them
 * @param unitsPerLine how many fixtures one universe's line takes, 1 to 512, where that is limited; only
 *     {@link Style#COMPACT_BY_PORT} heeds it
 */
public record Wish(
        int number,
        String name,
        Order order,
        Style style,
        Split split,
        boolean hazardsApart,
        Spacing spacing,
        Headroom headroom,
        Blocks blocks,
        StartAddress from,
        UniverseSet universes,
        Optional<Integer> unitsPerLine)
        implements Element {

    public static final int IN_FORCE = 0;
    public static final int MOST_UNITS = 512;
    public static final int MOST_KEPT = 50;

    /** What is usual: close together from 1.001, by fixture ID. */
    public static final Wish USUAL = new Wish(
            IN_FORCE,
            "",
            Order.FIXTURE_ID,
            Style.IN_ORDER,
            Split.NONE,
            false,
            Spacing.CLOSE,
            Headroom.NONE,
            Blocks.FOLLOW_ON,
            StartAddress.of(1, 1),
            UniverseSet.ALL,
            Optional.empty());

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

    public Wish {
        if (number < IN_FORCE) {
            throw new IllegalArgumentException("wish number " + number + " is below 0");
        }
        if (number == IN_FORCE) {
            Texts.allowLine("name of a wish", name, 40);
        } else {
            Texts.requireLine("name of a wish", name, 40);
        }
        unitsPerLine.ifPresent(Wish::requireUnits);
    }

    private static void requireUnits(int units) {
        if (units < 1 || units > MOST_UNITS) {
            throw new IllegalArgumentException(units + " units a line are outside 1 to " + MOST_UNITS);
        }
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.WISH, number);
    }

    public Wish as(int changedNumber, String changedName) {
        return with(d -> {
            d.number = changedNumber;
            d.name = changedName;
        });
    }

    public Wish withStyle(Style changed) {
        return with(d -> d.style = changed);
    }

    public Wish withSpacing(Spacing changed) {
        return with(d -> d.spacing = changed);
    }

    public Wish withHeadroom(Headroom changed) {
        return with(d -> d.headroom = changed);
    }

    public Wish withSplit(Split changed, boolean apart) {
        return with(d -> {
            d.split = changed;
            d.hazardsApart = apart;
        });
    }

    public Wish withOrder(Order changed) {
        return with(d -> d.order = changed);
    }

    public Wish withBlocks(Blocks changed) {
        return with(d -> d.blocks = changed);
    }

    public Wish within(StartAddress changedFrom, UniverseSet changedUniverses) {
        return with(d -> {
            d.from = changedFrom;
            d.universes = changedUniverses;
        });
    }

    public Wish withUnitsPerLine(Optional<Integer> changed) {
        return with(d -> d.unitsPerLine = changed);
    }

    private Wish with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.done();
    }

    /** A wish on its way to another. */
    private static final class Draft {
        private int number;
        private String name;
        private Order order;
        private Style style;
        private Split split;
        private boolean hazardsApart;
        private Spacing spacing;
        private Headroom headroom;
        private Blocks blocks;
        private StartAddress from;
        private UniverseSet universes;
        private Optional<Integer> unitsPerLine;

        Draft(Wish wish) {
            number = wish.number;
            name = wish.name;
            order = wish.order;
            style = wish.style;
            split = wish.split;
            hazardsApart = wish.hazardsApart;
            spacing = wish.spacing;
            headroom = wish.headroom;
            blocks = wish.blocks;
            from = wish.from;
            universes = wish.universes;
            unitsPerLine = wish.unitsPerLine;
        }

        Wish done() {
            return new Wish(
                    number,
                    name,
                    order,
                    style,
                    split,
                    hazardsApart,
                    spacing,
                    headroom,
                    blocks,
                    from,
                    universes,
                    unitsPerLine);
        }
    }
}
