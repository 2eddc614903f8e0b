package taxon.core.routing;

/** How levels come from the box to a unit. */
public enum Means {
    /** By a line of cable. */
    CABLE,
    /** By radio, from a transmitter. */
    AIR,
    /** By the network: the unit is the box. */
    OWN
}
