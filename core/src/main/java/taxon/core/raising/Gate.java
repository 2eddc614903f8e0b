package taxon.core.raising;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Facts;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.Traits.Parked;
import taxon.core.visible.Visibility;

/** The one gate that every slot passes before it is raised, whoever asks and however: what was armed, hazards, parked values. */
public final class Gate {
    private final Reach reach;
    private final Map<StartAddress, Barred> barred = new HashMap<>();
    private final Map<StartAddress, String> listeners = new HashMap<>();
    private final Map<StartAddress, Boolean> light = new HashMap<>();
    private final Map<StartAddress, Integer> parkedOfHazards = new HashMap<>();
    private final Set<StartAddress> armed = new HashSet<>();

    private Gate(Reach reach) {
        this.reach = reach;
    }

    /** The gate of one arming in a plan. */
    public static Gate of(Plan plan, Reach reach) {
        Gate gate = new Gate(reach);
        Set<UniverseNumber> sent = reach.sent(plan);
        plan.blocks().stream()
                .filter(b -> b.start().filter(s -> sent.contains(s.universe())).isPresent())
                .forEach(gate::note);
        return gate;
    }

    private void note(PlannedBlock block) {
        StartAddress start = block.start().orElseThrow();
        for (Channel channel : block.block().channels()) {
            for (int offset : channel.offsets()) {
                at(start, offset).ifPresent(a -> note(block, channel, offset, a));
            }
        }
    }

    private static Optional<StartAddress> at(StartAddress start, int offset) {
        int slot = start.slot().number() + offset - 1;
        return Slot.isLegal(slot) ? Optional.of(new StartAddress(start.universe(), Slot.of(slot))) : Optional.empty();
    }

    /** Where several listen at one slot, whoever bars it bars it for all. */
    private void note(PlannedBlock block, Channel channel, int offset, StartAddress at) {
        listeners.putIfAbsent(at, block.label());
        light.merge(at, Visibility.givesLight(channel), Boolean::logicalAnd);
        if (reach.units().contains(block.ref().fixture())) {
            armed.add(at);
        }
        bar(block, channel, offset).ifPresent(b -> {
            barred.merge(at, b, Gate::graver);
            if (block.isHazard() && b instanceof Barred.Parked p) {
                parkedOfHazards.put(at, p.value());
            }
        });
    }

    private static Barred graver(Barred one, Barred other) {
        return one instanceof Barred.Hazard ? one : other;
    }

    private Optional<Barred> bar(PlannedBlock block, Channel channel, int offset) {
        if (block.isHazard() && !reach.hazards().contains(block.ref().fixture())) {
            return Optional.of(new Barred.Hazard(block.label(), hazard(block)));
        }
        Optional<Parked> parked = block.fixture().traits().parked().stream()
                .filter(p -> p.block() == block.ref().block() && p.offset() == offset)
                .findFirst();
        if (parked.isPresent()) {
            return parked.map(p -> new Barred.Parked(block.label(), p.value(), p.why()));
        }
        return LaserZone.isOpen(block) && !LaserZone.isForTheZone(channel)
                ? Optional.of(new Barred.ZoneFirst(block.label()))
                : Optional.empty();
    }

    private static String hazard(PlannedBlock block) {
        String own = block.fixture().traits().hazard();
        Facts.Hazard type = block.type().facts().hazard();
        return own.isBlank() ? type.words() : own;
    }

    /** The parked slots of those that were armed by their name: they hold their value whoever else is followed. */
    Map<StartAddress, Integer> parkedOfHazards() {
        return Collections.unmodifiableMap(parkedOfHazards);
    }

    /**
     * Why a slot is not raised; empty where it may be.
     *
     * @param mixes true on a way on which the box makes the highest of two sources of each slot
     */
    public Optional<Barred> barred(StartAddress slot, boolean mixes) {
        boolean reached = reach.universes().contains(slot.universe()) || armed.contains(slot);
        if (!reached) {
            return Optional.of(new Barred.NotArmed());
        }
        Optional<Barred> known = Optional.ofNullable(barred.get(slot));
        if (known.isPresent() || !mixes || light.getOrDefault(slot, true)) {
            return known;
        }
        return Optional.of(new Barred.WouldMix(listeners.getOrDefault(slot, "")));
    }
}
