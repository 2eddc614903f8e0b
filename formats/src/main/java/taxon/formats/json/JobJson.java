package taxon.formats.json;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Plan;
import tools.jackson.core.JacksonException;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A whole job as one JSON document. Parsed back what was written gives an equal plan. */
public final class JobJson {
    public static final String SCHEMA_NAME = "taxon-job-1.schema.json";
    /** 32 MiB: about fifty thousand fixtures. */
    public static final int MOST_BYTES = 32 << 20;

    private static final String FORMAT = "taxon-job";
    private static final int VERSION = 1;
    private static final int TOLD = 5;
    private static final Map<Kind, String> LISTS = lists();
    private static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(schema(), InputFormat.JSON);

    private JobJson() {}

    /** What a document turned out to be. */
    public sealed interface Parsed permits Read, Refused {}

    public record Read(Plan plan) implements Parsed {}

    /** @param reasons one sentence each, with the place in the document; the first few where there are many */
    public record Refused(List<String> reasons) implements Parsed {
        public Refused {
            reasons = List.copyOf(reasons);
        }
    }

    private static Map<Kind, String> lists() {
        Map<Kind, String> names = new LinkedHashMap<>();
        names.put(Kind.TYPE, "types");
        names.put(Kind.POSITION, "positions");
        names.put(Kind.BOX, "boxes");
        names.put(Kind.UNIVERSE, "universes");
        names.put(Kind.RESERVED_RUN, "reserved");
        names.put(Kind.FIXTURE, "fixtures");
        names.put(Kind.LINE, "lines");
        names.put(Kind.LINK, "links");
        names.put(Kind.EVIDENCE, "evidence");
        names.put(Kind.CHECK, "checks");
        names.put(Kind.GROUP, "groups");
        names.put(Kind.SHARE, "shares");
        names.put(Kind.WISH, "wishes");
        return names;
    }

    /** The published JSON Schema (draft 2020-12) that every document satisfies. */
    public static String schema() {
        try (InputStream in = Objects.requireNonNull(JobJson.class.getResourceAsStream(SCHEMA_NAME), SCHEMA_NAME)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(SCHEMA_NAME + " is part of this module", e);
        }
    }

    public static ObjectNode write(Plan plan) {
        ObjectNode document = Json.object().put("format", FORMAT).put("version", VERSION);
        document.set("job", ElementJson.write(plan.sheet()));
        LISTS.forEach((kind, name) -> {
            ArrayNode list = document.putArray(name);
            plan.elements().values().stream()
                    .filter(e -> e.elementKey().kind() == kind)
                    .forEach(e -> list.add(ElementJson.write(e)));
        });
        return document;
    }

    public static String print(Plan plan) {
        return Json.print(write(plan));
    }

    /**
     * A document that Taxon wrote and kept itself, of any size.
     *
     * @throws IllegalStateException when it is not what was written
     */
    public static Plan kept(String document) {
        Parsed parsed = read(Json.parse(document.getBytes(StandardCharsets.UTF_8)));
        if (parsed instanceof Read read) {
            return read.plan();
        }
        throw new IllegalStateException("a job that was kept is damaged: " + ((Refused) parsed).reasons());
    }

    public static Parsed read(byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            return refused("The file has " + bytes.length + " bytes; a job takes at most " + MOST_BYTES + ".");
        }
        try {
            return read(Json.parse(bytes));
        } catch (JacksonException e) {
            return refused(
                    "The file is no JSON that can be read; " + where(Optional.ofNullable(e.getLocation())) + ".");
        }
    }

    private static Parsed read(JsonNode document) {
        List<String> faults = SCHEMA.validate(document).stream()
                .map(SchemaFault::sentence)
                .limit(TOLD)
                .toList();
        if (!faults.isEmpty()) {
            return new Refused(faults);
        }
        try {
            List<Element> elements = new ArrayList<>();
            elements.add(ElementJson.read(Kind.JOB_SHEET, document.path("job")));
            // What was called a node before there were other boxes.
            document.path("nodes").forEach(n -> elements.add(ElementJson.read(Kind.BOX, n)));
            LISTS.forEach((kind, name) -> document.path(name).forEach(n -> elements.add(ElementJson.read(kind, n))));
            return distinct(elements);
        } catch (IllegalArgumentException | DateTimeException e) {
            return refused("The job contradicts itself: " + e.getMessage() + ".");
        }
    }

    private static Parsed distinct(List<Element> elements) {
        Plan plan = Plan.of(elements);
        return plan.elements().size() == elements.size()
                ? new Read(plan)
                : refused("The job contradicts itself: "
                        + (elements.size() - plan.elements().size()) + " of its elements have a number that is taken.");
    }

    private static String where(Optional<TokenStreamLocation> place) {
        return place.map(p -> "it goes wrong at line " + p.getLineNr() + ", column " + p.getColumnNr())
                .orElse("something in it is nested too deep, or is too long");
    }

    private static Refused refused(String reason) {
        return new Refused(List.of(reason));
    }
}
