package taxon.core.lines;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.core.network.BoxPort;
import taxon.core.network.BoxPort.Socket;

/** What cable is plugged into, by name: "XLR5". Boxes have known sockets; what a type calls its own may be another. */
final class Sockets {
    /** What is assumed where nobody has said (ANSI E1.11: XLR of five pins). */
    static final String USUAL = Socket.XLR5.name();

    private static final Map<String, String> WORDS =
            Arrays.stream(Socket.values()).collect(Collectors.toMap(Socket::name, Socket::words));

    private Sockets() {}

    static String of(BoxPort port) {
        return port.socket().name();
    }

    /** The first of those that a type lists. */
    static String first(List<String> sockets) {
        return sockets.isEmpty() ? USUAL : sockets.get(0);
    }

    /** "XLR 5-pin". */
    static String words(String socket) {
        return WORDS.getOrDefault(socket, socket);
    }
}
