package taxon.formats.zip;

/** The archive is not read. The message is a sentence with the entry and the limit. */
public final class ArchiveRefusedException extends Exception {
    public ArchiveRefusedException(String sentence) {
        super(sentence);
    }
}
