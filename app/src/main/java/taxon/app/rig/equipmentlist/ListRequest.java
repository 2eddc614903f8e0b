package taxon.app.rig.equipmentlist;

import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import taxon.app.lists.ListLook;
import taxon.app.lists.NumberAnswers;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.ListChoices.TakenAddresses;
import taxon.core.equipmentlist.ListChoices.TakenIds;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.fixture.TypeId;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What someone said of a list that was given.
 *
 * @param look at its sheet and columns
 * @param byLine types chosen for single lines, as it was done before rows that say the same were chosen for together
 */
record ListRequest(ListLook look, ListChoices choices, Map<Integer, Choice> byLine) {

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
        ListChoices choices = new ListChoices(
                types,
                NumberAnswers.read(stored),
                TakenIds.valueOf(stored.path("ids").asString(TakenIds.KEEP.name())),
                TakenAddresses.valueOf(stored.path("addresses").asString(TakenAddresses.KEEP.name())));
        return new ListRequest(ListLook.read(stored), choices, byLine);
    }

    private static Choice choice(JsonNode node) {
        return new Choice(TypeId.of(text(node, "type")), text(node, "mode"));
    }

    private static String text(JsonNode node, String field) {
        return node.path(field).asString("");
    }

    ObjectNode json() {
        ObjectNode node = Json.object();
        look.write(node);
        var types = node.putArray("choices");
        choices.types()
                .forEach((words, c) -> types.addObject()
                        .put("saysMaker", words.maker())
                        .put("saysType", words.type())
                        .put("saysMode", words.mode())
                        .put("type", c.type().value())
                        .put("mode", c.mode()));
        NumberAnswers.write(node, choices.answers());
        return node.put("ids", choices.ids().name())
                .put("addresses", choices.addresses().name());
    }

    ListRequest with(ListChoices wanted) {
        return new ListRequest(look, wanted, byLine);
    }

    ListRequest with(ListLook wanted) {
        return new ListRequest(wanted, choices, byLine);
    }
}
