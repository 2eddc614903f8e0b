package taxon.formats.xml;

/** The XML is not read: it is broken, or goes past a bound. The message is a sentence with the line. */
public final class XmlRefusedException extends Exception {
    public XmlRefusedException(String sentence) {
        super(sentence);
    }
}
