package taxon.core.drawing;

/** The margins of a drawn sheet, in millimetres: above is its title and its code, below its number. */
public final class TitledSheet {
    public static final double SIDE = 12;
    public static final double TOP = 20;
    public static final double BOTTOM = 10;

    private TitledSheet() {}
}
