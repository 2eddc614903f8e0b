package taxon.app.network;

import java.util.Optional;
import taxon.app.form.Fields;
import taxon.app.form.Outlets;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.BoxNumber;
import taxon.core.network.Counting;
import taxon.core.network.Delivery;
import taxon.core.network.PortAddress;
import taxon.core.network.Route;
import taxon.core.network.Route.PortRef;
import taxon.core.network.SacnUniverse;
import taxon.core.rig.Plan;
import taxon.core.text.Texts;

/** Reads one way of a universe from a form. Without a number it goes by the job's counting. */
final class WayForm {
    private static final String ART_NET = "art-net";
    private static final String SACN = "sacn";
    private static final String DIRECT = "direct";

    private WayForm() {}

    static Optional<Route> read(Fields fields, UniverseNumber universe, Plan plan) {
        Optional<PortRef> port = Outlets.read(fields, "outlet");
        Counting counting = plan.sheet().counting();
        return switch (fields.text("protocol")) {
            case ART_NET ->
                artNet(fields, port, fields.has("carriedAs") ? Optional.empty() : counting.portAddress(universe));
            case SACN -> sacn(fields, port, fields.has("carriedAs") ? Optional.empty() : counting.sacn(universe));
            case DIRECT -> port.map(Route.Direct::new);
            default -> {
                fields.refuse("protocol", "The protocol is one of art-net, sacn and direct, or empty for no route.");
                yield Optional.empty();
            }
        };
    }

    private static Optional<Route> artNet(Fields fields, Optional<PortRef> port, Optional<PortAddress> counted) {
        Optional<PortAddress> address = counted.or(() -> portAddress(fields));
        Optional<Delivery> delivery = delivery(fields, Delivery.TO_BOX);
        return port.flatMap(p ->
                address.flatMap(a -> delivery.flatMap(d -> fields.build("delivery", () -> new Route.ArtNet(a, d, p)))));
    }

    private static Optional<PortAddress> portAddress(Fields fields) {
        Optional<PortAddress> address = BoxNumber.portAddress(fields.text("carriedAs"));
        if (address.isEmpty()) {
            fields.refuse(
                    "carriedAs",
                    "The Port-Address is " + Texts.clip(fields.text("carriedAs"), 60)
                            + "; it takes a whole number, 0 to " + PortAddress.LAST
                            + ", or Net·Sub-Net·Universe such as 0·1·3.");
        }
        return address;
    }

    private static Optional<Route> sacn(Fields fields, Optional<PortRef> port, Optional<SacnUniverse> counted) {
        Optional<SacnUniverse> number = counted.or(
                () -> fields.number("carriedAs", "streaming ACN universe", UniverseNumber.FIRST, UniverseNumber.LAST)
                        .map(SacnUniverse::new));
        Optional<Delivery> delivery = delivery(fields, Delivery.TO_GROUP);
        int priority = fields.numberOrNone("priority", "priority", 0, Route.Sacn.HIGHEST_PRIORITY)
                .orElse(Route.Sacn.USUAL_PRIORITY);
        return port.flatMap(p -> number.flatMap(n ->
                delivery.flatMap(d -> fields.build("delivery", () -> new Route.Sacn(n, d, priority, p)))));
    }

    private static Optional<Delivery> delivery(Fields fields, Delivery usual) {
        return fields.choice("delivery", Delivery.class, usual);
    }
}
