package taxon.app.checks;

import java.util.Optional;
import taxon.app.edit.JobState;
import taxon.core.proof.RigComparison;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Where the reading stands, and planned against found, as JSON. */
final class ChecksJson {
    private ChecksJson() {}

    static ObjectNode write(JobState state, ReadingState reading, Optional<RigComparison> comparison) {
        ObjectNode body = Json.object()
                .put("job", state.job())
                .put("version", state.version())
                .put(
                        "reading",
                        reading.running().isPresent()
                                ? "running"
                                : reading.last().isPresent() ? "done" : "none")
                .put("trouble", reading.trouble());
        reading.last().ifPresent(r -> {
            body.put("at", r.at().toString());
            var troubles = body.putArray("troubles");
            r.troubles().forEach(troubles::add);
            var boxes = body.putArray("boxes");
            BoxLine.of(state.plan(), r).forEach(b -> {
                var differences = boxes.addObject()
                        .put("box", b.box())
                        .put("name", b.name())
                        .putArray("differences");
                b.differences().forEach(differences::add);
            });
            var notAsked = body.putArray("notAsked");
            NotAskedLine.of(state.plan(), r)
                    .forEach(n -> notAsked.addObject()
                            .put("fixtures", n.count())
                            .put("why", n.why())
                            .put("ids", n.ids()));
        });
        comparison.ifPresent(c -> {
            ObjectNode counts = body.putObject("counts");
            c.counts().forEach((verdict, count) -> counts.put(Json.slug(verdict), count));
            var lines = body.putArray("lines");
            c.lines().stream().map(l -> ComparisonLine.of(state.plan(), l)).forEach(l -> lines.add(line(l)));
        });
        return body;
    }

    private static ObjectNode line(ComparisonLine line) {
        return Json.object()
                .put("universe", line.universe())
                .put("fixture", line.key())
                .put("label", line.id())
                .put("planned", line.planned())
                .put("plannedMode", line.plannedMode())
                .put("found", line.found())
                .put("foundMode", line.foundMode())
                .put("unit", line.unit())
                .put("verdict", line.verdict())
                .put("why", line.why())
                .put("armBlock", line.armBlock());
    }
}
