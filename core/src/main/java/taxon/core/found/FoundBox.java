package taxon.core.found;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Plan;
import taxon.core.text.Texts;

/** A box that answered, as it would be planned: with its address, its ports as they are set, and what comes out of them. */
final class FoundBox {
    private final Plan plan;
    private final SeenBox seen;

    FoundBox(Plan plan, SeenBox seen) {
        this.plan = plan;
        this.seen = seen;
    }

    /** @param number in the plan */
    Box box(int number) {
        String name = seen.name().isBlank() ? "Box at " + seen.answering() : seen.name();
        List<BoxPort> ports = new ArrayList<>();
        seen.ports().stream().limit(Box.MOST_PORTS).forEach(p -> ports.add(port(p)));
        if (ports.isEmpty()) {
            ports.add(BoxPort.USUAL.turned(Direction.OFF));
        }
        NetCard card = seen.prefix()
                .map(p -> new NetCard(seen.answering(), p))
                .orElseGet(() -> NetCard.usual(seen.answering()));
        return new Box(
                number, Texts.clip(name, 60), BoxKind.NODE, Optional.of(card), ports, BoxPlace.UNSAID, BoxFacts.NONE);
    }

    private BoxPort port(SeenPort port) {
        BoxPort usual = BoxPort.USUAL;
        return new BoxPort(
                port.direction(),
                usual.socket(),
                port.rdm(),
                port.merge().orElse(usual.merge()),
                seen.self().whenLost().orElse(usual.whenLost()),
                usual.steady());
    }

    /**
     * The way of a universe that leaves by a port.
     *
     * @param universe whose number the port is set to: one that is sent under it already, else the one that the counting gives
     */
    record Way(UniverseNumber universe, Route route) {}

    /** What comes out of its ports, of universes that the plan knows; others are nobody's yet. */
    List<Way> ways(int number) {
        List<Way> ways = new ArrayList<>();
        for (int i = 0; i < Math.min(seen.ports().size(), Box.MOST_PORTS); i++) {
            SeenPort port = seen.ports().get(i);
            PortRef ref = new PortRef(number, i + 1);
            if (port.direction() == Direction.OUT) {
                universe(port).map(u -> new Way(u, route(port, u, ref))).ifPresent(ways::add);
            }
        }
        return ways;
    }

    private Optional<UniverseNumber> universe(SeenPort port) {
        return sentUnder(port.address())
                .or(() -> plan.sheet().counting().universe(port.address()).filter(this::isUsed));
    }

    private Optional<UniverseNumber> sentUnder(PortAddress address) {
        return plan.describedUniverses().stream()
                .filter(u -> u.routes().stream()
                        .anyMatch(
                                r -> r instanceof Route.ArtNet a && a.address().equals(address)))
                .map(u -> u.number())
                .findFirst();
    }

    private boolean isUsed(UniverseNumber universe) {
        return plan.universes().stream().anyMatch(u -> u.number().equals(universe));
    }

    private Route route(SeenPort port, UniverseNumber universe, PortRef ref) {
        boolean sacn = port.takes().filter(p -> p == Protocol.SACN).isPresent();
        Optional<SacnUniverse> number = sacn ? plan.sheet().counting().sacn(universe) : Optional.empty();
        return number.<Route>map(n -> new Route.Sacn(n, ref)).orElseGet(() -> new Route.ArtNet(port.address(), ref));
    }
}
