package taxon.wire.bytes;

/** Bytes that are not the packet they should be. Says what is wrong, with the value and what would do. */
public final class MalformedPacketException extends Exception {
    private static final long serialVersionUID = 1L;

    public MalformedPacketException(String what, long value, String allowed) {
        super(what + " is " + value + "; it should be " + allowed);
    }
}
