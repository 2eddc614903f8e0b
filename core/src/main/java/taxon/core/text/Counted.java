package taxon.core.text;

/** A number with what is counted, one of it or several. */
public final class Counted {
    private Counted() {}

    /** "1 universe", "7 universes". */
    public static String of(long count, String one) {
        return count + " " + (count == 1 ? one : one + "s");
    }
}
