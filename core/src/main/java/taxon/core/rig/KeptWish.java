package taxon.core.rig;

import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.wish.Wish;
import taxon.core.text.Texts;

/**
 * A wish of a job: the one in force, against which its addresses are checked, or one that is kept by name.
 *
 * @param number 0 for the one in force, 1 or more for one that is kept
 * @param name at most 40 characters; empty only for the one in force
 */
public record KeptWish(int number, String name, Wish wish) implements Element {
    public static final int IN_FORCE = 0;
    public static final int MOST_KEPT = 50;

    public KeptWish {
        if (number < IN_FORCE) {
            throw new IllegalArgumentException("wish number " + number + " is below 0");
        }
        if (number == IN_FORCE) {
            Texts.allowLine("name of a wish", name, 40);
        } else {
            Texts.requireLine("name of a wish", name, 40);
        }
    }

    /** In force under a name, which may be empty. */
    public static KeptWish inForce(String name, Wish wish) {
        return new KeptWish(IN_FORCE, name, wish);
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.wish(this);
    }

    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.WISH, number);
    }
}
