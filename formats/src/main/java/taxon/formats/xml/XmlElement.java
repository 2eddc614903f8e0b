package taxon.formats.xml;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One element with its attributes and children. Text between tags is not kept: the formats read here carry none.
 *
 * @param line where it began, counted from 1
 */
public record XmlElement(String name, int line, Map<String, String> attributes, List<XmlElement> children) {
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
