package taxon.core.numbering;

/** A family has more members than there are numbers for it. */
public final class NumbersRunOutException extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final transient Family family;
    private final int start;
    private final int limit;
    private final int free;

    NumbersRunOutException(Family family, int start, int limit, int free) {
        super(family.name() + ": " + family.members().size() + " numbers are needed, " + free + " are free from "
                + start + " to " + limit);
        this.family = family;
        this.start = start;
        this.limit = limit;
        this.free = free;
    }

    public Family family() {
        return family;
    }

    public int start() {
        return start;
    }

    /** The last number that it may take. */
    public int limit() {
        return limit;
    }

    /** How many of them are free. */
    public int free() {
        return free;
    }
}
