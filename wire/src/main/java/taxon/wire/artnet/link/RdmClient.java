package taxon.wire.artnet.link;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.DeviceInfo;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.PersonalityDescription;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/** Gets and sets parameters of the devices on one port. For one thread. */
public final class RdmClient {
    /** A prototype's manufacturer ID (ANSI E1.20, from memory). */
    private static final Uid CONTROLLER = new Uid(0x7FF0, 0xFFFF_0001L);

    private static final int WAITS = 5;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(2);

    private final ArtNetController controller;
    private final Ipv4 node;
    private final PortAddress address;
    private int transaction;

    public RdmClient(ArtNetController controller, Ipv4 node, PortAddress address) {
        this.controller = controller;
        this.node = node;
        this.address = address;
    }

    /** A device that did not do what it was asked. */
    public static final class RdmException extends Exception {
        private static final long serialVersionUID = 1L;

        private final boolean refused;

        public RdmException(Uid uid, String what) {
            this(uid, what, false);
        }

        private RdmException(Uid uid, String what, boolean refused) {
            super("unit " + uid + " " + what);
            this.refused = refused;
        }

        /** True when it answered that it does not do this; false when it is not known what it did. */
        public boolean isRefused() {
            return refused;
        }
    }

    public DeviceInfo deviceInfo(Uid uid, int subDevice) throws RdmException, IOException, InterruptedException {
        Bytes data = ask(uid, subDevice, CommandClass.GET, Pid.DEVICE_INFO, Bytes.NONE);
        try {
            return DeviceInfo.decode(data);
        } catch (MalformedPacketException e) {
            throw new RdmException(uid, "gave device info that cannot be read: " + e.getMessage());
        }
    }

    public PersonalityDescription personality(Uid uid, int number)
            throws RdmException, IOException, InterruptedException {
        Bytes data = ask(uid, 0, CommandClass.GET, Pid.DMX_PERSONALITY_DESCRIPTION, Bytes.of(number));
        try {
            return PersonalityDescription.decode(data);
        } catch (MalformedPacketException e) {
            throw new RdmException(uid, "described a personality in a way that cannot be read: " + e.getMessage());
        }
    }

    /** A text parameter, at most 32 bytes by the standard; longer ones are given as they came. */
    public String text(Uid uid, int pid) throws RdmException, IOException, InterruptedException {
        return new String(ask(uid, 0, CommandClass.GET, pid, Bytes.NONE).toArray(), StandardCharsets.UTF_8);
    }

    /**
     * A text that a device need not have (ANSI E1.20, table A-3, from memory: labels are no required parameters).
     *
     * @return empty when it refuses
     */
    public Optional<String> textIfAny(Uid uid, int pid) throws RdmException, IOException, InterruptedException {
        try {
            return Optional.of(text(uid, pid));
        } catch (RdmException e) {
            if (e.isRefused()) {
                return Optional.empty();
            }
            throw e;
        }
    }

    /** What a personality is called; empty when the device refuses to say. */
    public Optional<String> personalityName(Uid uid, int number)
            throws RdmException, IOException, InterruptedException {
        try {
            return Optional.of(personality(uid, number).name());
        } catch (RdmException e) {
            if (e.isRefused()) {
                return Optional.empty();
            }
            throw e;
        }
    }

    /** @param slot 1 to 512 */
    public void setStartAddress(Uid uid, int subDevice, int slot)
            throws RdmException, IOException, InterruptedException {
        ask(uid, subDevice, CommandClass.SET, Pid.DMX_START_ADDRESS, Bytes.of(slot >> 8, slot & 0xFF));
    }

    private Bytes ask(Uid uid, int subDevice, CommandClass commandClass, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        for (int i = 0; i < WAITS; i++) {
            RdmMessage request =
                    RdmMessage.request(uid, CONTROLLER, nextTransaction(), subDevice, commandClass, pid, data);
            Optional<RdmMessage> answer = controller.rdm(node, address, request);
            if (answer.isEmpty()) {
                throw new RdmException(uid, "did not answer");
            }
            if (answer.get().portOrResponse() != RdmMessage.ACK_TIMER) {
                return accepted(uid, answer.get());
            }
            waitAsTold(answer.get());
        }
        throw new RdmException(uid, "asked for more time " + WAITS + " times");
    }

    private static Bytes accepted(Uid uid, RdmMessage answer) throws RdmException {
        return switch (answer.portOrResponse()) {
            case RdmMessage.ACK -> answer.data();
            case RdmMessage.NACK -> throw new RdmException(uid, "refused: " + NackReason.words(reason(answer)), true);
            default -> throw new RdmException(uid, "gave response type " + answer.portOrResponse());
        };
    }

    private static int reason(RdmMessage answer) {
        byte[] data = answer.data().toArray();
        return data.length == 2 ? ((data[0] & 0xFF) << 8) | (data[1] & 0xFF) : -1;
    }

    /** An acknowledge timer carries the time in tenths of a second (ANSI E1.20, 6.3.2, from memory). */
    private static void waitAsTold(RdmMessage answer) throws InterruptedException {
        long millis = Math.max(0, reason(answer)) * 100L;
        Thread.sleep(Math.min(millis, LONGEST_WAIT.toMillis()));
    }

    private int nextTransaction() {
        transaction = (transaction + 1) & 0xFF;
        return transaction;
    }
}
