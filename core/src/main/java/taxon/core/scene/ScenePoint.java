package taxon.core.scene;

import taxon.core.length.Length;

/**
 * A point of a scene.
 *
 * @param across to the right as the audience sees it
 * @param upstage away from the audience
 * @param height above the floor
 */
public record ScenePoint(Length across, Length upstage, Length height) {}
