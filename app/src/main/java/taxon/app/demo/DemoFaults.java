package taxon.app.demo;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import taxon.app.cards.PluggedIn;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.text.Counted;
import taxon.simrig.SimFault;
import taxon.simrig.SimInterface;
import taxon.simrig.SimNode;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.UnitFault;

/** The simulated rig of the demo while it runs, and the faults that it is given. */
@Component
@ConditionalOnProperty("taxon.demo")
class DemoFaults implements PluggedIn, AutoCloseable {
    private static final int FAR = 100;
    private static final int SLOTS = 512;
    private static final int OTHER_MASK = 24;
    private static final int SLOW_MILLIS = 1_000;

    private Optional<SimulatedRig> rig = Optional.empty();
    private Optional<SimInterface> plugged = Optional.empty();

    /** A kind of fault as the page offers it; all but those of the whole box want a port. */
    enum Kind {
        OTHER_IP("sits at another address"),
        OTHER_MASK("has another mask"),
        OTHER_NAME("calls itself otherwise"),
        TWIN("a second box has its address"),
        SWITCHED_OFF("is switched off"),
        SLOW("takes a second before it answers"),
        ZERO_WHEN_LOST("goes to zero when its data stops"),
        LOCKED("is locked at its front"),
        OTHER_UNIVERSE("a port is set one universe too high"),
        PORT_IS_INPUT("a port is an input"),
        PORT_IS_OFF("a port is off"),
        TAKES_LATEST("a port takes the latest of two sources"),
        RDM_IS_OFF("RDM is off at a port"),
        LINKS_LOST("its receivers have lost their link"),
        LINE_BROKEN("a line is broken in its middle"),
        UNTERMINATED("a line has no terminator");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A kind of fault of a unit as the page offers it. */
    enum UnitKind {
        OTHER_ADDRESS("listens somewhere else"),
        OTHER_MODE("is in another mode"),
        PAN_TURNED("its pan is turned round"),
        TILT_TURNED("its tilt is turned round"),
        AXES_SWAPPED("its pan and tilt are exchanged"),
        OTHER_ORDER("its channels come in another order"),
        NO_LABEL("has no label"),
        ADD_ON_OFF("its add-on is off"),
        DEAD("is dead");

        private final String words;

        UnitKind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The rig; empty where it could not be started. */
    synchronized Optional<SimulatedRig> rig() {
        return rig;
    }

    /** The unit on which that is written. */
    synchronized Optional<SimUnit> unit(String written) {
        return rig.stream()
                .flatMap(r -> r.units().stream())
                .filter(u -> !written.isEmpty() && u.hangs().equals(written))
                .findFirst();
    }

    /**
     * Gives a unit one more fault.
     *
     * @throws IllegalArgumentException when it cannot have it
     */
    synchronized void add(SimUnit unit, UnitKind kind) {
        List<UnitFault> faults = new ArrayList<>(unit.faults());
        faults.add(fault(unit, kind));
        unit.suffer(faults);
    }

    private static UnitFault fault(SimUnit unit, UnitKind kind) {
        boolean axis = Set.of(UnitKind.PAN_TURNED, UnitKind.TILT_TURNED, UnitKind.AXES_SWAPPED)
                .contains(kind);
        if (kind == UnitKind.OTHER_MODE && unit.modes() < 2
                || kind == UnitKind.ADD_ON_OFF && unit.blocks() < 2
                || axis && !unit.isMoving()) {
            throw new IllegalArgumentException(
                    "“" + kind.words() + "” is nothing that unit " + unit.hangs() + " can have");
        }
        return switch (kind) {
            case OTHER_ADDRESS -> new UnitFault.OtherAddress(0, 1 + unit.startAddress(0) % SLOTS);
            case OTHER_MODE -> new UnitFault.OtherMode(1 + unit.personality() % unit.modes());
            case PAN_TURNED -> new UnitFault.Turned(true);
            case TILT_TURNED -> new UnitFault.Turned(false);
            case AXES_SWAPPED -> new UnitFault.AxesSwapped();
            case OTHER_ORDER -> new UnitFault.OtherOrder(1);
            case NO_LABEL -> new UnitFault.OtherLabel("");
            case ADD_ON_OFF -> new UnitFault.AddOnOff();
            case DEAD -> new UnitFault.Dead();
        };
    }

    synchronized void start(Optional<SimulatedRig> started) throws IOException {
        rig = started;
        plugIn();
    }

    private void plugIn() throws IOException {
        if (plugged.isEmpty()) {
            plugged = Optional.of(SimInterface.start(DemoLines.HOUSE_NAME, DemoLines.HOUSE_OUTPUTS));
        }
    }

    /** Pulls the interface on USB out. */
    synchronized void pullOut() throws IOException {
        if (plugged.isPresent()) {
            plugged.get().close();
            plugged = Optional.empty();
        }
    }

    /** True while the interface on USB is plugged in. */
    synchronized boolean isPluggedIn() {
        return plugged.isPresent();
    }

    @Override
    public synchronized List<Integer> ports() {
        return plugged.map(SimInterface::port).stream().toList();
    }

    /** The boxes of the rig; none where it could not be started. */
    synchronized List<SimNode> boxes() {
        return rig.map(SimulatedRig::nodes).orElse(List.of());
    }

    /**
     * Gives a box one more fault.
     *
     * @param port counted from 1
     * @throws IllegalArgumentException when it has no such port
     * @throws IOException when the address that it is to sit at cannot be had
     */
    synchronized void add(SimNode box, Kind kind, int port) throws IOException {
        List<SimFault> faults = new ArrayList<>(box.faults());
        faults.add(fault(box, kind, port));
        box.suffer(faults);
    }

    private static SimFault fault(SimNode box, Kind kind, int port) {
        return switch (kind) {
            case OTHER_IP -> new SimFault.OtherIp(new Ipv4(box.ip().bits() + FAR));
            case OTHER_MASK -> new SimFault.OtherMask(OTHER_MASK);
            case OTHER_NAME -> new SimFault.OtherName("Spare node");
            case TWIN -> new SimFault.Twin("Spare node");
            case SWITCHED_OFF -> new SimFault.SwitchedOff();
            case SLOW -> new SimFault.Slow(SLOW_MILLIS);
            case ZERO_WHEN_LOST -> new SimFault.OtherWhenLost(WhenLost.ZERO);
            case LOCKED -> new SimFault.Locked();
            case TAKES_LATEST -> new SimFault.TakesLatest(port);
            case OTHER_UNIVERSE -> new SimFault.OtherUniverse(port, next(box, port));
            case PORT_IS_INPUT -> new SimFault.PortIsInput(port);
            case PORT_IS_OFF -> new SimFault.PortIsOff(port);
            case RDM_IS_OFF -> new SimFault.RdmIsOff(port);
            case LINKS_LOST -> new SimFault.LinksLost(port);
            case LINE_BROKEN -> new SimFault.LineBroken(port, units(box, port) / 2);
            case UNTERMINATED -> new SimFault.Unterminated(requirePort(box, port));
        };
    }

    private static int requirePort(SimNode box, int port) {
        if (port < 1 || port > box.ports().size()) {
            throw new IllegalArgumentException(
                    box.name() + " has " + Counted.of(box.ports().size(), "port"));
        }
        return port;
    }

    private static int units(SimNode box, int port) {
        return box.ports().get(requirePort(box, port) - 1).units().size();
    }

    private static PortAddress next(SimNode box, int port) {
        int number = box.ports().get(requirePort(box, port) - 1).address().number();
        // Within the Sub-Net: what a box has of its own, its switches, is one for all of its ports.
        return new PortAddress((number & ~0xF) | ((number + 1) & 0xF));
    }

    /** All boxes as they are planned again, and all units as they came. */
    synchronized void heal() throws IOException {
        for (SimNode box : boxes()) {
            box.suffer(List.of());
        }
        rig.ifPresent(r -> r.units().forEach(u -> u.suffer(List.of())));
        plugIn();
    }

    @Override
    public synchronized void close() throws IOException {
        rig.ifPresent(SimulatedRig::close);
        pullOut();
    }
}
