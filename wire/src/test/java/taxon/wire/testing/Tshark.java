package taxon.wire.testing;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;

/** An independent reader: tshark's dissectors. A packet is put into a capture file of one UDP frame and read from there. */
public final class Tshark {
    private Tshark() {}

    /** The values of these fields in the packet, in the order asked for; several of one field are joined by commas. */
    public static List<String> fields(byte[] payload, int udpPort, String... names) {
        try {
            Path capture = Files.createTempFile("taxon", ".pcap");
            try {
                Files.write(capture, capture(payload, udpPort));
                return run(capture, names);
            } finally {
                Files.delete(capture);
            }
        } catch (IOException e) {
            throw new AssertionError("tshark is needed: ./taxon test installs it", e);
        }
    }

    private static List<String> run(Path capture, String... names) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                "tshark",
                "-r",
                capture.toString(),
                "--enable-heuristic",
                "acn",
                "-o",
                "acn.dmx_enable:TRUE",
                "-T",
                "fields"));
        for (String name : names) {
            command.addAll(List.of("-e", name));
        }
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return List.of(out.replace("\n", "").split("\t", -1));
    }

    /** A capture file (libpcap, link type Ethernet) with one UDP packet from 127.0.0.2 to 127.0.0.1. */
    private static byte[] capture(byte[] payload, int udpPort) {
        int udp = 8 + payload.length;
        int frame = 14 + 20 + udp;
        return new ByteWriter()
                .u32(0xA1B2C3D4L)
                .u16(2)
                .u16(4)
                .zeros(8)
                .u32(65_535)
                .u32(1)
                .zeros(8)
                .u32(frame)
                .u32(frame)
                .zeros(12)
                .u16(0x0800)
                .u8(0x45)
                .u8(0)
                .u16(20 + udp)
                .zeros(4)
                .u8(64)
                .u8(17)
                .u16(0)
                .u32(0x7F000002)
                .u32(0x7F000001)
                .u16(udpPort)
                .u16(udpPort)
                .u16(udp)
                .u16(0)
                .bytes(Bytes.of(payload))
                .toArray();
    }
}
