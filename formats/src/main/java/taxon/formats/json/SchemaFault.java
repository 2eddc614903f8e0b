package taxon.formats.json;

import com.networknt.schema.Error;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/** What a document has that its schema does not allow, in our words: where it is, what is there, and what may be. */
final class SchemaFault {
    private static final int SHOWN = 60;

    private SchemaFault() {}

    static String sentence(Error fault) {
        String where = String.valueOf(fault.getInstanceLocation());
        return (where.isEmpty() ? "The file" : "At " + where + ": it") + " " + words(fault) + ".";
    }

    private static String words(Error fault) {
        String is = "is " + value(fault);
        Optional<String> allowed = Optional.ofNullable(fault.getSchemaNode()).map(SchemaFault::allowed);
        return switch (Objects.requireNonNullElse(fault.getKeyword(), "")) {
            case "required" -> "lacks “" + property(fault) + "”";
            case "additionalProperties", "unevaluatedProperties" ->
                "has “" + property(fault) + "”, which is not known here";
            case "type" -> is + " and takes " + allowed.orElse("something else");
            case "minimum", "exclusiveMinimum" -> is + "; the least is " + allowed.orElse("more");
            case "maximum", "exclusiveMaximum" -> is + "; the most is " + allowed.orElse("less");
            case "enum", "const" -> is + "; it takes one of " + allowed.orElse("other words");
            case "minLength", "minItems" -> "is too short; the least is " + allowed.orElse("more");
            case "maxLength", "maxItems" -> "is too long; the most is " + allowed.orElse("less");
            case "pattern" -> is + ", which is not written as it should be";
            case "uniqueItems" -> "says something twice";
            default -> is + ", which is not one of the forms that it takes";
        };
    }

    private static String property(Error fault) {
        return Objects.requireNonNullElse(fault.getProperty(), "something");
    }

    private static String value(Error fault) {
        JsonNode node = fault.getInstanceNode();
        if (node == null) {
            return "not right";
        }
        if (node.isContainer()) {
            return node.isArray() ? "a list" : "an object";
        }
        String text = node.toString();
        return text.length() > SHOWN ? text.substring(0, SHOWN) + "…" : text;
    }

    private static String allowed(JsonNode schema) {
        return schema.isArray()
                ? StreamSupport.stream(schema.spliterator(), false)
                        .map(JsonNode::asString)
                        .collect(Collectors.joining(", "))
                : schema.asString();
    }
}
