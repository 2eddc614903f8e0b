package taxon.wire.artnet.codec;

import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxPort.WhenLost;

/**
 * What a node is told to do besides taking names and numbers (the command of ArtAddress, from memory).
 *
 * @param code 0 to 255
 */
public record ProgramCommand(int code) {
    /** Nothing besides. */
    public static final ProgramCommand NOTHING = new ProgramCommand(0);

    /** In the order in which the protocol counts them, in commands and in status 3 of a reply. */
    static final List<WhenLost> FAILSAFES = List.of(WhenLost.HOLD, WhenLost.ZERO, WhenLost.FULL, WhenLost.SCENE);

    private static final int FAIL_HOLD = 0x08;
    private static final int MERGE_LATEST = 0x10;
    private static final int BE_OUTPUT = 0x20;
    private static final int BE_INPUT = 0x30;
    private static final int MERGE_HIGHEST = 0x50;
    private static final int TAKE_ART_NET = 0x60;
    private static final int TAKE_SACN = 0x70;
    private static final int RDM_ON = 0xC0;
    private static final int RDM_OFF = 0xD0;
    private static final int PORTS = 4;

    public ProgramCommand {
        if (code < 0 || code > 0xFF) {
            throw new IllegalArgumentException("the command " + code + " is outside 0 to 255");
        }
    }

    /** What to do when data stops. */
    public static ProgramCommand whenLost(WhenLost wanted) {
        return new ProgramCommand(FAIL_HOLD + FAILSAFES.indexOf(wanted));
    }

    /** What it says to do when data stops; empty where it is another command. */
    public Optional<WhenLost> failsafe() {
        int index = code - FAIL_HOLD;
        return index >= 0 && index < FAILSAFES.size() ? Optional.of(FAILSAFES.get(index)) : Optional.empty();
    }

    /** @param port on its page, 1 to 4 */
    public static ProgramCommand merge(int port, boolean latest) {
        return of(latest ? MERGE_LATEST : MERGE_HIGHEST, port);
    }

    /** @param port on its page, 1 to 4 */
    public static ProgramCommand turn(int port, boolean output) {
        return of(output ? BE_OUTPUT : BE_INPUT, port);
    }

    /** @param port on its page, 1 to 4 */
    public static ProgramCommand take(int port, boolean sacn) {
        return of(sacn ? TAKE_SACN : TAKE_ART_NET, port);
    }

    /** @param port on its page, 1 to 4 */
    public static ProgramCommand rdm(int port, boolean on) {
        return of(on ? RDM_ON : RDM_OFF, port);
    }

    private static ProgramCommand of(int base, int port) {
        if (port < 1 || port > PORTS) {
            throw new IllegalArgumentException("port " + port + " of a page; it has 1 to 4");
        }
        return new ProgramCommand(base + port - 1);
    }
}
