package taxon.wire.link;

import java.net.InetSocketAddress;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.sacn.codec.SacnPacket;

/** Is told of each packet, of who sent it, and of when it came. */
public interface LinkListener {
    /** @param nanos of a clock that only goes on, {@link System#nanoTime()} */
    default void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {}

    /** @param nanos of a clock that only goes on, {@link System#nanoTime()} */
    default void sacn(SacnPacket packet, InetSocketAddress sender, long nanos) {}
}
