package taxon.app.rig;

import taxon.app.edit.JobState;
import taxon.app.frame.Marks;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.formats.json.ElementJson;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** The fixtures of a job as JSON, with what is derived: names, slots, standing. */
public final class RigJson {
    private RigJson() {}

    public static ObjectNode fixtures(JobState state) {
        ObjectNode body = Json.object().put("job", state.job()).put("version", state.version());
        var list = body.putArray("fixtures");
        state.plan().fixtures().forEach(f -> list.add(fixture(state.plan(), f)));
        return body;
    }

    private static ObjectNode fixture(Plan plan, Fixture fixture) {
        ObjectNode node = ElementJson.write(fixture);
        node.put("typeName", plan.type(fixture).fullName())
                .put("positionName", plan.position(fixture).name());
        var blocks = node.putArray("blocks");
        plan.blocksOf(fixture).forEach(b -> {
            ObjectNode block = blocks.addObject()
                    .put("block", b.ref().block())
                    .put("name", b.block().name())
                    .put("footprint", b.footprint());
            b.start().ifPresent(a -> block.put("address", a.toString()).put("absolute", a.absolute()));
            block.put("standing", Marks.of(Standing.of(b, plan)).word());
        });
        return node;
    }
}
