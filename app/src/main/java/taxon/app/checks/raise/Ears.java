package taxon.app.checks.raise;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.SacnUniverse;
import taxon.core.raising.Meeting;
import taxon.core.raising.Meeting.BoxSays;
import taxon.core.raising.Others;
import taxon.core.raising.Outlet;
import taxon.core.reception.Sender.Protocol;
import taxon.wire.artnet.codec.ArtPacket.Output;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink.Ending;
import taxon.wire.link.CardLinks;
import taxon.wire.link.LevelEar;
import taxon.wire.link.Link;
import taxon.wire.link.SendPolicy;

/** Finds out who else sends to some outlets: by listening, and by asking the boxes that are spoken to alone. */
final class Ears implements AutoCloseable {
    private final CardLinks.Lease lease;
    private final List<Outlet> outlets;
    private final SendPolicy policy;
    private final Duration patience;
    private final List<Ending> endings = new ArrayList<>();
    private final Bytes own;
    private final Others others;
    private final Map<Outlet, Output> said = new TreeMap<>();
    private final long begun = System.nanoTime();

    /** @throws IOException when a group cannot be joined; then the lease was given back */
    Ears(CardLinks.Lease lease, List<Outlet> outlets, SendPolicy policy, Bytes own, Duration patience)
            throws IOException {
        this.lease = lease;
        this.outlets = List.copyOf(outlets);
        this.policy = policy;
        this.own = own;
        this.patience = patience;
        others = new Others(outlets.stream().map(Outlet::carrier).toList(), own.toString());
        endings.add(lease.link().listen(new LevelEar(others)));
        try {
            for (Outlet outlet : outlets) {
                if (outlet.carrier().protocol() == Protocol.SACN) {
                    endings.add(
                            lease.link().join(new SacnUniverse(outlet.carrier().number())));
                }
            }
        } catch (IOException e) {
            close();
            throw e;
        }
    }

    Link link() {
        return lease.link();
    }

    /** The identity of one's own source. */
    Bytes own() {
        return own;
    }

    Others others() {
        return others;
    }

    long begun() {
        return begun;
    }

    /** Asks the boxes that are spoken to alone what leaves by their ports. Takes as long as they do. */
    void ask() throws IOException, InterruptedException {
        List<Outlet> alone = outlets.stream().filter(Outlet::toBox).toList();
        if (alone.isEmpty()) {
            return;
        }
        try (ArtNetController controller = ArtNetController.over(lease.link(), policy, patience)) {
            for (Outlet outlet : alone) {
                Optional<Output> now = port(controller.poll(outlet.to()), outlet);
                synchronized (said) {
                    now.ifPresentOrElse(o -> said.put(outlet, o), () -> said.remove(outlet));
                }
            }
        }
    }

    /** What leaves by the port that an outlet ends at: the one of its Port-Address, and of streaming ACN the one of its place. */
    private static Optional<Output> port(List<List<PollReply>> devices, Outlet outlet) {
        return devices.stream()
                .map(d -> outlet.isArtNet() ? ofAddress(d, outlet.carrier().number()) : ofPlace(d, outlet.port()))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<Output> ofAddress(List<PollReply> replies, int address) {
        for (PollReply reply : replies) {
            for (int i = 0; i < reply.ports().size(); i++) {
                if (reply.portAddress(i).number() == address) {
                    return Optional.of(reply.ports().get(i).output());
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<Output> ofPlace(List<PollReply> replies, int port) {
        return replies.stream()
                .sorted(Comparator.comparingInt(PollReply::bindIndex))
                .flatMap(r -> r.ports().stream())
                .skip(port - 1L)
                .findFirst()
                .map(p -> p.output());
    }

    /** What a box said at the last time. */
    Optional<Output> said(Outlet outlet) {
        synchronized (said) {
            return Optional.ofNullable(said.get(outlet));
        }
    }

    /** What happens on a way when a second source begins there now. */
    Meeting meeting(Outlet outlet, long nanos) {
        Optional<BoxSays> box =
                said(outlet).map(o -> new BoxSays(o.dataFlows(), o.latest() ? Merge.LATEST : Merge.HIGHEST));
        return Meeting.of(
                outlet, others.heard(outlet.carrier(), nanos), others.highestPriority(outlet.carrier(), nanos), box);
    }

    @Override
    public void close() {
        endings.forEach(Ending::close);
        endings.clear();
        lease.close();
    }
}
