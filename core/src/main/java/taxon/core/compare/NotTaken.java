package taxon.core.compare;

import taxon.core.rig.edit.Omission;

/**
 * Something of the other side that cannot be taken over.
 *
 * @param sentence why, with the way out
 */
public record NotTaken(String who, String sentence) implements Omission {}
