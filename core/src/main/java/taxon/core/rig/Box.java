package taxon.core.rig;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * A box between the levels and the units: a node, an interface, a transmitter, a switch, a splitter and so on.
 *
 * @param number 1 or more, its name in routes and lines
 * @param card how it is on the network; never there for a kind that has no IP address, always for one that needs it
 * @param ports the first is port 1; at most 64, and at least as many as the kind needs
 * @param place where it stands
 * @param facts what else is known of it
 */
public record Box(
        int number,
        String name,
        BoxKind kind,
        Optional<NetCard> card,
        List<BoxPort> ports,
        BoxPlace place,
        BoxFacts facts)
        implements Element {
    public static final int MOST_PORTS = 64;

    public Box {
        Texts.requireLine("box name", name, 60);
        if (number < 1) {
            throw new IllegalArgumentException("box number " + number + " is below 1");
        }
        ports = List.copyOf(ports);
        int fewest = kind.fewestPorts();
        if (ports.size() < fewest || ports.size() > MOST_PORTS) {
            throw new IllegalArgumentException(
                    "A " + kind.words() + " has " + fewest + " to " + MOST_PORTS + " ports, not " + ports.size() + ".");
        }
        if (card.isPresent() && !kind.canBeOnNetwork()) {
            throw new IllegalArgumentException("A " + kind.words() + " has no IP address.");
        }
        if (card.isEmpty() && kind.needsNetwork()) {
            throw new IllegalArgumentException("A " + kind.words() + " needs an IP address.");
        }
    }

    /** A node with so many outputs as boxes come from their maker. */
    public static Box node(int number, String name, Ipv4 ip, int ports) {
        if (ports < 1 || ports > MOST_PORTS) {
            throw new IllegalArgumentException("A node has 1 to " + MOST_PORTS + " ports, not " + ports + ".");
        }
        return new Box(
                number,
                name,
                BoxKind.NODE,
                Optional.of(NetCard.usual(ip)),
                Collections.nCopies(ports, BoxPort.USUAL),
                BoxPlace.UNSAID,
                BoxFacts.NONE);
    }

    /** Its address, where it has one. */
    public Optional<Ipv4> ip() {
        return card.map(NetCard::ip);
    }

    /** A port, counted from 1; empty where it has no such port. */
    public Optional<BoxPort> port(int counted) {
        return counted >= 1 && counted <= ports.size() ? Optional.of(ports.get(counted - 1)) : Optional.empty();
    }

    /** The same under another number. */
    public Box numbered(int changed) {
        return new Box(changed, name, kind, card, ports, place, facts);
    }

    /** The same as another kind; without its address where that kind has none. */
    public Box as(BoxKind changed) {
        return new Box(number, name, changed, card.filter(c -> changed.canBeOnNetwork()), ports, place, facts);
    }

    /** The same with another address or mask. */
    public Box with(NetCard changed) {
        return new Box(number, name, kind, Optional.of(changed), ports, place, facts);
    }

    /** The same with other ports. */
    public Box withPorts(List<BoxPort> changed) {
        return new Box(number, name, kind, card, changed, place, facts);
    }

    /** The same somewhere else. */
    public Box at(BoxPlace changed) {
        return new Box(number, name, kind, card, ports, changed, facts);
    }

    /** The same of which other things are known. */
    public Box with(BoxFacts changed) {
        return new Box(number, name, kind, card, ports, place, changed);
    }

    /** Without the fixture that it was, where that is not there any more; the same where it is. */
    Box keeping(Set<ElementKey> kept) {
        return facts.fixture().filter(f -> !kept.contains(Fixture.keyOf(f))).isPresent()
                ? with(facts.withoutFixture())
                : this;
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(number);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.box(this);
    }

    /** The key under which a plan holds a box. */
    public static ElementKey keyOf(int number) {
        return ElementKey.of(Kind.BOX, number);
    }
}
