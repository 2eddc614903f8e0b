package taxon.simrig;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Ipv4;

/** Simulated boxes that run together. */
public final class SimulatedRig implements AutoCloseable {
    private final List<SimNode> nodes;

    private SimulatedRig(List<SimNode> nodes) {
        this.nodes = List.copyOf(nodes);
    }

    /**
     * A node to be started.
     *
     * @param toEveryone true for one that answers to the broadcast address, as older nodes do
     */
    public record NodeSpec(Ipv4 ip, String name, List<SimPort> ports, boolean toEveryone) {
        public NodeSpec {
            ports = List.copyOf(ports);
        }

        public NodeSpec(Ipv4 ip, String name, List<SimPort> ports) {
            this(ip, name, ports, false);
        }
    }

    /** Starts all nodes, or none. */
    public static SimulatedRig start(List<NodeSpec> specs) throws IOException {
        List<SimNode> started = new ArrayList<>();
        try {
            for (NodeSpec spec : specs) {
                started.add(SimNode.start(spec.ip(), spec.name(), spec.ports(), spec.toEveryone()));
            }
        } catch (IOException e) {
            started.forEach(SimNode::close);
            throw e;
        }
        return new SimulatedRig(started);
    }

    public List<SimNode> nodes() {
        return nodes;
    }

    /** The box that answers under a name. */
    public Optional<SimNode> node(String name) {
        return nodes.stream().filter(n -> n.name().equals(name)).findFirst();
    }

    /** All units on all lines. */
    public List<SimUnit> units() {
        return nodes.stream()
                .flatMap(n -> n.ports().stream())
                .flatMap(p -> p.units().stream())
                .toList();
    }

    @Override
    public void close() {
        nodes.forEach(SimNode::close);
    }
}
