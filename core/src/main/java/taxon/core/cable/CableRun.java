package taxon.core.cable;

import taxon.core.length.Length;

/**
 * How far it is from one end to the other as cable lies, without slack.
 *
 * @param length not below 0
 * @param assumed true when one end is assumed to be where it is
 */
public record CableRun(Length length, boolean assumed) {
    public CableRun {
        if (length.micrometres() < 0) {
            throw new IllegalArgumentException("a cable of " + length + " is none");
        }
    }
}
