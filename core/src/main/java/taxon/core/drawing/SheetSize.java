package taxon.core.drawing;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Paper that drawings are printed on, across (ISO 216; the others as they are sold in North America). */
public enum SheetSize {
    A4("A4", 297, 210),
    A3("A3", 420, 297),
    LETTER("US letter", 279.4, 215.9),
    TABLOID("US tabloid", 431.8, 279.4);

    private final String words;
    private final double width;
    private final double height;

    SheetSize(String words, double width, double height) {
        this.words = words;
        this.width = width;
        this.height = height;
    }

    public String words() {
        return words;
    }

    /** In millimetres. */
    public double width() {
        return width;
    }

    /** In millimetres. */
    public double height() {
        return height;
    }

    /** As it stands in addresses: "a3". */
    public String slug() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The one of that name in addresses. */
    public static Optional<SheetSize> of(String slug) {
        return Arrays.stream(values()).filter(s -> s.slug().equals(slug)).findFirst();
    }
}
