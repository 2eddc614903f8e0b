package taxon.app.paperwork;

import java.util.List;
import java.util.Locale;
import taxon.app.paperwork.PrintedPapers.Out;
import taxon.app.store.PrintStore.Kept;
import taxon.core.paper.PaperChanges;
import taxon.core.paper.PaperChanges.Change;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Printed papers as JSON. */
final class PrintedJson {
    private PrintedJson() {}

    static ObjectNode of(Kept kept, PaperChanges changes) {
        ObjectNode body = Json.object()
                .put("code", kept.code().letters())
                .put("paper", kept.which().kind().slug() + kept.which().query())
                .put("title", kept.text().title())
                .put("stillTrue", changes.isNone());
        write(body.putArray("headings"), changes.headings());
        ArrayNode rows = body.putArray("rows");
        changes.rows().forEach(r -> {
            ObjectNode row = rows.addObject().put("fate", r.fate().name().toLowerCase(Locale.ROOT));
            ArrayNode words = row.putArray("row");
            r.row().forEach(words::add);
            write(row.putArray("fields"), r.fields());
        });
        return body;
    }

    private static void write(ArrayNode array, List<Change> changes) {
        changes.forEach(c -> array.addObject()
                .put("field", c.field())
                .put("before", c.before())
                .put("now", c.now()));
    }

    static ObjectNode of(List<Out> out) {
        ObjectNode body = Json.object();
        ArrayNode papers = body.putArray("out");
        out.forEach(o -> papers.addObject()
                .put("print", o.print().id())
                .put("code", o.print().code().letters())
                .put(
                        "paper",
                        o.print().which().kind().slug() + o.print().which().query())
                .put("title", o.title())
                .put("revision", o.print().revision())
                .put("who", o.print().who())
                .put("at", o.print().at().toString())
                .put("stillTrue", o.isTrue()));
        return body;
    }
}
