package taxon.app.store.file;

import java.util.Optional;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** Why the file itself could not be written or read, as far as SQLite says. */
public enum StoreTrouble {
    /** The disk, or what this user may use of it, is full. */
    FULL("The disk is full: nothing was changed."),
    /** The file may not be written any more. */
    READ_ONLY("The store cannot be written any more: nothing was changed."),
    /** Another process holds the file's lock. */
    BUSY("Another program holds the store locked: nothing was changed. Try it again."),
    /** The disk did not do what it was asked to. */
    DISK("The disk refused to read or write the store: nothing was changed."),
    /** Pages of the file are not what was written. */
    DAMAGED("The store's file is damaged: this could not be read or written. The page of the store says what is left.");

    private final String sentence;

    StoreTrouble(String sentence) {
        this.sentence = sentence;
    }

    public String sentence() {
        return sentence;
    }

    /** The trouble behind a failure; empty where the failure has nothing to do with the file. */
    public static Optional<StoreTrouble> behind(Throwable failure) {
        for (Throwable next = failure; next != null; next = next.getCause()) {
            if (next instanceof SQLiteException sqlite) {
                return of(sqlite.getResultCode());
            }
        }
        return Optional.empty();
    }

    private static Optional<StoreTrouble> of(SQLiteErrorCode code) {
        // The low byte is the primary result code; the rest says more about it (SQLite, "Result and Error Codes").
        return switch (code.code & 0xff) {
            case 13 -> Optional.of(FULL);
            case 8 -> Optional.of(READ_ONLY);
            case 5, 6 -> Optional.of(BUSY);
            case 10, 14 -> Optional.of(DISK);
            case 11, 26 -> Optional.of(DAMAGED);
            default -> Optional.empty();
        };
    }
}
