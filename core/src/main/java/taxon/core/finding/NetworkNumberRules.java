package taxon.core.finding;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.counting.CountingProposal;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;

/** Rules about who shares a number, a port or a box. */
final class NetworkNumberRules {
    private final Plan plan;
    private final List<Universe> routed;
    private final Set<UniverseNumber> inUse = new HashSet<>();
    private Optional<Remedy> recount = Optional.empty();

    NetworkNumberRules(Plan plan) {
        this.plan = plan;
        routed = plan.describedUniverses().stream().filter(Universe::isRouted).toList();
        plan.fixtures().forEach(f -> f.addresses().values().forEach(a -> inUse.add(a.universe())));
        plan.reservedRuns().forEach(r -> inUse.add(r.universe()));
    }

    List<Finding> numberTwice() {
        Map<String, List<Universe>> byNumber = new LinkedHashMap<>();
        Map<String, Route> routes = new LinkedHashMap<>();
        for (Universe universe : routed) {
            Set<String> own = new HashSet<>();
            for (Route route : universe.routes()) {
                number(route).filter(own::add).ifPresent(n -> {
                    byNumber.computeIfAbsent(n, k -> new ArrayList<>()).add(universe);
                    routes.putIfAbsent(n, route);
                });
            }
        }
        List<Finding> found = new ArrayList<>();
        byNumber.forEach((number, universes) -> {
            if (universes.size() > 1) {
                Route route = Optional.ofNullable(routes.get(number)).orElseThrow();
                found.add(found(
                        Rule.NUMBER_TWICE,
                        number,
                        new NetworkGrounds.NumberTwice(numbers(universes), route),
                        recount()));
            }
        });
        return found;
    }

    /** As it is told: "0:0:1", "sacn 7". */
    private static Optional<String> number(Route route) {
        if (route instanceof Route.ArtNet a) {
            return Optional.of(a.address().toString());
        }
        return route instanceof Route.Sacn s ? Optional.of("sacn " + s.universe()) : Optional.empty();
    }

    /** The remedy of every finding about numbers; worked out once, and only where there is one. */
    private Remedy recount() {
        if (recount.isEmpty()) {
            recount = Optional.of(byOneRule());
        }
        return recount.get();
    }

    /** By one rule no two have the same number, as far as it has one for each. */
    private Remedy byOneRule() {
        CountingProposal all = CountingProposal.of(plan, plan.sheet().counting());
        return all.omissions().isEmpty()
                ? new Remedy.Apply("Number all by the job's counting", all.edit())
                : new Remedy.Decide("Choose another counting", Remedy.Where.ROUTING);
    }

    List<Finding> portTwice() {
        Map<PortRef, List<Universe>> byPort = new TreeMap<>();
        routed.forEach(u -> u.routes()
                .forEach(r ->
                        byPort.computeIfAbsent(r.port(), p -> new ArrayList<>()).add(u)));
        List<Finding> found = new ArrayList<>();
        byPort.forEach((port, universes) -> {
            if (universes.size() > 1) {
                found.add(found(
                        Rule.PORT_TWICE,
                        port.box() + "/" + port.number(),
                        new NetworkGrounds.PortTwice(numbers(universes), box(port), port.number()),
                        decide("Route one of them elsewhere")));
            }
        });
        return found;
    }

    List<Finding> portNoOutput() {
        List<Finding> found = new ArrayList<>();
        for (Universe universe : routed) {
            for (Route route : universe.routes()) {
                Box box = box(route.port());
                int port = route.port().number();
                box.port(port)
                        .filter(p -> p.direction() != Direction.OUT)
                        .ifPresent(p -> found.add(found(
                                Rule.PORT_NO_OUTPUT,
                                universe.number() + "+" + box.number() + "/" + port,
                                new NetworkGrounds.PortNoOutput(universe.number(), box, port, p.direction()),
                                decide("Turn the port round, or route it elsewhere"))));
            }
        }
        return found;
    }

    List<Finding> sourcesEqual() {
        List<Finding> found = new ArrayList<>();
        for (Universe universe : plan.describedUniverses()) {
            int highest = universe.sources().stream()
                    .mapToInt(Universe.Source::priority)
                    .max()
                    .orElse(0);
            List<Box> boxes = universe.sources().stream()
                    .filter(s -> s.priority() == highest)
                    .map(s -> plan.box(s.box()).orElseThrow())
                    .toList();
            if (boxes.size() > 1) {
                found.add(found(
                        Rule.SOURCES_EQUAL,
                        universe.number().toString(),
                        new NetworkGrounds.SourcesEqual(universe.number(), boxes, highest),
                        decide("Give one of them a higher priority")));
            }
        }
        return found;
    }

    List<Finding> boxFull() {
        Map<Integer, Set<UniverseNumber>> byBox = new TreeMap<>();
        routed.forEach(u -> u.routes()
                .forEach(r -> byBox.computeIfAbsent(r.port().box(), b -> new HashSet<>())
                        .add(u.number())));
        List<Finding> found = new ArrayList<>();
        byBox.forEach((number, universes) -> {
            Box box = plan.box(number).orElseThrow();
            box.facts()
                    .mostUniverses()
                    .filter(most -> universes.size() > most)
                    .ifPresent(most -> found.add(found(
                            Rule.BOX_FULL,
                            Integer.toString(number),
                            new NetworkGrounds.BoxFull(box, universes.size(), most),
                            decide("Route some of them elsewhere"))));
        });
        return found;
    }

    List<Finding> nobodyHears() {
        return routed.stream()
                .filter(u -> !inUse.contains(u.number()))
                .map(u -> found(
                        Rule.NOBODY_HEARS,
                        u.number().toString(),
                        new NetworkGrounds.NobodyHears(u.number(), u.routes().size()),
                        decide("Look at its ways")))
                .toList();
    }

    List<Finding> countedOtherwise() {
        List<Universe> exceptions = routed.stream()
                .filter(u -> CountingProposal.isException(plan, u))
                .toList();
        return exceptions.isEmpty()
                ? List.of()
                : List.of(found(
                        Rule.COUNTED_OTHERWISE,
                        exceptions.stream().map(u -> u.number().toString()).collect(Collectors.joining("+")),
                        new NetworkGrounds.CountedOtherwise(numbers(exceptions), routed.size()),
                        recount()));
    }

    private Box box(PortRef port) {
        return plan.box(port.box()).orElseThrow();
    }

    private static List<UniverseNumber> numbers(List<Universe> universes) {
        return universes.stream().map(Universe::number).toList();
    }

    private static Remedy decide(String label) {
        return new Remedy.Decide(label, Remedy.Where.ROUTING);
    }

    static Finding found(Rule rule, String subject, NetworkGrounds grounds, Remedy remedy) {
        return new Finding(
                rule, rule.slug() + ":" + subject, List.of(), new Grounds.Network(grounds), Optional.of(remedy));
    }
}
