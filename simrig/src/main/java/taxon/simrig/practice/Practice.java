package taxon.simrig.practice;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import taxon.core.dmx.Slot;
import taxon.core.fixture.Mode;
import taxon.core.network.Ipv4;
import taxon.core.network.PortAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.simrig.SimFault;
import taxon.simrig.SimNode;
import taxon.simrig.SimPort;
import taxon.simrig.SimUnit;
import taxon.simrig.SimulatedRig;
import taxon.simrig.UnitFault;
import taxon.wire.artnet.codec.ArtPacket.Flow;

/** A case that somebody works on: the rig is set as planned, but for the faults that are hidden in it. */
public final class Practice {
    private static final int FAR = 100;
    private static final int SHIFT = 37;

    private final PracticeCase which;
    private final Instant began;
    private final SimulatedRig rig;
    private final Map<String, SimUnit> units;
    private final List<Hidden> hidden = new ArrayList<>();
    private final Random random;

    /** A fault of a unit, by the label that hangs on it, or of a box. */
    private sealed interface Hidden {
        String where();

        String words();

        boolean isThere();

        boolean isCurable();
    }

    private record OfUnit(String where, SimUnit unit, UnitFault fault) implements Hidden {
        @Override
        public String words() {
            return where + " " + fault.words();
        }

        @Override
        public boolean isThere() {
            return unit.faults().contains(fault);
        }

        @Override
        public boolean isCurable() {
            return fault.isCurable();
        }
    }

    private record OfBox(String where, SimNode box, SimFault fault) implements Hidden {
        @Override
        public String words() {
            return where + ": " + fault.words();
        }

        @Override
        public boolean isThere() {
            return box.faults().contains(fault);
        }

        @Override
        public boolean isCurable() {
            return fault.isCurable();
        }
    }

    private Practice(SimulatedRig rig, Plan plan, PracticeCase which, Random random, Instant now) {
        this.rig = rig;
        this.which = which;
        this.random = random;
        began = now;
        units = settled(rig, plan);
    }

    /**
     * Begins a case. All faults that the rig had are gone.
     *
     * @param seed the same hides the same faults
     * @throws IOException when a box cannot be put where the case wants it
     */
    public static Practice begin(SimulatedRig rig, Plan plan, PracticeCase which, long seed, Instant now)
            throws IOException {
        for (SimNode node : rig.nodes()) {
            node.suffer(List.of());
        }
        Practice practice = new Practice(rig, plan, which, new Random(seed), now);
        practice.hide(which);
        practice.apply();
        return practice;
    }

    /** All units that the plan knows, by what hangs on them, set as it says. */
    private static Map<String, SimUnit> settled(SimulatedRig rig, Plan plan) {
        Map<String, Fixture> byLabel =
                plan.fixtures().stream().collect(Collectors.toMap(Fixture::label, f -> f, (a, b) -> a));
        Map<String, SimUnit> units = new TreeMap<>();
        for (SimUnit unit : rig.units()) {
            Fixture fixture = byLabel.get(unit.hangs());
            if (fixture != null) {
                unit.settle(
                        fixture.label(),
                        number(plan, fixture),
                        fixture.addresses().values().stream()
                                .map(a -> a.slot().number())
                                .toList());
                units.put(fixture.label(), unit);
            }
        }
        return units;
    }

    private static int number(Plan plan, Fixture fixture) {
        List<Mode> modes = plan.type(fixture).modes();
        return plan.mode(fixture)
                .flatMap(Mode::personality)
                .orElseGet(() -> 1 + modes.stream().map(Mode::name).toList().indexOf(fixture.mode()));
    }

    private void hide(PracticeCase wanted) {
        switch (wanted) {
            case LAST_SHOWS_ADDRESS -> unit(u -> true).ifPresent(u -> hide(u, moved(u)));
            case OTHER_MODE ->
                unit(u -> u.modes() > 1)
                        .ifPresent(u -> hide(u, new UnitFault.OtherMode(1 + u.personality() % u.modes())));
            case SWAPPED -> swap();
            case TURNED -> unit(SimUnit::isMoving).ifPresent(u -> hide(u, new UnitFault.Turned(random.nextBoolean())));
            case EXCHANGED -> unit(SimUnit::isMoving).ifPresent(u -> hide(u, new UnitFault.AxesSwapped()));
            case OTHER_ORDER -> unit(u -> u.slots() > 1).ifPresent(u -> hide(u, new UnitFault.OtherOrder(1)));
            case LINE_BROKEN ->
                port(p -> p.units().size() > 2, (box, port) -> new SimFault.LineBroken(port, half(box, port)));
            case UNTERMINATED -> port(p -> p.units().size() > 2, (box, port) -> new SimFault.Unterminated(port));
            case ADD_ON -> unit(u -> u.blocks() > 1).ifPresent(u -> hide(u, new UnitFault.AddOnOff()));
            case DEAD -> unit(u -> true).ifPresent(u -> hide(u, new UnitFault.Dead()));
            case PORT_ON_ANOTHER_NUMBER ->
                port(p -> true, (box, port) -> new SimFault.OtherUniverse(port, next(box, port)));
            case PORT_IS_INPUT -> port(p -> true, (box, port) -> new SimFault.PortIsInput(port));
            case BOX_MOVED ->
                box(b -> true).ifPresent(b -> hide(b, new SimFault.OtherIp(new Ipv4(b.ip().bits() + FAR))));
            case THREE_AT_ONCE -> {
                hide(PracticeCase.LAST_SHOWS_ADDRESS);
                hide(PracticeCase.PORT_IS_INPUT);
                hide(PracticeCase.DEAD);
            }
        }
    }

    private static UnitFault moved(SimUnit unit) {
        int start = 1 + (unit.startAddress(0) - 1 + SHIFT) % (Slot.LAST - 2 * SHIFT);
        return new UnitFault.OtherAddress(0, start);
    }

    private void swap() {
        Optional<SimUnit> one = unit(u -> unit(v -> isPair(u, v)).isPresent());
        Optional<SimUnit> other = one.flatMap(u -> unit(v -> isPair(u, v)));
        if (one.isPresent() && other.isPresent()) {
            hide(one.get(), new UnitFault.OtherAddress(0, other.get().startAddress(0)));
            hide(other.get(), new UnitFault.OtherAddress(0, one.get().startAddress(0)));
        }
    }

    private boolean isPair(SimUnit one, SimUnit other) {
        return !one.equals(other)
                && one.model().equals(other.model())
                && one.startAddress(0) != other.startAddress(0)
                && rig.nodes().stream()
                        .flatMap(n -> n.ports().stream())
                        .anyMatch(p -> p.units().contains(one) && p.units().contains(other));
    }

    /** One that nothing was hidden at yet. */
    private Optional<SimUnit> unit(Predicate<SimUnit> fits) {
        List<SimUnit> fitting = units.values().stream()
                .filter(u -> hidden.stream().noneMatch(h -> h.where().equals(u.hangs())))
                .filter(fits)
                .toList();
        return fitting.isEmpty() ? Optional.empty() : Optional.of(fitting.get(random.nextInt(fitting.size())));
    }

    private Optional<SimNode> box(Predicate<SimNode> fits) {
        List<SimNode> fitting = rig.nodes().stream().filter(fits).toList();
        return fitting.isEmpty() ? Optional.empty() : Optional.of(fitting.get(random.nextInt(fitting.size())));
    }

    private interface OfPort {
        SimFault fault(SimNode box, int port);
    }

    /** A port of a node that takes Art-Net and has units behind it. */
    private void port(Predicate<SimPort> fits, OfPort fault) {
        Predicate<SimPort> used = p -> isUsed(p) && fits.test(p);
        box(b -> b.ports().stream().anyMatch(used)).ifPresent(b -> {
            List<Integer> fitting = IntStream.rangeClosed(1, b.ports().size())
                    .filter(i -> used.test(b.ports().get(i - 1)))
                    .boxed()
                    .toList();
            hide(b, fault.fault(b, fitting.get(random.nextInt(fitting.size()))));
        });
    }

    private static int half(SimNode box, int port) {
        return box.ports().get(port - 1).units().size() / 2;
    }

    private static boolean isUsed(SimPort port) {
        return port.flow() == Flow.OUT && port.sacn().isEmpty() && !port.units().isEmpty();
    }

    /** Within the Sub-Net, which is one for all ports of a page. */
    private static PortAddress next(SimNode box, int port) {
        int number = box.ports().get(port - 1).address().number();
        return new PortAddress((number & ~0xF) | ((number + 1) & 0xF));
    }

    private void hide(SimUnit unit, UnitFault fault) {
        hidden.add(new OfUnit(unit.hangs(), unit, fault));
    }

    private void hide(SimNode box, SimFault fault) {
        hidden.add(new OfBox(box.name(), box, fault));
    }

    private void apply() throws IOException {
        for (Hidden one : hidden) {
            if (one instanceof OfUnit u) {
                u.unit().suffer(List.of(u.fault()));
            } else if (one instanceof OfBox b) {
                b.box().suffer(List.of(b.fault()));
            }
        }
    }

    /** The case. */
    public PracticeCase which() {
        return which;
    }

    /** When it was begun. */
    public Instant began() {
        return began;
    }

    /** How often something was set or programmed so far. */
    public int touched() {
        return rig.units().stream().mapToInt(SimUnit::touched).sum()
                + rig.nodes().stream().mapToInt(SimNode::touched).sum();
    }

    /**
     * How well it was solved.
     *
     * @param named units by their labels and boxes by their names of which somebody says that something is wrong with them
     */
    public Score score(Set<String> named, Instant now) {
        Set<String> said =
                named.stream().map(n -> n.strip().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        int solved = (int) hidden.stream()
                .filter(h ->
                        h.isCurable() ? !h.isThere() : said.contains(h.where().toLowerCase(Locale.ROOT)))
                .count();
        Set<String> faulty =
                hidden.stream().map(h -> h.where().toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        return new Score(
                hidden.size(),
                solved,
                named.stream()
                        .map(String::strip)
                        .filter(n -> !n.isEmpty() && !faulty.contains(n.toLowerCase(Locale.ROOT)))
                        .sorted()
                        .toList(),
                spoiled(faulty),
                touched(),
                (int) hidden.stream().filter(Hidden::isCurable).count(),
                Duration.between(began, now),
                hidden.stream().map(Hidden::words).toList());
    }

    private List<String> spoiled(Set<String> faulty) {
        return units.entrySet().stream()
                .filter(e -> !faulty.contains(e.getKey().toLowerCase(Locale.ROOT)))
                .filter(e -> !e.getValue().isAsPlanned())
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Ends it: the rig is as it came. */
    public void end() throws IOException {
        rig.units().forEach(SimUnit::unsettle);
        for (SimNode node : rig.nodes()) {
            node.suffer(List.of());
        }
    }
}
