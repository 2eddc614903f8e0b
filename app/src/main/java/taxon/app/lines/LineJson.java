package taxon.app.lines;

import java.util.List;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lines and what they need, for scripts. */
final class LineJson {
    private LineJson() {}

    static ArrayNode write(List<LineView> lines) {
        ArrayNode all = Json.array();
        lines.forEach(l -> all.add(write(l)));
        return all;
    }

    static ObjectNode write(LineView line) {
        ObjectNode node = Json.object()
                .put("number", line.number())
                .put("name", line.name())
                .put("from", line.outlet())
                .put("fromWords", line.from())
                .put("universe", line.carries())
                .put("length", line.length())
                .put("unitLoads", line.loads())
                .put("terminator", line.terminator());
        ArrayNode stops = node.putArray("stops");
        for (LineView.StopView stop : line.stops()) {
            ObjectNode one = stops.addObject().put("place", stop.place());
            if (stop.box() == 0) {
                one.put("fixture", stop.key());
            } else {
                one.put("box", stop.box());
            }
            one.put("what", stop.what())
                    .put("where", stop.where())
                    .put("cable", stop.cable())
                    .put("run", stop.run())
                    .put("pieces", stop.pieces())
                    .put("adapter", stop.adapter())
                    .put("fromThePort", stop.soFar());
        }
        return node;
    }

    static ObjectNode write(TakeAlong list) {
        ObjectNode node = Json.object()
                .put("where", list.where())
                .put("total", list.total())
                .put("unreckoned", list.unreckoned());
        items(node.putArray("cables"), list.cables());
        items(node.putArray("others"), list.others());
        return node;
    }

    private static void items(ArrayNode array, List<TakeAlong.Item> items) {
        items.forEach(i -> array.addObject().put("count", i.count()).put("what", i.what()));
    }
}
