package taxon.core.library;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * A known mode in place of a type that nobody has described: how well its channel order fits what the unit does.
 *
 * @param right how many slots the console would drive as the unit understands them
 * @param wrong what would misbehave, slot by slot, in order
 */
public record StandIn(TypeSummary type, ModeSummary mode, Fit fit, int right, List<Misfit> wrong) {

    /** How an order fits, the best first. */
    public enum Fit {
        /** Slot for slot the same. */
        EXACT,
        /** The same order, and more slots behind, which reach past the unit. */
        MORE_BEHIND,
        /** The same order, but shorter: the console cannot reach the last slots of the unit. */
        LESS_BEHIND,
        /** The same order with other channels between, which shift what follows. */
        EXTRA_BETWEEN,
        /** The same attributes in another order. */
        OTHER_ORDER,
        /** Only part of the attributes, or more than that differs. */
        PARTLY
    }

    /**
     * One slot that does something else than the console thinks.
     *
     * @param slot counted from 1
     * @param sent what the console means by it; empty where it sends nothing
     * @param done what the unit does with it; empty where the unit ends before
     */
    public record Misfit(int slot, String sent, String done) {}

    private static final Comparator<StandIn> ORDER = Comparator.comparing((StandIn s) -> -s.right())
            .thenComparing(s -> s.fit())
            .thenComparing(s -> s.wrong().size())
            .thenComparing(s -> s.type().maker())
            .thenComparing(s -> s.type().name())
            .thenComparing(s -> s.mode().name());

    public StandIn {
        wrong = List.copyOf(wrong);
    }

    /**
     * Ranks the modes of all types: those with more slots right first, then by how they fit. Modes that share less than half of the slots' attributes are left out. Time: linear in
     * the slots of all modes.
     */
    public static List<StandIn> rank(ChannelOrder order, Iterable<TypeSummary> types, int most) {
        List<StandIn> found = new ArrayList<>();
        if (order.slots().isEmpty()) {
            return found;
        }
        for (TypeSummary type : types) {
            for (ModeSummary mode : type.modes()) {
                if (2 * shared(order.slots(), mode.slots()) > order.slots().size()) {
                    found.add(of(order.slots(), type, mode));
                }
            }
        }
        found.sort(ORDER);
        return List.copyOf(found.subList(0, Math.min(most, found.size())));
    }

    private static StandIn of(List<String> unit, TypeSummary type, ModeSummary mode) {
        List<String> sent = mode.slots();
        List<Misfit> wrong = new ArrayList<>();
        int right = 0;
        for (int i = 0; i < Math.max(unit.size(), sent.size()); i++) {
            String does = i < unit.size() ? unit.get(i) : "";
            String means = i < sent.size() ? sent.get(i) : "";
            if (does.equals(means)) {
                right++;
            } else {
                wrong.add(new Misfit(i + 1, means, does));
            }
        }
        return new StandIn(type, mode, fit(unit, sent), right, wrong);
    }

    private static Fit fit(List<String> unit, List<String> sent) {
        if (unit.equals(sent)) {
            return Fit.EXACT;
        }
        if (startsWith(sent, unit)) {
            return Fit.MORE_BEHIND;
        }
        if (startsWith(unit, sent)) {
            return Fit.LESS_BEHIND;
        }
        if (isInOrderIn(unit, sent)) {
            return Fit.EXTRA_BETWEEN;
        }
        return counts(unit).equals(counts(sent)) ? Fit.OTHER_ORDER : Fit.PARTLY;
    }

    private static boolean startsWith(List<String> longer, List<String> shorter) {
        return longer.size() > shorter.size()
                && longer.subList(0, shorter.size()).equals(shorter);
    }

    private static boolean isInOrderIn(List<String> wanted, List<String> slots) {
        int next = 0;
        for (String slot : slots) {
            if (next < wanted.size() && wanted.get(next).equals(slot)) {
                next++;
            }
        }
        return next == wanted.size();
    }

    private static Map<String, Integer> counts(List<String> slots) {
        Map<String, Integer> counts = new HashMap<>();
        slots.forEach(s -> counts.merge(s, 1, Integer::sum));
        return counts;
    }

    private static int shared(List<String> unit, List<String> sent) {
        Map<String, Integer> left = counts(sent);
        return (int) IntStream.range(0, unit.size())
                .filter(i -> left.merge(unit.get(i), -1, Integer::sum) >= 0)
                .count();
    }
}
