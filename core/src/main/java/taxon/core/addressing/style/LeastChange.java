package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import taxon.core.addressing.answer.Optimum;
import taxon.core.addressing.answer.Reason;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.space.JobSpace;
import taxon.core.dmx.StartAddress;

/**
 * Keeps what can be kept, at the least price: ten points for each moved fixture that is set, one for one that is only
 * planned.
 *
 * <p>What stays heeds everything that the wish says, as what moves does. Whatever moves goes to the nearest place. Where that
 * leaves some without a place, others make room ({@link MakeRoom}).
 */
final class LeastChange {
    private final Task task;
    private final List<CurrentPlace> places;
    private final WhoStays.Choice hoped;

    private LeastChange(Task task) {
        this.task = task;
        places = CurrentPlaces.of(task);
        hoped = task.effort().within(task.effort().left() / 4, e -> WhoStays.of(places, task.base(), e));
    }

    static Layout lay(Task task) {
        return new LeastChange(task).layout();
    }

    private Layout layout() {
        JobSpace space = task.space();
        Set<Integer> kept = CurrentPlaces.seat(places, hoped.stay(), space);
        List<Piece> lifted =
                task.open().stream().filter(r -> !kept.contains(r.index())).toList();
        Map<Integer, StartAddress> near = new NearPlaces(space).place(lifted);
        if (near.size() == lifted.size()) {
            return layout(hoped.stay(), near, new Optimum.Least(hoped.points(), hoped.atLeast()), 0);
        }
        MakeRoom.Room room = new MakeRoom(task, places).best(hoped);
        return layout(room.stay(), room.starts(), new Optimum.Least(room.points(), room.atLeast()), room.leftAtLeast());
    }

    private Layout layout(Set<Integer> stay, Map<Integer, StartAddress> found, Optimum optimum, int leftAtLeast) {
        Map<Integer, StartAddress> starts = new TreeMap<>(found);
        starts.putAll(task.request().forced());
        Set<Integer> whole = new HashSet<>();
        for (CurrentPlace place : places) {
            for (CurrentPlace.Spot spot : stay.contains(place.index()) ? place.spots() : List.<CurrentPlace.Spot>of()) {
                // A shared piece stays where the one is that stays; the others come to it.
                starts.putIfAbsent(spot.piece().index(), startOf(spot));
                if (!spot.piece().shares()) {
                    whole.add(spot.piece().index());
                }
            }
        }
        return new Layout(Layout.starts(task.request().pieces(), starts), whole, reasons(stay), optimum, leftAtLeast);
    }

    private static StartAddress startOf(CurrentPlace.Spot spot) {
        return spot.piece().shares()
                ? StartAddress.of(spot.universe(), spot.first())
                : spot.piece().blocks().get(0).start().orElseThrow();
    }

    private Map<Integer, Reason> reasons(Set<Integer> stay) {
        Map<Integer, List<CurrentPlace>> staying = new HashMap<>();
        places.stream()
                .filter(p -> stay.contains(p.index()))
                .forEach(p -> p.spots()
                        .forEach(s -> staying.computeIfAbsent(s.universe(), u -> new ArrayList<>())
                                .add(p)));
        Map<Integer, Reason> reasons = new HashMap<>();
        for (CurrentPlace place : places) {
            if (!stay.contains(place.index())) {
                Reason reason = new Reason.Leaves(trouble(place, staying));
                place.spots().forEach(s -> reasons.put(s.piece().index(), reason));
            }
        }
        return reasons;
    }

    private Trouble trouble(CurrentPlace moving, Map<Integer, List<CurrentPlace>> staying) {
        int gap = task.request().wish().spacing().gap();
        return moving.trouble()
                .orElseGet(() -> moving.spots().stream()
                        .flatMap(s -> staying.getOrDefault(s.universe(), List.of()).stream())
                        .filter(o -> o.meets(moving))
                        .findFirst()
                        .<Trouble>map(o -> new Trouble.Meets(o.fixture().label(), gap))
                        .orElse(new Trouble.MakesRoom()));
    }
}
