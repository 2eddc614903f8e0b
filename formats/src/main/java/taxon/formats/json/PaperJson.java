package taxon.formats.json;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import taxon.core.paper.PaperText;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The words of a paper as JSON. */
public final class PaperJson {
    private PaperJson() {}

    public static byte[] print(PaperText text) {
        ObjectNode body = Json.object().put("title", text.title()).put("heading", text.heading());
        add(body.putArray("columns"), text.columns());
        ArrayNode parts = body.putArray("parts");
        for (PaperText.Part part : text.parts()) {
            ArrayNode rows = parts.addObject().put("title", part.title()).putArray("rows");
            part.rows().forEach(row -> add(rows.addArray(), row));
        }
        return body.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static void add(ArrayNode array, List<String> words) {
        words.forEach(array::add);
    }

    /** Reads what {@link #print} wrote. */
    public static PaperText read(byte[] json) {
        JsonNode body = Json.parse(json);
        List<PaperText.Part> parts = new ArrayList<>();
        for (JsonNode part : body.path("parts")) {
            parts.add(new PaperText.Part(
                    part.path("title").asString(),
                    part.path("rows").valueStream().map(PaperJson::words).toList()));
        }
        return new PaperText(
                body.path("title").asString(), body.path("heading").asString(), words(body.path("columns")), parts);
    }

    private static List<String> words(JsonNode array) {
        return array.valueStream().map(JsonNode::asString).toList();
    }
}
