package taxon.core.rig;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * A line of cable: from a port through the units in the order in which it reaches them.
 *
 * @param number 1 or more
 * @param name what is written on it, 1 to 40 characters: "A", "Quay 2"
 * @param from the port that feeds it; no other line begins there
 * @param stops in the order of the cable, none twice
 */
public record Line(int number, String name, PortRef from, List<LineStop> stops) implements Element {
    /** More than any line bears, so that a wrong plan can still be written down and found. */
    public static final int MOST_STOPS = 512;

    public Line {
        if (number < 1) {
            throw new IllegalArgumentException("line number " + number + " is below 1");
        }
        Texts.requireLine("line name", name, 40);
        stops = List.copyOf(stops);
        if (stops.size() > MOST_STOPS) {
            throw new IllegalArgumentException(
                    "A line has at most " + MOST_STOPS + " stops, not " + stops.size() + ".");
        }
        Set<LineStop> seen = new HashSet<>();
        for (LineStop stop : stops) {
            if (!seen.add(stop)) {
                throw new IllegalArgumentException("line " + name + " reaches " + stop + " twice");
            }
            if (stop.equals(new LineStop.Through(from.box()))) {
                throw new IllegalArgumentException("line " + name + " leads back into the box that feeds it");
            }
        }
    }

    /** The same with other stops. */
    public Line with(List<LineStop> changed) {
        return new Line(number, name, from, changed);
    }

    /** Without stops that are not there any more; the same where all are. */
    Line keeping(Set<ElementKey> kept) {
        List<LineStop> left =
                stops.stream().filter(s -> kept.contains(s.elementKey())).toList();
        return left.size() == stops.size() ? this : with(left);
    }

    /** The fixtures on it, in the order of the cable. */
    public List<FixtureKey> units() {
        return stops.stream()
                .filter(LineStop.Unit.class::isInstance)
                .map(s -> ((LineStop.Unit) s).fixture())
                .toList();
    }

    /** The boxes that it feeds, in the order of the cable. */
    public List<Integer> boxes() {
        return stops.stream()
                .filter(LineStop.Through.class::isInstance)
                .map(s -> ((LineStop.Through) s).box())
                .toList();
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.line(this);
    }

    /** The key under which a plan holds a line. */
    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.LINE, number);
    }
}
