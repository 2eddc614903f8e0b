package taxon.app.job;

import java.util.List;
import taxon.app.store.JournalEntry;
import taxon.core.history.ChangeLine;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** An entry of the history as JSON. */
final class HistoryJson {
    private HistoryJson() {}

    static ObjectNode write(JournalEntry entry, List<ChangeLine> lines) {
        ObjectNode body = Json.object()
                .put("entry", entry.id())
                .put("title", entry.title())
                .put("who", entry.who())
                .put("at", entry.at().toString())
                .put("state", Json.slug(entry.state()));
        ArrayNode changes = body.putArray("changes");
        lines.forEach(l -> changes.addObject()
                .put("who", l.who())
                .put("what", l.what())
                .put("before", l.before())
                .put("after", l.after()));
        return body;
    }
}
