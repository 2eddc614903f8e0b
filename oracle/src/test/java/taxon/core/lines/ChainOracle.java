package taxon.core.lines;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.MultipleCircuitConstraint;
import java.util.Optional;
import taxon.oracle.OtherSolver;

/**
 * Another solver's word on a task of one feed: Google OR-Tools, CP-SAT. It knows only what a line is: circuits out of the feed
 * and, for nothing, back, through each unit once, with units, load and length counted along them.
 */
final class ChainOracle {
    /** Of sixteen rigs of five to nine units one takes more. */
    private static final double EFFORT = 0.4;

    private static final long LINE = 1_000_000_000L;

    private final ChainTask task;
    private final boolean fewestLines;
    private CpSolverStatus status = CpSolverStatus.UNKNOWN;

    static {
        Loader.loadNativeLibraries();
    }

    /** The best there is. */
    record Best(int lines, long cost) {}

    ChainOracle(ChainTask task, boolean fewestLines) {
        this.task = task;
        this.fewestLines = fewestLines;
    }

    boolean saysNone() {
        return status == CpSolverStatus.INFEASIBLE;
    }

    /** Empty where it does not end, or where there is none. */
    Optional<Best> solve() {
        int units = task.units();
        CpModel model = new CpModel();
        MultipleCircuitConstraint circuits = model.addMultipleCircuit();
        IntVar[] count = new IntVar[units];
        IntVar[] load = new IntVar[units];
        IntVar[] length = new IntVar[units];
        for (int i = 0; i < units; i++) {
            count[i] = model.newIntVar(1, task.limits().units(), "count");
            load[i] = model.newIntVar(task.loads()[i], task.limits().load(), "load");
            length[i] = model.newIntVar(0, task.limits().length(), "length");
        }
        LinearExprBuilder cost = LinearExpr.newBuilder();
        LinearExprBuilder lines = LinearExpr.newBuilder();
        for (int i = 0; i < units; i++) {
            int way = task.feeds().get(0).to()[i];
            BoolVar first = model.newBoolVar("first");
            circuits.addArc(0, i + 1, first);
            circuits.addArc(i + 1, 0, model.newBoolVar("last"));
            cost.addTerm(first, way);
            lines.add(first);
            model.addEquality(count[i], 1).onlyEnforceIf(first);
            model.addEquality(load[i], task.loads()[i]).onlyEnforceIf(first);
            model.addEquality(length[i], way).onlyEnforceIf(first);
            for (int j = 0; j < units; j++) {
                if (i != j) {
                    BoolVar on = model.newBoolVar("on");
                    circuits.addArc(i + 1, j + 1, on);
                    cost.addTerm(on, task.between()[i][j]);
                    model.addEquality(
                                    count[j],
                                    LinearExpr.newBuilder().add(count[i]).add(1))
                            .onlyEnforceIf(on);
                    model.addEquality(
                                    load[j],
                                    LinearExpr.newBuilder().add(load[i]).add(task.loads()[j]))
                            .onlyEnforceIf(on);
                    model.addEquality(
                                    length[j],
                                    LinearExpr.newBuilder().add(length[i]).add(task.between()[i][j]))
                            .onlyEnforceIf(on);
                }
            }
        }
        model.addLessOrEqual(lines, task.feeds().get(0).lines());
        model.minimize(
                fewestLines ? LinearExpr.newBuilder().addTerm(lines, LINE).add(cost) : cost);
        CpSolver solver = OtherSolver.withEffort(EFFORT);
        status = solver.solve(model);
        return status == CpSolverStatus.OPTIMAL
                ? Optional.of(new Best((int) solver.value(lines), solver.value(cost)))
                : Optional.empty();
    }
}
