package taxon.core.explain;

/**
 * A cause that explains what was seen.
 *
 * @param probability against the other causes that were thought of, 0 to 1
 * @param unexplained how much was seen or not seen that it does not explain; 0 for one that explains all
 */
public record Verdict(Cause cause, double probability, int unexplained) {}
