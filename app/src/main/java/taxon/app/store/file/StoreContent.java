package taxon.app.store.file;

/** What a file is, told without changing it. */
public sealed interface StoreContent {

    /** There is no file yet, or an empty one. */
    record Nothing() implements StoreContent {}

    /**
     * A store of Taxon.
     *
     * @param version of its tables, from 1
     */
    record Store(int version) implements StoreContent {}

    /**
     * Something else.
     *
     * @param why a part of a sentence, "it is no SQLite file"
     */
    record Foreign(String why) implements StoreContent {}
}
