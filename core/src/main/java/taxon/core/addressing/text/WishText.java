package taxon.core.addressing.text;

import java.util.ArrayList;
import java.util.List;
import taxon.core.rig.wish.Headroom.Measure;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;

/** A wish as a sentence. */
public final class WishText {
    private WishText() {}

    /** "by fixture ID, least change, split by position, from 1.001, gap 2, 16 slots free at each end". */
    public static String sentence(Wish wish) {
        List<String> parts = new ArrayList<>();
        parts.add("by " + words(wish.order()));
        parts.add(words(wish.style()));
        if (wish.split() != Wish.Split.NONE) {
            parts.add("split by " + words(wish.split()));
        }
        parts.add("from " + wish.from());
        parts.addAll(beside(wish));
        return String.join(", ", parts);
    }

    /** What is wished beside order, style, split and start: "gap 2", "hazards apart"; empty where nothing is. */
    public static List<String> beside(Wish wish) {
        List<String> parts = new ArrayList<>();
        if (wish.hazardsApart()) {
            parts.add("hazards apart");
        }
        spacing(parts, wish.spacing());
        if (wish.headroom().amount() > 0) {
            parts.add(wish.headroom().amount()
                    + (wish.headroom().measure() == Measure.PERCENT ? " %" : " slots")
                    + " free at each end");
        }
        if (wish.blocks() != Wish.Blocks.FOLLOW_ON) {
            parts.add(words(wish.blocks()));
        }
        if (!wish.universes().isAll()) {
            parts.add("on universes " + wish.universes());
        }
        wish.unitsPerLine().ifPresent(k -> parts.add("at most " + k + " units a line"));
        return parts;
    }

    private static void spacing(List<String> parts, Spacing spacing) {
        if (spacing.gap() > 0) {
            parts.add("gap " + spacing.gap());
        }
        switch (spacing.starts()) {
            case ANYWHERE -> {}
            case PITCH -> parts.add("pitch " + spacing.every());
            case ROUND -> parts.add("starts at 1 and every " + spacing.every());
        }
        if (spacing.largestMode()) {
            parts.add("room for the largest mode");
        }
    }

    /** "by fixture ID". */
    public static String words(Wish.Order order) {
        return switch (order) {
            case FIXTURE_ID -> "fixture ID";
            case RIG -> "place in the rig";
            case TYPE_THEN_ID -> "type, then ID";
        };
    }

    /** "in order". */
    public static String words(Wish.Style style) {
        return switch (style) {
            case IN_ORDER -> "in order";
            case FEWEST_UNIVERSES -> "fewest universes";
            case LEAST_CHANGE -> "least change";
            case COMPACT_BY_PORT -> "compact by port";
        };
    }

    /** "by position". */
    public static String words(Wish.Split split) {
        return switch (split) {
            case NONE -> "nothing";
            case POSITION -> "position";
            case TYPE -> "type";
            case LINE -> "line";
            case GROUP -> "group";
            case PURPOSE -> "purpose";
        };
    }

    /** What the blocks of a fixture do, in words. */
    public static String words(Wish.Blocks blocks) {
        return switch (blocks) {
            case FOLLOW_ON -> "blocks follow on";
            case OWN_RUN -> "blocks in runs of their own";
            case OWN_UNIVERSE -> "later blocks on their own universe";
            case SHARE -> "later blocks share an address";
        };
    }
}
