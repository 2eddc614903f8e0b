package taxon.formats.xml;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One element with its attributes, its children and the text between its tags.
 *
 * @param line where it began, counted from 1
 * @param text all text directly in it, without white space at its ends
 */
public record XmlElement(
        String name, int line, Map<String, String> attributes, List<XmlElement> children, String text) {
    public XmlElement {
        attributes = Collections.unmodifiableMap(attributes);
        children = Collections.unmodifiableList(children);
    }

    /** The value of an attribute; empty when it is missing or blank. */
    public Optional<String> attribute(String attributeName) {
        return Optional.ofNullable(attributes.get(attributeName))
                .map(String::strip)
                .filter(v -> !v.isEmpty());
    }

    /** The text of the first child of that name; empty when it is missing or blank. */
    public Optional<String> textOf(String childName) {
        return child(childName).map(XmlElement::text).filter(t -> !t.isEmpty());
    }

    public Stream<XmlElement> children(String childName) {
        return children.stream().filter(c -> c.name.equals(childName));
    }

    public Optional<XmlElement> child(String childName) {
        return children(childName).findFirst();
    }

    /** The children of a child: {@code path("DMXModes", "DMXMode")}. */
    public List<XmlElement> path(String... names) {
        List<XmlElement> found = List.of(this);
        for (String step : names) {
            List<XmlElement> next = new ArrayList<>();
            found.forEach(e -> e.children(step).forEach(next::add));
            found = next;
        }
        return found;
    }
}
