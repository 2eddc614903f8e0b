package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.network.NetworkRules;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of boxes and of the way that universes leave. */
public final class NetworkEdits {
    private NetworkEdits() {}

    /** Adds a box, or changes the one of the same number. */
    public static Edit putBox(Box box) {
        return new Edit(title(box), plan -> putChecked(plan, box));
    }

    /** Adds a box under the next number. */
    public static Edit addBox(Box shape) {
        return new Edit(title(shape), plan -> putChecked(plan, shape.numbered(plan.nextNumber(Kind.BOX))));
    }

    private static String title(Box box) {
        return box.kind().words().substring(0, 1).toUpperCase(Locale.ROOT)
                + box.kind().words().substring(1) + " " + box.name()
                + box.ip().map(ip -> " at " + ip).orElse("");
    }

    /** Takes a box away; one that universes, lines or other boxes name stays. */
    public static Edit removeBox(int number) {
        return new Edit("Box taken away", plan -> {
            Optional<Box> box = plan.box(number);
            if (box.isEmpty()) {
                return Edit.refuse(noSuchBox(plan, number));
            }
            List<String> users = users(plan, number);
            return users.isEmpty()
                    ? new Changed(plan.without(List.of(Box.keyOf(number))))
                    : Edit.refuse(new Refusal(
                            box.get().kind().words(), box.get().name(), Fault.IN_USE, String.join(", ", users)));
        });
    }

    /** Says how a universe is called, how it leaves and who sends it. */
    public static Edit route(Universe universe) {
        String title = "Universe " + universe.number() + (universe.isRouted() ? " routed" : " routed nowhere");
        return new Edit(title, plan -> routed(plan, universe));
    }

    /** Decides anew what is decided once for the network and the lines of the job. */
    public static Edit rules(String title, NetworkRules rules) {
        return new Edit(title, plan -> new Changed(plan.with(plan.sheet().with(rules))));
    }

    private static Outcome routed(Plan plan, Universe universe) {
        for (Route route : universe.routes()) {
            Optional<Refusal> fault = fault(plan, route);
            if (fault.isPresent()) {
                return Edit.refuse(fault.get());
            }
        }
        return universe.sources().stream()
                .filter(s -> plan.box(s.box()).isEmpty())
                .findFirst()
                .map(s -> Edit.refuse(noSuchBox(plan, s.box())))
                .orElseGet(() -> new Changed(plan.with(universe)));
    }

    /** Why a route cannot be: there is no such port, or what is there hears no such protocol. */
    static Optional<Refusal> fault(Plan plan, Route route) {
        Optional<Box> box = plan.box(route.port().box());
        if (box.isEmpty()) {
            return Optional.of(noSuchBox(plan, route.port().box()));
        }
        return portFault(box.get(), route.port()).or(() -> protocolFault(box.get(), route));
    }

    private static Optional<Refusal> portFault(Box box, PortRef port) {
        int ports = box.ports().size();
        return box.port(port.number()).isPresent()
                ? Optional.empty()
                : Optional.of(new Refusal(
                        "port of " + box.name(),
                        Integer.toString(port.number()),
                        Fault.OUT_OF_RANGE,
                        ports == 0 ? "none, since it has no port" : "1 to " + ports));
    }

    private static Optional<Refusal> protocolFault(Box box, Route route) {
        String what = "a " + box.kind().words();
        if (!box.kind().takesRoutes()) {
            return Optional.of(
                    new Refusal("route", box.name(), Fault.OUT_OF_RANGE, "a box that hears universes, not " + what));
        }
        if (route instanceof Route.Direct) {
            return box.kind().isDirect()
                    ? Optional.empty()
                    : Optional.of(new Refusal(
                            "protocol", "none", Fault.OUT_OF_RANGE, "Art-Net or streaming ACN for " + box.name()));
        }
        return box.card().isPresent() && !box.kind().isDirect()
                ? Optional.empty()
                : Optional.of(new Refusal(
                        "protocol", protocol(route), Fault.OUT_OF_RANGE, "no protocol of a network for " + box.name()));
    }

    private static String protocol(Route route) {
        return route instanceof Route.ArtNet ? "Art-Net" : "streaming ACN";
    }

    private static Outcome putChecked(Plan plan, Box box) {
        List<String> beyond = plan.describedUniverses().stream()
                .filter(u -> u.routes().stream().anyMatch(r -> isBeyond(box, r.port())))
                .map(u -> "universe " + u.number())
                .collect(Collectors.toCollection(ArrayList::new));
        plan.lines().stream().filter(l -> isBeyond(box, l.from())).forEach(l -> beyond.add("line " + l.name()));
        if (!beyond.isEmpty()) {
            return Edit.refuse(new Refusal(
                    "port above " + box.ports().size() + " of", box.name(), Fault.IN_USE, String.join(", ", beyond)));
        }
        return linkFault(plan, box).map(Edit::refuse).orElseGet(() -> settled(plan, box));
    }

    /** The box in its plan, unless a universe could no longer come to it. */
    private static Outcome settled(Plan plan, Box box) {
        Plan changed = plan.with(box);
        return changed.describedUniverses().stream()
                .filter(u -> u.reaches(box.number()))
                .flatMap(u -> u.routes().stream())
                .filter(r -> r.port().box() == box.number())
                .flatMap(r -> fault(changed, r).stream())
                .findFirst()
                .map(Edit::refuse)
                .orElseGet(() -> new Changed(changed));
    }

    private static boolean isBeyond(Box box, PortRef port) {
        return port.box() == box.number() && port.number() > box.ports().size();
    }

    /** A box is linked to a port that there is, and never round to itself. */
    private static Optional<Refusal> linkFault(Plan plan, Box box) {
        Optional<PortRef> next = box.facts().reaches();
        for (int steps = 0; next.isPresent() && steps <= plan.boxes().size() + 1; steps++) {
            PortRef port = next.get();
            if (port.box() == box.number()) {
                return Optional.of(
                        new Refusal("link", box.name(), Fault.OUT_OF_RANGE, "a box that is not linked to it"));
            }
            Optional<Box> there = plan.box(port.box());
            if (there.isEmpty()) {
                return Optional.of(noSuchBox(plan, port.box()));
            }
            Optional<Refusal> fault = portFault(there.get(), port);
            if (fault.isPresent()) {
                return fault;
            }
            next = there.map(Box::facts).flatMap(BoxFacts::reaches);
        }
        return Optional.empty();
    }

    private static List<String> users(Plan plan, int box) {
        List<String> users = new ArrayList<>();
        plan.describedUniverses().stream()
                .filter(u -> u.reaches(box) || u.sources().stream().anyMatch(s -> s.box() == box))
                .forEach(u -> users.add("universe " + u.number()));
        plan.lines().stream()
                .filter(l -> l.from().box() == box || l.boxes().contains(box))
                .forEach(l -> users.add("line " + l.name()));
        plan.boxes().stream()
                .filter(b -> b.facts().reaches().filter(p -> p.box() == box).isPresent())
                .forEach(b -> users.add(b.name()));
        return users;
    }

    static Refusal noSuchBox(Plan plan, int number) {
        String boxes = plan.boxes().isEmpty()
                ? "no box in the plan yet"
                : plan.boxes().stream().map(b -> b.number() + " " + b.name()).collect(Collectors.joining(", "));
        return new Refusal("box", Integer.toString(number), Fault.NOT_FOUND, boxes);
    }
}
