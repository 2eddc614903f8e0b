package taxon.wire.rdm.codec;

import taxon.wire.bytes.MalformedPacketException;

/** What a message wants (ANSI E1.20, table A-1, from memory). */
public enum CommandClass {
    DISCOVERY(0x10),
    DISCOVERY_RESPONSE(0x11),
    GET(0x20),
    GET_RESPONSE(0x21),
    SET(0x30),
    SET_RESPONSE(0x31);

    private final int code;

    CommandClass(int code) {
        this.code = code;
    }

    public int code() {
        return code;
    }

    /** The class of the answer to a request of this class; a response is its own. */
    public CommandClass response() {
        return switch (this) {
            case DISCOVERY -> DISCOVERY_RESPONSE;
            case GET -> GET_RESPONSE;
            case SET -> SET_RESPONSE;
            default -> this;
        };
    }

    static CommandClass of(int code) throws MalformedPacketException {
        for (CommandClass known : values()) {
            if (known.code == code) {
                return known;
            }
        }
        throw new MalformedPacketException("the command class", code, "0x10, 0x11, 0x20, 0x21, 0x30 or 0x31");
    }
}
