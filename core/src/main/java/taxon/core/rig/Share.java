package taxon.core.rig;

import java.util.Collections;
import java.util.SortedSet;
import java.util.TreeSet;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * Blocks that have one address on purpose, so that they do the same thing. Such a clash is no fault; that they come apart is.
 *
 * @param number 1 or more
 * @param blocks two or more
 * @param why at most 80 characters, may be blank
 */
public record Share(int number, SortedSet<BlockRef> blocks, String why) implements Element {
    public Share {
        if (number < 1) {
            throw new IllegalArgumentException("share number " + number + " is below 1");
        }
        blocks = Collections.unmodifiableSortedSet(new TreeSet<>(blocks));
        if (blocks.size() < 2) {
            throw new IllegalArgumentException("a share of " + blocks.size() + " blocks is none; it takes 2 or more");
        }
        Texts.allowLine("reason of a share", why, 80);
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.share(this);
    }

    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.SHARE, number);
    }
}
