package taxon.app.network;

import java.util.List;
import taxon.app.edit.JobState;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Nodes and universes as JSON. */
final class NetworkJson {
    private NetworkJson() {}

    static ObjectNode write(JobState state, List<UniverseLine> lines) {
        ObjectNode body = Json.object().put("job", state.job()).put("version", state.version());
        var nodes = body.putArray("nodes");
        state.plan().nodes().forEach(n -> nodes.add(ElementJson.write(n)));
        body.set("counting", ElementJson.write(state.plan().sheet().counting()));
        var universes = body.putArray("universes");
        for (UniverseLine line : lines) {
            ObjectNode universe =
                    universes.addObject().put("number", line.number()).put("label", line.label());
            if (!line.protocol().isEmpty()) {
                universe.put("protocol", line.protocol())
                        .put("carriedAs", line.carriedAs().orElseThrow())
                        .put("shown", line.shown())
                        .put("outlet", line.outlet())
                        .put("exception", line.exception());
            }
        }
        return body;
    }
}
