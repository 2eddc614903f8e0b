package taxon.core.listing;

import java.util.regex.Pattern;

/** What a cell looks like, for guessing what its column holds. */
final class CellLooks {
    private static final Pattern NUMBER_OR_RANGE =
            Pattern.compile("[-−]?\\d[\\d.,' ]{0,20}(?:\\s*(?:[-–—]|to|\\.\\.)\\s*\\d{1,9})?\\s*\\p{L}{0,6}\\.?");

    private static final Pattern NUMERIC = Pattern.compile("[-−]?\\d[\\d.,/: ]{0,20}");

    private CellLooks() {}

    static boolean hasDigit(String cell) {
        return cell.chars().anyMatch(Character::isDigit);
    }

    static boolean hasLetter(String cell) {
        return cell.chars().anyMatch(Character::isLetter);
    }

    /** "8", "8 pcs", "101-108". */
    static boolean isNumberOrRange(String cell) {
        return NUMBER_OR_RANGE.matcher(cell.strip()).matches();
    }

    /** "101", "1.113", "2/100". */
    static boolean isNumeric(String cell) {
        return NUMERIC.matcher(cell.strip()).matches();
    }
}
