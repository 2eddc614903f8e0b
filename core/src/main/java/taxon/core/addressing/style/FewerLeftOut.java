package taxon.core.addressing.style;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import taxon.core.packing.Effort;
import taxon.core.rig.FixtureKey;

/**
 * Looks for a layout that leaves out fewer: some are taken apart, so that they take no room with a part of them, and when the
 * others are placed they are offered what is left. It gives what was found before where it finds nothing better.
 */
final class FewerLeftOut {
    /** Of those who are left out, how many parts are tried apart from the others: a third, two thirds, all. */
    private static final int PARTS = 3;

    /** Where no more than so many are left out, they are taken apart one by one, each with a part of the effort. */
    private static final int MOST_ALONE = 8;

    private static final int PARTS_OF_FEW = 6;

    /** New ones times all fixtures of the rig: each of the first is offered what the others leave. */
    private static final long MOST_OFFERS = 400_000;

    /** Lays the request in the style of its wish, with some apart who are offered what the others leave. */
    interface Laying {
        Laid without(Set<FixtureKey> apart, Effort effort);
    }

    private final Attempt attempt;
    private final Laying laying;
    private final Effort effort;
    private final long mostOffers;

    FewerLeftOut(Attempt attempt, Effort effort) {
        this(attempt, (a, e) -> attempt.lay(attempt.request().wish().style(), a, e), effort, MOST_OFFERS);
    }

    /** @param mostOffers new ones times all fixtures of the rig, up to which new ones wait */
    FewerLeftOut(Attempt attempt, Laying laying, Effort effort, long mostOffers) {
        this.attempt = attempt;
        this.laying = laying;
        this.effort = effort;
        this.mostOffers = mostOffers;
    }

    /**
     * Who is left out is taken apart, all of them or the longest. Where they are few, each is taken apart alone, all but each,
     * and those who have no address yet, who are in nobody's way.
     */
    Laid than(Laid found) {
        Laid best = withoutNewOnes(found);
        best = withoutTheLongest(best, longestFirst(found));
        // Where somebody with an address was left out, the new ones were apart before, with more effort.
        Set<FixtureKey> known = leavesOutAddressed(found) ? found.newOnes() : Set.of();
        return best.left() > MOST_ALONE ? best : withoutFew(best, known);
    }

    /**
     * Who has no address yet is in nobody's way while it waits. So where others would stay where they cannot lie, those alone
     * are laid first, and the new ones are offered what is left.
     */
    Laid withoutNewOnes(Laid found) {
        Set<FixtureKey> apart = found.newOnes();
        if (!leavesOutAddressed(found) || !areFew(apart) || !isEnough(PARTS)) {
            return found;
        }
        Laid again = again(apart, PARTS);
        return again.left() < found.left() ? again.atLeast(found.leftAtLeast()) : found;
    }

    private Laid withoutTheLongest(Laid found, List<FixtureKey> longestFirst) {
        Laid best = found;
        for (int part = 1; part <= PARTS && isEnough(PARTS); part++) {
            Set<FixtureKey> apart = new HashSet<>(longestFirst.subList(0, longestFirst.size() * part / PARTS));
            Laid again = apart.isEmpty() ? best : again(apart, PARTS);
            boolean asWished = part == PARTS && again.left() == best.left();
            best = again.left() < best.left() || asWished ? again : best;
        }
        return best;
    }

    private Laid withoutFew(Laid found, Set<FixtureKey> known) {
        Laid best = found;
        for (Set<FixtureKey> apart : fewApart(found)) {
            if (!apart.equals(known) && best.left() > best.leftAtLeast() && isEnough(PARTS_OF_FEW)) {
                Laid again = again(apart, PARTS_OF_FEW);
                best = again.left() < best.left() ? again : best;
            }
        }
        return best;
    }

    private boolean isEnough(int parts) {
        return attempt.isEnough(effort.left() / parts);
    }

    private Laid again(Set<FixtureKey> apart, int parts) {
        return effort.within(effort.left() / parts, e -> laying.without(apart, e));
    }

    private boolean leavesOutAddressed(Laid found) {
        return found.leftOut().stream().anyMatch(k -> !attempt.addresses(k).isEmpty());
    }

    /** So few that each can be offered what the others leave. */
    private boolean areFew(Set<FixtureKey> apart) {
        return !apart.isEmpty()
                && (long) apart.size() * attempt.plan().fixtures().size() <= mostOffers;
    }

    private List<FixtureKey> longestFirst(Laid found) {
        return found.leftOut().stream()
                .sorted(Comparator.comparingInt((FixtureKey k) -> -attempt.slots(k))
                        .thenComparing(k -> k))
                .toList();
    }

    private List<Set<FixtureKey>> fewApart(Laid found) {
        Set<Set<FixtureKey>> apart = new LinkedHashSet<>();
        if (areFew(found.newOnes())) {
            apart.add(found.newOnes());
        }
        List<FixtureKey> longestFirst = longestFirst(found);
        longestFirst.forEach(k -> apart.add(Set.of(k)));
        for (FixtureKey key : longestFirst) {
            Set<FixtureKey> others = new HashSet<>(longestFirst);
            others.remove(key);
            apart.add(others);
        }
        apart.remove(Set.<FixtureKey>of());
        return List.copyOf(apart);
    }
}
