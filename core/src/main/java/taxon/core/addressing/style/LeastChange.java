package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.AddressProposal.Proof;
import taxon.core.addressing.answer.AddressProposal.Reason;
import taxon.core.addressing.answer.AddressProposal.Trouble;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.style.CurrentPlace.Spot;
import taxon.core.dmx.StartAddress;

/**
 * Keeps what can be kept, at the least price: ten points for each moved fixture that is set, one for one that is only
 * planned.
 *
 * <p>What stays need not lie on round starts or at the pitch, but heeds gaps, headroom, reserved runs, the universes allowed
 * and the split. Whatever moves goes to the nearest place. Where that leaves some without a place, others make room
 * ({@link MakeRoom}).
 */
public final class LeastChange {
    private final ResolvedRequest asked;
    private final List<CurrentPlace> sittings;
    private final WhoStays.Choice hoped;

    private LeastChange(ResolvedRequest asked) {
        this.asked = asked;
        JobSpace ground = asked.ground();
        sittings = CurrentPlaces.of(asked, ground);
        hoped = WhoStays.of(sittings, ground);
    }

    public static Layout lay(ResolvedRequest asked) {
        return new LeastChange(asked).layout();
    }

    private Layout layout() {
        JobSpace ground = asked.ground();
        Set<Integer> kept = seat(sittings, hoped.stay(), ground);
        Map<Integer, StartAddress> starts = new NearPlaces(ground).place(lifted(kept));
        boolean whole = isWhole(kept, starts);
        if (!whole && fitsByLength(ground)) {
            Optional<MakeRoom.Room> room = new MakeRoom(asked, sittings).best(hoped);
            if (room.isPresent()) {
                Set<Integer> keptThen = seat(sittings, room.get().stay(), asked.ground());
                return layout(
                        room.get().stay(),
                        keptThen,
                        room.get().starts(),
                        new Proof.Least(room.get().points(), room.get().atLeast()));
            }
        }
        Proof proof = new Proof.Least(hoped.points(), whole ? hoped.atLeast() : 0);
        return layout(hoped.stay(), kept, starts, proof);
    }

    /** True when every run is short enough for some universe: only then can making room help. */
    private boolean fitsByLength(JobSpace ground) {
        return asked.runs().stream().allMatch(r -> r.length() <= ground.lastSlot());
    }

    private List<BlockRun> lifted(Set<Integer> kept) {
        return asked.runs().stream()
                .filter(r -> !kept.contains(r.index()) && !asked.forced().containsKey(r.index()))
                .toList();
    }

    private boolean isWhole(Set<Integer> kept, Map<Integer, StartAddress> starts) {
        return asked.runs().stream()
                .allMatch(r -> kept.contains(r.index())
                        || starts.containsKey(r.index())
                        || asked.forced().containsKey(r.index()));
    }

    /** Puts those that stay on the ground; gives the indices of the runs that stay with them. */
    static Set<Integer> seat(List<CurrentPlace> sittings, Set<Integer> stay, JobSpace ground) {
        Set<Integer> kept = new HashSet<>();
        Set<List<Integer>> seated = new HashSet<>();
        for (CurrentPlace sitting : sittings) {
            if (!stay.contains(sitting.index())) {
                continue;
            }
            for (Spot spot : sitting.spots()) {
                kept.add(spot.run().index());
                boolean first =
                        !spot.run().shares() || seated.add(List.of(spot.run().index()));
                if (first) {
                    ground.take(
                            StartAddress.of(spot.universe(), spot.first()),
                            spot.last() - spot.first() + 1,
                            spot.run().company(),
                            spot.load());
                }
            }
        }
        return kept;
    }

    private Layout layout(Set<Integer> stay, Set<Integer> kept, Map<Integer, StartAddress> found, Proof proof) {
        Map<Integer, StartAddress> starts = new TreeMap<>(found);
        starts.putAll(asked.forced());
        Set<Integer> whole = new HashSet<>();
        for (BlockRun run : asked.runs()) {
            if (kept.contains(run.index())) {
                keepStart(run, stay, starts);
                if (!run.shares()) {
                    whole.add(run.index());
                }
            }
        }
        return new Layout(Layout.starts(asked.runs(), starts), whole, reasons(stay), proof);
    }

    /** A shared run stays where the one is that stays; the others come to it. */
    private void keepStart(BlockRun run, Set<Integer> stay, Map<Integer, StartAddress> starts) {
        if (!run.shares()) {
            run.blocks().get(0).start().ifPresent(a -> starts.put(run.index(), a));
            return;
        }
        sittings.stream()
                .filter(s -> stay.contains(s.index()))
                .flatMap(s -> s.spots().stream())
                .filter(s -> s.run().index() == run.index())
                .findFirst()
                .ifPresent(s -> starts.put(run.index(), StartAddress.of(s.universe(), s.first())));
    }

    private Map<Integer, Reason> reasons(Set<Integer> stay) {
        Map<Integer, List<CurrentPlace>> staying = new HashMap<>();
        for (CurrentPlace sitting : sittings) {
            if (stay.contains(sitting.index())) {
                sitting.spots()
                        .forEach(s -> staying.computeIfAbsent(s.universe(), u -> new ArrayList<>())
                                .add(sitting));
            }
        }
        Map<Integer, Reason> reasons = new HashMap<>();
        for (CurrentPlace sitting : sittings) {
            if (!stay.contains(sitting.index())) {
                Reason reason = new Reason.Leaves(trouble(sitting, staying));
                sitting.spots().forEach(s -> reasons.put(s.run().index(), reason));
            }
        }
        return reasons;
    }

    private Trouble trouble(CurrentPlace moving, Map<Integer, List<CurrentPlace>> staying) {
        int gap = asked.wish().spacing().gap();
        return moving.trouble()
                .orElseGet(() -> moving.spots().stream()
                        .flatMap(s -> staying.getOrDefault(s.universe(), List.of()).stream())
                        .filter(o -> o.meets(moving, gap))
                        .findFirst()
                        .<Trouble>map(o -> new Trouble.Meets(o.fixture().label(), gap))
                        .orElse(new Trouble.MakesRoom()));
    }
}
