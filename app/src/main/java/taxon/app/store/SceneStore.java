package taxon.app.store;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import taxon.core.scene.MergeRequest;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;

/** Scene files on their way in, with what shall be taken over. */
@Repository
public class SceneStore {
    private final SceneMapper rows;
    private final Clock clock;

    SceneStore(SceneMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    public record StoredScene(int id, String fileName, byte[] content, MergeRequest request, Progress state) {}

    public int add(int job, String fileName, byte[] content) {
        int id = rows.nextId();
        rows.add(id, job, fileName, content, clock.instant().toString());
        return id;
    }

    public Optional<StoredScene> find(int job, int id) {
        return rows.find(job, id)
                .map(r -> new StoredScene(
                        r.id(),
                        r.fileName(),
                        r.content(),
                        request(Json.parse(r.request())),
                        Progress.valueOf(r.state())));
    }

    public void choose(int job, int id, MergeRequest request) {
        String text = Json.object()
                .put("changes", request.changes())
                .put("addresses", request.addresses())
                .put("removal", request.removal())
                .put("folders", request.folders())
                .toString();
        rows.choose(job, id, text);
    }

    private static MergeRequest request(JsonNode node) {
        MergeRequest usual = MergeRequest.USUAL;
        return new MergeRequest(
                node.path("changes").asBoolean(usual.changes()),
                node.path("addresses").asBoolean(usual.addresses()),
                node.path("removal").asBoolean(usual.removal()),
                node.path("folders").asBoolean(usual.folders()));
    }

    /** Ends an open one; false when it was ended already, as by a form that is posted twice. */
    public boolean end(int job, int id, Progress state) {
        return rows.end(job, id, state.name()) == 1;
    }
}
