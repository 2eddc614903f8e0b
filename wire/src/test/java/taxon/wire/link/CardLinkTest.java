package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.Random;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import taxon.core.network.Ipv4;
import taxon.core.network.SacnUniverse;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.Bytes;
import taxon.wire.link.CardLink.Sharing;
import taxon.wire.sacn.codec.SacnData;
import taxon.wire.sacn.codec.SacnPacket;

/** Alone: a process that is started by a test beside it has its sockets too, until it has closed what it inherited. */
@Isolated
class CardLinkTest {
    private static final Ipv4 LOCAL = Ipv4.of(127, 84, 0, 1);
    private static final Ipv4 OTHER = Ipv4.of(127, 84, 0, 2);
    private static final Ipv4 EVERYONE = Ipv4.of(127, 255, 255, 255);
    private static final SacnUniverse UNIVERSE = new SacnUniverse(8_401);
    private static final SacnUniverse NEIGHBOUR = new SacnUniverse(8_402);
    private static final SendPolicy ANY = SendPolicy.LOOPBACK_ONLY;
    private static final SendPolicy GROUPS = ip -> true;
    private static final int PATIENCE_SECONDS = 20;

    /** Keeps what comes. */
    private static final class Ear implements LinkListener {
        private final BlockingQueue<ArtPacket> artNet = new LinkedBlockingQueue<>();
        private final BlockingQueue<SacnPacket> sacn = new LinkedBlockingQueue<>();

        @Override
        public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
            artNet.add(packet);
        }

        @Override
        public void sacn(SacnPacket packet, InetSocketAddress sender, long nanos) {
            sacn.add(packet);
        }

        ArtPacket nextArtNet() throws InterruptedException {
            return artNet.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        }

        SacnPacket nextSacn() throws InterruptedException {
            return sacn.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
        }
    }

    private static Ear ear(CardLink link) {
        Ear ear = new Ear();
        link.listen(ear);
        return ear;
    }

    private static SacnData levels(SacnUniverse universe, int sequence) {
        return new SacnData(Bytes.of(new byte[16]), "Bench", 100, 0, sequence, 0, universe, 0, Bytes.of(new byte[512]));
    }

    private static void noise(int port, byte[] bytes) throws IOException {
        try (DatagramSocket stranger = new DatagramSocket()) {
            stranger.send(new DatagramPacket(bytes, bytes.length, InetAddress.getByName(LOCAL.toString()), port));
        }
    }

    @Test
    void noiseIsCountedAndDroppedAndTheNextPacketIsHeard() throws Exception {
        byte[] noise = new byte[700];
        new Random(7).nextBytes(noise);
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE)) {
            Ear ear = ear(link);
            for (int port : new int[] {ArtNetCodec.UDP_PORT, SacnData.UDP_PORT}) {
                noise(port, noise);
                noise(port, new byte[0]);
                noise(port, new byte[9_000]);
            }
            noise(SacnData.UDP_PORT, levels(UNIVERSE, 1).encode());
            noise(ArtNetCodec.UDP_PORT, ArtNetCodec.encode(new ArtPacket.Poll()));
            assertThat(ear.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            assertThat(ear.nextSacn()).isEqualTo(levels(UNIVERSE, 1));
            assertThat(link.counts().malformed()).isEqualTo(6);
            assertThat(link.counts().packets()).isEqualTo(8);
        }
    }

    @Test
    void aClosedLinkHasGivenItsPortsBack() throws Exception {
        for (int i = 0; i < 300; i++) {
            CardLink link = CardLink.open(LOCAL, Sharing.ALONE);
            link.send(new ArtPacket.Poll(), LOCAL, ANY);
            link.close();
            assertThat(link.counts().malformed()).isZero();
        }
    }

    @Test
    void nothingLeavesForAnAddressThatThePolicyForbids() throws Exception {
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE)) {
            Ipv4 elsewhere = Ipv4.of(192, 168, 1, 1);
            assertThatThrownBy(() -> link.send(new ArtPacket.Poll(), elsewhere, ANY))
                    .isInstanceOf(SendForbiddenException.class)
                    .hasMessage("output to 192.168.1.1 is not armed");
            assertThatThrownBy(() -> link.send(levels(UNIVERSE, 1), UNIVERSE.multicastGroup(), ANY))
                    .isInstanceOf(SendForbiddenException.class);
        }
    }

    @Test
    void aBoxThatStandsAloneGivesItsPortToNobody() throws Exception {
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE)) {
            assertThatThrownBy(() -> CardLink.open(LOCAL, Sharing.SHARED))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("UDP port 6454 on 127.84.0.1 cannot be had");
            assertThat(link.isCrowded()).isFalse();
        }
    }

    @Test
    void twoProgramsOnOneCardBothHearWhatGoesToEveryoneAndToAGroup() throws Exception {
        try (CardLink first = CardLink.open(LOCAL, Sharing.SHARED);
                CardLink second = CardLink.open(LOCAL, Sharing.SHARED);
                CardLink box = CardLink.open(OTHER, Sharing.ALONE)) {
            Ear one = ear(first);
            Ear two = ear(second);
            first.join(UNIVERSE);
            second.join(UNIVERSE);
            box.send(new ArtPacket.Poll(), EVERYONE, ANY);
            box.send(levels(UNIVERSE, 3), UNIVERSE.multicastGroup(), GROUPS);
            assertThat(one.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            assertThat(two.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            assertThat(one.nextSacn()).isEqualTo(levels(UNIVERSE, 3));
            assertThat(two.nextSacn()).isEqualTo(levels(UNIVERSE, 3));
            assertThat(first.isCrowded()).isFalse();
            assertThat(second.isCrowded()).isTrue();
        }
    }

    @Test
    void whoeverClaimsTheAddressLastHearsWhatIsSentToIt() throws Exception {
        try (CardLink first = CardLink.open(LOCAL, Sharing.SHARED);
                CardLink second = CardLink.open(LOCAL, Sharing.SHARED);
                CardLink box = CardLink.open(OTHER, Sharing.ALONE)) {
            Ear one = ear(first);
            Ear two = ear(second);
            first.claim();
            box.send(new ArtPacket.Poll(), LOCAL, ANY);
            assertThat(one.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            second.claim();
            box.send(new ArtPacket.IpEnquiry(), LOCAL, ANY);
            assertThat(two.nextArtNet()).isEqualTo(new ArtPacket.IpEnquiry());
            assertThat(one.artNet).isEmpty();
        }
    }

    @Test
    void aGroupIsHeardUntilTheLastWhoJoinedItLeaves() throws Exception {
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE);
                CardLink box = CardLink.open(OTHER, Sharing.ALONE)) {
            Ear ear = ear(link);
            CardLink.Ending one = link.join(UNIVERSE);
            CardLink.Ending two = link.join(UNIVERSE);
            link.join(NEIGHBOUR);
            one.close();
            one.close();
            box.send(levels(UNIVERSE, 1), UNIVERSE.multicastGroup(), GROUPS);
            assertThat(ear.nextSacn()).isEqualTo(levels(UNIVERSE, 1));
            two.close();
            box.send(levels(NEIGHBOUR, 1), NEIGHBOUR.multicastGroup(), GROUPS);
            assertThat(ear.nextSacn()).isEqualTo(levels(NEIGHBOUR, 1));
            // What was under way when the group was left may still come.
            int round = 1;
            boolean cameAgain;
            do {
                round++;
                box.send(levels(UNIVERSE, round), UNIVERSE.multicastGroup(), GROUPS);
                box.send(levels(NEIGHBOUR, round), NEIGHBOUR.multicastGroup(), GROUPS);
                cameAgain = false;
                for (SacnPacket heard = ear.nextSacn();
                        !levels(NEIGHBOUR, round).equals(heard);
                        heard = ear.nextSacn()) {
                    assertThat(heard).isEqualTo(levels(UNIVERSE, round));
                    cameAgain = true;
                }
            } while (cameAgain && round < 100);
            assertThat(cameAgain).isFalse();
        }
    }

    @Test
    void aListenerThatFailsIsCountedAndKeepsNothingFromTheOthers() throws Exception {
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE)) {
            link.listen(new LinkListener() {
                @Override
                public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
                    throw new IllegalStateException("cannot deal with it");
                }
            });
            Ear ear = ear(link);
            for (int i = 1; i <= 3; i++) {
                link.send(new ArtPacket.Poll(), LOCAL, ANY);
                assertThat(ear.nextArtNet()).isEqualTo(new ArtPacket.Poll());
                assertThat(link.counts().failures()).isEqualTo(i);
            }
        }
    }

    @Test
    void whoHasEnoughIsToldNoMore() throws Exception {
        try (CardLink link = CardLink.open(LOCAL, Sharing.ALONE)) {
            Ear gone = new Ear();
            CardLink.Ending ending = link.listen(gone);
            Ear ear = ear(link);
            ending.close();
            link.send(new ArtPacket.Poll(), LOCAL, ANY);
            assertThat(ear.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            assertThat(gone.artNet).isEmpty();
        }
    }

    @Test
    void aClosedLinkJoinsAndClaimsNothing() throws Exception {
        CardLink link = CardLink.open(LOCAL, Sharing.SHARED);
        link.close();
        assertThatThrownBy(link::claim).hasMessage("the link of card 127.84.0.1 is closed");
        assertThatThrownBy(() -> link.join(UNIVERSE)).hasMessage("the link of card 127.84.0.1 is closed");
    }

    @Test
    void aCardsLinkIsOneForAllWhoUseItAndIsClosedByTheLast() throws Exception {
        try (CardLinks links = new CardLinks()) {
            CardLinks.Lease one = links.lease(LOCAL);
            CardLinks.Lease two = links.lease(LOCAL);
            assertThat(one.link()).isSameAs(two.link());
            one.close();
            one.close();
            two.link().claim();
            two.close();
            CardLink.open(LOCAL, Sharing.ALONE).close();
        }
    }

    @Test
    void severalCardsHearAsOneAndSpeakByTheNearest() throws Exception {
        Ipv4 far = Ipv4.of(127, 84, 9, 1);
        Ipv4 box = Ipv4.of(127, 84, 9, 2);
        try (CardLinks links = new CardLinks();
                CardLink there = CardLink.open(box, Sharing.ALONE);
                CardLink near = CardLink.open(OTHER, Sharing.ALONE)) {
            CardLinks.Lease lease = links.lease(LOCAL, List.of(far));
            Link both = lease.link();
            assertThat(both.cards()).containsExactly(LOCAL, far);
            Ear ear = new Ear();
            both.listen(ear);
            BlockingQueue<String> senders = new LinkedBlockingQueue<>();
            for (CardLink one : List.of(there, near)) {
                one.listen(new LinkListener() {
                    @Override
                    public void artNet(ArtPacket packet, InetSocketAddress sender, long nanos) {
                        senders.add(one.card() + " hears " + sender.getAddress().getHostAddress());
                    }
                });
            }
            both.send(new ArtPacket.Poll(), box, ANY);
            assertThat(senders.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("127.84.9.2 hears 127.84.9.1");
            both.send(new ArtPacket.Poll(), OTHER, ANY);
            assertThat(senders.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("127.84.0.2 hears 127.84.0.1");
            there.send(new ArtPacket.IpEnquiry(), far, ANY);
            assertThat(ear.nextArtNet()).isEqualTo(new ArtPacket.IpEnquiry());
            there.send(new ArtPacket.Poll(), LOCAL, ANY);
            assertThat(ear.nextArtNet()).isEqualTo(new ArtPacket.Poll());
            assertThat(both.counts().packets()).isEqualTo(2);
            lease.close();
            CardLink.open(far, Sharing.ALONE).close();
            CardLink.open(LOCAL, Sharing.ALONE).close();
        }
    }

    /** A group comes by one wire once, however many addresses this computer has on it. */
    @Test
    void severalCardsOfOneWireHearAGroupOnce() throws Exception {
        try (CardLinks links = new CardLinks();
                CardLink sender = CardLink.open(OTHER, Sharing.ALONE)) {
            CardLinks.Lease lease = links.lease(LOCAL, List.of(Ipv4.of(127, 84, 9, 1)));
            Ear ear = new Ear();
            lease.link().listen(ear);
            lease.link().join(UNIVERSE);
            sender.send(levels(UNIVERSE, 1), UNIVERSE.multicastGroup(), GROUPS);
            sender.send(levels(UNIVERSE, 2), UNIVERSE.multicastGroup(), GROUPS);
            assertThat(ear.nextSacn()).isEqualTo(levels(UNIVERSE, 1));
            assertThat(ear.nextSacn()).isEqualTo(levels(UNIVERSE, 2));
        }
    }

    /** Two boxes near two cards of one wire hear it once; the card is the one that is near to the first of them. */
    @Test
    void aGroupLeavesByTheCardThatIsNearItsBoxes() throws Exception {
        Ipv4 far = Ipv4.of(127, 84, 9, 1);
        try (CardLinks links = new CardLinks();
                CardLink box = CardLink.open(Ipv4.of(127, 84, 9, 2), Sharing.ALONE)) {
            Link both = links.lease(LOCAL, List.of(far)).link();
            BlockingQueue<String> senders = new LinkedBlockingQueue<>();
            box.listen(new LinkListener() {
                @Override
                public void sacn(SacnPacket packet, InetSocketAddress sender, long nanos) {
                    senders.add(sender.getAddress().getHostAddress());
                }
            });
            box.join(UNIVERSE);
            both.send(levels(UNIVERSE, 1), UNIVERSE.multicastGroup(), List.of(box.card(), OTHER), GROUPS);
            both.send(levels(UNIVERSE, 2), UNIVERSE.multicastGroup(), List.of(OTHER), GROUPS);
            both.send(levels(UNIVERSE, 3), UNIVERSE.multicastGroup(), GROUPS);
            for (String card : List.of("127.84.9.1", "127.84.0.1", "127.84.0.1")) {
                assertThat(senders.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo(card);
            }
        }
    }

    @Test
    void whereOneOfSeveralCardsIsNotThereNoneIsHeld() throws Exception {
        try (CardLinks links = new CardLinks()) {
            assertThatThrownBy(() -> links.lease(LOCAL, List.of(Ipv4.of(203, 0, 113, 7))))
                    .isInstanceOf(IOException.class);
            CardLink.open(LOCAL, Sharing.ALONE).close();
        }
    }

    @Test
    void anAddressOfNobodyHereIsRefused() {
        assertThatThrownBy(() -> CardLink.open(Ipv4.of(203, 0, 113, 7), Sharing.SHARED))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("UDP port 6454 on 203.0.113.7 cannot be had");
    }
}
