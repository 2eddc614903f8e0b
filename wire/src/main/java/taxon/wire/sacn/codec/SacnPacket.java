package taxon.wire.sacn.codec;

/** A packet of streaming ACN (ANSI E1.31, from memory). */
public sealed interface SacnPacket permits SacnData, SacnSync, SacnDiscovery {
    /** As it goes over the wire. */
    byte[] encode();
}
