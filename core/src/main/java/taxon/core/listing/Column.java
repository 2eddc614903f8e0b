package taxon.core.listing;

/** What a column of a list holds. */
public enum Column {
    QUANTITY("quantity"),
    MAKER("maker"),
    TYPE("type"),
    MODE("mode"),
    /** How many slots it takes, beside a mode that says it in words. */
    FOOTPRINT("footprint"),
    FIRST_ID("first fixture ID"),
    NAME("name"),
    POSITION("position"),
    ADDRESS("address"),
    UNIVERSE("universe"),
    SLOT("slot"),
    NOTE("note");

    private final String words;

    Column(String words) {
        this.words = words;
    }

    /** What people call it. */
    public String words() {
        return words;
    }
}
