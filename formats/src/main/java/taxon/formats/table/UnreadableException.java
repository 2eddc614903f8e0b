package taxon.formats.table;

import taxon.formats.table.TableFile.Fault;
import taxon.formats.table.TableFile.Unreadable;

/** A table that cannot be read, or is larger than what is taken. */
final class UnreadableException extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient Unreadable reason;

    UnreadableException(Fault fault, String value, String allowed) {
        super(fault + " " + value);
        reason = new Unreadable(fault, value, allowed);
    }

    Unreadable reason() {
        return reason;
    }
}
