package taxon.core.boxcheck;

/**
 * An interface that is plugged into this computer, as it says of itself.
 *
 * @param outputs 1 or more
 */
public record SeenInterface(String name, int outputs) {}
