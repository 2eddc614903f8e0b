package taxon.core.packing.site;

/**
 * A run that sits on a site now and may stay.
 *
 * @param id by which it is known to whoever asks
 * @param good index of its good
 * @param slot where it begins, 1 to 512
 * @param weight what it is worth that it stays, in parts of {@link Site#UNIT}
 */
public record Sitter(int id, int good, int slot, long weight) {}
