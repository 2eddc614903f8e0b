package taxon.core.explain;

import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.rig.FixtureKey;

/**
 * A unit that answered.
 *
 * @param what it did; empty where only that it did something was seen
 * @param otherWay true when it went the other way round than the channel is to go
 */
public record Response(FixtureKey unit, Optional<Attribute> what, boolean otherWay) {
    /** One that did something, whatever it was. */
    public static Response of(FixtureKey unit) {
        return new Response(unit, Optional.empty(), false);
    }

    /** One that did what the attribute says. */
    public static Response of(FixtureKey unit, Attribute what) {
        return new Response(unit, Optional.of(what), false);
    }
}
