package taxon.app.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import taxon.core.numbering.NumberingOrder;
import taxon.core.numbering.RigOrder;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.visible.DarkText;
import taxon.core.visible.Glow;
import taxon.core.visible.Visibility;
import taxon.formats.json.Json;
import taxon.simrig.SimNode;
import taxon.simrig.SimShown;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the simulated units do, as somebody sees it who stands before the rig: he knows what is written on them and no more. */
final class DemoUnits {
    private DemoUnits() {}

    /** Where units hang, and what is written on each, in the order along the rig. */
    public record Row(String position, List<String> units) {
        public Row {
            units = List.copyOf(units);
        }
    }

    static List<Row> rows(Plan plan) {
        Map<String, List<String>> rows = new LinkedHashMap<>();
        for (Fixture fixture : RigOrder.of(plan, plan.fixtures(), NumberingOrder.USUAL)) {
            rows.computeIfAbsent(plan.position(fixture).name(), p -> new ArrayList<>())
                    .add(fixture.label());
        }
        return rows.entrySet().stream()
                .map(e -> new Row(e.getKey(), e.getValue()))
                .toList();
    }

    static ObjectNode json(List<SimNode> boxes) {
        ObjectNode body = Json.object();
        ArrayNode units = body.putArray("units");
        boxes.forEach(b -> b.shown().forEach(u -> unit(units.addObject(), u)));
        return body;
    }

    private static void unit(ObjectNode node, SimShown unit) {
        Glow glow = Glow.of(unit.readings());
        node.put("unit", unit.hangs())
                .put("uid", unit.uid().toString())
                .put("listensAt", unit.start())
                .put("mode", unit.mode())
                .put("identifying", unit.identifying())
                .put("flickers", unit.unsteady())
                .put("red", glow.red())
                .put("green", glow.green())
                .put("blue", glow.blue())
                .put("dark", DarkText.of(Visibility.of(unit.readings())));
        glow.pan().ifPresent(p -> node.put("pan", Math.round(unit.panTurned() ? -p : p)));
        glow.tilt().ifPresent(t -> node.put("tilt", Math.round(unit.tiltTurned() ? -t : t)));
    }
}
