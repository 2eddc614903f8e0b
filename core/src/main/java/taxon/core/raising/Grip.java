package taxon.core.raising;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.reception.Carrier;
import taxon.core.reception.Heard;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * One arming, from its beginning to its end: what is held, and what each outlet is sent now. It ends by itself when its time is up, its
 * page is gone, whoever it follows is gone, or somebody else comes; once it has ended it never sends again. Safe for several threads.
 */
public final class Grip {
    /** Pages say so often that they are there; after so long without a word they are taken to be gone. */
    public static final long PAGE_NANOS = 5_000_000_000L;

    private static final int SLOTS = 512;
    private static final int BYTE = 0xFF;

    private final List<Driven> driven;
    private final Others others;
    private final long until;
    private final NavigableMap<StartAddress, HeldSlot> held = new TreeMap<>();
    private Reach reach;
    private Plan plan;
    private Gate gate;
    private long seen;
    private Map<UniverseNumber, byte[]> rest = Map.of();
    private Optional<Ended> ended = Optional.empty();

    /** An outlet, and what was found to happen there before it was armed. */
    public record Driven(Outlet outlet, Meeting meeting) {
        /** The priority that it is sent with. */
        public int priority() {
            return meeting instanceof Meeting.Over over ? over.ours() : outlet.priority();
        }
    }

    /**
     * What an outlet is sent.
     *
     * @param levels 512 of them
     */
    public record Frame(Outlet outlet, int priority, byte[] levels) {
        /** Tells each slot with its level. */
        public void each(BiConsumer<StartAddress, Integer> told) {
            for (int i = 0; i < levels.length; i++) {
                told.accept(new StartAddress(outlet.universe(), Slot.of(i + 1)), levels[i] & BYTE);
            }
        }
    }

    /** A slot that was not raised, and why. */
    public record Left(StartAddress slot, Barred why) {}

    /**
     * @param driven each of which is allowed
     * @param until when its time is up, on the clock of the packets
     * @param nanos now
     */
    public Grip(Plan plan, Reach reach, List<Driven> driven, Others others, long until, long nanos) {
        if (driven.isEmpty() || driven.stream().anyMatch(d -> !d.meeting().isAllowed())) {
            throw new IllegalArgumentException("nothing that may be driven: " + driven);
        }
        this.plan = plan;
        this.reach = reach;
        this.driven = List.copyOf(driven);
        this.others = others;
        this.until = until;
        seen = nanos;
        gate = Gate.of(plan, reach);
        rest = restLevels();
    }

    private Map<UniverseNumber, byte[]> restLevels() {
        Map<UniverseNumber, byte[]> levels = new TreeMap<>();
        driven.forEach(d -> levels.computeIfAbsent(d.outlet().universe(), u -> RestLevels.of(plan, u)));
        return levels;
    }

    public List<Driven> driven() {
        return driven;
    }

    public synchronized Reach reach() {
        return reach;
    }

    /** When its time is up, on the clock of the packets. */
    public long until() {
        return until;
    }

    /** What is held, in order. */
    public synchronized NavigableMap<StartAddress, HeldSlot> held() {
        return Collections.unmodifiableNavigableMap(new TreeMap<>(held));
    }

    public synchronized Optional<Ended> ended() {
        return ended;
    }

    /** A page that shows it is there. */
    public synchronized void pageIsThere(long nanos) {
        seen = Math.max(seen, nanos);
    }

    /**
     * Raises what may be raised of these levels, each slot by itself.
     *
     * @return those that were left as they are; once it has ended that is all of them
     */
    public synchronized List<Left> raise(Map<StartAddress, Integer> levels, String who, long nanos) {
        List<Left> left = new ArrayList<>();
        levels.forEach((slot, level) -> {
            Optional<Barred> barred = ended.isPresent() ? Optional.of(new Barred.NotArmed()) : barred(slot);
            if (barred.isPresent()) {
                left.add(new Left(slot, barred.get()));
            } else {
                held.put(slot, new HeldSlot(level, nanos, who));
            }
        });
        return List.copyOf(left);
    }

    private Optional<Barred> barred(StartAddress slot) {
        boolean sent = driven.stream().anyMatch(d -> d.outlet().universe().equals(slot.universe()));
        return sent ? gate.barred(slot, isMixed(slot.universe())) : Optional.of(new Barred.NotArmed());
    }

    private boolean isMixed(UniverseNumber universe) {
        return driven.stream()
                .anyMatch(d ->
                        d.outlet().universe().equals(universe) && d.meeting().isMixed());
    }

    /** True when all that a universe gets is sent from here: where a box mixes two sources, what comes of it is not known. */
    public boolean isWholeOf(UniverseNumber universe) {
        return !isMixed(universe)
                && driven.stream().anyMatch(d -> d.outlet().universe().equals(universe));
    }

    /** Holds these no longer. */
    public synchronized void release(Collection<StartAddress> slots) {
        slots.forEach(held::remove);
    }

    /** Holds nothing any more, and goes on being armed. */
    public synchronized void releaseAll() {
        held.clear();
    }

    /** From now on a unit that can hurt people may be raised too: whoever asks has typed its name. */
    public synchronized void arm(FixtureKey hazard) {
        reach = reach.arming(hazard);
        gate = Gate.of(plan, reach);
    }

    /** Lets all go, for good. The first reason stays. */
    public synchronized void end(Ended why) {
        ended = ended.or(() -> Optional.of(why));
        held.clear();
    }

    /**
     * The plan is another now. What may not be held by it is let go; where something is routed otherwise, everything.
     *
     * @return what was let go
     */
    public synchronized List<Left> replan(Plan changed) {
        plan = changed;
        gate = Gate.of(plan, reach);
        rest = restLevels();
        List<Outlet> now = Outlets.of(plan, reach.sent(plan)).outlets();
        // What was left out when it was armed, and what is routed beside it from now on, is not driven and ends
        // nothing.
        if (!now.containsAll(driven.stream().map(Driven::outlet).toList())) {
            end(new Ended.PlanChanged());
        }
        List<Left> left = new ArrayList<>();
        held.keySet().forEach(slot -> barred(slot).ifPresent(why -> left.add(new Left(slot, why))));
        left.forEach(l -> held.remove(l.slot()));
        return left;
    }

    /**
     * What a box says of an outlet that ends at it alone, where nobody can be heard.
     *
     * @param merging true when it joins two sources now
     */
    public synchronized void boxSays(Outlet outlet, boolean wasMerging, boolean merging) {
        driven.stream().filter(d -> d.outlet().equals(outlet) && outlet.toBox()).forEach(d -> {
            if (d.meeting() instanceof Meeting.Alone && merging) {
                end(new Ended.Joined(outlet.carrier(), outlet.box()));
            } else if (d.meeting() instanceof Meeting.Highest && wasMerging && !merging) {
                end(new Ended.SourceGone(outlet.carrier(), outlet.box()));
            }
        });
    }

    /** What is sent now; nothing once it has ended. To be asked again and again, for this is where it finds that it has to end. */
    public synchronized List<Frame> frames(long nanos) {
        if (ended.isEmpty()) {
            reasonToEnd(nanos).ifPresent(this::end);
        }
        return ended.isPresent()
                ? List.of()
                : driven.stream()
                        .map(d -> new Frame(d.outlet(), d.priority(), levels(d, nanos)))
                        .toList();
    }

    private Optional<Ended> reasonToEnd(long nanos) {
        if (nanos - until >= 0) {
            return Optional.of(new Ended.TimeIsUp());
        }
        if (nanos - seen > PAGE_NANOS) {
            return Optional.of(new Ended.PageGone());
        }
        return driven.stream().flatMap(d -> changed(d, nanos).stream()).findFirst();
    }

    private Optional<Ended> changed(Driven one, long nanos) {
        Carrier carrier = one.outlet().carrier();
        List<Heard> heard = others.heard(carrier, nanos);
        if (one.outlet().toBox()) {
            // What is heard here need not be what the box gets; it says itself when it has two sources.
            return Optional.empty();
        }
        if (one.meeting() instanceof Meeting.Alone) {
            return heard.stream().findFirst().map(h -> new Ended.Joined(carrier, h.named()));
        }
        if (one.meeting() instanceof Meeting.Over over) {
            int highest = others.highestPriority(carrier, nanos);
            if (heard.isEmpty()) {
                return Optional.of(new Ended.SourceGone(carrier, over.who()));
            }
            return highest >= over.ours()
                    ? Optional.of(new Ended.Outbid(
                            carrier, heard.get(heard.size() - 1).named(), highest))
                    : Optional.empty();
        }
        boolean wasHeard =
                one.meeting() instanceof Meeting.Highest && !one.outlet().toBox();
        return wasHeard && heard.isEmpty()
                ? Optional.of(new Ended.SourceGone(carrier, ((Meeting.Highest) one.meeting()).who()))
                : Optional.empty();
    }

    private byte[] levels(Driven one, long nanos) {
        byte[] levels = base(one, nanos);
        UniverseNumber universe = one.outlet().universe();
        gate.parkedOfHazards().forEach((slot, level) -> {
            if (slot.universe().equals(universe)) {
                levels[slot.slot().number() - 1] = (byte) (int) level;
            }
        });
        held.forEach((slot, h) -> {
            if (slot.universe().equals(universe)) {
                levels[slot.slot().number() - 1] = (byte) h.level();
            }
        });
        return levels;
    }

    /** Where a box makes the highest of two, nothing must come from here but what is held. */
    private byte[] base(Driven one, long nanos) {
        if (one.meeting() instanceof Meeting.Over) {
            return others.levels(one.outlet().carrier(), nanos);
        }
        byte[] own = rest.get(one.outlet().universe());
        return one.meeting().isMixed() || own == null ? new byte[SLOTS] : own.clone();
    }
}
