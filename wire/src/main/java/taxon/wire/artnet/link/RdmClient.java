package taxon.wire.artnet.link;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.wire.bytes.ByteReader;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.DeviceInfo;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.PersonalityDescription;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.StatusMessage;
import taxon.wire.rdm.codec.Uid;

/** Gets and sets parameters of the devices on one port. For one thread. */
public final class RdmClient {
    /** A prototype's manufacturer ID (ANSI E1.20, from memory). */
    private static final Uid CONTROLLER = new Uid(0x7FF0, 0xFFFF_0001L);

    /** How often one question is asked in all while its device takes its time. */
    private static final int WAITS = 12;

    private static final Duration LONGEST_WAIT = Duration.ofSeconds(10);
    /** As much as a supported list or a table of proxied devices can be. */
    private static final int MOST_PIECES = 64;

    private static final int MOST_PROXIED = 200;
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private final ArtNetController controller;
    private final Ipv4 node;
    private final PortAddress address;
    private final Duration patience;
    private long began = System.nanoTime();
    private int transaction;

    /** One that gives a unit half a minute for all that it is asked. */
    public RdmClient(ArtNetController controller, Ipv4 node, PortAddress address) {
        this(controller, node, address, PATIENCE);
    }

    /** @param patience how long all questions to one unit may take together, from {@link #begin} on */
    public RdmClient(ArtNetController controller, Ipv4 node, PortAddress address, Duration patience) {
        this.controller = controller;
        this.node = node;
        this.address = address;
        this.patience = patience;
    }

    /** Begins with another unit: its time begins now. */
    public void begin() {
        began = System.nanoTime();
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

    /** A parameter that a device need not have; empty when it refuses. */
    public Optional<Bytes> getIfAny(Uid uid, int subDevice, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        try {
            return Optional.of(ask(uid, subDevice, CommandClass.GET, pid, data));
        } catch (RdmException e) {
            if (e.isRefused()) {
                return Optional.empty();
            }
            throw e;
        }
    }

    /** The parameters that a device says it has beyond the required ones; none when it does not say. */
    public Set<Integer> supported(Uid uid) throws RdmException, IOException, InterruptedException {
        Set<Integer> supported = new TreeSet<>();
        Bytes said = getIfAny(uid, 0, Pid.SUPPORTED_PARAMETERS, Bytes.NONE).orElse(Bytes.NONE);
        byte[] bytes = said.toArray();
        for (int i = 0; i + 1 < bytes.length; i += 2) {
            supported.add((bytes[i] & 0xFF) << 8 | bytes[i + 1] & 0xFF);
        }
        return supported;
    }

    /** The devices that a proxy stands for; none when it is no proxy. */
    public List<Uid> proxied(Uid uid) throws RdmException, IOException, InterruptedException {
        Bytes said = getIfAny(uid, 0, Pid.PROXIED_DEVICES, Bytes.NONE).orElse(Bytes.NONE);
        ByteReader in = said.reader();
        List<Uid> uids = new ArrayList<>();
        try {
            while (in.remaining() >= Uid.LENGTH && uids.size() < MOST_PROXIED) {
                uids.add(Uid.read(in));
            }
        } catch (MalformedPacketException e) {
            throw new RdmException(uid, "gave a list of devices that cannot be read: " + e.getMessage());
        }
        return List.copyOf(uids);
    }

    /** @param slot 1 to 512 */
    public void setStartAddress(Uid uid, int subDevice, int slot)
            throws RdmException, IOException, InterruptedException {
        set(uid, subDevice, Pid.DMX_START_ADDRESS, Bytes.of(slot >> 8, slot & 0xFF));
    }

    /** Sets a parameter. What became of it is to be read: a device may take a value and have another. */
    public void set(Uid uid, int subDevice, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        ask(uid, subDevice, CommandClass.SET, pid, data);
    }

    /**
     * One question to its end: pieces of a long answer are joined (ACK_OVERFLOW), and one that takes its time is waited for
     * (ACK_TIMER) and then taken from the queue of the device, or asked again where it has no queue (ANSI E1.20, 6.3, from memory).
     */
    private Bytes ask(Uid uid, int subDevice, CommandClass commandClass, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        ByteWriter joined = new ByteWriter();
        for (int pieces = 0; pieces < MOST_PIECES; pieces++) {
            RdmMessage answer = settled(uid, subDevice, commandClass, pid, data);
            joined.bytes(accepted(uid, answer));
            if (answer.portOrResponse() != RdmMessage.ACK_OVERFLOW) {
                return Bytes.of(joined.toArray());
            }
        }
        throw new RdmException(uid, "gave an answer of more than " + MOST_PIECES + " pieces");
    }

    /** The answer once the device has taken its time. */
    private RdmMessage settled(Uid uid, int subDevice, CommandClass commandClass, int pid, Bytes data)
            throws RdmException, IOException, InterruptedException {
        boolean queued = false;
        for (int i = 0; i < WAITS; i++) {
            RdmMessage request = queued
                    ? request(uid, 0, CommandClass.GET, Pid.QUEUED_MESSAGE, Bytes.of(StatusMessage.ERROR))
                    : request(uid, subDevice, commandClass, pid, data);
            RdmMessage answer = answer(uid, request);
            if (answer.portOrResponse() == RdmMessage.ACK_TIMER) {
                waitAsTold(uid, answer);
                queued = true;
            } else if (!queued || isFor(answer, subDevice, commandClass, pid)) {
                return answer;
            } else {
                // A device without a queue, or whose queue is empty, is asked once more; what came of another question
                // is let go.
                queued = answer.pid() != Pid.QUEUED_MESSAGE && answer.pid() != Pid.STATUS_MESSAGES;
            }
        }
        throw new RdmException(uid, "asked for more time " + WAITS + " times");
    }

    private static boolean isFor(RdmMessage answer, int subDevice, CommandClass commandClass, int pid) {
        return answer.pid() == pid
                && answer.subDevice() == subDevice
                && answer.commandClass() == commandClass.response();
    }

    private RdmMessage request(Uid uid, int subDevice, CommandClass commandClass, int pid, Bytes data) {
        return RdmMessage.request(uid, CONTROLLER, nextTransaction(), subDevice, commandClass, pid, data);
    }

    private RdmMessage answer(Uid uid, RdmMessage request) throws RdmException, IOException, InterruptedException {
        if (System.nanoTime() - began > patience.toNanos()) {
            throw new RdmException(uid, "took more than " + patience.toSeconds() + " s for all that it was asked");
        }
        boolean fromQueue = request.pid() == Pid.QUEUED_MESSAGE;
        return controller
                .rdm(node, address, request, m -> fromQueue ? m.comesFromTheQueue(request) : m.answers(request))
                .orElseThrow(() -> new RdmException(uid, "did not answer"));
    }

    private static Bytes accepted(Uid uid, RdmMessage answer) throws RdmException {
        return switch (answer.portOrResponse()) {
            case RdmMessage.ACK, RdmMessage.ACK_OVERFLOW -> answer.data();
            case RdmMessage.NACK -> throw new RdmException(uid, "refused: " + NackReason.words(reason(answer)), true);
            default -> throw new RdmException(uid, "gave response type " + answer.portOrResponse());
        };
    }

    private static int reason(RdmMessage answer) {
        byte[] data = answer.data().toArray();
        return data.length == 2 ? ((data[0] & 0xFF) << 8) | (data[1] & 0xFF) : -1;
    }

    /** An acknowledge timer carries the time in tenths of a second (ANSI E1.20, 6.3.2, from memory). */
    private void waitAsTold(Uid uid, RdmMessage answer) throws InterruptedException, RdmException {
        long millis = Math.max(0, reason(answer)) * 100L;
        if (millis > LONGEST_WAIT.toMillis()) {
            throw new RdmException(uid, "wants " + millis / 1000 + " s for one answer");
        }
        Thread.sleep(millis);
    }

    private int nextTransaction() {
        transaction = (transaction + 1) & 0xFF;
        return transaction;
    }
}
