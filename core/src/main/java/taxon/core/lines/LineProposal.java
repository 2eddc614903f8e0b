package taxon.core.lines;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.network.CableRules;
import taxon.core.rig.Box;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * Lines through the units that none reaches yet, before anything is done.
 *
 * @param edit draws them and keeps the rules, as one step of undo
 * @param drawn new and changed lines, a feed to a new splitter among them
 * @param gone lines that are there and are not any more
 * @param splitters boxes that are opened
 * @param sums what is known of each universe whose lines are drawn
 * @param staying units that stay where they are on their lines
 * @param omissions units and universes that get no line, with the reason
 */
public record LineProposal(
        Edit edit,
        List<Line> drawn,
        List<Line> gone,
        List<Box> splitters,
        List<Sum> sums,
        int staying,
        List<NoLine> omissions)
        implements Proposed {
    public LineProposal {
        drawn = List.copyOf(drawn);
        gone = List.copyOf(gone);
        splitters = List.copyOf(splitters);
        sums = List.copyOf(sums);
        omissions = List.copyOf(omissions);
    }

    /**
     * What is known of the lines of a universe.
     *
     * @param units on its lines that were drawn
     * @param lines through units
     * @param fewest no division has fewer lines within the limits; where least cable counts first nobody asks, and it is as many as
     *     there are
     * @param cable of these lines in metres, with slack, as far as it can be reckoned
     * @param least no division into as many lines takes less (where least cable counts first: none at all); in the order of units,
     *     none that keeps it; empty where a way cannot be reckoned, or not all was tried
     * @param unreckoned ways whose length is not known
     * @param saving which change would save a line, where one is known
     */
    public record Sum(
            UniverseNumber universe,
            int units,
            int lines,
            int fewest,
            double cable,
            Optional<Double> least,
            int unreckoned,
            Optional<Saving> saving) {
        /** True when nothing better exists, by what counts first. */
        public boolean isProved() {
            return lines == fewest && least.filter(l -> l >= cable).isPresent();
        }
    }

    /** A limit, a little wider, with which a line less does: proved by drawing it. */
    public sealed interface Saving {
        /** @param units so many on one line */
        record MoreUnits(int units) implements Saving {}

        /** @param length so long a line */
        record LongerLine(Length length) implements Saving {}
    }

    /** @param who "204", "universe 7" */
    public record NoLine(String who, UniverseNumber universe, Why why) implements Omission {}

    public enum Why {
        NO_OUTLET("no output that feeds lines carries it and nothing else; route it first"),
        NO_PORT_FREE("every port that carries it feeds a line already; draw all lines anew, or add a splitter"),
        TOO_FAR("it is farther from every outlet than a line may be long"),
        DOES_NOT_FIT("no division keeps within the limits of a line");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Draws lines by these rules. */
    public static LineProposal of(Plan plan, LineWish wish) {
        Plan ruled = ruled(plan, wish.rules());
        return new LineMaker(ruled, wish).make();
    }

    private static Plan ruled(Plan plan, CableRules rules) {
        return plan.with(plan.sheet().with(plan.sheet().network().with(rules)));
    }

    static Edit edit(CableRules rules, List<Line> drawn, List<Line> gone, List<Box> splitters) {
        String title =
                drawn.isEmpty() ? "Rules of lines" : drawn.size() == 1 ? "1 line drawn" : drawn.size() + " lines drawn";
        List<ElementKey> removed = new ArrayList<>();
        Set<ElementKey> kept = new HashSet<>();
        drawn.forEach(l -> kept.add(l.elementKey()));
        gone.stream().map(Line::elementKey).filter(k -> !kept.contains(k)).forEach(removed::add);
        return new Edit(
                title,
                now -> new Edit.Changed(
                        ruled(now, rules).without(removed).with(splitters).with(drawn)));
    }
}
