package taxon.formats.table;

/** Ends the parsing of a sheet that is larger than what is taken. */
final class RowsRefusedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient UnreadableException reason;

    RowsRefusedException(UnreadableException reason) {
        super(reason);
        this.reason = reason;
    }

    UnreadableException reason() {
        return reason;
    }
}
