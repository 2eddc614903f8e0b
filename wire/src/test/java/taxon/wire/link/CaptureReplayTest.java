package taxon.wire.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import taxon.core.network.PortAddress;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.reception.Heard;
import taxon.core.reception.UniverseReception.Overview;
import taxon.core.reception.Watch;
import taxon.wire.artnet.codec.ArtNetCodec;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.bytes.Bytes;
import taxon.wire.sacn.codec.SacnCodec;
import taxon.wire.sacn.codec.SacnData;

/** A capture that Wireshark's own tools wrote and read again, replayed at the receiver with the times of the capture. */
class CaptureReplayTest {
    private static final SacnUniverse UNIVERSE = new SacnUniverse(7);
    private static final PortAddress PORT = new PortAddress(16);
    private static final double SECOND = 1e9;

    @TempDir
    Path folder;

    private Path capture(int port, List<byte[]> packets) throws Exception {
        StringBuilder dump = new StringBuilder();
        for (int i = 0; i < packets.size(); i++) {
            dump.append(String.format(Locale.ROOT, "12:00:%09.6f%n000000 ", i * 0.025));
            dump.append(HexFormat.ofDelimiter(" ").formatHex(packets.get(i))).append('\n');
        }
        Path text = Files.writeString(folder.resolve(port + ".txt"), dump.toString());
        Path pcap = folder.resolve(port + ".pcap");
        String ports = port + "," + port;
        run(
                "text2pcap",
                "-q",
                "-t",
                "%H:%M:%S.%f",
                "-4",
                "127.0.0.2,127.0.0.1",
                "-u",
                ports,
                text.toString(),
                pcap.toString());
        return pcap;
    }

    private static String run(String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(1, TimeUnit.MINUTES)).isTrue();
        assertThat(process.exitValue()).as(String.join(" ", command)).isZero();
        return out;
    }

    /** A packet as it was read out of a capture. */
    private record Frame(long nanos, byte[] payload, InetSocketAddress sender) {
        static Frame read(String line) {
            String[] fields = line.split("\t", -1);
            try {
                InetAddress from = InetAddress.getByName(fields[1]);
                return new Frame(
                        (long) (Double.parseDouble(fields[0]) * SECOND),
                        HexFormat.of().parseHex(fields[2].replace(":", "")),
                        new InetSocketAddress(from, 1));
            } catch (IOException e) {
                throw new AssertionError(e);
            }
        }
    }

    private static List<Frame> frames(Path pcap) throws Exception {
        String out = run(
                "tshark",
                "-r",
                pcap.toString(),
                "-T",
                "fields",
                "-e",
                "frame.time_relative",
                "-e",
                "ip.src",
                "-e",
                "udp.payload");
        return out.lines().map(Frame::read).toList();
    }

    private static byte[] sacn(int sequence) {
        byte[] levels = new byte[512];
        levels[3] = (byte) sequence;
        return new SacnData(Bytes.of(new byte[16]), "Captured desk", 110, 0, sequence, 0, UNIVERSE, 0, Bytes.of(levels))
                .encode();
    }

    @Test
    void aCaptureOfStreamingAcnSaysWhatTheReceiverSays() throws Exception {
        List<byte[]> packets = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            if (i == 60) {
                packets.add(sacn(58));
            } else if (i != 90) {
                packets.add(sacn(i));
            }
        }
        Watch watch = new Watch();
        LevelEar ear = new LevelEar(watch);
        List<Frame> frames = frames(capture(SacnData.UDP_PORT, packets));
        assertThat(frames).hasSize(119);
        for (Frame frame : frames) {
            ear.sacn(SacnCodec.decode(frame.payload()), frame.sender(), frame.nanos());
        }
        long end = frames.get(frames.size() - 1).nanos();
        Heard heard = only(watch, end);
        assertThat(heard.sender().name()).isEqualTo("Captured desk");
        assertThat(heard.priority()).isEqualTo(110);
        assertThat(heard.rate()).isCloseTo(40, within(0.5));
        // One came late; the one whose place it took, and the one that was left out, never came.
        assertThat(heard.late()).isEqualTo(1);
        assertThat(heard.lost()).isEqualTo(2);
        assertThat(watch.state(Carrier.of(UNIVERSE), end).orElseThrow().levels().get(3))
                .isEqualTo(119);
    }

    @Test
    void aCaptureOfArtNetSaysWhatTheReceiverSays() throws Exception {
        List<byte[]> packets = new ArrayList<>();
        for (int i = 1; i <= 80; i++) {
            packets.add(ArtNetCodec.encode(new ArtPacket.Dmx(i, 0, PORT, Bytes.of(i, 0))));
        }
        Watch watch = new Watch();
        LevelEar ear = new LevelEar(watch);
        List<Frame> frames = frames(capture(ArtNetCodec.UDP_PORT, packets));
        for (Frame frame : frames) {
            ear.artNet(ArtNetCodec.decode(frame.payload()), frame.sender(), frame.nanos());
        }
        Heard heard = only(watch, frames.get(79).nanos());
        assertThat(heard.sender().id()).isEqualTo("127.0.0.2");
        assertThat(heard.packets()).isEqualTo(80);
        assertThat(heard.lost()).isZero();
    }

    private static Heard only(Watch watch, long nanos) {
        List<Overview> all = watch.overview(nanos);
        assertThat(all).hasSize(1);
        assertThat(all.get(0).heard()).hasSize(1);
        return all.get(0).heard().get(0);
    }
}
