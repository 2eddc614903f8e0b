package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.seen.ChannelReading;
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

/**
 * A simulated unit with an RDM responder. A block beyond the first is a sub-device with a start address of its own.
 *
 * <p>Safe for several threads.
 */
public final class SimUnit {
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
    private final boolean silent;
    /** As it came, as healing leaves it, and as it is now. */
    private final SimMenu first;

    private SimMenu base;
    private SimMenu menu;
    private List<UnitFault> faults = List.of();
    private int touched;
    private String hangs = "";
    private Set<Integer> refused = Set.of();
    private boolean muteAfterSetting;
    private final SimManner manner = new SimManner();
    private List<Uid> proxied = List.of();
    private List<StatusMessage> status = List.of();
    private long hours = 400;
    private boolean stubborn;

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
        this.personalities = List.copyOf(personalities);
        this.silent = silent;
        List<Integer> all = new ArrayList<>(starts);
        int most = personalities.stream()
                .mapToInt(p -> p.footprints().size())
                .max()
                .orElseThrow();
        while (all.size() < most) {
            all.add(Slot.FIRST);
        }
        first = new SimMenu(personalities.size(), label, personality, all);
        base = first;
        menu = first.copy();
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

    /**
     * One that takes its time for every answer.
     *
     * @param tenths of a second
     * @param withQueue false for one that must be asked again
     */
    public synchronized SimUnit takingTime(int tenths, boolean withQueue) {
        manner.takeTime(tenths, withQueue);
        return this;
    }

    /** One that gives long answers in pieces. */
    public synchronized SimUnit answeringInPieces(int bytes) {
        manner.inPieces(bytes);
        return this;
    }

    /** One that stands for others, which hang behind it. */
    public synchronized SimUnit standingFor(List<Uid> others) {
        proxied = List.copyOf(others);
        return this;
    }

    /** Those that it stands for; none for one that is no proxy. */
    public synchronized List<Uid> standsFor() {
        return proxied;
    }

    /** One that reports something of itself. */
    public synchronized SimUnit reporting(List<StatusMessage> messages, long hoursOn) {
        status = List.copyOf(messages);
        hours = hoursOn;
        return this;
    }

    /** One that moves: it can be told to turn its axes round, and change them. */
    public synchronized SimUnit moving(boolean panReversed, boolean tiltReversed, boolean swapped) {
        for (SimMenu one : List.of(first, base, menu)) {
            one.switches().put(Pid.PAN_INVERT, panReversed ? 1 : 0);
            one.switches().put(Pid.TILT_INVERT, tiltReversed ? 1 : 0);
            one.switches().put(Pid.PAN_TILT_SWAP, swapped ? 1 : 0);
        }
        return this;
    }

    /**
     * From now on healing leaves it so: set as somebody planned it.
     *
     * @param planned starts of the unit and its sub-devices, as many as are planned
     */
    public synchronized void settle(String plannedLabel, int plannedMode, List<Integer> planned) {
        base = new SimMenu(personalities.size(), plannedLabel, plannedMode, starts(first));
        for (int i = 0; i < planned.size(); i++) {
            base.start(i, planned.get(i));
        }
        first.switches().keySet().forEach(p -> base.switches().put(p, 0));
        suffer(List.of());
    }

    /** From now on healing leaves it as it came. */
    public synchronized void unsettle() {
        base = first;
        suffer(List.of());
    }

    private List<Integer> starts(SimMenu of) {
        int most = personalities.stream()
                .mapToInt(p -> p.footprints().size())
                .max()
                .orElseThrow();
        return IntStream.range(0, most).map(of::start).boxed().toList();
    }

    /** Gives it these faults and no others; none heals it. Nobody has touched it since. */
    public synchronized void suffer(List<UnitFault> wanted) {
        SimMenu now = base.copy();
        for (UnitFault fault : wanted) {
            if (fault instanceof UnitFault.OtherAddress f) {
                now.start(f.subDevice(), f.start());
            } else if (fault instanceof UnitFault.OtherMode f) {
                now.choose(f.personality());
            } else if (fault instanceof UnitFault.Turned f) {
                now.switches().put(f.pid(), 1);
            }
        }
        menu = now;
        faults = List.copyOf(wanted);
        touched = 0;
    }

    /** Those of its faults that are there still. */
    public synchronized List<UnitFault> faults() {
        return faults.stream().filter(this::isThere).toList();
    }

    private boolean isThere(UnitFault fault) {
        if (fault instanceof UnitFault.OtherAddress f) {
            return menu.start(f.subDevice()) == f.start();
        }
        if (fault instanceof UnitFault.OtherMode f) {
            return menu.personality() == f.personality();
        }
        return !(fault instanceof UnitFault.Turned f) || menu.isOn(f.pid());
    }

    private boolean has(Class<? extends UnitFault> kind) {
        return faults.stream().anyMatch(kind::isInstance);
    }

    /** True when it is set as healing would leave it. */
    public synchronized boolean isAsPlanned() {
        return menu.personality() == base.personality()
                && starts(menu).equals(starts(base))
                && menu.switches().equals(base.switches());
    }

    /** How often something was set on it since it was given its faults. */
    public synchronized int touched() {
        return touched;
    }

    /** One that takes every value and keeps its own. */
    public synchronized SimUnit keepingItsOwn() {
        stubborn = true;
        return this;
    }

    /** Somebody sets it at its own menu. */
    public synchronized void setAt(int start) {
        menu.start(0, start);
    }

    /** True while it makes itself known to those who look. */
    public synchronized boolean isIdentifying() {
        return menu.identifying();
    }

    /** What it calls itself. */
    public synchronized String label() {
        return menu.label();
    }

    /** The mode that it is in, from 1. */
    public synchronized int personality() {
        return menu.personality();
    }

    /** True when one of its axes is turned round by its menu; false where it has none. */
    public synchronized boolean isReversed(int pid) {
        return menu.isOn(pid);
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
            int start = menu.start(i);
            boolean deaf = has(UnitFault.Dead.class) || i > 0 && has(UnitFault.AddOnOff.class);
            readings.addAll(ChannelReading.of(
                    current().blocks().get(i),
                    o -> !deaf && start + o - 2 < levels.size() ? levels.get(start + o - 2) : 0));
        }
        return new SimShown(
                uid,
                hangs,
                menu.start(0),
                current().name(),
                readings,
                menu.identifying(),
                menu.isOn(Pid.PAN_INVERT),
                menu.isOn(Pid.TILT_INVERT));
    }

    public Uid uid() {
        return uid;
    }

    /** What is written on it for those who look; empty for one that nobody knows. */
    public synchronized String hangs() {
        return hangs;
    }

    /** What it is called by its maker. */
    public String model() {
        return model;
    }

    /** How many modes it has. */
    public int modes() {
        return personalities.size();
    }

    /** How many blocks it has in the mode that it is in. */
    public synchronized int blocks() {
        return current().footprints().size();
    }

    /** True when it has axes that its menu can turn round. */
    public synchronized boolean isMoving() {
        return menu.switches().containsKey(Pid.PAN_INVERT);
    }

    /** Where the unit (0) or a sub-device listens now. */
    public synchronized int startAddress(int subDevice) {
        return menu.start(subDevice);
    }

    /** What the unit answers; empty when the message is not for it, or it is silent. */
    public synchronized Optional<RdmMessage> answer(RdmMessage request) {
        if (silent || has(UnitFault.Dead.class) || !isMeant(request.destination())) {
            return Optional.empty();
        }
        if (!request.destination().equals(uid)) {
            // What goes to many is done, and nobody answers, since all would at once (ANSI E1.20, 6.2.3, from memory).
            boolean isThere = request.subDevice() <= current().subDevices();
            if (request.commandClass() == CommandClass.SET && isThere && !refused.contains(request.pid())) {
                touched++;
                menu.set(request);
            }
            return Optional.empty();
        }
        if (request.subDevice() > current().subDevices()) {
            return Optional.of(request.refuse(NackReason.SUB_DEVICE_OUT_OF_RANGE));
        }
        if (refused.contains(request.pid())) {
            return Optional.of(request.refuse(NackReason.UNKNOWN_PID));
        }
        return manner.isForQueue(request) ? Optional.of(manner.queued(request)) : answerAlone(request);
    }

    private Optional<RdmMessage> answerAlone(RdmMessage request) {
        return switch (request.commandClass()) {
            case GET ->
                request.pid() == Pid.PROXIED_DEVICES
                        ? Optional.of(proxied(request))
                        : manner.given(request, get(request));
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

    private RdmMessage get(RdmMessage request) {
        // Only what there are several of is asked for with data: which of them (ANSI E1.20, 10.6.2 and 10.7, from
        // memory).
        if (!OF_SEVERAL.contains(request.pid()) && request.data().toArray().length > 0) {
            return request.refuse(NackReason.FORMAT_ERROR);
        }
        return switch (request.pid()) {
            case Pid.DEVICE_INFO ->
                request.answer(RdmMessage.ACK, deviceInfo(request.subDevice()).encode());
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
            case Pid.SUPPORTED_PARAMETERS -> request.answer(RdmMessage.ACK, supported());
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

    private DeviceInfo deviceInfo(int subDevice) {
        return new DeviceInfo(
                1,
                CATEGORY_FIXTURE,
                1,
                current().footprints().get(subDevice),
                menu.personality(),
                personalities.size(),
                menu.start(subDevice),
                current().subDevices(),
                refused.contains(Pid.SENSOR_VALUE) ? 0 : 1);
    }

    private SimPersonality current() {
        return personalities.get(menu.personality() - 1);
    }

    private static RdmMessage text(RdmMessage request, String text) {
        return request.answer(RdmMessage.ACK, Bytes.ofText(text));
    }

    /** The parameters beyond the required ones (ANSI E1.20, 10.4.1, from memory). */
    private Bytes supported() {
        ByteWriter out = new ByteWriter();
        List<Integer> all = new ArrayList<>(BEYOND);
        all.addAll(menu.switches().keySet());
        if (!proxied.isEmpty()) {
            all.add(Pid.PROXIED_DEVICES);
        }
        all.stream().filter(p -> !refused.contains(p)).forEach(out::u16);
        return Bytes.of(out.toArray());
    }

    /** The class of message that this unit answers besides discovery. */
    static boolean isRequest(RdmMessage message) {
        return message.commandClass() == CommandClass.GET || message.commandClass() == CommandClass.SET;
    }
}
