package taxon.core.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import taxon.core.compare.RowDifference.Kind;
import taxon.core.dmx.StartAddress;
import taxon.core.text.Likeness;

/** In which ways matched rows differ. What one side does not say is no difference. */
final class RowDifferences {
    private final Set<Match> outOfOrder;
    private final Map<List<String>, Boolean> sameTypes = new HashMap<>();

    RowDifferences(List<Match> matches) {
        outOfOrder = outOfOrder(matches);
    }

    /** The fewest that would have to go elsewhere so that the others stand in one order: all but a longest rising run. */
    private static Set<Match> outOfOrder(List<Match> matches) {
        int[] ends = new int[matches.size()];
        int[] lowest = new int[matches.size()];
        int[] before = new int[matches.size()];
        int longest = 0;
        for (int i = 0; i < matches.size(); i++) {
            int place = matches.get(i).theirs().place();
            int at = -Arrays.binarySearch(lowest, 0, longest, place) - 1;
            before[i] = at == 0 ? -1 : ends[at - 1];
            ends[at] = i;
            lowest[at] = place;
            longest = Math.max(longest, at + 1);
        }
        Set<Match> out = new HashSet<>(matches);
        for (int i = longest == 0 ? -1 : ends[longest - 1]; i >= 0; i = before[i]) {
            out.remove(matches.get(i));
        }
        return out;
    }

    List<RowDifference> of(Match match) {
        List<RowDifference> found = new ArrayList<>();
        PatchRow ours = match.ours();
        PatchRow theirs = match.theirs();
        if (ours.saysWhere() && theirs.saysWhere()) {
            addresses(ours, theirs, found);
        }
        numbers(Kind.FOOTPRINT, ours.footprint(), theirs.footprint(), found);
        words(Kind.MODE, ours.mode(), theirs.mode(), found);
        if (!isSameType(ours.type(), theirs.type())) {
            words(Kind.TYPE, ours.type(), theirs.type(), found);
        }
        numbers(Kind.ID, ours.id(), theirs.id(), found);
        words(Kind.NAME, ours.name(), theirs.name(), found);
        if (outOfOrder.contains(match)) {
            found.add(new RowDifference(
                    Kind.ORDER, String.valueOf(ours.place() + 1), String.valueOf(theirs.place() + 1)));
        }
        return found;
    }

    /** Types are few and rows are many. */
    private boolean isSameType(String ours, String theirs) {
        return ours.equals(theirs)
                || sameTypes.computeIfAbsent(List.of(ours, theirs), t -> TypeNames.isSame(t.get(0), t.get(1)));
    }

    private static void addresses(PatchRow ours, PatchRow theirs, List<RowDifference> found) {
        for (int i = 0; i < Math.max(ours.starts().size(), theirs.starts().size()); i++) {
            Optional<StartAddress> one = start(ours, i);
            Optional<StartAddress> other = start(theirs, i);
            boolean said = i == 0
                    || !ours.starts().isEmpty() && !theirs.starts().isEmpty() && one.isPresent() && other.isPresent();
            if (said && !one.equals(other)) {
                boolean universe = one.isPresent()
                        && other.isPresent()
                        && !one.get().universe().equals(other.get().universe());
                found.add(new RowDifference(universe ? Kind.UNIVERSE : Kind.ADDRESS, words(one), words(other)));
            }
        }
    }

    private static Optional<StartAddress> start(PatchRow row, int block) {
        return block < row.starts().size() ? Optional.of(row.starts().get(block)) : Optional.empty();
    }

    private static String words(Optional<StartAddress> start) {
        return start.map(StartAddress::toString).orElse("no address");
    }

    private static void numbers(Kind kind, OptionalInt ours, OptionalInt theirs, List<RowDifference> found) {
        if (ours.isPresent() && theirs.isPresent() && ours.getAsInt() != theirs.getAsInt()) {
            found.add(new RowDifference(kind, String.valueOf(ours.getAsInt()), String.valueOf(theirs.getAsInt())));
        }
    }

    /** Spelling is no difference. */
    private static void words(Kind kind, String ours, String theirs, List<RowDifference> found) {
        boolean said = !ours.isBlank() && !theirs.isBlank() && !ours.equals(theirs);
        if (said && !Likeness.key(ours).equals(Likeness.key(theirs))) {
            found.add(new RowDifference(kind, ours, theirs));
        }
    }
}
