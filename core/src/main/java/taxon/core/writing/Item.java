package taxon.core.writing;

/** What of a unit or of a box is written. */
public enum Item {
    /** A start slot, 1 to 512; its part is the block, from 1. */
    ADDRESS("start address"),
    /** A personality, from 1. */
    MODE("mode"),
    LABEL("label"),
    /** {@value Value#ON} or {@value Value#OFF}. */
    PAN_REVERSED("pan reversed"),
    TILT_REVERSED("tilt reversed"),
    AXES_SWAPPED("pan and tilt swapped"),
    IDENTIFY("makes itself known"),

    BOX_NAME("name"),
    /** Address and length of the mask, "10.0.0.20/24". */
    BOX_IP("IP address and mask"),
    WHEN_LOST("what it does when data stops"),
    /** A Port-Address as a plain number; its part is the port, from 1. */
    PORT_NUMBER("Port-Address"),
    PORT_DIRECTION("direction"),
    PORT_PROTOCOL("protocol"),
    PORT_MERGE("joining of two sources"),
    PORT_RDM("RDM");

    private final String words;

    Item(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** True for what belongs to a port of a box. */
    public boolean isOfPort() {
        return switch (this) {
            case PORT_NUMBER, PORT_DIRECTION, PORT_PROTOCOL, PORT_MERGE, PORT_RDM -> true;
            default -> false;
        };
    }

    /** True for what belongs to a box or one of its ports. */
    public boolean isOfBox() {
        return isOfPort() || this == BOX_NAME || this == BOX_IP || this == WHEN_LOST;
    }
}
