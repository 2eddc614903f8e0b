package taxon.formats.xml;

import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads XML into elements. Time and memory are linear in the bytes; a document type declaration is refused, which leaves no
 * room for entities, neither outside ones nor such as multiply.
 */
public final class SafeXml {
    public static final int DEEPEST = 64;
    public static final int MOST_ELEMENTS = 800_000;
    private static final int MOST_ATTRIBUTES = 64;

    private static final XMLInputFactory FACTORY = factory();

    private final XMLStreamReader reader;
    private final Deque<Open> open = new ArrayDeque<>();
    private int elements;

    /** An element whose end has not come yet. */
    private record Open(
            String name, int line, Map<String, String> attributes, List<XmlElement> children, StringBuilder text) {}

    private SafeXml(XMLStreamReader reader) {
        this.reader = reader;
    }

    private static XMLInputFactory factory() {
        // That of the platform: what else lies on the class path must not decide how strangers' files are read.
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        // What is wrong is thrown; the parser's own copy of it on the error stream would only confuse.
        factory.setXMLReporter((message, type, related, location) -> {});
        factory.setXMLResolver((publicId, systemId, base, namespace) -> new ByteArrayInputStream(new byte[0]));
        return factory;
    }

    /**
     * Reads a document and gives its root.
     *
     * @throws XmlRefusedException when it is no well-formed XML in the encoding that it names, or goes past a bound
     */
    public static XmlElement read(byte[] bytes) throws XmlRefusedException {
        try {
            return new SafeXml(FACTORY.createXMLStreamReader(new ByteArrayInputStream(bytes))).read();
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 1 : e.getLocation().getLineNumber();
            throw new XmlRefusedException("Line " + line + " is no well-formed XML: " + reason(e) + ".");
        }
    }

    /** The parser's own words without the position that it puts before them. */
    private static String reason(XMLStreamException e) {
        String message = String.valueOf(e.getMessage());
        int at = message.indexOf("Message: ");
        String words = at < 0 ? message : message.substring(at + "Message: ".length());
        String line = words.lines().findFirst().orElse("it breaks off");
        return line.endsWith(".") ? line.substring(0, line.length() - 1) : line;
    }

    private XmlElement read() throws XMLStreamException, XmlRefusedException {
        while (reader.hasNext()) {
            switch (reader.next()) {
                case XMLStreamConstants.DTD -> throw refused("has a document type declaration, which is not read");
                case XMLStreamConstants.ENTITY_REFERENCE -> throw refused("refers to an entity, which is not read");
                case XMLStreamConstants.START_ELEMENT -> open.push(opened());
                case XMLStreamConstants.END_ELEMENT -> {
                    XmlElement element = closed(open.pop());
                    if (open.isEmpty()) {
                        return element;
                    }
                    open.peek().children().add(element);
                }
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> text();
                default -> {
                    // Comments and processing instructions carry nothing here.
                }
            }
        }
        throw refused("holds no element");
    }

    private Open opened() throws XmlRefusedException {
        elements++;
        if (elements > MOST_ELEMENTS) {
            throw refused("comes after " + MOST_ELEMENTS + " elements, which is the most that is read");
        }
        if (open.size() >= DEEPEST) {
            throw refused("nests deeper than " + DEEPEST + " elements");
        }
        int count = reader.getAttributeCount();
        if (count > MOST_ATTRIBUTES) {
            throw refused("has an element with " + count + " attributes; " + MOST_ATTRIBUTES + " is the most");
        }
        Map<String, String> attributes = new HashMap<>();
        for (int i = 0; i < count; i++) {
            attributes.put(reader.getAttributeLocalName(i), reader.getAttributeValue(i));
        }
        return new Open(reader.getLocalName(), line(), attributes, new ArrayList<>(), new StringBuilder());
    }

    /** Spaces that only indent are dropped at once, so that a long file does not hold them all. */
    private void text() {
        Open inner = open.peek();
        if (inner != null && !reader.isWhiteSpace()) {
            inner.text().append(reader.getText());
        }
    }

    private static XmlElement closed(Open open) {
        return new XmlElement(
                open.name(),
                open.line(),
                open.attributes(),
                open.children(),
                open.text().toString().strip());
    }

    private int line() {
        return reader.getLocation().getLineNumber();
    }

    private XmlRefusedException refused(String why) {
        return new XmlRefusedException("Line " + line() + " " + why + ".");
    }
}
