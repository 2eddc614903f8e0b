package taxon.app.demo;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.lines.LineProposal;
import taxon.core.lines.LineWish;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.network.CableRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;

/** Where the boxes of the sample stand and how they are cabled, and the lines out of their ports. */
final class DemoLines {
    static final String RADIO_NAME = "Dock radio";
    static final String HOUSE_NAME = "House interface";
    static final int HOUSE_OUTPUTS = 2;
    private static final int HOUSE = 6;
    private static final int SWITCH = 3;
    private static final int DESK = 4;
    private static final int RADIO = 5;

    private DemoLines() {}

    static Plan draw(Plan hung) {
        Plan placed = hung.with(List.of(
                        cabled(hung.box(1).orElseThrow().at(at(hung, "North quay")), 1),
                        cabled(hung.box(2).orElseThrow().at(at(hung, "Gate tower")), 2),
                        box(HOUSE, HOUSE_NAME, BoxKind.INTERFACE, HOUSE_OUTPUTS).at(at(hung, "Pump house")),
                        box(SWITCH, "Dock switch", BoxKind.SWITCH, 8).at(at(hung, "Pump house")),
                        cabled(radio(beside(hung)).at(at(hung, "Dock steps")), 3),
                        cabled(box(DESK, "Desk", BoxKind.CONSOLE, 0).at(at(hung, "Pump house")), 8)))
                .with(hung.universes().stream()
                        .filter(Universe::isRouted)
                        .map(u -> u.from(List.of(new Universe.Source(DESK, Route.Sacn.USUAL_PRIORITY))))
                        .toList());
        LineProposal lines = LineProposal.of(placed, new LineWish(CableRules.USUAL, false, Set.of()));
        if (lines.edit().applyTo(placed) instanceof Edit.Changed changed) {
            return changed.plan();
        }
        throw new IllegalStateException("the sample's lines cannot be drawn");
    }

    private static Box radio(Ipv4 ip) {
        return box(RADIO, RADIO_NAME, BoxKind.TRANSMITTER, 1).with(NetCard.usual(ip));
    }

    /** The address behind that of the second node. */
    private static Ipv4 beside(Plan plan) {
        return new Ipv4(plan.box(2).flatMap(Box::ip).orElseThrow().bits() + 1);
    }

    private static Box box(int number, String name, BoxKind kind, int ports) {
        return new Box(
                number,
                name,
                kind,
                Optional.empty(),
                Collections.nCopies(ports, BoxPort.USUAL),
                BoxPlace.UNSAID,
                BoxFacts.NONE);
    }

    /** To a port of the switch. */
    private static Box cabled(Box box, int port) {
        return box.with(BoxFacts.NONE.reaching(new PortRef(SWITCH, port)));
    }

    private static BoxPlace at(Plan plan, String position) {
        return BoxPlace.at(plan.positionNamed(position).orElseThrow().number());
    }
}
