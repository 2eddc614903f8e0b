package taxon.core.explain;

import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.rig.FixtureKey;

/**
 * A unit that answered.
 *
 * @param what it did; empty where only that it did something was seen
 */
public record Response(FixtureKey unit, Optional<Attribute> what, Manner manner) {
    /** How a unit answers. */
    public enum Manner {
        AS_TOLD,
        /** It went the other way round than the channel is to go. */
        OTHER_WAY,
        /** It flickers or jumps. */
        UNSTEADY
    }

    /** One that did something, whatever it was. */
    public static Response of(FixtureKey unit) {
        return new Response(unit, Optional.empty(), Manner.AS_TOLD);
    }

    /** One that did what the attribute says. */
    public static Response of(FixtureKey unit, Attribute what) {
        return new Response(unit, Optional.of(what), Manner.AS_TOLD);
    }

    /** One that flickers or jumps, whatever it is told. */
    public static Response unsteady(FixtureKey unit) {
        return new Response(unit, Optional.empty(), Manner.UNSTEADY);
    }

    /** True when it went the other way round. */
    public boolean otherWay() {
        return manner == Manner.OTHER_WAY;
    }

    /** True when it flickers or jumps. */
    public boolean isUnsteady() {
        return manner == Manner.UNSTEADY;
    }
}
