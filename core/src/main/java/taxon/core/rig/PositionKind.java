package taxon.core.rig;

/** What kind of place a position is. */
public enum PositionKind {
    UNSAID("not said"),
    TRUSS("truss"),
    PIPE("pipe"),
    TOWER("tower"),
    FLOOR("floor"),
    CEILING_GRID("ceiling grid"),
    ROOM("room");

    private final String words;

    PositionKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
