package taxon.core.drawing;

import java.util.Optional;

/**
 * What a drawing is asked for on.
 *
 * @param scale the one that is wished; the largest with which it fits one sheet where it is empty
 */
public record DrawnOn(SheetSize sheet, Optional<DrawingScale> scale) {
    public static final DrawnOn USUAL = new DrawnOn(SheetSize.A4, Optional.empty());
}
