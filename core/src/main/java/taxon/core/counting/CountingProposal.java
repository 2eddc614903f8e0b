package taxon.core.counting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Counting;
import taxon.core.network.Route;
import taxon.core.rig.Element;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * All routed universes numbered by one rule, before anything is done.
 *
 * @param edit gives the job the rule and every universe its number, as one step of undo
 * @param moves ways that get another number on the network
 * @param staying ways that have the number already
 * @param omissions universes for which the rule has no number; they keep theirs
 */
public record CountingProposal(Edit edit, List<Move> moves, int staying, List<Beyond> omissions) implements Proposed {
    public CountingProposal {
        moves = List.copyOf(moves);
        omissions = List.copyOf(omissions);
    }

    /** One way of a universe before and after. */
    public record Move(Universe universe, Route before, Route after) {}

    /** A universe that the rule would give a number which its protocol does not have. */
    public record Beyond(Universe universe) implements Omission {
        @Override
        public String who() {
            return "universe " + universe.number();
        }
    }

    /** Numbers every routed universe of a plan. */
    public static CountingProposal of(Plan plan, Counting counting) {
        List<Move> moves = new ArrayList<>();
        List<Beyond> beyond = new ArrayList<>();
        int staying = 0;
        for (Universe universe : plan.universes()) {
            boolean lacking = false;
            for (Route before : universe.routes()) {
                Optional<Route> after = counting.counted(universe.number(), before);
                lacking |= after.isEmpty();
                if (after.isPresent() && after.get().equals(before)) {
                    staying++;
                } else if (after.isPresent()) {
                    moves.add(new Move(universe, before, after.get()));
                }
            }
            if (lacking) {
                beyond.add(new Beyond(universe));
            }
        }
        Edit edit = new Edit(title(moves.size()), now -> new Edit.Changed(now.with(changed(now, counting))));
        return new CountingProposal(edit, moves, staying, beyond);
    }

    private static String title(int moves) {
        return (moves == 1 ? "1 universe" : moves + " universes") + " counted anew on the network";
    }

    private static List<Element> changed(Plan plan, Counting counting) {
        List<Element> changed = new ArrayList<>(List.of(plan.sheet().withCounting(counting)));
        plan.universes().stream()
                .filter(Universe::isRouted)
                .forEach(u -> changed.add(u.with(u.routes().stream()
                        .map(r -> counting.counted(u.number(), r).orElse(r))
                        .toList())));
        return changed;
    }

    /** True when one of its ways has another number than the job's rule gives it. */
    public static boolean isException(Plan plan, Universe universe, Route route) {
        return !plan.sheet().counting().counted(universe.number(), route).equals(Optional.of(route));
    }

    /** True when a universe leaves under another number than the job's rule gives it. */
    public static boolean isException(Plan plan, Universe universe) {
        return universe.routes().stream().anyMatch(r -> isException(plan, universe, r));
    }
}
