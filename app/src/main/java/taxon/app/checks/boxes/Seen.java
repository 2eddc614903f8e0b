package taxon.app.checks.boxes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.OnPage;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.boxcheck.SeenBox.Self;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.Subnet;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.artnet.link.RollCall;

/** What boxes say in packets, as the plan is held against it. */
final class Seen {
    private Seen() {}

    static SeenBox box(RollCall.Device device) {
        List<SeenPort> ports = new ArrayList<>();
        for (PollReply page : device.pages()) {
            for (int i = 0; i < page.ports().size(); i++) {
                ports.add(port(page, i));
            }
        }
        PollReply first = device.pages().get(0);
        return new SeenBox(
                device.answering(),
                first.ip(),
                new Self(first.shortName(), first.longName(), first.firmware(), first.mac(), first.whenLost()),
                device.mask().flatMap(m -> Subnet.parsePrefix(m.toString())),
                ports);
    }

    private static SeenPort port(PollReply page, int index) {
        Port port = page.ports().get(index);
        boolean out = port.flow() == Flow.OUT;
        Optional<Merge> merge =
                out ? Optional.of(port.output().latest() ? Merge.LATEST : Merge.HIGHEST) : Optional.empty();
        return new SeenPort(
                new OnPage(page.bindIndex(), index + 1),
                direction(port.flow()),
                page.portAddress(index),
                port.rdm(),
                merge,
                out ? takes(page, port) : Optional.empty(),
                port.output().dataFlows());
    }

    /** A box that knows no streaming ACN, or does not say so here, leaves it open. */
    private static Optional<Protocol> takes(PollReply page, Port port) {
        if (port.output().sacn()) {
            return Optional.of(Protocol.SACN);
        }
        return page.switchesProtocol() ? Optional.of(Protocol.ART_NET) : Optional.empty();
    }

    private static Direction direction(Flow flow) {
        return switch (flow) {
            case OUT -> Direction.OUT;
            case IN -> Direction.IN;
            case NONE -> Direction.OFF;
        };
    }
}
