package taxon.core.rig;

import java.time.Instant;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * What somebody saw when one thing of a unit was checked.
 *
 * @param note what else there is to say, or which unit moved in its place; at most 200 characters
 * @param against what was planned then; once that is another, nothing is known any more
 * @param by who saw it
 */
public record UnitCheck(
        FixtureKey fixture, CheckItem item, Seen seen, String note, String against, Instant at, String by)
        implements Element {
    /** What was seen. */
    public enum Seen {
        RIGHT("right"),
        /** Another unit moved. */
        WRONG_ONE("wrong one moved"),
        NOTHING("nothing moved"),
        /** An axis went the other way round; the plan says so since. */
        OTHER_WAY("other way round");

        private final String words;

        Seen(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** True where nothing is to be done any more. */
        public boolean isSettled() {
            return this == RIGHT || this == OTHER_WAY;
        }
    }

    public UnitCheck {
        Texts.allowLine("note of a check", note, 200);
        Texts.allowLine("plan that was checked against", against, 1_000);
        Texts.requireLine("who checked", by, 80);
        boolean axis = item.kind() == CheckItem.Kind.PAN || item.kind() == CheckItem.Kind.TILT;
        if (seen == Seen.OTHER_WAY && !axis) {
            throw new IllegalArgumentException("only pan and tilt go the other way round, not " + item.name());
        }
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(fixture, item);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.check(this);
    }

    /** The key under which a plan holds what was seen. */
    public static ElementKey keyOf(FixtureKey fixture, CheckItem item) {
        return new ElementKey(Kind.CHECK, fixture.number(), item.name());
    }
}
