package taxon.app.testing;

import java.util.List;
import tools.jackson.databind.JsonNode;

/** What the checks say of the demo's rig, as a script asks for it: job 1 of a server that was started with the demo. */
public record CheckedRig(Http http) {
    /** Reads the rig to its end, and gives what the checks say then. */
    public JsonNode read() {
        http.post("/jobs/1/checks/read");
        Wait.until(
                "the reading goes on and on",
                () -> checks().path("reading").asString().equals("done"));
        return checks();
    }

    private JsonNode checks() {
        return http.get("/jobs/1/checks").json();
    }

    /** The line that the checks have for a fixture. */
    public JsonNode line(String id) {
        return one("lines of the checks", checks().path("lines"), "label", id);
    }

    /** A fixture of the plan. */
    public JsonNode fixture(String id) {
        return one("fixtures", http.get("/jobs/1/fixtures").json().path("fixtures"), "id", id);
    }

    public int key(String id) {
        return fixture(id).path("key").asInt();
    }

    /** How the first block of a fixture stands: planned, set, proved or stale. */
    public String standing(String id) {
        return fixture(id).path("blocks").get(0).path("standing").asString();
    }

    /** What boxes were found to be set to otherwise than planned. */
    public static List<String> differences(JsonNode checks) {
        return checks.path("boxes")
                .valueStream()
                .flatMap(b -> b.path("differences").valueStream())
                .map(JsonNode::asString)
                .toList();
    }

    private static JsonNode one(String what, JsonNode all, String field, String value) {
        return all.valueStream()
                .filter(n -> n.path(field).asString("").equals(value))
                .findFirst()
                .orElseThrow(() -> new AssertionError("none of the " + what + " has the " + field + " " + value));
    }
}
