package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.simrig.SimulatedRig.NodeSpec;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.link.RollCall;
import taxon.wire.artnet.link.RollCall.Device;
import taxon.wire.link.CardLink;
import taxon.wire.link.SendForbiddenException;
import taxon.wire.link.SendPolicy;

/** Boxes that answer as they may: late, in several pages, uncounted, too many (Art-Net 4, "ArtPoll", from memory). */
class RollCallTest {
    private static final Ipv4 CARD = Ipv4.of(127, 80, 0, 1);
    private static final Ipv4 NODE = Ipv4.of(127, 80, 0, 2);
    private static final Ipv4 FLOOD = Ipv4.of(127, 80, 0, 3);
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final int SIX = 6;

    private CardLink card;
    private RollCall call;
    private Optional<SimulatedRig> rig = Optional.empty();

    @BeforeEach
    void start() throws IOException {
        card = CardLink.open(CARD, CardLink.Sharing.SHARED);
        call = RollCall.over(card, SendPolicy.LOOPBACK_ONLY);
    }

    @AfterEach
    void stop() {
        call.close();
        card.close();
        rig.ifPresent(SimulatedRig::close);
    }

    /** A node of six ports, which takes two pages to describe. */
    private SimNode node(SimFault... faults) throws IOException {
        List<SimPort> ports = new ArrayList<>();
        for (int i = 1; i <= SIX; i++) {
            ports.add(new SimPort(new PortAddress(i), List.of()));
        }
        rig = Optional.of(SimulatedRig.start(List.of(new NodeSpec(NODE, "Node", ports))));
        SimNode node = rig.get().nodes().get(0);
        node.suffer(List.of(faults));
        return node;
    }

    private List<Integer> universes() {
        List<Integer> universes = new ArrayList<>();
        for (PollReply page :
                call.at(NODE).stream().flatMap(d -> d.pages().stream()).toList()) {
            for (int i = 0; i < page.ports().size(); i++) {
                universes.add(page.portAddress(i).number());
            }
        }
        return universes;
    }

    private void hear(int ports) throws Exception {
        call.round();
        call.poll(NODE);
        call.hear(PATIENCE, () -> universes().size() >= ports);
    }

    @Test
    void theBoxIsHeardThatWaitsForASecondBeforeItAnswers() throws Exception {
        node(new SimFault.Slow(1_000));
        hear(SIX);
        assertThat(universes()).containsExactly(1, 2, 3, 4, 5, 6);
    }

    /** Pages that have no number are told apart by what is on them, and do not stay when they say something else. */
    @Test
    void pagesThatAreNotCountedAreKeptBesideEachOther() throws Exception {
        SimNode node = node(new SimFault.Uncounted());
        hear(SIX);
        assertThat(universes()).containsExactly(1, 2, 3, 4, 5, 6);
        assertThat(call.at(NODE)).hasSize(1);
        node.suffer(List.of(new SimFault.Uncounted(), new SimFault.OtherUniverse(6, new PortAddress(9))));
        call.round();
        call.poll(NODE);
        call.hear(PATIENCE, () -> universes().contains(9) && universes().size() == SIX);
        assertThat(universes()).containsExactly(1, 2, 3, 4, 5, 9);
    }

    @Test
    void aBoxThatIsAskedTwiceIsOneBox() throws Exception {
        node();
        hear(SIX);
        hear(SIX);
        assertThat(call.devices()).extracting(Device::answering).containsExactly(NODE);
        assertThat(universes()).hasSize(SIX);
    }

    /** Somebody invents boxes: what is kept has an end, and what is beyond it is counted. */
    @Test
    void moreBoxesThanAnyRigHasAreCountedAndNotKept() throws Exception {
        int invented = 1_500;
        try (CardLink liar = CardLink.open(FLOOD, CardLink.Sharing.ALONE)) {
            for (int i = 1; i <= invented; i++) {
                PollReply reply =
                        new PollReply(FLOOD, "Box " + i, "", "", 1, 0, 0, i, 1, Optional.empty(), false, List.of());
                liar.send(reply, CARD, SendPolicy.LOOPBACK_ONLY);
                if (i % 50 == 0) {
                    call.hear(Duration.ofMillis(20), () -> false);
                }
            }
            call.hear(PATIENCE, () -> call.devices().size() + call.left() >= invented - 100);
        }
        assertThat(call.devices()).hasSize(1_000);
        assertThat(call.left()).isPositive();
    }

    @Test
    void nothingIsSentThatMayNotBeSent() {
        assertThat(catchThrowable(() -> call.poll(Ipv4.of(192, 0, 2, 1)))).isInstanceOf(SendForbiddenException.class);
    }
}
