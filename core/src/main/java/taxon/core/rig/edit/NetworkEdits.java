package taxon.core.rig.edit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.network.Ipv4;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Node;
import taxon.core.rig.Plan;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/** Edits of nodes and of the way that universes leave. */
public final class NetworkEdits {
    private NetworkEdits() {}

    /** Adds a node, or changes the one of the same number. Two nodes never share an IP address. */
    public static Edit putNode(Node node) {
        return new Edit(
                "Node " + node.name() + " at " + node.ip(),
                plan -> sameIp(plan, node)
                        .map(other ->
                                Edit.refuse(new Refusal("IP address", node.ip().toString(), Fault.TAKEN, other.name())))
                        .orElseGet(() -> putChecked(plan, node)));
    }

    public static Edit addNode(String name, Ipv4 ip, int ports) {
        Node shape = new Node(1, name, ip, ports);
        return new Edit(
                "Node " + name + " at " + ip,
                plan -> putNode(new Node(plan.nextNumber(Kind.NODE), shape.name(), ip, ports))
                        .applyTo(plan));
    }

    /** Takes a node away; one that still carries a universe stays. */
    public static Edit removeNode(int number) {
        return new Edit("Node taken away", plan -> {
            Optional<Node> node = plan.node(number);
            if (node.isEmpty()) {
                return Edit.refuse(new Refusal("node", Integer.toString(number), Fault.NOT_FOUND, nodes(plan)));
            }
            List<Universe> carried = carriedBy(plan, number);
            return carried.isEmpty()
                    ? new Changed(plan.without(List.of(Node.keyOf(number))))
                    : Edit.refuse(new Refusal("node", node.get().name(), Fault.IN_USE, words(carried)));
        });
    }

    /** Says how a universe is called and how it leaves. */
    public static Edit route(Universe universe) {
        String title = "Universe " + universe.number() + (universe.route().isPresent() ? " routed" : " routed nowhere");
        return new Edit(
                title,
                plan -> universe.route()
                        .flatMap(r -> portFault(plan, r.port().node(), r.port().number()))
                        .map(Edit::refuse)
                        .orElseGet(() -> new Changed(plan.with(universe))));
    }

    private static Optional<Refusal> portFault(Plan plan, int nodeNumber, int port) {
        Optional<Node> node = plan.node(nodeNumber);
        if (node.isEmpty()) {
            return Optional.of(new Refusal("node", Integer.toString(nodeNumber), Fault.NOT_FOUND, nodes(plan)));
        }
        return port <= node.get().ports()
                ? Optional.empty()
                : Optional.of(new Refusal(
                        "port of " + node.get().name(),
                        Integer.toString(port),
                        Fault.OUT_OF_RANGE,
                        "1 to " + node.get().ports()));
    }

    private static Outcome putChecked(Plan plan, Node node) {
        List<Universe> beyond = carriedBy(plan, node.number()).stream()
                .filter(u -> u.route().orElseThrow().port().number() > node.ports())
                .toList();
        return beyond.isEmpty()
                ? new Changed(plan.with(node))
                : Edit.refuse(
                        new Refusal("port above " + node.ports() + " of", node.name(), Fault.IN_USE, words(beyond)));
    }

    private static Optional<Node> sameIp(Plan plan, Node node) {
        return plan.nodes().stream()
                .filter(n -> n.number() != node.number() && n.ip().equals(node.ip()))
                .findFirst();
    }

    private static List<Universe> carriedBy(Plan plan, int node) {
        return plan.universes().stream()
                .filter(u -> u.route().filter(r -> r.port().node() == node).isPresent())
                .toList();
    }

    private static String nodes(Plan plan) {
        return plan.nodes().isEmpty()
                ? "no node in the plan yet"
                : plan.nodes().stream().map(n -> n.number() + " " + n.name()).collect(Collectors.joining(", "));
    }

    private static String words(List<Universe> universes) {
        return universes.stream().map(u -> "universe " + u.number()).collect(Collectors.joining(", "));
    }
}
