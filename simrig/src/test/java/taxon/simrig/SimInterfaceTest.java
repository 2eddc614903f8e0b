package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.direct.DirectCodec;
import taxon.wire.direct.DirectFrame;
import taxon.wire.direct.DirectLink;

/** The stand-in of an interface on USB, over its socket, and rude answers. */
class SimInterfaceTest {
    private static final Duration PATIENCE = Duration.ofSeconds(20);

    private SimInterface plugged;

    @BeforeEach
    void plugIn() throws IOException {
        plugged = SimInterface.start("House interface", 2);
    }

    @AfterEach
    void pullOut() throws IOException {
        plugged.close();
    }

    static Stream<DirectFrame> frames() {
        return Stream.of(
                new DirectFrame.Who(),
                new DirectFrame.IAm("Ænterfæce", 64),
                new DirectFrame.Levels(2, Bytes.of(255, 0, 1)),
                new DirectFrame.Levels(64, Bytes.of(new byte[512])));
    }

    @ParameterizedTest
    @MethodSource("frames")
    void aFrameIsReadAsItWasWritten(DirectFrame frame) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        DirectCodec.write(frame, out);
        assertThat(DirectCodec.read(new DataInputStream(new ByteArrayInputStream(out.toByteArray()))))
                .isEqualTo(frame);
    }

    @Test
    void itSaysWhatItIsAndTakesLevels() throws Exception {
        try (DirectLink link = DirectLink.open(plugged.port(), PATIENCE)) {
            assertThat(link.who()).isEqualTo(new DirectFrame.IAm("House interface", 2));
            link.send(2, Bytes.of(10, 20));
            link.send(3, Bytes.of(99));
            // An answer comes after what was sent before the question.
            link.who();
            assertThat(plugged.levels(2)).contains(Bytes.of(10, 20));
            assertThat(plugged.levels(1)).isEmpty();
            assertThat(plugged.levels(3)).as("an output that it has not").isEqualTo(Optional.empty());
        }
    }

    @Test
    void whatIsPulledOutIsToldAsAFault() throws Exception {
        int port = plugged.port();
        DirectLink link = DirectLink.open(port, PATIENCE);
        link.who();
        plugged.close();
        assertThatThrownBy(link::who).isInstanceOf(IOException.class);
        assertThatThrownBy(() -> askAnew(port)).isInstanceOf(IOException.class);
    }

    /** By asking, since the system may have given the port to somebody else. */
    private static void askAnew(int port) throws IOException {
        try (DirectLink anew = DirectLink.open(port, PATIENCE)) {
            anew.who();
        }
    }

    /** Random bytes of every beginning: a frame, or a sentence; never more memory than a frame has. */
    @Test
    void whatIsNoFrameIsRefused() throws Exception {
        Random random = new Random(7);
        for (int i = 0; i < 5_000; i++) {
            byte[] bytes = new byte[random.nextInt(40)];
            random.nextBytes(bytes);
            if (bytes.length > 4 && random.nextBoolean()) {
                bytes[0] = 0x74;
                bytes[1] = 0x58;
                bytes[2] = (byte) random.nextInt(5);
            }
            try {
                assertThat(DirectCodec.read(new DataInputStream(new ByteArrayInputStream(bytes))))
                        .isNotNull();
            } catch (MalformedPacketException | EOFException refused) {
                assertThat(refused).isNotInstanceOf(RuntimeException.class);
            }
        }
        try (Socket rude = new Socket(InetAddress.getLoopbackAddress(), plugged.port())) {
            rude.getOutputStream().write("GET / HTTP/1.1\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
            assertThat(rude.getInputStream().read()).as("it hangs up").isEqualTo(-1);
        }
        try (DirectLink link = DirectLink.open(plugged.port(), PATIENCE)) {
            assertThat(link.who().outputs()).isEqualTo(2);
        }
    }
}
