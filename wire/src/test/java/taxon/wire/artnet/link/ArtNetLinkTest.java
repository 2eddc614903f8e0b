package taxon.wire.artnet.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.Random;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;

class ArtNetLinkTest {
    private static final Ipv4 LOCAL = Ipv4.of(127, 84, 0, 1);

    @Test
    void noiseIsCountedAndDroppedAndTheNextPacketIsHeard() throws Exception {
        BlockingQueue<ArtPacket> heard = new LinkedBlockingQueue<>();
        byte[] noise = new byte[700];
        new Random(7).nextBytes(noise);
        try (ArtNetLink link = ArtNetLink.open(LOCAL, SendPolicy.LOOPBACK_ONLY, (packet, sender) -> heard.add(packet));
                DatagramSocket stranger = new DatagramSocket()) {
            send(stranger, noise);
            send(stranger, new byte[0]);
            send(stranger, ArtNetCodec.encode(new ArtPacket.Poll()));
            assertThat(heard.poll(5, TimeUnit.SECONDS)).isEqualTo(new ArtPacket.Poll());
            assertThat(link.malformed()).isEqualTo(2);
        }
    }

    @Test
    void aClosedLinkHasGivenItsPortBack() throws Exception {
        for (int i = 0; i < 300; i++) {
            ArtNetLink link = ArtNetLink.open(LOCAL, SendPolicy.LOOPBACK_ONLY, (packet, sender) -> {});
            link.send(new ArtPacket.Poll(), LOCAL);
            link.close();
            assertThat(link.malformed()).isZero();
        }
    }

    @Test
    void nothingLeavesForAnAddressThatThePolicyForbids() throws Exception {
        try (ArtNetLink link = ArtNetLink.open(LOCAL, SendPolicy.LOOPBACK_ONLY, (packet, sender) -> {})) {
            assertThatThrownBy(() -> link.send(new ArtPacket.Poll(), Ipv4.of(192, 168, 1, 1)))
                    .isInstanceOf(SendForbiddenException.class)
                    .hasMessage("output to 192.168.1.1 is not armed");
        }
    }

    private static void send(DatagramSocket stranger, byte[] bytes) throws Exception {
        InetAddress local = InetAddress.getByName(LOCAL.toString());
        stranger.send(new DatagramPacket(bytes, bytes.length, local, ArtNetCodec.UDP_PORT));
    }
}
