package taxon.core.rig;

import java.util.Comparator;

/**
 * Names one element of a plan, and orders them: by kind, number, then text.
 *
 * @param number the element's own number, 0 where it has none
 * @param text what the number leaves open, empty where nothing
 */
public record ElementKey(Kind kind, int number, String text) implements Comparable<ElementKey> {
    private static final Comparator<ElementKey> ORDER = Comparator.comparing(ElementKey::kind)
            .thenComparingInt(ElementKey::number)
            .thenComparing(ElementKey::text);

    /** In the order in which a store can write them: what is referred to comes before what refers to it. */
    public enum Kind {
        JOB_SHEET,
        TYPE,
        POSITION,
        BOX,
        UNIVERSE,
        RESERVED_RUN,
        FIXTURE,
        LINE,
        LINK,
        EVIDENCE,
        CHECK,
        GROUP,
        SHARE,
        WISH
    }

    public static ElementKey of(Kind kind, int number) {
        return new ElementKey(kind, number, "");
    }

    @Override
    public int compareTo(ElementKey other) {
        return ORDER.compare(this, other);
    }

    /** "FIXTURE 17". */
    @Override
    public String toString() {
        return (kind + " " + number + " " + text).strip();
    }
}
