package taxon.simrig;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.Slot;
import taxon.core.seen.ChannelReading;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.DeviceInfo;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.PersonalityDescription;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.Uid;

/**
 * A simulated unit with an RDM responder. A block beyond the first is a sub-device with a start address of its own.
 *
 * <p>Safe for several threads.
 */
public final class SimUnit {
    private static final int CATEGORY_FIXTURE = 0x0100;
    private static final long ALL_DEVICES = 0xFFFF_FFFFL;
    private static final int ALL_MAKERS = 0xFFFF;
    private static final int LONGEST_LABEL = 32;

    private final Uid uid;
    private final String maker;
    private final String model;
    private final List<SimPersonality> personalities;
    private final boolean silent;
    private String label;
    private int personality;
    private final List<Integer> starts;
    private boolean identifying;
    private String hangs = "";
    private Set<Integer> refused = Set.of();
    private boolean muteAfterSetting;

    /**
     * A unit as it comes out of the truck.
     *
     * @param personality the current one, from 1
     * @param starts start slots of the unit and its sub-devices; those that are missing begin at 1
     * @param silent true for one that is in the table of devices and answers nothing
     */
    public SimUnit(
            Uid uid,
            String maker,
            String model,
            String label,
            List<SimPersonality> personalities,
            int personality,
            List<Integer> starts,
            boolean silent) {
        this.uid = uid;
        this.maker = maker;
        this.model = model;
        this.label = label;
        this.personalities = List.copyOf(personalities);
        this.personality = personality;
        this.silent = silent;
        this.starts = new ArrayList<>(starts);
        int most = personalities.stream()
                .mapToInt(p -> p.footprints().size())
                .max()
                .orElseThrow();
        while (this.starts.size() < most) {
            this.starts.add(Slot.FIRST);
        }
    }

    /** One that knows none of these parameters, as many units know no label. */
    public synchronized SimUnit refusing(Integer... pids) {
        refused = Set.of(pids);
        return this;
    }

    /** One that does what it is told, and whose answer to that is lost on the way. */
    public synchronized SimUnit losingAnswersToSetting() {
        muteAfterSetting = true;
        return this;
    }

    /** One on which something is written for those who look at it, whatever it says of itself. */
    public synchronized SimUnit hanging(String written) {
        hangs = written;
        return this;
    }

    /**
     * What it does by the levels of its line: it listens where it is set to and in the mode that it is in.
     *
     * @param levels 512 of them
     */
    public synchronized SimShown shown(List<Integer> levels) {
        List<ChannelReading> readings = new ArrayList<>();
        for (int i = 0; i < current().blocks().size(); i++) {
            int start = starts.get(i);
            readings.addAll(ChannelReading.of(
                    current().blocks().get(i), o -> start + o - 2 < levels.size() ? levels.get(start + o - 2) : 0));
        }
        return new SimShown(uid, hangs, starts.get(0), current().name(), readings, identifying);
    }

    public Uid uid() {
        return uid;
    }

    /** Where the unit (0) or a sub-device listens now. */
    public synchronized int startAddress(int subDevice) {
        return starts.get(subDevice);
    }

    /** What the unit answers; empty when the message is not for it, or it is silent. */
    public synchronized Optional<RdmMessage> answer(RdmMessage request) {
        if (silent || !isMeant(request.destination())) {
            return Optional.empty();
        }
        if (!request.destination().equals(uid)) {
            // What goes to many is done, and nobody answers, since all would at once (ANSI E1.20, 6.2.3, from memory).
            boolean isThere = request.subDevice() <= current().subDevices();
            if (request.commandClass() == CommandClass.SET && isThere && !refused.contains(request.pid())) {
                set(request);
            }
            return Optional.empty();
        }
        if (request.subDevice() > current().subDevices()) {
            return Optional.of(request.refuse(NackReason.SUB_DEVICE_OUT_OF_RANGE));
        }
        if (refused.contains(request.pid())) {
            return Optional.of(request.refuse(NackReason.UNKNOWN_PID));
        }
        return switch (request.commandClass()) {
            case GET -> Optional.of(get(request));
            case SET -> Optional.of(set(request)).filter(answer -> !muteAfterSetting);
            default -> Optional.empty();
        };
    }

    /** To this unit, to all of its maker, or to all. */
    private boolean isMeant(Uid destination) {
        boolean toMany = destination.device() == ALL_DEVICES
                && (destination.manufacturer() == ALL_MAKERS || destination.manufacturer() == uid.manufacturer());
        return toMany || destination.equals(uid);
    }

    private RdmMessage get(RdmMessage request) {
        // Only a description is asked for with data: which of them (ANSI E1.20, 10.6.2, from memory).
        if (request.pid() != Pid.DMX_PERSONALITY_DESCRIPTION && request.data().toArray().length > 0) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        return switch (request.pid()) {
            case Pid.DEVICE_INFO ->
                request.answer(RdmMessage.ACK, deviceInfo(request.subDevice()).encode());
            case Pid.DEVICE_MODEL_DESCRIPTION -> text(request, model);
            case Pid.MANUFACTURER_LABEL -> text(request, maker);
            case Pid.DEVICE_LABEL -> text(request, label);
            case Pid.SOFTWARE_VERSION_LABEL -> text(request, "simulated 1");
            case Pid.DMX_PERSONALITY -> request.answer(RdmMessage.ACK, Bytes.of(personality, personalities.size()));
            case Pid.DMX_PERSONALITY_DESCRIPTION -> describe(request);
            case Pid.DMX_START_ADDRESS -> {
                int start = starts.get(request.subDevice());
                yield request.answer(RdmMessage.ACK, Bytes.of(start >> 8, start & 0xFF));
            }
            case Pid.IDENTIFY_DEVICE -> request.answer(RdmMessage.ACK, Bytes.of(identifying ? 1 : 0));
            case Pid.SUPPORTED_PARAMETERS -> request.answer(RdmMessage.ACK, supported());
            default -> request.refuse(NackReason.UNKNOWN_PID);
        };
    }

    private RdmMessage set(RdmMessage request) {
        byte[] data = request.data().toArray();
        return switch (request.pid()) {
            case Pid.DMX_START_ADDRESS -> setStart(request, data);
            case Pid.DMX_PERSONALITY -> setPersonality(request, data);
            case Pid.DEVICE_LABEL -> setLabel(request, data);
            case Pid.IDENTIFY_DEVICE -> setIdentify(request, data);
            case Pid.DEVICE_INFO,
                    Pid.DEVICE_MODEL_DESCRIPTION,
                    Pid.MANUFACTURER_LABEL,
                    Pid.SOFTWARE_VERSION_LABEL,
                    Pid.DMX_PERSONALITY_DESCRIPTION,
                    Pid.SUPPORTED_PARAMETERS -> request.refuse(NackReason.UNSUPPORTED_COMMAND_CLASS);
            default -> request.refuse(NackReason.UNKNOWN_PID);
        };
    }

    private RdmMessage setStart(RdmMessage request, byte[] data) {
        if (data.length != 2) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        int start = (data[0] & 0xFF) << 8 | data[1] & 0xFF;
        if (!Slot.isLegal(start)) {
            return request.refuse(NackReason.DATA_OUT_OF_RANGE);
        }
        starts.set(request.subDevice(), start);
        return request.answer(RdmMessage.ACK, Bytes.NONE);
    }

    private RdmMessage setPersonality(RdmMessage request, byte[] data) {
        if (data.length != 1) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        if (data[0] < 1 || data[0] > personalities.size()) {
            return request.refuse(NackReason.DATA_OUT_OF_RANGE);
        }
        personality = data[0];
        return request.answer(RdmMessage.ACK, Bytes.NONE);
    }

    private RdmMessage setLabel(RdmMessage request, byte[] data) {
        if (data.length > LONGEST_LABEL) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        label = new String(data, StandardCharsets.UTF_8);
        return request.answer(RdmMessage.ACK, Bytes.NONE);
    }

    private RdmMessage setIdentify(RdmMessage request, byte[] data) {
        if (data.length != 1) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        if (data[0] != 0 && data[0] != 1) {
            return request.refuse(NackReason.DATA_OUT_OF_RANGE);
        }
        identifying = data[0] == 1;
        return request.answer(RdmMessage.ACK, Bytes.NONE);
    }

    private RdmMessage describe(RdmMessage request) {
        byte[] data = request.data().toArray();
        if (data.length != 1) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        if (data[0] < 1 || data[0] > personalities.size()) {
            return request.refuse(NackReason.DATA_OUT_OF_RANGE);
        }
        SimPersonality asked = personalities.get(data[0] - 1);
        PersonalityDescription description =
                new PersonalityDescription(data[0], asked.footprints().get(0), asked.name());
        return request.answer(RdmMessage.ACK, description.encode());
    }

    private DeviceInfo deviceInfo(int subDevice) {
        return new DeviceInfo(
                1,
                CATEGORY_FIXTURE,
                1,
                current().footprints().get(subDevice),
                personality,
                personalities.size(),
                starts.get(subDevice),
                current().subDevices(),
                0);
    }

    private SimPersonality current() {
        return personalities.get(personality - 1);
    }

    private static RdmMessage text(RdmMessage request, String text) {
        return request.answer(RdmMessage.ACK, Bytes.ofText(text));
    }

    /** The parameters beyond the required ones (ANSI E1.20, 10.4.1, from memory). */
    private static Bytes supported() {
        return Bytes.of(0, 0x80, 0, 0x81, 0, 0x82, 0, 0xE0, 0, 0xE1);
    }

    /** The class of message that this unit answers besides discovery. */
    static boolean isRequest(RdmMessage message) {
        return message.commandClass() == CommandClass.GET || message.commandClass() == CommandClass.SET;
    }
}
