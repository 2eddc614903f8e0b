package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.addressing.answer.Trouble;
import taxon.core.addressing.request.Piece;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.space.UniverseSpace;
import taxon.core.addressing.style.CurrentPlace.Spot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Price;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/** Reads where the fixtures of a request are now, and which of them cannot stay there beside what is fixed. */
final class CurrentPlaces {
    private final ResolvedRequest request;
    private final JobSpace space;
    private final Map<FixtureKey, List<Spot>> spots = new HashMap<>();
    /** What is fixed, by universe; read when somebody must be named who is in the way. */
    private Map<Integer, List<PlannedBlock>> fixed = Map.of();

    private CurrentPlaces(Task task) {
        request = task.request();
        space = task.base();
    }

    /** Those that have an address now, in the order of the request. */
    static List<CurrentPlace> of(Task task) {
        CurrentPlaces places = new CurrentPlaces(task);
        places.request.pieces().forEach(places::add);
        List<CurrentPlace> all = new ArrayList<>();
        for (Fixture fixture : places.request.fixtures()) {
            List<Spot> own = places.spots.getOrDefault(fixture.key(), List.of());
            if (!own.isEmpty()) {
                all.add(places.place(all.size(), fixture, own));
            }
        }
        return all;
    }

    /** Puts those that stay into a space; gives the indices of the pieces that stay with them. */
    static Set<Integer> seat(List<CurrentPlace> places, Set<Integer> stay, JobSpace space) {
        Set<Integer> kept = new HashSet<>();
        Set<Integer> shared = new HashSet<>();
        for (CurrentPlace place : places) {
            for (Spot spot : stay.contains(place.index()) ? place.spots() : List.<Spot>of()) {
                kept.add(spot.piece().index());
                if (!spot.piece().shares() || shared.add(spot.piece().index())) {
                    space.take(
                            StartAddress.of(spot.universe(), spot.first()),
                            spot.length(),
                            spot.piece().sharingClass(),
                            spot.load());
                }
            }
        }
        return kept;
    }

    private void add(Piece piece) {
        if (!piece.shares() && piece.isTogether()) {
            put(piece.blocks().get(0), piece, piece.length(), piece.load());
        } else {
            piece.blocks().forEach(b -> put(b, piece, piece.shares() ? piece.length() : b.footprint(), Piece.load(b)));
        }
    }

    /** Nothing where the block has no address. */
    private void put(PlannedBlock block, Piece piece, int length, int load) {
        block.start()
                .ifPresent(a -> spots.computeIfAbsent(block.fixture().key(), k -> new ArrayList<>())
                        .add(new Spot(
                                piece,
                                a.universe().number(),
                                a.slot().number(),
                                length,
                                space.grain().claims(length),
                                load)));
    }

    private CurrentPlace place(int index, Fixture fixture, List<Spot> own) {
        boolean set = request.plan().blocksOf(fixture).stream()
                .anyMatch(b -> Standing.of(b, request.plan()).isSet());
        Optional<Trouble> trouble =
                own.stream().flatMap(s -> trouble(s).stream()).findFirst();
        Optional<Trouble> torn =
                trouble.isEmpty() && meetsItself(own) ? Optional.of(new Trouble.Meets(fixture.label(), 0)) : trouble;
        return new CurrentPlace(index, fixture, Price.weight(set), own, torn);
    }

    /** Two blocks of one fixture on the same slots, or on one universe where the wish keeps them apart. */
    private static boolean meetsItself(List<Spot> own) {
        for (int i = 0; i < own.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (own.get(i).piece().index() == own.get(j).piece().index()
                        ? overlap(own.get(i), own.get(j))
                        : own.get(i).meets(own.get(j))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean overlap(Spot one, Spot two) {
        return one.universe() == two.universe() && one.first() <= two.last() && two.first() <= one.last();
    }

    private Optional<Trouble> trouble(Spot spot) {
        StartAddress start = StartAddress.of(spot.universe(), spot.first());
        Optional<StartAddress> forced =
                Optional.ofNullable(request.forced().get(spot.piece().index()));
        if (forced.isPresent()) {
            return forced.get().equals(start) ? Optional.empty() : Optional.of(new Trouble.ShareApart());
        }
        return againstTheWish(spot, start).or(() -> besideOthers(spot));
    }

    private Optional<Trouble> againstTheWish(Spot spot, StartAddress start) {
        if (spot.last() > space.lastSlot()) {
            return Optional.of(new Trouble.PastEnd(spot.last(), space.lastSlot()));
        }
        if (!space.wish().universes().holds(start.universe())) {
            return Optional.of(new Trouble.NotAllowed(UniverseNumber.of(spot.universe())));
        }
        if (start.compareTo(space.wish().from()) < 0) {
            return Optional.of(new Trouble.BeforeFirst(space.wish().from()));
        }
        return space.grain().isStart(spot.first())
                ? Optional.empty()
                : Optional.of(new Trouble.OffStarts(spot.first(), space.grain().step()));
    }

    private Optional<Trouble> besideOthers(Spot spot) {
        UniverseSpace there = space.universe(spot.universe());
        if (there.touchesReserved(spot.first(), spot.last())) {
            return Optional.of(new Trouble.Reserved(reserved(spot)));
        }
        if (!there.accepts(spot.piece().sharingClass())) {
            return Optional.of(
                    new Trouble.Apart(other(there, spot), spot.piece().sharingClass()));
        }
        return there.isFree(spot.first(), spot.length())
                ? onItsLine(spot)
                : Optional.of(new Trouble.Meets(fixedAt(spot), space.grain().gap()));
    }

    private Optional<Trouble> onItsLine(Spot spot) {
        return space.lineTakes(spot.universe(), spot.load())
                ? Optional.empty()
                : space.wish()
                        .lineLimit()
                        .map(k -> new Trouble.LineFull(
                                space.universe(spot.universe()).load() + spot.load(), k));
    }

    private static SharingClass other(UniverseSpace there, Spot spot) {
        return there.classes().stream()
                .filter(c -> !c.equals(spot.piece().sharingClass()))
                .sorted()
                .findFirst()
                .orElseThrow();
    }

    private String reserved(Spot spot) {
        return request.plan().reservedRuns().stream()
                .filter(r -> r.universe().number() == spot.universe())
                .filter(r -> r.slots().first() <= spot.last()
                        && spot.first() <= r.slots().last())
                .map(ReservedRun::label)
                .findFirst()
                .orElse("");
    }

    private String fixedAt(Spot spot) {
        if (fixed.isEmpty()) {
            fixed = request.plan().blocks().stream()
                    .filter(b -> b.start().isPresent()
                            && !request.keys().contains(b.fixture().key()))
                    .collect(Collectors.groupingBy(
                            b -> b.start().orElseThrow().universe().number()));
        }
        return fixed.getOrDefault(spot.universe(), List.of()).stream()
                .filter(b -> start(b) <= spot.lastClaimed()
                        && spot.first() < start(b) + space.grain().claims(b.footprint()))
                .map(PlannedBlock::label)
                .findFirst()
                .orElse("");
    }

    private static int start(PlannedBlock block) {
        return block.start().orElseThrow().slot().number();
    }
}
