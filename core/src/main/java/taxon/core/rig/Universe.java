package taxon.core.rig;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * What the plan says of a universe beside what sits in it.
 *
 * @param label what people call it, at most 40 characters, may be blank
 * @param routes how its levels leave, each to another port; none when it is routed nowhere
 * @param sources the boxes that send it, each once; none where nobody has said
 */
public record Universe(UniverseNumber number, String label, List<Route> routes, List<Source> sources)
        implements Element {
    public static final int MOST_ROUTES = 256;
    public static final int MOST_SOURCES = 16;

    /**
     * Who sends a universe.
     *
     * @param box its number in the plan
     * @param priority 0 to 200; the highest is heard, equal ones are merged
     */
    public record Source(int box, int priority) {
        public Source {
            if (box < 1 || priority < 0 || priority > Route.Sacn.HIGHEST_PRIORITY) {
                throw new IllegalArgumentException("box " + box + " sends with priority " + priority
                        + "; boxes count from 1, priorities go from 0 to " + Route.Sacn.HIGHEST_PRIORITY);
            }
        }
    }

    public Universe {
        Texts.allowLine("universe label", label, 40);
        routes = List.copyOf(routes);
        sources = List.copyOf(sources);
        if (routes.size() > MOST_ROUTES || sources.size() > MOST_SOURCES) {
            throw new IllegalArgumentException("universe " + number + " has " + routes.size() + " ways and "
                    + sources.size() + " sources; at most " + MOST_ROUTES + " and " + MOST_SOURCES);
        }
        requireDistinct(number, routes.stream().map(Route::port).toList());
        requireDistinct(number, sources.stream().map(Source::box).toList());
    }

    /** One that nobody has said the sender of. */
    public Universe(UniverseNumber number, String label, List<Route> routes) {
        this(number, label, routes, List.of());
    }

    private static void requireDistinct(UniverseNumber number, List<?> ends) {
        Set<Object> seen = new HashSet<>();
        for (Object end : ends) {
            if (!seen.add(end)) {
                throw new IllegalArgumentException("universe " + number + " names " + end + " twice");
            }
        }
    }

    /** A universe of which nothing is said. */
    public static Universe unrouted(UniverseNumber number) {
        return new Universe(number, "", List.of());
    }

    /** True when it leaves by some way. */
    public boolean isRouted() {
        return !routes.isEmpty();
    }

    /** True when it comes to a port of that box. */
    public boolean reaches(int box) {
        return routes.stream().anyMatch(r -> r.port().box() == box);
    }

    /** The same with other ways. */
    public Universe with(List<Route> changed) {
        return new Universe(number, label, changed, sources);
    }

    /** The same under another label. */
    public Universe labelled(String changed) {
        return new Universe(number, changed, routes, sources);
    }

    /** The same sent by others. */
    public Universe from(List<Source> changed) {
        return new Universe(number, label, routes, changed);
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
