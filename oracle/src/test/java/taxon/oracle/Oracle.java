package taxon.oracle;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import taxon.oracle.OracleRig.Taken;
import taxon.oracle.OracleRig.Unit;

/**
 * Another solver's word on a rig: Google OR-Tools, CP-SAT. It knows only slots and the definitions: where a unit may begin,
 * that units with their gap do not overlap, that a universe holds something or not.
 */
public final class Oracle {
    /** Of 62 questions of the tests 52 were answered, each with 0.06 or less. */
    private static final double EFFORT = 0.07;

    private final OracleRig rig;
    private final Rules rules;
    private final CpModel model = new CpModel();
    private final List<Literal> placed = new ArrayList<>();
    private final List<Lying> lying = new ArrayList<>();
    private boolean mayLeaveOut;
    /** By universe and length: whether units of that length may lie there. */
    private final Map<List<Integer>, BoolVar> open = new HashMap<>();

    static {
        Loader.loadNativeLibraries();
    }

    /**
     * What the plan must heed.
     *
     * @param last the last slot that may be used
     * @param round starts are 1, 1 + round, 1 + 2 × round …; 1 for anywhere
     * @param pitch each unit has whole steps of it to itself, up to the start of the next; 1 for anything
     * @param universes 1 to this number are allowed
     * @param split true when units of different lengths share no universe
     */
    public record Rules(int gap, int last, int round, int pitch, int universes, boolean split) {
        public Rules(int gap, int last, int round, int pitch, int universes) {
            this(gap, last, round, pitch, universes, false);
        }

        public Rules inSplit() {
            return new Rules(gap, last, round, pitch, universes, true);
        }

        public static Rules close(int universes) {
            return new Rules(0, 512, 1, 1, universes);
        }

        /** The slots from the start of a unit to the earliest start of the next. */
        public int pace(int length) {
            return (length + gap + pitch - 1) / pitch * pitch;
        }
    }

    /** What the solver says. */
    public enum Word {
        YES,
        NO,
        UNKNOWN
    }

    private Oracle(OracleRig rig, Rules rules) {
        this.rig = rig;
        this.rules = rules;
    }

    /** Whether all units can be placed so that at most {@code most} universes hold something. */
    public static Word fitsOn(OracleRig rig, Rules rules, int most) {
        Oracle oracle = new Oracle(rig, rules);
        BoolVar[] used = oracle.used();
        oracle.placeAll(used, new ArrayList<>());
        oracle.model.addLessOrEqual(LinearExpr.sum(used), most);
        return oracle.ask();
    }

    /** Whether all units can be placed at a price of at most {@code most} points. */
    public static Word costsAtMost(OracleRig rig, Rules rules, int most) {
        Oracle oracle = new Oracle(rig, rules);
        List<BoolVar> moved = new ArrayList<>();
        oracle.placeAll(oracle.used(), moved);
        LinearExprBuilder price = LinearExpr.newBuilder();
        for (int i = 0; i < moved.size(); i++) {
            price.addTerm(moved.get(i), weight(rig.units().get(i)));
        }
        oracle.model.addLessOrEqual(price, most);
        return oracle.ask();
    }

    /** Whether so many of the units can be placed; who is left out stays where it is, and others keep away from it. */
    public static Word placesAtLeast(OracleRig rig, Rules rules, int count) {
        Oracle oracle = new Oracle(rig, rules);
        oracle.mayLeaveOut = true;
        oracle.placeAll(oracle.used(), new ArrayList<>());
        IntStream.range(0, rig.units().size()).forEach(oracle::keepAwayFrom);
        oracle.model.addGreaterOrEqual(LinearExpr.sum(oracle.placed.toArray(Literal[]::new)), count);
        return oracle.ask();
    }

    /** Intervals of the units on each universe, with whose they are. */
    private record Lying(int unit, int universe, IntervalVar interval, Literal here) {}

    private void keepAwayFrom(int index) {
        Unit unit = rig.units().get(index);
        if (unit.universe() == 0) {
            return;
        }
        Literal out = placed.get(index).not();
        List<IntervalVar> apart = new ArrayList<>();
        apart.add(model.newOptionalFixedInterval(unit.slot(), rules.pace(unit.length()), out, "left"));
        for (Lying other : lying) {
            if (other.unit() != index && other.universe() == unit.universe() - 1) {
                apart.add(other.interval());
                if (rules.split() && rig.units().get(other.unit()).length() != unit.length()) {
                    model.addImplication(other.here(), placed.get(index));
                }
            }
        }
        model.addNoOverlap(apart);
    }

    private static int weight(Unit unit) {
        if (unit.universe() == 0) {
            return 0;
        }
        return unit.set() ? 10 : 1;
    }

    private BoolVar[] used() {
        BoolVar[] used = new BoolVar[rules.universes()];
        for (int u = 0; u < used.length; u++) {
            used[u] = model.newBoolVar("used" + u);
            int universe = u + 1;
            if (rig.locked().stream().anyMatch(l -> l.universe() == universe)) {
                model.addEquality(used[u], 1);
            }
            // Universes of which nothing is known are all alike: one is used before the next.
            if (u > 0 && isPlain(u) && isPlain(u + 1)) {
                model.addImplication(used[u], used[u - 1]);
            }
        }
        return used;
    }

    private boolean isPlain(int universe) {
        return rig.locked().stream().noneMatch(l -> l.universe() == universe)
                && rig.reserved().stream().noneMatch(r -> r.universe() == universe)
                && rig.units().stream().noneMatch(r -> r.universe() == universe);
    }

    private void placeAll(BoolVar[] used, List<BoolVar> moved) {
        List<List<IntervalVar>> byUniverse = new ArrayList<>();
        IntStream.range(0, used.length).forEach(u -> byUniverse.add(new ArrayList<>()));
        LinearExprBuilder[] sums = IntStream.range(0, used.length)
                .mapToObj(u -> LinearExpr.newBuilder())
                .toArray(LinearExprBuilder[]::new);
        for (Unit unit : rig.units()) {
            BoolVar moves = model.newBoolVar("moves");
            moved.add(moves);
            List<Literal> choices = new ArrayList<>();
            if (staysLegally(unit)) {
                choices.add(moves.not());
                int u = unit.universe() - 1;
                IntervalVar stays =
                        model.newOptionalFixedInterval(unit.slot(), rules.pace(unit.length()), moves.not(), "stays");
                byUniverse.get(u).add(stays);
                lying.add(new Lying(moved.size() - 1, u, stays, moves.not()));
                model.addImplication(moves.not(), used[u]);
                mayJoin(moves.not(), u, unit.length());
            } else {
                model.addEquality(moves, 1);
            }
            for (int u = 0; u < used.length; u++) {
                long[] starts = starts(u + 1, unit.length());
                if (starts.length > 0) {
                    BoolVar here = model.newBoolVar("here");
                    model.addImplication(here, moves);
                    model.addImplication(here, used[u]);
                    mayJoin(here, u, unit.length());
                    IntVar start = model.newIntVarFromDomain(Domain.fromValues(starts), "start");
                    IntervalVar lies =
                            model.newOptionalFixedSizeIntervalVar(start, rules.pace(unit.length()), here, "lies");
                    byUniverse.get(u).add(lies);
                    lying.add(new Lying(moved.size() - 1, u, lies, here));
                    sums[u].addTerm(here, rules.pace(unit.length()));
                    choices.add(here);
                }
            }
            if (mayLeaveOut) {
                BoolVar lies = model.newBoolVar("lies");
                placed.add(lies);
                choices.add(lies.not());
                if (staysLegally(unit)) {
                    model.addImplication(moves.not(), lies);
                }
            }
            model.addExactlyOne(choices);
        }
        if (isMoreThanSums()) {
            byUniverse.forEach(model::addNoOverlap);
        }
        // No universe takes more than it has. Where nothing is in the way that is all there is to heed.
        int most = rig.units().stream()
                .mapToInt(u -> rules.pace(u.length()) - u.length())
                .max()
                .orElse(0);
        for (LinearExprBuilder sum : sums) {
            model.addLessOrEqual(sum, rules.last() + most);
        }
    }

    /** Where the rig is split, a universe is open to one length only: that of what is locked there, or any one. */
    private void mayJoin(Literal here, int universe, int length) {
        if (rules.split()) {
            model.addImplication(here, open(universe, length));
        }
    }

    private BoolVar open(int universe, int length) {
        List<Integer> key = List.of(universe, length);
        if (!open.containsKey(key)) {
            BoolVar mine = model.newBoolVar("open");
            open.entrySet().stream()
                    .filter(e -> e.getKey().get(0) == universe)
                    .forEach(e -> model.addAtMostOne(List.of(e.getValue(), mine)));
            if (rig.locked().stream().anyMatch(l -> l.universe() == universe + 1 && l.length() != length)) {
                model.addEquality(mine, 0);
            }
            open.put(key, mine);
        }
        return open.get(key);
    }

    /** False where units can be pushed together from slot 1, so that sums of lengths say everything. */
    private boolean isMoreThanSums() {
        return rules.round() > 1
                || rules.pitch() > 1
                || !rig.locked().isEmpty()
                || !rig.reserved().isEmpty()
                || rig.units().stream().anyMatch(u -> u.universe() > 0);
    }

    private boolean staysLegally(Unit unit) {
        return unit.universe() > 0
                && unit.universe() <= rules.universes()
                && unit.slot() + unit.length() - 1 <= rules.last()
                && (unit.slot() - 1) % rules.round() == 0
                && isFree(unit.universe(), unit.slot(), unit.length());
    }

    private long[] starts(int universe, int length) {
        return IntStream.rangeClosed(1, rules.last() - length + 1)
                .filter(s -> (s - 1) % rules.round() == 0)
                .filter(s -> isFree(universe, s, length))
                .asLongStream()
                .toArray();
    }

    /** Free of what is locked, with the gap, and of what is reserved. */
    private boolean isFree(int universe, int slot, int length) {
        int end = slot + length - 1;
        boolean clear = rig.locked().stream()
                .filter(l -> l.universe() == universe)
                .noneMatch(l -> slot < l.slot() + rules.pace(l.length()) && l.slot() < slot + rules.pace(length));
        return clear
                && rig.reserved().stream().filter(r -> r.universe() == universe).noneMatch(r -> touches(r, slot, end));
    }

    private static boolean touches(Taken run, int first, int last) {
        return first <= run.last() && run.first() <= last;
    }

    private Word ask() {
        CpSolverStatus status = OtherSolver.withEffort(EFFORT).solve(model);
        return switch (status) {
            case OPTIMAL, FEASIBLE -> Word.YES;
            case INFEASIBLE -> Word.NO;
            default -> Word.UNKNOWN;
        };
    }
}
