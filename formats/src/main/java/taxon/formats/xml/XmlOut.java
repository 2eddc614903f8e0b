package taxon.formats.xml;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes XML in memory, an element a line, set in by its depth. */
public final class XmlOut {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final XMLStreamWriter writer;
    private int depth;

    public XmlOut() {
        try {
            writer = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            writer.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML can always be written to memory", e);
        }
    }

    /** Opens an element; names and values of its attributes in turn. */
    public XmlOut open(String name, Object... attributes) {
        return element(name, false, attributes);
    }

    /** An element without children. */
    public XmlOut leaf(String name, Object... attributes) {
        return element(name, true, attributes);
    }

    /** An element that holds a text, on one line. */
    public XmlOut text(String name, String text, Object... attributes) {
        element(name, false, attributes);
        try {
            writer.writeCharacters(legal(text));
            writer.writeEndElement();
            depth--;
            return this;
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML can always be written to memory", e);
        }
    }

    private XmlOut element(String name, boolean leaf, Object... attributes) {
        try {
            writer.writeCharacters("\n" + "  ".repeat(depth));
            if (leaf) {
                writer.writeEmptyElement(name);
            } else {
                writer.writeStartElement(name);
                depth++;
            }
            for (int i = 0; i < attributes.length; i += 2) {
                writer.writeAttribute(String.valueOf(attributes[i]), legal(String.valueOf(attributes[i + 1])));
            }
            return this;
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML can always be written to memory", e);
        }
    }

    /** Characters that XML 1.0 cannot carry (2.2) become question marks. */
    private static String legal(String text) {
        return text.codePoints()
                .map(c -> c >= 0x20 && c <= 0xD7FF || c >= 0xE000 && c <= 0xFFFD || c >= 0x10000 || c == '\t' ? c : '?')
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    public XmlOut close() {
        try {
            depth--;
            writer.writeCharacters("\n" + "  ".repeat(depth));
            writer.writeEndElement();
            return this;
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML can always be written to memory", e);
        }
    }

    /** Ends the document and gives its bytes, UTF-8. */
    public byte[] bytes() {
        try {
            writer.writeEndDocument();
            writer.flush();
            return out.toByteArray();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML can always be written to memory", e);
        }
    }
}
