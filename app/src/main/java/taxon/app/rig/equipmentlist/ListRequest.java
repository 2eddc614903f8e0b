package taxon.app.rig.equipmentlist;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.equipmentlist.ListChoices.TakenIds;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.fixture.TypeId;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.NumberDoubt;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What someone said of a list that was given.
 *
 * @param sheet of a workbook; empty for the first
 * @param kept the name of the mapping that its columns are read by; empty for none
 * @param columns what its columns hold, where that was said
 * @param byLine types chosen for single lines, as it was done before rows that say the same were chosen for together
 */
record ListRequest(
        String sheet, String kept, Optional<ColumnMap> columns, ListChoices choices, Map<Integer, Choice> byLine) {

    static ListRequest read(JsonNode stored) {
        Map<TypeWords, Choice> types = new HashMap<>();
        Map<Integer, Choice> byLine = new TreeMap<>();
        JsonNode chosen = stored.path("choices");
        if (chosen.isArray()) {
            chosen.forEach(c -> types.put(
                    new TypeWords(text(c, "saysMaker"), text(c, "saysType"), text(c, "saysMode")), choice(c)));
        } else {
            chosen.properties().forEach(e -> byLine.put(Integer.valueOf(e.getKey()), choice(e.getValue())));
        }
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers = new HashMap<>();
        stored.path("answers")
                .forEach(a -> answers.put(
                        new NumberDoubt.Key(
                                Column.valueOf(text(a, "column")), NumberDoubt.Kind.valueOf(text(a, "kind"))),
                        NumberDoubt.Answer.valueOf(text(a, "answer"))));
        ListChoices choices = new ListChoices(
                types,
                answers,
                TakenIds.valueOf(stored.path("ids").asString(TakenIds.KEEP.name())),
                TakenAddresses.valueOf(stored.path("addresses").asString(TakenAddresses.KEEP.name())));
        return new ListRequest(text(stored, "sheet"), text(stored, "kept"), columns(stored), choices, byLine);
    }

    private static Choice choice(JsonNode node) {
        return new Choice(TypeId.of(text(node, "type")), text(node, "mode"));
    }

    private static Optional<ColumnMap> columns(JsonNode stored) {
        JsonNode columns = stored.path("columns");
        if (!columns.isObject()) {
            return Optional.empty();
        }
        Map<Integer, Column> map = new TreeMap<>();
        columns.properties()
                .forEach(e -> map.put(
                        Integer.valueOf(e.getKey()), Column.valueOf(e.getValue().asString())));
        return Optional.of(new ColumnMap(stored.path("header").asInt(0), map));
    }

    private static String text(JsonNode node, String field) {
        return node.path(field).asString("");
    }

    ObjectNode json() {
        ObjectNode node = Json.object().put("sheet", sheet).put("kept", kept);
        columns.ifPresent(map -> {
            node.put("header", map.headerLine());
            ObjectNode cells = node.putObject("columns");
            map.columns().forEach((index, column) -> cells.put(index.toString(), column.name()));
        });
        var types = node.putArray("choices");
        choices.types()
                .forEach((words, c) -> types.addObject()
                        .put("saysMaker", words.maker())
                        .put("saysType", words.type())
                        .put("saysMode", words.mode())
                        .put("type", c.type().value())
                        .put("mode", c.mode()));
        var answers = node.putArray("answers");
        choices.answers()
                .forEach((key, answer) -> answers.addObject()
                        .put("column", key.column().name())
                        .put("kind", key.kind().name())
                        .put("answer", answer.name()));
        return node.put("ids", choices.ids().name())
                .put("addresses", choices.addresses().name());
    }

    ListRequest with(ListChoices wanted) {
        return new ListRequest(sheet, kept, columns, wanted, byLine);
    }

    /** Read by what is said here. */
    ListRequest with(ColumnMap wanted) {
        return new ListRequest(sheet, "", Optional.of(wanted), choices, byLine);
    }

    /** Read by what is kept under a name, or guessed where that is empty. */
    ListRequest keptBy(String name) {
        return new ListRequest(sheet, name, Optional.empty(), choices, byLine);
    }

    /** Another sheet has other columns. */
    ListRequest onSheet(String wanted) {
        return new ListRequest(wanted, "", Optional.empty(), choices, byLine);
    }
}
