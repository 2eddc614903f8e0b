package taxon.app.network;

import java.util.List;
import taxon.app.edit.JobState;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Boxes, universes and lines as JSON. */
final class NetworkJson {
    private NetworkJson() {}

    static ObjectNode write(JobState state, List<UniverseLine> lines) {
        ObjectNode body = Json.object().put("job", state.job()).put("version", state.version());
        var boxes = body.putArray("boxes");
        state.plan().boxes().forEach(n -> boxes.add(ElementJson.write(n)));
        body.set("counting", ElementJson.write(state.plan().sheet().counting()));
        body.set("network", ElementJson.write(state.plan().sheet().network()));
        var universes = body.putArray("universes");
        lines.forEach(l -> universes.add(write(l)));
        var cable = body.putArray("lines");
        state.plan().lines().forEach(l -> cable.add(ElementJson.write(l)));
        return body;
    }

    static ObjectNode write(UniverseLine line) {
        ObjectNode universe = Json.object().put("number", line.number()).put("label", line.label());
        var ways = universe.putArray("ways");
        for (UniverseLine.Way way : line.ways()) {
            ObjectNode one = ways.addObject().put("protocol", way.protocol());
            way.carriedAs().ifPresent(n -> one.put("carriedAs", n));
            one.put("shown", way.shown()).put("outlet", way.outlet()).put("exception", way.exception());
            if (!way.delivery().isEmpty()) {
                one.put("delivery", way.delivery());
            }
            if (!way.typed().isEmpty()) {
                one.put("typed", way.typed());
            }
        }
        var sources = universe.putArray("sources");
        line.sources().forEach(sources::add);
        return universe;
    }
}
