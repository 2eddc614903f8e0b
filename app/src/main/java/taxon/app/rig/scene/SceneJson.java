package taxon.app.rig.scene;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.FixtureId;
import taxon.core.scene.Scene;
import taxon.core.scene.SceneFixture;
import taxon.core.scene.ScenePoint;
import taxon.core.scene.SceneProposal.Question;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What a scene leaves open, and its fixtures as the file says them: who, what, where in metres, and at which addresses. */
final class SceneJson {
    private SceneJson() {}

    static void write(Scene scene, ArrayNode into) {
        scene.fixtures().forEach(f -> write(f, scene.positions(), into.addObject()));
    }

    static void write(List<Question> questions, ArrayNode into) {
        questions.forEach(q -> into.addObject()
                .put("spec", q.said().spec())
                .put("mode", q.said().mode())
                .put("fixtures", q.fixtures())
                .put("chosen", q.chosen().map(SceneQuestion::value).orElse("")));
    }

    private static void write(SceneFixture fixture, Map<UUID, String> positions, ObjectNode node) {
        node.put("uuid", fixture.uuid().toString()).put("name", fixture.name());
        fixture.id().map(FixtureId::number).ifPresent(i -> node.put("id", i));
        node.put("spec", fixture.spec()).put("mode", fixture.mode());
        fixture.position().map(positions::get).ifPresent(p -> node.put("position", p));
        fixture.unit().ifPresent(u -> node.put("unit", u));
        ArrayNode folders = node.putArray("folders");
        fixture.folders().forEach(folders::add);
        fixture.point().ifPresent(p -> write(p, node));
        ObjectNode addresses = node.putObject("addresses");
        fixture.addresses().forEach((number, at) -> addresses.put(String.valueOf(number), words(at)));
    }

    private static String words(StartAddress address) {
        return address.toString();
    }

    private static void write(ScenePoint point, ObjectNode node) {
        node.put("across", point.across().inMetres())
                .put("upstage", point.upstage().inMetres())
                .put("height", point.height().inMetres());
    }
}
