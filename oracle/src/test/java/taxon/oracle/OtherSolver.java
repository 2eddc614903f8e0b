package taxon.oracle;

import com.google.ortools.sat.CpSolver;

/**
 * CP-SAT as every oracle asks it. What it may try is counted in its own steps and not by the clock: it comes to its end on the
 * same rigs, and to none on the same others, on any machine and beside any other work.
 */
public final class OtherSolver {
    /** How many times the usual effort: {@code -Dtaxon.oracle.effort=N}. */
    private static final int TIMES = Integer.getInteger("taxon.oracle.effort", 1);

    private OtherSolver() {}

    /** @param effort what the usual effort is in the solver's deterministic seconds; one of them takes 3 to 17 s here */
    public static CpSolver withEffort(double effort) {
        CpSolver solver = new CpSolver();
        solver.getParameters().setNumWorkers(1).setRandomSeed(1).setMaxDeterministicTime(effort * TIMES);
        return solver;
    }
}
