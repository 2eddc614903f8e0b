package taxon.app.handover;

import java.util.ArrayList;
import java.util.List;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The ways of all universes as a list: one row for each way; a universe without any has one that says so. */
final class RoutesFile {
    static final List<String> HEADER = List.of("Universe", "Label", "Carried as", "Box", "Port", "IP address");

    private static final List<String> FIELDS = List.of("universe", "label", "carriedAs", "box", "port", "ip");

    private RoutesFile() {}

    static List<List<String>> rows(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            String number = universe.number().toString();
            if (universe.routes().isEmpty()) {
                rows.add(List.of(number, universe.label(), "routed nowhere", "", "", ""));
            }
            universe.routes().forEach(r -> rows.add(row(plan, number, universe.label(), r)));
        }
        return rows;
    }

    private static List<String> row(Plan plan, String number, String label, Route route) {
        String ip = plan.box(route.port().box())
                .flatMap(Box::card)
                .map(c -> c.ip().toString())
                .orElse("");
        return List.of(
                number,
                label,
                RouteWords.carried(route),
                plan.box(route.port().box()).map(Box::name).orElse(""),
                Integer.toString(route.port().number()),
                ip);
    }

    static String json(Plan plan) {
        ObjectNode body = Json.object();
        ArrayNode list = body.putArray("routes");
        rows(plan).forEach(row -> {
            ObjectNode one = list.addObject();
            for (int i = 0; i < FIELDS.size(); i++) {
                one.put(FIELDS.get(i), row.get(i));
            }
        });
        return Json.print(body);
    }
}
