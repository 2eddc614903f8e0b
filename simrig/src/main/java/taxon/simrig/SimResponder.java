package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.wire.bytes.ByteWriter;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.DeviceInfo;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.PersonalityDescription;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.SensorDefinition;
import taxon.wire.rdm.codec.StatusMessage;
import taxon.wire.rdm.codec.Uid;

/** How a simulated unit answers remote management, with the manners that it was given. Not safe for several threads. */
final class SimResponder {
    private static final int CATEGORY_FIXTURE = 0x0100;
    private static final long ALL_DEVICES = 0xFFFF_FFFFL;
    private static final int ALL_MAKERS = 0xFFFF;

    private static final List<Integer> BEYOND = List.of(
            Pid.DEVICE_MODEL_DESCRIPTION,
            Pid.MANUFACTURER_LABEL,
            Pid.DEVICE_LABEL,
            Pid.DMX_PERSONALITY,
            Pid.DMX_PERSONALITY_DESCRIPTION,
            Pid.STATUS_MESSAGES,
            Pid.DEVICE_HOURS,
            Pid.SENSOR_DEFINITION,
            Pid.SENSOR_VALUE);
    private static final Set<Integer> OF_SEVERAL =
            Set.of(Pid.DMX_PERSONALITY_DESCRIPTION, Pid.STATUS_MESSAGES, Pid.SENSOR_DEFINITION, Pid.SENSOR_VALUE);
    /** Degrees Celsius (ANSI E1.20, tables, from memory). */
    private static final SensorDefinition TEMPERATURE = new SensorDefinition(0, 0, 1, 0, "head");

    private static final int WARM = 41;

    private final Uid uid;
    private final String maker;
    private final String model;
    private final List<SimPersonality> personalities;
    private final SimManner manner = new SimManner();
    private int touched;
    private Set<Integer> refused = Set.of();
    private boolean muteAfterSetting;
    private List<Uid> proxied = List.of();
    private List<StatusMessage> status = List.of();
    private long hours = 400;
    private boolean stubborn;

    SimResponder(Uid uid, String maker, String model, List<SimPersonality> personalities) {
        this.uid = uid;
        this.maker = maker;
        this.model = model;
        this.personalities = personalities;
    }

    SimManner manner() {
        return manner;
    }

    void refuse(Set<Integer> pids) {
        refused = Set.copyOf(pids);
    }

    void loseAnswersToSetting() {
        muteAfterSetting = true;
    }

    void standFor(List<Uid> others) {
        proxied = List.copyOf(others);
    }

    List<Uid> standsFor() {
        return proxied;
    }

    void report(List<StatusMessage> messages, long hoursOn) {
        status = List.copyOf(messages);
        hours = hoursOn;
    }

    void keepItsOwn() {
        stubborn = true;
    }

    /** How often something was set. */
    int touched() {
        return touched;
    }

    void forgetTouches() {
        touched = 0;
    }

    /** What the unit answers by its menu as it is; empty when the message is not for it. */
    Optional<RdmMessage> answer(RdmMessage request, SimMenu menu) {
        if (!isMeant(request.destination())) {
            return Optional.empty();
        }
        if (!request.destination().equals(uid)) {
            // What goes to many is done, and nobody answers, since all would at once (ANSI E1.20, 6.2.3, from memory).
            boolean isThere = request.subDevice() <= current(menu).subDevices();
            if (request.commandClass() == CommandClass.SET && isThere && !refused.contains(request.pid())) {
                touched++;
                menu.set(request);
            }
            return Optional.empty();
        }
        if (request.subDevice() > current(menu).subDevices()) {
            return Optional.of(request.refuse(NackReason.SUB_DEVICE_OUT_OF_RANGE));
        }
        if (refused.contains(request.pid())) {
            return Optional.of(request.refuse(NackReason.UNKNOWN_PID));
        }
        return manner.isForQueue(request) ? Optional.of(manner.queued(request)) : answerAlone(request, menu);
    }

    private Optional<RdmMessage> answerAlone(RdmMessage request, SimMenu menu) {
        return switch (request.commandClass()) {
            case GET ->
                request.pid() == Pid.PROXIED_DEVICES
                        ? Optional.of(proxied(request))
                        : manner.given(request, get(request, menu));
            case SET -> {
                touched += request.pid() == Pid.IDENTIFY_DEVICE ? 0 : 1;
                yield manner.given(request, stubborn ? request.answer(RdmMessage.ACK, Bytes.NONE) : menu.set(request))
                        .filter(answer -> !muteAfterSetting);
            }
            default -> Optional.empty();
        };
    }

    /** To this unit, to all of its maker, or to all. */
    private boolean isMeant(Uid destination) {
        boolean toMany = destination.device() == ALL_DEVICES
                && (destination.manufacturer() == ALL_MAKERS || destination.manufacturer() == uid.manufacturer());
        return toMany || destination.equals(uid);
    }

    private RdmMessage get(RdmMessage request, SimMenu menu) {
        // Only what there are several of is asked for with data: which of them (ANSI E1.20, 10.6.2 and 10.7, from
        // memory).
        if (!OF_SEVERAL.contains(request.pid()) && request.data().toArray().length > 0) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        return switch (request.pid()) {
            case Pid.DEVICE_INFO ->
                request.answer(
                        RdmMessage.ACK, deviceInfo(request.subDevice(), menu).encode());
            case Pid.DEVICE_MODEL_DESCRIPTION -> text(request, model);
            case Pid.MANUFACTURER_LABEL -> text(request, maker);
            case Pid.DEVICE_LABEL -> text(request, menu.label());
            case Pid.SOFTWARE_VERSION_LABEL -> text(request, "simulated 1");
            case Pid.DMX_PERSONALITY ->
                request.answer(RdmMessage.ACK, Bytes.of(menu.personality(), personalities.size()));
            case Pid.DMX_PERSONALITY_DESCRIPTION -> describe(request);
            case Pid.DMX_START_ADDRESS -> {
                int start = menu.start(request.subDevice());
                yield request.answer(RdmMessage.ACK, Bytes.of(start >> 8, start & 0xFF));
            }
            case Pid.IDENTIFY_DEVICE -> request.answer(RdmMessage.ACK, Bytes.of(menu.identifying() ? 1 : 0));
            case Pid.SUPPORTED_PARAMETERS -> request.answer(RdmMessage.ACK, supported(menu));
            case Pid.STATUS_MESSAGES -> request.answer(RdmMessage.ACK, StatusMessage.encode(status));
            case Pid.DEVICE_HOURS ->
                request.answer(
                        RdmMessage.ACK, Bytes.of(new ByteWriter().u32(hours).toArray()));
            case Pid.SENSOR_DEFINITION -> sensor(request, TEMPERATURE.encode());
            case Pid.SENSOR_VALUE ->
                sensor(
                        request,
                        Bytes.of(new ByteWriter().u8(0).u16(WARM).zeros(6).toArray()));
            default ->
                menu.switches().containsKey(request.pid())
                        ? request.answer(RdmMessage.ACK, Bytes.of(menu.isOn(request.pid()) ? 1 : 0))
                        : request.refuse(NackReason.UNKNOWN_PID);
        };
    }

    private static RdmMessage sensor(RdmMessage request, Bytes answer) {
        byte[] data = request.data().toArray();
        if (data.length != 1) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        return data[0] == 0 ? request.answer(RdmMessage.ACK, answer) : request.refuse(NackReason.DATA_OUT_OF_RANGE);
    }

    private RdmMessage proxied(RdmMessage request) {
        if (proxied.isEmpty()) {
            return request.refuse(NackReason.UNKNOWN_PID);
        }
        ByteWriter out = new ByteWriter();
        proxied.forEach(u -> u.write(out));
        return manner.piece(request, Bytes.of(out.toArray()));
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

    private DeviceInfo deviceInfo(int subDevice, SimMenu menu) {
        return new DeviceInfo(
                1,
                CATEGORY_FIXTURE,
                1,
                current(menu).footprints().get(subDevice),
                menu.personality(),
                personalities.size(),
                menu.start(subDevice),
                current(menu).subDevices(),
                refused.contains(Pid.SENSOR_VALUE) ? 0 : 1);
    }

    private SimPersonality current(SimMenu menu) {
        return personalities.get(menu.personality() - 1);
    }

    private static RdmMessage text(RdmMessage request, String text) {
        return request.answer(RdmMessage.ACK, Bytes.ofText(text));
    }

    /** The parameters beyond the required ones (ANSI E1.20, 10.4.1, from memory). */
    private Bytes supported(SimMenu menu) {
        ByteWriter out = new ByteWriter();
        List<Integer> all = new ArrayList<>(BEYOND);
        all.addAll(menu.switches().keySet());
        if (!proxied.isEmpty()) {
            all.add(Pid.PROXIED_DEVICES);
        }
        all.stream().filter(p -> !refused.contains(p)).forEach(out::u16);
        return Bytes.of(out.toArray());
    }
}
