package taxon.core.lines;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.cable.CableRun;
import taxon.core.cable.CableWay;
import taxon.core.cable.Spot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Facts;
import taxon.core.length.Length;
import taxon.core.network.CableRules;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;

/**
 * A line with its cable, leg by leg.
 *
 * @param carried the universes that leave at its port; one, where the plan is in order
 * @param legs the first leads out of the port, each further one out of the stop before
 * @param loadEighths what its units put on it
 * @param terminator the socket of its last unit that takes the terminator; empty where that passes nothing on, or there is none
 */
public record LineCable(
        Line line, Set<UniverseNumber> carried, List<Leg> legs, int loadEighths, Optional<String> terminator) {
    public LineCable {
        legs = List.copyOf(legs);
    }

    /**
     * From one end to the next.
     *
     * @param run how far it is; empty where that cannot be reckoned
     * @param needed with the slack at its end
     * @param from the socket that it leaves, in words
     * @param to the socket that it leads into, in words
     */
    public record Leg(LineStop stop, Optional<CableRun> run, Optional<Length> needed, String from, String to) {
        /** True where the cable, which fits what it leaves, does not fit what it leads into. */
        public boolean needsAdapter() {
            return !from.equals(to);
        }
    }

    /** All lines of a plan, in the order of their numbers. */
    public static List<LineCable> all(Plan plan) {
        return of(plan, plan.lines());
    }

    /** Some lines of a plan, in that order. */
    static List<LineCable> of(Plan plan, List<Line> lines) {
        Reader reader = new Reader(plan);
        return lines.stream().map(reader::read).toList();
    }

    /** One line of a plan. */
    public static LineCable of(Plan plan, Line line) {
        return new Reader(plan).read(line);
    }

    /** In metres with slack, as far as it can be reckoned. */
    public double metres() {
        return metres(legs);
    }

    private static double metres(List<Leg> some) {
        return some.stream()
                .flatMap(l -> l.needed().stream())
                .mapToDouble(Length::inMetres)
                .sum();
    }

    /**
     * From the port up to a stop, in metres with slack; empty where some way before it cannot be reckoned.
     *
     * @param stop from 0
     */
    public Optional<Double> metresTo(int stop) {
        List<Leg> some = legs.subList(0, stop + 1);
        return some.stream().allMatch(l -> l.needed().isPresent()) ? Optional.of(metres(some)) : Optional.empty();
    }

    /** Legs whose length is not known. */
    public int unreckoned() {
        return (int) legs.stream().filter(l -> l.run().isEmpty()).count();
    }

    /** Legs with an end that is assumed to be where it is. */
    public int assumed() {
        return (int) legs.stream()
                .filter(l -> l.run().filter(CableRun::assumed).isPresent())
                .count();
    }

    /** Reads lines; knows the places of a plan. */
    private static final class Reader {
        private final Plan plan;
        private final CableWay way;
        private final CableRules rules;
        private final Feeds feeds;

        /**
         * What cable comes to or leaves, looked up once.
         *
         * @param facts of a unit; a box has none
         */
        private record End(Optional<Spot> spot, Optional<Facts> facts) {
            String in() {
                return facts.map(f -> Sockets.first(f.inputs())).orElse(Sockets.USUAL);
            }

            String out() {
                return facts.map(f -> Sockets.first(f.outputs().isEmpty() ? f.inputs() : f.outputs()))
                        .orElse(Sockets.USUAL);
            }
        }

        Reader(Plan plan) {
            this.plan = plan;
            way = new CableWay(plan);
            rules = plan.sheet().network().cable();
            feeds = Feeds.of(plan);
        }

        LineCable read(Line line) {
            Box box = plan.box(line.from().box()).orElseThrow();
            Optional<Spot> from = way.spot(box);
            String socket = box.port(line.from().number()).map(Sockets::of).orElse(Sockets.USUAL);
            Optional<Facts> last = Optional.empty();
            List<Leg> legs = new ArrayList<>();
            int load = 0;
            for (LineStop stop : line.stops()) {
                End end = end(stop);
                legs.add(leg(from, socket, stop, end));
                from = end.spot();
                socket = end.out();
                last = end.facts();
                load += end.facts().map(Facts::loadEighths).orElse(0);
            }
            return new LineCable(line, feeds.on(line), legs, load, terminator(last));
        }

        private Leg leg(Optional<Spot> from, String socket, LineStop stop, End to) {
            Optional<CableRun> run = way.between(from, to.spot());
            Optional<Length> needed = run.map(r -> r.length().plus(rules.slack()));
            return new Leg(stop, run, needed, Sockets.words(socket), Sockets.words(to.in()));
        }

        private static Optional<String> terminator(Optional<Facts> last) {
            return last.filter(f -> !f.outputs().isEmpty()).map(f -> Sockets.words(Sockets.first(f.outputs())));
        }

        private End end(LineStop stop) {
            if (stop instanceof LineStop.Unit unit) {
                Fixture fixture = fixture(unit);
                return new End(way.spot(fixture), Optional.of(plan.type(fixture).facts()));
            }
            Box box = plan.box(((LineStop.Through) stop).box()).orElseThrow();
            return new End(way.spot(box), Optional.empty());
        }

        private Fixture fixture(LineStop.Unit unit) {
            return plan.fixture(unit.fixture()).orElseThrow();
        }
    }
}
