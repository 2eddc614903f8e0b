package taxon.core.rig;

import taxon.core.network.Ipv4;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * A network node: a box that turns network data into lines.
 *
 * @param number 1 or more, its name in routes
 * @param ports how many lines it feeds, 1 to 64
 */
public record Node(int number, String name, Ipv4 ip, int ports) implements Element {
    public static final int MOST_PORTS = 64;

    public Node {
        Texts.requireLine("node name", name, 60);
        if (number < 1) {
            throw new IllegalArgumentException("node number " + number + " is below 1");
        }
        if (ports < 1 || ports > MOST_PORTS) {
            throw new IllegalArgumentException("A node has 1 to " + MOST_PORTS + " ports, not " + ports + ".");
        }
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.node(this);
    }

    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.NODE, number);
    }
}
