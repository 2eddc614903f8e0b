package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.seen.ChannelReading;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;
import taxon.wire.rdm.codec.StatusMessage;
import taxon.wire.rdm.codec.Uid;

/**
 * A simulated unit with an RDM responder. A block beyond the first is a sub-device with a start address of its own.
 *
 * <p>Safe for several threads.
 */
public final class SimUnit {
    private final Uid uid;
    private final String model;
    private final List<SimPersonality> personalities;
    private final boolean silent;
    /** As it came, as healing leaves it, and as it is now. */
    private final SimMenu first;

    private SimMenu base;
    private SimMenu menu;
    private List<UnitFault> faults = List.of();
    private String hangs = "";
    private final SimResponder responder;

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
        responder = new SimResponder(uid, maker, model, this.personalities);
    }

    /** One that knows none of these parameters, as many units know no label. */
    public synchronized SimUnit refusing(Integer... pids) {
        responder.refuse(Set.of(pids));
        return this;
    }

    /** One that does what it is told, and whose answer to that is lost on the way. */
    public synchronized SimUnit losingAnswersToSetting() {
        responder.loseAnswersToSetting();
        return this;
    }

    /**
     * One that takes its time for every answer.
     *
     * @param tenths of a second
     * @param withQueue false for one that must be asked again
     */
    public synchronized SimUnit takingTime(int tenths, boolean withQueue) {
        responder.manner().takeTime(tenths, withQueue);
        return this;
    }

    /** One that gives long answers in pieces. */
    public synchronized SimUnit answeringInPieces(int bytes) {
        responder.manner().inPieces(bytes);
        return this;
    }

    /** One that stands for others, which hang behind it. */
    public synchronized SimUnit standingFor(List<Uid> others) {
        responder.standFor(others);
        return this;
    }

    /** Those that it stands for; none for one that is no proxy. */
    public synchronized List<Uid> standsFor() {
        return responder.standsFor();
    }

    /** One that reports something of itself. */
    public synchronized SimUnit reporting(List<StatusMessage> messages, long hoursOn) {
        responder.report(messages, hoursOn);
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
        wanted.forEach(f -> MenuFaults.spoil(now, f));
        menu = now;
        faults = List.copyOf(wanted);
        responder.forgetTouches();
    }

    /** Those of its faults that are there still. */
    public synchronized List<UnitFault> faults() {
        return faults.stream().filter(f -> MenuFaults.isThere(menu, f)).toList();
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
        return responder.touched();
    }

    /** One that takes every value and keeps its own. */
    public synchronized SimUnit keepingItsOwn() {
        responder.keepItsOwn();
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
     * @param levels 512 of them; none where it hears nothing
     */
    public synchronized SimShown shown(List<Integer> levels) {
        List<ChannelReading> readings = new ArrayList<>();
        for (int i = 0; i < current().blocks().size(); i++) {
            int start = menu.start(i);
            boolean deaf = has(UnitFault.Dead.class) || i > 0 && has(UnitFault.AddOnOff.class);
            SimWiring wiring =
                    new SimWiring(current().blocks().get(i), menu.isOn(Pid.PAN_TILT_SWAP), i == 0 ? order() : 0);
            readings.addAll(ChannelReading.of(current().blocks().get(i), offset -> {
                int slot = start + wiring.heard(offset) - 2;
                return !deaf && slot < levels.size() ? levels.get(slot) : 0;
            }));
        }
        return new SimShown(
                uid,
                hangs,
                menu.start(0),
                current().name(),
                readings,
                menu.identifying(),
                menu.isOn(Pid.PAN_INVERT),
                menu.isOn(Pid.TILT_INVERT),
                /* unsteady= */ false);
    }

    private int order() {
        return faults.stream()
                .filter(UnitFault.OtherOrder.class::isInstance)
                .mapToInt(f -> ((UnitFault.OtherOrder) f).by())
                .sum();
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

    /** How many slots its first block has in the mode that it is in. */
    public synchronized int slots() {
        return current().footprints().get(0);
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
        return silent || has(UnitFault.Dead.class) ? Optional.empty() : responder.answer(request, menu);
    }

    private SimPersonality current() {
        return personalities.get(menu.personality() - 1);
    }

    /** The class of message that this unit answers besides discovery. */
    static boolean isRequest(RdmMessage message) {
        return message.commandClass() == CommandClass.GET || message.commandClass() == CommandClass.SET;
    }
}
