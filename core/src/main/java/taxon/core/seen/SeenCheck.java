package taxon.core.seen;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.dmx.PacketTiming;
import taxon.core.dmx.UniverseNumber;
import taxon.core.reception.Carrier;
import taxon.core.reception.Heard;
import taxon.core.reception.Sender.Protocol;
import taxon.core.reception.UniverseReception.Overview;
import taxon.core.rig.Plan;

/** Holds what is heard against the plan. Pure: what was heard in, remarks out; its cost grows with the universes. */
public final class SeenCheck {
    /** Levels that move more seldom than this are seen to step (common practice). */
    static final double SLOWEST = 20;
    /** So much above what a line carries is taken for measuring error. */
    private static final double TOLERANCE = 1.1;
    /** Fewer slots than this above 0 may well be alike by chance. */
    private static final int ENOUGH_TO_COMPARE = 4;
    /** Lost or late packets that one in so many may be. */
    private static final int ONE_IN = 200;
    /** Counting from 0 on one side and from 1 on the other; a group of sixteen taken for another. */
    private static final List<Integer> USUAL_SHIFTS = List.of(1, -1, 16, -16);

    private final Plan plan;
    private final Expected expected;
    private final Map<Carrier, Overview> heard = new TreeMap<>();
    private final Map<Integer, List<Carrier>> byLevels = new HashMap<>();
    private final long nanos;
    private final Map<UniverseNumber, List<ParkedSlot>> parked;
    private final Function<Carrier, List<Integer>> levels;

    private SeenCheck(
            Plan plan,
            Expected expected,
            List<Overview> overviews,
            Function<Carrier, List<Integer>> levels,
            long nanos) {
        this.plan = plan;
        this.levels = levels;
        parked = ParkedSlot.of(plan);
        this.expected = expected;
        this.nanos = nanos;
        for (Overview overview : overviews) {
            heard.put(overview.carrier(), overview);
            if (isSent(overview) && overview.above() >= ENOUGH_TO_COMPARE) {
                byLevels.computeIfAbsent(overview.fingerprint(), f -> new ArrayList<>())
                        .add(overview.carrier());
            }
        }
    }

    /**
     * Holds it.
     *
     * @param levels of a universe, 512 of them, or none where it is not heard; asked for only where something is parked
     * @param nanos the time on the clock of the packets
     */
    public static Seen of(Plan plan, List<Overview> overviews, Function<Carrier, List<Integer>> levels, long nanos) {
        SeenCheck check = new SeenCheck(plan, Expected.of(plan), overviews, levels, nanos);
        Set<Carrier> all = new TreeSet<>(check.expected.carriers());
        all.addAll(check.heard.keySet());
        return new Seen(all.stream().map(check::line).toList(), check.shift());
    }

    private static boolean isSent(Overview overview) {
        return !overview.heard().isEmpty();
    }

    private SeenLine line(Carrier carrier) {
        Optional<Overview> overview = Optional.ofNullable(heard.get(carrier));
        List<Remark> remarks =
                overview.filter(SeenCheck::isSent).map(o -> remarks(carrier, o)).orElseGet(() -> ofSilence(carrier));
        return new SeenLine(carrier, expected.universes(carrier), overview, remarks);
    }

    private List<Remark> ofSilence(Carrier carrier) {
        if (expected.ways(carrier).isEmpty()) {
            return List.of();
        }
        return List.of(expected.isForAll(carrier) ? new Remark.Missing() : new Remark.NotForThisCard());
    }

    private List<Remark> remarks(Carrier carrier, Overview overview) {
        List<Remark> remarks = new ArrayList<>();
        if (overview.isSampling()) {
            remarks.add(new Remark.Sampling());
        }
        if (expected.ways(carrier).isEmpty()) {
            remarks.add(new Remark.Unplanned());
        }
        if (overview.heard().stream().allMatch(Heard::isPreview)) {
            remarks.add(new Remark.PreviewOnly());
        } else if (overview.above() == 0) {
            remarks.add(new Remark.AllZero());
        }
        if (overview.beyond() > 0) {
            remarks.add(new Remark.TurnedAway(overview.beyond()));
        }
        several(carrier, overview).ifPresent(remarks::add);
        senders(overview, overview.winners()).forEach(w -> ofSender(carrier, w, remarks));
        sameAs(carrier, overview).ifPresent(remarks::add);
        if (!overview.isSampling()) {
            parkedMoved(carrier).ifPresent(remarks::add);
        }
        return remarks;
    }

    private Optional<Remark> parkedMoved(Carrier carrier) {
        List<ParkedSlot> held = expected.universes(carrier).stream()
                .flatMap(u -> parked.getOrDefault(u, List.of()).stream())
                .toList();
        List<Integer> sent = held.isEmpty() ? List.of() : levels.apply(carrier);
        List<ParkedSlot> moved = held.stream()
                .filter(h -> !sent.isEmpty() && level(sent, h) != h.value())
                .toList();
        return moved.stream().findFirst().map(m -> new Remark.ParkedMoved(m, level(sent, m), moved.size()));
    }

    private static int level(List<Integer> sent, ParkedSlot at) {
        return sent.get(at.slot().slot().number() - 1);
    }

    /** Those whose levels meet in some slot with the same weight. */
    private Optional<Remark> several(Carrier carrier, Overview overview) {
        List<Heard> rivals = senders(overview, overview.rivals());
        if (rivals.isEmpty()) {
            return Optional.empty();
        }
        boolean same = rivals.stream().map(Heard::levels).distinct().count() == 1;
        return Optional.of(new Remark.Several(rivals, same, planned(carrier) >= rivals.size()));
    }

    private static List<Heard> senders(Overview overview, List<Integer> which) {
        return which.stream().map(w -> overview.heard().get(w)).toList();
    }

    private int planned(Carrier carrier) {
        return expected.universes(carrier).stream()
                .mapToInt(u -> plan.universe(u).sources().size())
                .max()
                .orElse(0);
    }

    private void ofSender(Carrier carrier, Heard sender, List<Remark> remarks) {
        boolean still = sender.isStill(nanos);
        double most = new PacketTiming(Math.max(1, sender.slots())).packetsPerSecond();
        if (still) {
            remarks.add(new Remark.Still(sender));
        } else if (sender.movingRate() > 0 && sender.movingRate() < SLOWEST) {
            remarks.add(new Remark.Slow(sender));
        }
        if (sender.rate() > most * TOLERANCE) {
            remarks.add(new Remark.Fast(sender, most));
        }
        if ((sender.lost() + sender.late()) * ONE_IN > sender.packets()) {
            remarks.add(new Remark.Gaps(sender));
        }
        if (sender.synchronisation() != 0) {
            remarks.add(new Remark.Synchronised(sender));
        }
        priority(carrier, sender).ifPresent(remarks::add);
    }

    private Optional<Remark> priority(Carrier carrier, Heard sender) {
        Set<Integer> planned = expected.ways(carrier).stream()
                .flatMap(w -> w.priority().stream().boxed())
                .collect(Collectors.toCollection(TreeSet::new));
        expected.universes(carrier).stream()
                .flatMap(u -> plan.universe(u).sources().stream())
                .forEach(s -> planned.add(s.priority()));
        boolean has = carrier.protocol() == Protocol.SACN && !planned.isEmpty();
        return has && !planned.contains(sender.priority())
                ? Optional.of(
                        new Remark.OtherPriority(sender, planned.iterator().next()))
                : Optional.empty();
    }

    /** One universe of the plan may well go by two protocols: that is no other universe. */
    private Optional<Remark> sameAs(Carrier carrier, Overview overview) {
        List<UniverseNumber> own = expected.universes(carrier);
        return byLevels.getOrDefault(overview.fingerprint(), List.of()).stream()
                .filter(o -> overview.above() >= ENOUGH_TO_COMPARE && !o.equals(carrier))
                .filter(o -> own.isEmpty() || expected.universes(o).stream().noneMatch(own::contains))
                .findFirst()
                .map(o -> new Remark.SameAs(o, expected.universes(o)));
    }

    private Optional<Seen.Shift> shift() {
        for (Protocol protocol : Protocol.values()) {
            Set<Carrier> sent = heard.values().stream()
                    .filter(SeenCheck::isSent)
                    .map(Overview::carrier)
                    .filter(c -> c.protocol() == protocol)
                    .collect(Collectors.toSet());
            Set<Carrier> planned = expected.carriers().stream()
                    .filter(c -> c.protocol() == protocol && expected.isForAll(c))
                    .collect(Collectors.toSet());
            for (int by : USUAL_SHIFTS) {
                if (!planned.isEmpty() && !sent.equals(planned) && sent.equals(shifted(planned, by))) {
                    return Optional.of(new Seen.Shift(protocol, by, planned.size()));
                }
            }
        }
        return Optional.empty();
    }

    private static Set<Carrier> shifted(Set<Carrier> carriers, int by) {
        return carriers.stream().flatMap(c -> c.plus(by).stream()).collect(Collectors.toSet());
    }
}
