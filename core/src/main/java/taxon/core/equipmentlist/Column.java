package taxon.core.equipmentlist;

/** What a column of an equipment list holds. */
public enum Column {
    QUANTITY("quantity"),
    MAKER("maker"),
    TYPE("type"),
    MODE("mode"),
    POSITION("position"),
    FIRST_ID("first fixture ID"),
    NOTE("note"),
    ADDRESS("address"),
    UNIVERSE("universe"),
    SLOT("slot");

    private final String words;

    Column(String words) {
        this.words = words;
    }

    /** What people call it. */
    public String words() {
        return words;
    }
}
