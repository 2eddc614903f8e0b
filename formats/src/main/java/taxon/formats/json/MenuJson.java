package taxon.formats.json;

import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.MenuStep;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.SettingGuide.TenthSwitch;
import taxon.core.rig.MenuValues;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How units are set by hand, as fields of types and fixtures; nothing is written where nothing is known. */
public final class MenuJson {
    private static final String GUIDE = "guide";
    private static final String MENU = "menu";

    private MenuJson() {}

    /** A type as a job uses it; the shape is {@code $defs/type} of the schema. */
    public static ObjectNode write(RigType type) {
        ObjectNode node = FixtureTypeJson.write(type.type());
        if (!type.menu().values().isEmpty()) {
            ObjectNode values = node.putObject(MENU);
            type.menu().values().forEach(values::put);
        }
        return node;
    }

    /** @throws IllegalArgumentException when the type or a value is none */
    public static RigType readType(JsonNode node) {
        SortedMap<String, String> values = new TreeMap<>();
        node.path(MENU)
                .properties()
                .forEach(e -> values.put(e.getKey(), e.getValue().asString()));
        return new RigType(FixtureTypeJson.read(node), new MenuValues(values));
    }

    /** A guide alone, with what must be set first. */
    public static ObjectNode write(SettingGuide guide) {
        ObjectNode node = Json.object();
        write(guide, node);
        return node;
    }

    /** Puts it beside the field {@code settings}, which is what must be set before the unit listens. */
    static void write(SettingGuide guide, ObjectNode facts) {
        facts.put("settings", guide.before());
        if (guide.equals(SettingGuide.first(guide.before()))) {
            return;
        }
        ObjectNode node = facts.putObject(GUIDE);
        ArrayNode steps = node.putArray("steps");
        guide.steps().forEach(s -> steps.add(s.text()));
        node.put("confirm", guide.confirm()).put("factory", guide.factory());
        guide.tenth().ifPresent(t -> {
            ArrayNode modes = node.putArray("tenthSwitchOnIn");
            t.onIn().forEach(modes::add);
        });
        guide.perCase().ifPresent(n -> node.put("perCase", n));
        ArrayNode settings = node.putArray("settings");
        guide.menu().forEach(s -> {
            ObjectNode one = settings.addObject()
                    .put("name", s.name())
                    .put("path", s.path())
                    .put("factory", s.factory());
            ArrayNode choices = one.putArray("choices");
            s.choices().forEach(choices::add);
        });
    }

    /** @throws IllegalArgumentException when a text or name is none */
    public static SettingGuide readGuide(JsonNode facts) {
        String before = Json.text(facts, "settings");
        if (!facts.has(GUIDE)) {
            return SettingGuide.first(before);
        }
        JsonNode node = facts.path(GUIDE);
        return new SettingGuide(
                before,
                Json.list(node, "steps", n -> new MenuStep(n.asString())),
                Json.text(node, "confirm"),
                Json.text(node, "factory"),
                Json.optional(
                        node,
                        "tenthSwitchOnIn",
                        n -> new TenthSwitch(new TreeSet<>(Json.list(node, "tenthSwitchOnIn", JsonNode::asString)))),
                Json.list(
                        node,
                        "settings",
                        n -> new MenuSetting(
                                Json.text(n, "name"),
                                Json.text(n, "path"),
                                Json.text(n, "factory"),
                                Json.list(n, "choices", JsonNode::asString))),
                Json.optional(node, "perCase", JsonNode::asInt));
    }

    static void write(OwnMenu menu, ObjectNode traits) {
        if (!menu.values().isEmpty()) {
            ArrayNode list = traits.putArray(MENU);
            menu.values().forEach((name, own) -> {
                ObjectNode one = list.addObject().put("name", name).put("value", own.value());
                if (!own.why().isEmpty()) {
                    one.put("why", own.why());
                }
            });
        }
    }

    /** @throws IllegalArgumentException when a name or value is none */
    static OwnMenu readOwn(JsonNode traits) {
        SortedMap<String, OwnValue> values = new TreeMap<>();
        traits.path(MENU)
                .forEach(n ->
                        values.put(Json.text(n, "name"), new OwnValue(Json.text(n, "value"), Json.text(n, "why"))));
        return new OwnMenu(values);
    }
}
