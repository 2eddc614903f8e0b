package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import taxon.core.addressing.answer.AddressProposal.Proof;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.network.Route.PortRef;
import taxon.core.packing.Bin;
import taxon.core.packing.FewestBins;
import taxon.core.packing.Hole;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.wish.Wish;

/**
 * Places runs on as few universes as can be, company by company. Universes that hold other fixtures cost nothing more and are
 * filled first. With ports, those that have one come before all others.
 *
 * <p>The bound is that of each company together: no two share a universe. It is proved for each by {@link FewestBins}.
 */
public final class FewestUniverses {
    private final ResolvedRequest asked;
    private final JobSpace ground;
    private final boolean byPort;
    private final Map<Integer, StartAddress> starts = new TreeMap<>();
    private final Set<Integer> given = new TreeSet<>();
    private int atLeast;
    private boolean first = true;

    private FewestUniverses(ResolvedRequest asked, JobSpace ground, boolean byPort) {
        this.asked = asked;
        this.ground = ground;
        this.byPort = byPort;
    }

    public static Layout lay(ResolvedRequest asked, JobSpace ground) {
        return new FewestUniverses(asked, ground, false).layout();
    }

    /** Fills the ports that exist before another is asked for. */
    public static Layout layByPort(ResolvedRequest asked, JobSpace ground) {
        return new FewestUniverses(asked, ground, true).layout();
    }

    private Layout layout() {
        Set<Integer> before = new TreeSet<>(ground.inUse());
        given.addAll(before);
        atLeast = before.size();
        starts.putAll(asked.forced());
        companies(open(asked.runs())).values().forEach(this::pack);
        Set<Integer> used = new TreeSet<>(before);
        starts.values().forEach(a -> used.add(a.universe().number()));
        boolean whole = starts.size() == asked.runs().size();
        int bound = whole ? Math.min(atLeast, used.size()) : before.size();
        return Layout.of(asked.runs(), starts, proof(used.size(), bound));
    }

    private Proof proof(int used, int bound) {
        return byPort ? new Proof.Ports(ports(asked.plan()), used, bound) : new Proof.Universes(used, bound);
    }

    /** Runs that are not forced to a place and that a universe can hold. */
    private List<BlockRun> open(List<BlockRun> runs) {
        return runs.stream()
                .filter(r -> !asked.forced().containsKey(r.index()) && r.length() <= ground.lastSlot())
                .toList();
    }

    private static Map<SharingClass, List<BlockRun>> companies(List<BlockRun> runs) {
        Map<SharingClass, List<BlockRun>> companies = new LinkedHashMap<>();
        runs.forEach(r ->
                companies.computeIfAbsent(r.company(), c -> new ArrayList<>()).add(r));
        return companies;
    }

    private void pack(List<BlockRun> runs) {
        SharingClass company = runs.get(0).company();
        List<Integer> mine = ground.inUse().stream()
                .filter(u -> ground.isAllowed(u) && ground.floor(u).accepts(company))
                .filter(u -> !ground.holes(u).isEmpty())
                .toList();
        List<Integer> fresh = fresh(runs);
        Packer.Result result = new Packer(ground, this::loadLeft).pack(runs, mine, fresh, FewestBins.STEPS);
        Map<Integer, BlockRun> byIndex = new TreeMap<>();
        runs.forEach(r -> byIndex.put(r.index(), r));
        int bound = isScarce(runs, fresh) ? Math.min(result.atLeast(), bySlots(runs, mine)) : result.atLeast();
        result.starts().forEach((index, start) -> {
            starts.put(index, start);
            ground.take(start, Optional.ofNullable(byIndex.get(index)).orElseThrow());
        });
        atLeast += bound;
        first = false;
    }

    /**
     * True when an earlier company may have taken universes that this one would have used better: its bound then holds only
     * for what was left to it.
     */
    private boolean isScarce(List<BlockRun> runs, List<Integer> fresh) {
        return !first && fresh.stream().filter(this::isWhole).count() < enough(runs);
    }

    /** Universes needed by the slots alone, whichever they are. */
    private int bySlots(List<BlockRun> runs, List<Integer> mine) {
        long slots = runs.stream().mapToLong(BlockRun::length).sum()
                - mine.stream()
                        .flatMap(u -> ground.holes(u).stream())
                        .mapToLong(Hole::length)
                        .sum();
        return (int) Math.max(0, (slots + ground.lastSlot() - 1) / ground.lastSlot());
    }

    private int loadLeft(int universe) {
        return byPort
                ? asked.wish()
                        .unitsPerLine()
                        .map(k -> Math.max(0, k - ground.floor(universe).load()))
                        .orElse(Bin.ANY_LOAD)
                : Bin.ANY_LOAD;
    }

    /** Empty universes in the order in which they are wanted: enough for any packing that begins none without need. */
    private List<Integer> fresh(List<BlockRun> runs) {
        int enough = enough(runs);
        List<Integer> fresh = new ArrayList<>();
        int whole = 0;
        for (int u : byPort ? routedFirst() : List.<Integer>of()) {
            fresh.add(u);
            whole += isWhole(u) ? 1 : 0;
        }
        Set<Integer> known = new TreeSet<>(fresh);
        Optional<Integer> at = ground.allowedFrom(Slot.FIRST);
        while (at.isPresent() && whole < enough) {
            int universe = at.get();
            if (!ground.isInUse(universe) && !known.contains(universe)) {
                if (!ground.holes(universe).isEmpty()) {
                    fresh.add(universe);
                    whole += isWhole(universe) ? 1 : 0;
                }
            }
            at = ground.allowedFrom(universe + 1);
        }
        return fresh;
    }

    private boolean isWhole(int universe) {
        return ground.holes(universe).stream().anyMatch(h -> h.first() == Slot.FIRST && h.last() == ground.lastSlot());
    }

    /** No two universes of a packing that begins none without need are both half empty. */
    private int enough(List<BlockRun> runs) {
        long slots =
                runs.stream().mapToLong(r -> ground.grain().pace(r.length())).sum();
        long bySlots = 2 * ((slots + ground.lastSlot() - 1) / ground.lastSlot()) + 1;
        long byLoad = byPort
                ? asked.wish()
                        .unitsPerLine()
                        .map(k -> 2L * ((runs.stream().mapToLong(BlockRun::load).sum() + k - 1) / k))
                        .orElse(0L)
                : 0;
        return (int) Math.min(runs.size(), bySlots + byLoad);
    }

    /** Universes that a port carries and nothing uses yet, by node and port. */
    private List<Integer> routedFirst() {
        TreeMap<List<Integer>, Integer> byPlace = new TreeMap<>(Comparator.comparing((List<Integer> p) -> p.get(0))
                .thenComparing(p -> p.get(1))
                .thenComparing(p -> p.get(2)));
        for (Universe universe : asked.plan().universes()) {
            int number = universe.number().number();
            if (universe.route().isPresent()
                    && ground.isAllowed(number)
                    && !ground.isInUse(number)
                    && !ground.holes(number).isEmpty()) {
                PortRef port = universe.route().get().port();
                byPlace.put(List.of(port.node(), port.number(), number), number);
            }
        }
        return List.copyOf(byPlace.values());
    }

    /** How many ports all nodes have together. */
    static int ports(Plan plan) {
        return plan.nodes().stream().mapToInt(n -> n.ports()).sum();
    }

    /** True when the wish limits what a line takes and the style heeds it. */
    public static boolean limitsLines(Wish wish) {
        return wish.style() == Wish.Style.COMPACT_BY_PORT && wish.unitsPerLine().isPresent();
    }
}
