package taxon.core.explain;

/** What is known of the rig as it is: what was seen of it, or what a unit said of itself. */
public sealed interface Evidence permits Observation, Reading {}
