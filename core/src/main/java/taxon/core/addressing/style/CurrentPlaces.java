package taxon.core.addressing.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.addressing.answer.AddressProposal.Trouble;
import taxon.core.addressing.request.BlockRun;
import taxon.core.addressing.request.ResolvedRequest;
import taxon.core.addressing.request.SharingClass;
import taxon.core.addressing.space.JobSpace;
import taxon.core.addressing.space.UniverseSpace;
import taxon.core.addressing.style.CurrentPlace.Spot;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.ReservedRun;

/** Reads where the fixtures of a request sit now, and which of them cannot stay there beside what is fixed. */
final class CurrentPlaces {
    private final ResolvedRequest asked;
    private final JobSpace ground;
    private final int gap;
    private final Map<FixtureKey, List<Spot>> spots = new HashMap<>();
    private final Map<Integer, List<PlannedBlock>> fixed = new HashMap<>();

    private CurrentPlaces(ResolvedRequest asked, JobSpace ground) {
        this.asked = asked;
        this.ground = ground;
        gap = ground.grain().gap();
        Set<FixtureKey> keys = asked.keys();
        asked.plan().blocks().stream()
                .filter(b -> b.start().isPresent() && !keys.contains(b.fixture().key()))
                .forEach(b -> fixed.computeIfAbsent(
                                b.start().orElseThrow().universe().number(), u -> new ArrayList<>())
                        .add(b));
    }

    /** Those that have an address now, in the order of the request. */
    static List<CurrentPlace> of(ResolvedRequest asked, JobSpace ground) {
        CurrentPlaces sittings = new CurrentPlaces(asked, ground);
        asked.runs().forEach(sittings::add);
        List<CurrentPlace> all = new ArrayList<>();
        for (Fixture fixture : asked.fixtures()) {
            List<Spot> own = sittings.spots.getOrDefault(fixture.key(), List.of());
            if (!own.isEmpty()) {
                all.add(sittings.sitting(all.size(), fixture, own));
            }
        }
        return all;
    }

    private void add(BlockRun run) {
        List<PlannedBlock> blocks = run.blocks();
        if (!run.shares() && isTogether(blocks)) {
            put(blocks.get(0), run, run.length(), run.load());
        } else {
            blocks.forEach(b -> put(b, run, run.shares() ? run.length() : b.footprint(), JobSpace.load(b)));
        }
    }

    /** Nothing where the block has no address. */
    private void put(PlannedBlock block, BlockRun run, int length, int load) {
        block.start().ifPresent(a -> {
            int first = a.slot().number();
            put(block, new Spot(run, a.universe().number(), first, first + length - 1, load));
        });
    }

    private void put(PlannedBlock block, Spot spot) {
        spots.computeIfAbsent(block.fixture().key(), k -> new ArrayList<>()).add(spot);
    }

    /** True when every block begins where the one before it ends. */
    static boolean isTogether(List<PlannedBlock> blocks) {
        Optional<StartAddress> next = blocks.get(0).start();
        for (PlannedBlock block : blocks) {
            if (next.isEmpty() || !block.start().equals(next)) {
                return false;
            }
            Optional<StartAddress> behind = next.get().after(block.footprint() > 512 ? 512 : block.footprint());
            next = behind.filter(
                    a -> a.universe().equals(block.start().orElseThrow().universe()));
        }
        return true;
    }

    private CurrentPlace sitting(int index, Fixture fixture, List<Spot> own) {
        boolean set = asked.plan().blocksOf(fixture).stream()
                .anyMatch(b -> Standing.of(b, asked.plan()).isSet());
        Optional<Trouble> trouble =
                own.stream().flatMap(s -> trouble(s).stream()).findFirst();
        Optional<Trouble> torn =
                trouble.isEmpty() && meetsItself(own) ? Optional.of(new Trouble.Meets(fixture.label(), 0)) : trouble;
        return new CurrentPlace(index, fixture, CurrentPlace.weight(set), own, torn);
    }

    /** Two blocks of one fixture on the same slots, or on one universe where the wish keeps them apart. */
    private boolean meetsItself(List<Spot> own) {
        for (int i = 0; i < own.size(); i++) {
            for (int j = 0; j < i; j++) {
                Spot one = own.get(i);
                Spot two = own.get(j);
                boolean sameUniverse = one.universe() == two.universe();
                int apart = one.run().index() == two.run().index() ? 0 : gap;
                if (sameUniverse
                        && (!one.run().company().equals(two.run().company())
                                || (one.first() <= two.last() + apart && two.first() <= one.last() + apart))) {
                    return true;
                }
            }
        }
        return false;
    }

    private Optional<Trouble> trouble(Spot spot) {
        Optional<StartAddress> forced =
                Optional.ofNullable(asked.forced().get(spot.run().index()));
        if (forced.isPresent()) {
            boolean there = forced.get().equals(StartAddress.of(spot.universe(), spot.first()));
            return there ? Optional.empty() : Optional.of(new Trouble.ShareApart());
        }
        if (spot.last() > ground.lastSlot()) {
            return Optional.of(new Trouble.PastEnd(spot.last(), ground.lastSlot()));
        }
        if (!asked.wish().universes().holds(UniverseNumber.of(spot.universe()))) {
            return Optional.of(new Trouble.NotAllowed(UniverseNumber.of(spot.universe())));
        }
        UniverseSpace floor = ground.floor(spot.universe());
        if (floor.touchesReserved(spot.first(), spot.last())) {
            return Optional.of(new Trouble.Reserved(reserved(spot)));
        }
        if (!floor.accepts(spot.run().company())) {
            SharingClass other = floor.companies().stream()
                    .filter(c -> !c.equals(spot.run().company()))
                    .findFirst()
                    .orElseThrow();
            return Optional.of(new Trouble.Apart(other, spot.run().company()));
        }
        return floor.isFree(spot.first(), spot.last() - spot.first() + 1, gap)
                ? Optional.empty()
                : Optional.of(new Trouble.Meets(fixedAt(spot), gap));
    }

    private String reserved(Spot spot) {
        return asked.plan().reservedRuns().stream()
                .filter(r -> r.universe().number() == spot.universe())
                .filter(r -> r.slots().first() <= spot.last()
                        && spot.first() <= r.slots().last())
                .map(ReservedRun::label)
                .findFirst()
                .orElse("");
    }

    private String fixedAt(Spot spot) {
        return fixed.getOrDefault(spot.universe(), List.of()).stream()
                .filter(b -> b.slots().orElseThrow().first() <= spot.last() + gap
                        && spot.first() <= b.slots().orElseThrow().last() + gap)
                .map(PlannedBlock::label)
                .findFirst()
                .orElse("");
    }
}
