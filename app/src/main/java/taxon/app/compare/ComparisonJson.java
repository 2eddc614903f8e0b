package taxon.app.compare;

import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.compare.Comparison;
import taxon.core.compare.Match;
import taxon.core.compare.PatchRow;
import taxon.core.compare.PatternText;
import taxon.core.compare.RowDifference;
import taxon.core.listing.CellFault;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** A comparison as JSON. */
final class ComparisonJson {
    private ComparisonJson() {}

    static ObjectNode write(StoredProposal stored, ComparedSides sides) {
        ObjectNode body = Json.object()
                .put("comparison", stored.id())
                .put("side", sides.side())
                .put("trouble", sides.trouble())
                .put("letGo", sides.letGo())
                .put("ours", sides.ours().size())
                .put("theirs", sides.theirs().rows().size())
                .put("universesFromZero", sides.theirs().counting().universesFromZero())
                .put("slotsFromZero", sides.theirs().counting().slotsFromZero());
        sides.table()
                .ifPresent(t -> body.put("readAs", t.file().origin().words()).put("mapping", t.kept()));
        Comparison comparison = sides.comparison();
        body.put("matched", comparison.matches().size()).put("same", comparison.isSame());
        var patterns = body.putArray("patterns");
        comparison
                .patterns()
                .forEach(p -> patterns.addObject()
                        .put("kind", Json.slug(p.getClass()))
                        .put("rows", p.explains().size())
                        .put("sentence", PatternText.of(p)));
        var rows = body.putArray("differences");
        comparison.differences().forEach((match, found) -> {
            ObjectNode row = rows.addObject();
            match(row, match, sides);
            var fields = row.putArray("fields");
            found.forEach(d -> field(fields.addObject(), d));
        });
        var onlyOurs = body.putArray("onlyOurs");
        comparison.onlyOurs().forEach(r -> onlyOurs.add(r.label()));
        var onlyTheirs = body.putArray("onlyTheirs");
        comparison.onlyTheirs().forEach(r -> only(onlyTheirs.addObject(), r, sides));
        var faults = body.putArray("faults");
        sides.theirs().faults().forEach(f -> f.cells().forEach(c -> fault(faults.addObject(), f.line(), c)));
        var left = body.putArray("notTaken");
        sides.omissions().forEach(o -> left.addObject().put("who", o.who()).put("sentence", o.sentence()));
        return body;
    }

    private static void match(ObjectNode row, Match match, ComparedSides sides) {
        row.put("who", match.ours().label())
                .put("line", sides.theirs().line(match.theirs()))
                .put("matchedBy", Json.slug(match.reason()))
                .put("sureness", match.reason().sureness());
    }

    private static void field(ObjectNode node, RowDifference difference) {
        node.put("kind", Json.slug(difference.kind()))
                .put("ours", difference.ours())
                .put("theirs", difference.theirs());
    }

    private static void only(ObjectNode node, PatchRow row, ComparedSides sides) {
        node.put("who", row.label())
                .put("line", sides.theirs().line(row))
                .put("place", row.place())
                .put("type", row.type());
    }

    private static void fault(ObjectNode node, int line, CellFault fault) {
        node.put("line", line).put("column", Json.slug(fault.column())).put("sentence", fault.sentence());
    }
}
