package taxon.wire.rdm.codec;

import java.util.Arrays;
import java.util.Locale;

/** Why a device refuses (ANSI E1.20, table A-17, from memory). */
public enum NackReason {
    UNKNOWN_PID(0),
    FORMAT_ERROR(1),
    HARDWARE_FAULT(2),
    PROXY_REJECT(3),
    WRITE_PROTECT(4),
    UNSUPPORTED_COMMAND_CLASS(5),
    DATA_OUT_OF_RANGE(6),
    BUFFER_FULL(7),
    PACKET_SIZE_UNSUPPORTED(8),
    SUB_DEVICE_OUT_OF_RANGE(9);

    private final int code;

    NackReason(int code) {
        this.code = code;
    }

    public int code() {
        return code;
    }

    /** The reason in words, "reason 42" where the code is not known. */
    public static String words(int code) {
        return Arrays.stream(values())
                .filter(r -> r.code == code)
                .findFirst()
                .map(r -> r.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .orElse("reason " + code);
    }
}
