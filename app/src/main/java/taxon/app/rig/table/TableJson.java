package taxon.app.rig.table;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.app.edit.JobState;
import taxon.app.frame.Marks;
import taxon.app.frame.Tints;
import taxon.core.finding.Severity;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The rig table as a script takes it: the columns, and each row as an array of its key, marks and texts. */
public final class TableJson {
    private TableJson() {}

    public static ObjectNode write(JobState state, RigTable table) {
        ObjectNode body = Json.object().put("version", state.version());
        ArrayNode columns = body.putArray("columns");
        table.columns()
                .forEach(c -> columns.addObject()
                        .put("name", c.slug())
                        .put("title", c.title())
                        .put("width", c.width(table.withParts()))
                        .put("edited", c.edited().isPresent()));
        rows(body.putArray("rows"), state, table, table.rows(state.plan()));
        return body;
    }

    /**
     * What a script that shows the table as it was needs to show it as it is: the rows of the fixtures that were touched, the
     * keys of all rows in their order, and of all that a stop concerns.
     */
    public static ObjectNode since(JobState state, RigTable table, Set<FixtureKey> touched) {
        ObjectNode body = Json.object().put("version", state.version());
        List<RigPart> shown = table.rows(state.plan());
        rows(
                body.putArray("rows"),
                state,
                table,
                shown.stream().filter(r -> touched.contains(r.fixture().key())).toList());
        ArrayNode order = body.putArray("order");
        shown.forEach(r -> key(order, r));
        ArrayNode stops = body.putArray("stopped");
        stopped(state).forEach(k -> stops.add(k.number()));
        return body;
    }

    /** Each row: key, tint, disc, 1 when a stop concerns its fixture, and then a text for each column. */
    public static void rows(ArrayNode rows, JobState state, RigTable table, List<RigPart> shown) {
        Plan plan = state.plan();
        RowTexts texts = new RowTexts(plan);
        Tints tints = Tints.of(plan);
        Set<FixtureKey> stopped = stopped(state);
        for (RigPart r : shown) {
            ArrayNode row = rows.addArray();
            key(row, r);
            row.add(tints.of(r.fixture().type()))
                    .add(Marks.of(RigRow.standing(plan, r)).disc())
                    .add(stopped.contains(r.fixture().key()) ? 1 : 0);
            table.columns().forEach(c -> row.add(c.text(texts, r)));
        }
    }

    /** A number for a fixture, "17/cell 3" for a part of one. */
    private static void key(ArrayNode list, RigPart row) {
        if (row.isWhole()) {
            list.add(row.fixture().key().number());
        } else {
            list.add(row.ref().toString());
        }
    }

    private static Set<FixtureKey> stopped(JobState state) {
        return state.check().findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .flatMap(f -> f.fixtures().stream())
                .collect(Collectors.toSet());
    }
}
