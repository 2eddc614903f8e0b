package taxon.app.rig.equipmentlist;

import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.equipmentlist.EquipmentLine;
import taxon.core.equipmentlist.EquipmentList;
import taxon.formats.csv.EquipmentSheet.Understood;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** The preview of an equipment list as JSON. */
public final class EquipmentListJson {
    private EquipmentListJson() {}

    public static ObjectNode write(StoredProposal stored, Understood sheet, EquipmentList list) {
        ObjectNode body = Json.object()
                .put("import", stored.id())
                .put("file", stored.fileName())
                .put("encoding", sheet.encoding())
                .put("separator", String.valueOf(sheet.separator()))
                .put("headerLine", sheet.headerLine())
                .put("fixtures", list.fixtures());
        var unknown = body.putArray("unknownHeaders");
        sheet.unknownHeaders().forEach(unknown::add);
        var skipped = body.putArray("skipped");
        sheet.skipped().forEach(s -> skipped.addObject().put("line", s.line()).put("reason", Json.slug(s.reason())));
        var lines = body.putArray("lines");
        list.lines().forEach(l -> lines.add(line(l)));
        return body;
    }

    private static ObjectNode line(EquipmentLine line) {
        ObjectNode node = Json.object().put("line", line.row().line());
        line.added()
                .ifPresent(a -> node.put("adds", a.count())
                        .put("type", a.type().id().value())
                        .put("mode", a.mode().name())
                        .put("words", EquipmentListView.words(a)));
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
        return node;
    }
}
