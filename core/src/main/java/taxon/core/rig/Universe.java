package taxon.core.rig;

import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * What the plan says of a universe beside what sits in it.
 *
 * @param label what people call it, at most 40 characters, may be blank
 * @param route how its levels leave; empty when it is routed nowhere
 */
public record Universe(UniverseNumber number, String label, Optional<Route> route) implements Element {
    public Universe {
        Texts.allowLine("universe label", label, 40);
    }

    /** A universe of which nothing is said. */
    public static Universe unrouted(UniverseNumber number) {
        return new Universe(number, "", Optional.empty());
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.universe(this);
    }

    /** The key under which a plan holds what is said of a universe. */
    public static ElementKey keyOf(UniverseNumber number) {
        return ElementKey.of(Kind.UNIVERSE, number.number());
    }
}
