package taxon.core.visible;

import taxon.core.fixture.Channel;

/**
 * One channel on the way to light.
 *
 * @param value at the channel's own width
 * @param run what the value is called in the manual; empty where it has no name
 */
public record RecipeStep(Channel channel, long value, String run) {}
