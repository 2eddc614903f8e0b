package taxon.core.scene;

/**
 * What of a scene is taken over.
 *
 * @param changes true to change fixtures that the job has
 * @param addresses true to take their addresses from the scene; new fixtures always do
 * @param removal true to take fixtures off the rig that came with a scene and are not in this one
 * @param folders true to put new fixtures into folders called like their layers
 * @param shares true to take blocks of one kind that have one address in the scene as doubled on purpose
 */
public record MergeRequest(boolean changes, boolean addresses, boolean removal, boolean folders, boolean shares) {
    /** All but taking away. */
    public static final MergeRequest USUAL = new MergeRequest(true, true, false, true, true);
}
