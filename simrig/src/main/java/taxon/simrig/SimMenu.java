package taxon.simrig;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import taxon.core.dmx.Slot;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;

/** What a simulated unit keeps in its menu, and how remote management sets it. Not safe for several threads. */
final class SimMenu {
    private static final int LONGEST_LABEL = 32;

    private final int modes;
    private final List<Integer> starts;
    private final Map<Integer, Integer> switches = new TreeMap<>();
    private String label;
    private int personality;
    private boolean identifying;

    /** @param starts of the unit and its sub-devices, one for each that any mode has */
    SimMenu(int modes, String label, int personality, List<Integer> starts) {
        this.modes = modes;
        this.label = label;
        this.personality = personality;
        this.starts = new ArrayList<>(starts);
    }

    /** The same, to be set without changing this one. */
    SimMenu copy() {
        SimMenu copy = new SimMenu(modes, label, personality, starts);
        copy.switches.putAll(switches);
        return copy;
    }

    String label() {
        return label;
    }

    void call(String wanted) {
        label = wanted;
    }

    int personality() {
        return personality;
    }

    void choose(int wanted) {
        personality = wanted;
    }

    boolean identifying() {
        return identifying;
    }

    int start(int subDevice) {
        return starts.get(subDevice);
    }

    void start(int subDevice, int slot) {
        starts.set(subDevice, Slot.of(slot).number());
    }

    /** The parameters that are on or off, by number. */
    Map<Integer, Integer> switches() {
        return switches;
    }

    boolean isOn(int pid) {
        return switches.getOrDefault(pid, 0) == 1;
    }

    /** Does what a SET says. */
    RdmMessage set(RdmMessage request) {
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
            default ->
                switches.containsKey(request.pid()) ? turn(request, data) : request.refuse(NackReason.UNKNOWN_PID);
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
        if (data[0] < 1 || data[0] > modes) {
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
        return onOrOff(request, data, () -> identifying = data[0] == 1);
    }

    private RdmMessage turn(RdmMessage request, byte[] data) {
        return onOrOff(request, data, () -> switches.put(request.pid(), (int) data[0]));
    }

    private static RdmMessage onOrOff(RdmMessage request, byte[] data, Runnable set) {
        if (data.length != 1) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        if (data[0] != 0 && data[0] != 1) {
            return request.refuse(NackReason.DATA_OUT_OF_RANGE);
        }
        set.run();
        return request.answer(RdmMessage.ACK, Bytes.NONE);
    }
}
