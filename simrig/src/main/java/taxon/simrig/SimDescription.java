package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Ipv4;
import taxon.core.reception.Watch;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.codec.ArtPacket.Port;
import taxon.wire.artnet.codec.ArtPacket.TodData;
import taxon.wire.rdm.codec.Uid;

/** What a simulated box tells of itself and of its devices. */
final class SimDescription {
    private static final int FIRMWARE = 0x0104;

    private final Ipv4 given;
    private final Watch watch;

    /**
     * As what it speaks.
     *
     * @param called the name that it gives itself
     * @param makerBits of its MAC; the lower half is the address that it was started with
     * @param counts true for one that numbers its replies
     */
    record Self(Ipv4 ip, String called, long makerBits, boolean counts) {}

    /** @param watch what it hears */
    SimDescription(Ipv4 given, Watch watch) {
        this.given = given;
        this.watch = watch;
    }

    /** A reply describes four ports at most; a node with more answers several times. */
    List<PollReply> of(SimSettings settings, Self self) {
        List<PollReply> replies = new ArrayList<>();
        for (List<SimPort> page : settings.pages()) {
            replies.add(new PollReply(
                    self.ip(),
                    self.called(),
                    self.called() + ", simulated",
                    "#0001 [0001] ready",
                    FIRMWARE,
                    page.get(0).address().net(),
                    page.get(0).address().subNet(),
                    self.makerBits() | Integer.toUnsignedLong(given.bits()),
                    self.counts() ? replies.size() + 1 : 0,
                    Optional.of(settings.whenLost()),
                    true,
                    page.stream()
                            .map(p -> new Port(p.address().universe(), p.flow(), p.rdm(), output(p)))
                            .toList()));
        }
        return replies;
    }

    /** What leaves by a port, and how it says that it joins two sources. */
    private Output output(SimPort port) {
        int sources = watch.state(port.carrier(), System.nanoTime())
                .map(s -> s.heard().size())
                .orElse(0);
        boolean out = port.flow() == Flow.OUT;
        return new Output(
                out && sources > 0,
                out && sources > 1,
                port.latest(),
                port.sacn().isPresent());
    }

    /**
     * The tables of devices that are asked for.
     *
     * @param looks true while it discovers its devices anew and has no table to give
     */
    static List<TodData> tables(List<SimPort> ports, ArtPacket.TodRequest request, boolean looks) {
        List<TodData> tables = new ArrayList<>();
        for (int i = 0; i < ports.size(); i++) {
            SimPort port = ports.get(i);
            if (port.address().net() == request.net()
                    && request.subUnis().contains(port.address().subUni())) {
                boolean known = port.hasTable() && !looks;
                List<Uid> uids = known ? port.listed() : List.of();
                int bind = i / SimSettings.PORTS_OF_A_PAGE + 1;
                int physical = i % SimSettings.PORTS_OF_A_PAGE + 1;
                tables.add(new TodData(physical, bind, port.address(), known, uids.size(), 0, uids));
            }
        }
        return tables;
    }
}
