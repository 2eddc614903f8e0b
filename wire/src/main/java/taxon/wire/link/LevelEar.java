package taxon.wire.link;

import java.net.InetSocketAddress;
import taxon.core.reception.Carrier;
import taxon.core.reception.LevelPacket;
import taxon.core.reception.LevelSink;
import taxon.core.reception.Sender;
import taxon.core.reception.Sender.Protocol;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.sacn.codec.SacnData;
import taxon.wire.sacn.codec.SacnDiscovery;
import taxon.wire.sacn.codec.SacnPacket;

/** Hands the levels that come by a link to whoever wants them. Sends nothing. */
public final class LevelEar implements LinkListener {
    private final LevelSink sink;

    public LevelEar(LevelSink sink) {
        this.sink = sink;
    }

    @Override
    public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
        if (packet instanceof ArtPacket.Dmx dmx) {
            // Art-Net names no sender in a packet of levels: it is known by its address.
            Sender from = new Sender(Protocol.ART_NET, sender.getAddress().getHostAddress(), "");
            sink.take(
                    Carrier.of(dmx.address()),
                    new LevelPacket(
                            from,
                            LevelPacket.USUAL_PRIORITY,
                            dmx.sequence(),
                            false,
                            false,
                            0,
                            LevelPacket.LEVELS,
                            dmx.levels().toArray()),
                    nanos);
        }
    }

    @Override
    public void sacn(SacnPacket packet, InetSocketAddress sender, long nanos) {
        if (packet instanceof SacnData data) {
            sink.take(Carrier.of(data.universe()), levels(data), nanos);
        } else if (packet instanceof SacnDiscovery list) {
            sink.announced(list.cid().toString(), list.page(), list.universes(), nanos);
        }
    }

    private static LevelPacket levels(SacnData data) {
        return new LevelPacket(
                new Sender(Protocol.SACN, data.cid().toString(), data.sourceName()),
                data.priority(),
                data.sequence(),
                (data.options() & SacnData.PREVIEW) != 0,
                (data.options() & SacnData.TERMINATED) != 0,
                data.syncAddress(),
                data.startCode(),
                data.levels().toArray());
    }
}
