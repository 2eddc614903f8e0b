package taxon.core.listing;

/**
 * A row that is no fixture and is left out.
 *
 * @param words what stood there, shortened
 */
public record SkippedRow(int line, Why why, String words) {
    public enum Why {
        TOTALS,
        HEADER_AGAIN
    }
}
