package taxon.app.demo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Levels;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.seen.ParkedSlot;
import taxon.simrig.SimConsole.Show;

/** A quiet show over the rig of a plan: intensities that breathe, heads that sweep, colours that drift. What is hazardous stays at rest. */
final class DemoShow implements Show {
    private static final double BREATH_MILLIS = 7_000;
    private static final double SWEEP_MILLIS = 19_000;
    private static final double DRIFT_MILLIS = 13_000;
    private static final double STAGGER = 0.37;
    private static final int MOST = 255;

    private final Map<Integer, byte[]> rest = new HashMap<>();
    private final Map<Integer, List<Moving>> moving = new HashMap<>();
    private final Map<UniverseNumber, List<ParkedSlot>> parked;
    private volatile boolean movesParked;

    /** A channel that moves: its slots, coarse first, counted from 0. */
    private record Moving(int[] slots, double period, double phase, double least, double most) {
        void put(byte[] levels, long millis) {
            double wave = (1 + Math.sin(2 * Math.PI * millis / period + phase)) / 2;
            long value = Math.round((least + wave * (most - least)) * Levels.most(slots.length));
            for (int i = 0; i < slots.length; i++) {
                levels[slots[i]] = (byte) Levels.byteAt(value, slots.length, i);
            }
        }
    }

    DemoShow(Plan plan) {
        int nth = 0;
        for (PlannedBlock block : plan.blocks()) {
            if (block.start().isPresent()) {
                add(block, block.start().get(), nth++ * STAGGER);
            }
        }
        parked = ParkedSlot.of(plan);
    }

    /** From now on what is parked is sent something else, as when somebody programs it by accident. */
    void moveParked(boolean moves) {
        movesParked = moves;
    }

    private void add(PlannedBlock block, StartAddress start, double phase) {
        int universe = start.universe().number();
        byte[] levels = rest.computeIfAbsent(universe, u -> new byte[Slot.LAST]);
        for (Channel channel : block.block().channels()) {
            int[] slots = channel.offsets().stream()
                    .mapToInt(o -> start.slot().number() - 1 + o - 1)
                    .toArray();
            if (Arrays.stream(slots).anyMatch(s -> s >= Slot.LAST)) {
                continue;
            }
            for (int i = 0; i < slots.length; i++) {
                levels[slots[i]] = (byte) channel.restByte(i);
            }
            if (slots.length > 0 && !block.isHazard()) {
                add(universe, channel, slots, phase);
            }
        }
    }

    private void add(int universe, Channel channel, int[] slots, double phase) {
        String feature = AttributeBook.describe(channel.attribute()).feature();
        List<Moving> all = moving.computeIfAbsent(universe, u -> new ArrayList<>());
        switch (feature) {
            case "Dimmer.Dimmer" -> all.add(new Moving(slots, BREATH_MILLIS, phase, 0, 1));
            case "Position.PanTilt" -> all.add(new Moving(slots, SWEEP_MILLIS, phase, 0.35, 0.65));
            case "Color.RGB" -> all.add(new Moving(slots, DRIFT_MILLIS, phase + slots[0], 0, 1));
            default -> {
                // It stays at rest.
            }
        }
    }

    @Override
    public byte[] levels(int universe, long millis) {
        byte[] levels = rest.getOrDefault(universe, new byte[Slot.LAST]).clone();
        moving.getOrDefault(universe, List.of()).forEach(m -> m.put(levels, millis));
        for (ParkedSlot one : parked.getOrDefault(UniverseNumber.of(universe), List.of())) {
            levels[one.slot().slot().number() - 1] = (byte) (movesParked ? MOST - one.value() : one.value());
        }
        return levels;
    }
}
