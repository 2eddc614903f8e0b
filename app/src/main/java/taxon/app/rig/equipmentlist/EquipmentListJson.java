package taxon.app.rig.equipmentlist;

import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.listing.ListReading;
import taxon.core.listing.NumberDoubt;
import taxon.formats.json.Json;
import taxon.formats.table.TableFile;
import tools.jackson.databind.node.ObjectNode;

/** The preview of an equipment list as JSON. */
final class EquipmentListJson {
    private EquipmentListJson() {}

    static ObjectNode write(StoredProposal stored, GivenList given) {
        ObjectNode body = Json.object().put("import", stored.id()).put("file", stored.fileName());
        if (given.table() instanceof TableFile.Unreadable unreadable) {
            return body.put("unreadable", unreadable.slug()).put("sentence", unreadable.sentence());
        }
        TableFile.Origin origin = ((TableFile.Read) given.table()).origin();
        body.put("readAs", origin.words()).put("sheet", origin.sheet()).put("mapping", given.kept());
        var sheets = body.putArray("sheets");
        origin.sheets().forEach(sheets::add);
        given.reading().ifPresent(r -> reading(body, r));
        body.put("fixtures", given.fixtures());
        doubts(body, given);
        var lines = body.putArray("lines");
        given.lines().forEach(l -> lines.add(line(l)));
        return body;
    }

    private static void reading(ObjectNode body, ListReading reading) {
        body.put("headerLine", reading.columns().headerLine());
        ObjectNode columns = body.putObject("columns");
        reading.columns().columns().forEach((index, column) -> columns.put(index.toString(), Json.slug(column)));
        var unknown = body.putArray("unknownHeaders");
        reading.leftOut().forEach(unknown::add);
        var skipped = body.putArray("skipped");
        reading.skipped().forEach(s -> skipped.addObject().put("line", s.line()).put("reason", Json.slug(s.why())));
    }

    private static void doubts(ObjectNode body, GivenList given) {
        var doubts = body.putArray("doubts");
        given.list()
                .ifPresent(list -> list.doubts().forEach(d -> {
                    ObjectNode one = doubts.addObject()
                            .put("column", Json.slug(d.column()))
                            .put("kind", Json.slug(d.kind()))
                            .put("plain", d.meaning(NumberDoubt.Answer.PLAIN))
                            .put("other", d.meaning(NumberDoubt.Answer.OTHER))
                            .put("likely", Json.slug(d.likely()));
                    var examples = one.putArray("examples");
                    d.examples().forEach(examples::add);
                }));
    }

    private static ObjectNode line(EquipmentLine line) {
        ObjectNode node = Json.object().put("line", line.row().line());
        line.added()
                .ifPresent(a -> node.put("adds", a.count())
                        .put("type", a.type().id().value())
                        .put("mode", a.mode().name())
                        .put("words", LineWords.becomes(line)));
        var remarks = node.putArray("remarks");
        line.remarks()
                .forEach(r -> remarks.addObject()
                        .put("kind", Json.slug(r.kind()))
                        .put("fixtures", r.count())
                        .put("sentence", r.sentence()));
        var faults = node.putArray("faults");
        line.faults()
                .forEach(f -> faults.addObject()
                        .put("column", Json.slug(f.column()))
                        .put("value", f.value())
                        .put("reason", Json.slug(f.reason()))
                        .put("allowed", f.allowed())
                        .put("sentence", f.sentence()));
        var offered = node.putArray("offered");
        line.offered().forEach(t -> offered.add(t.id().value()));
        var cells = node.putArray("cells");
        line.row().all().forEach(cells::add);
        return node;
    }
}
