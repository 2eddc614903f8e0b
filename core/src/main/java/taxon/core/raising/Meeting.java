package taxon.core.raising;

import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.Route;
import taxon.core.reception.Heard;
import taxon.core.text.Listed;

/** What happens on a way when a second source begins there: told before it does. */
public sealed interface Meeting {
    /** What a source of ours is called begins so, and goes on with who armed it. */
    String OWN_NAME = "Taxon, ";

    /** Who is known by what the box says alone. */
    String SOMEBODY = "Somebody";

    /** Nobody else sends. */
    record Alone() implements Meeting {}

    /**
     * Its levels are followed and sent on with a higher priority; receivers take the highest and nobody else (E1.31, 6.2.3, from memory).
     *
     * @param theirs the highest of those that are heard, of slots too
     */
    record Over(String who, int theirs, int ours) implements Meeting {}

    /** Nothing is higher than what is sent already. */
    record TooHigh(String who) implements Meeting {}

    /** Another Taxon drives it. */
    record HeldElsewhere(String who) implements Meeting {}

    /** The box makes the highest of both: only what is brighter than theirs is seen (Art-Net 4, HTP, from memory). */
    record Highest(String who) implements Meeting {}

    /** The box takes whoever sent last, and would jump between the two (Art-Net 4, LTP, from memory). */
    record Latest(String who) implements Meeting {}

    /** Somebody sends to the box, and by what priority cannot be heard from here. */
    record Unknown(String box) implements Meeting {}

    /** The box does not say whether somebody sends to it. */
    record Silent(String box) implements Meeting {}

    /** What a box says of the port that a way ends at. */
    record BoxSays(boolean dataFlows, Merge merge) {}

    /** True when one may begin. */
    default boolean isAllowed() {
        return this instanceof Alone || this instanceof Over || this instanceof Highest;
    }

    /** True when only what is brighter is seen. */
    default boolean isMixed() {
        return this instanceof Highest;
    }

    /**
     * What it will be.
     *
     * @param others who is heard on the carrier, but for oneself
     * @param highest the highest priority that one of them gives, of slots too
     * @param box what it says of itself; empty where it did not answer
     */
    static Meeting of(Outlet outlet, List<Heard> others, int highest, Optional<BoxSays> box) {
        return outlet.toBox() ? said(outlet, box) : heard(outlet, others, highest, box);
    }

    /** What comes to this card need not be what comes to a box that is spoken to alone: only the box knows. */
    private static Meeting said(Outlet outlet, Optional<BoxSays> box) {
        if (box.isEmpty()) {
            return new Silent(outlet.box());
        }
        if (!box.get().dataFlows()) {
            return new Alone();
        }
        return outlet.isArtNet() ? merged(SOMEBODY, box.get().merge()) : new Unknown(outlet.box());
    }

    private static Meeting heard(Outlet outlet, List<Heard> others, int highest, Optional<BoxSays> box) {
        List<Heard> live = others.stream().filter(h -> !h.isPreview()).toList();
        if (live.isEmpty()) {
            return new Alone();
        }
        Optional<String> held = live.stream()
                .map(Heard::named)
                .filter(n -> n.startsWith(OWN_NAME))
                .findFirst();
        if (held.isPresent()) {
            return new HeldElsewhere(held.get());
        }
        String who = Listed.of(live.stream().map(Heard::named).distinct().toList());
        if (outlet.isArtNet()) {
            return merged(who, box.map(BoxSays::merge).orElse(outlet.merge()));
        }
        int ours = Math.max(highest + 1, outlet.priority());
        return ours > Route.Sacn.HIGHEST_PRIORITY ? new TooHigh(who) : new Over(who, highest, ours);
    }

    private static Meeting merged(String who, Merge merge) {
        return merge == Merge.HIGHEST ? new Highest(who) : new Latest(who);
    }
}
