package taxon.bench;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs {@link AddressingBenchmark} and prints medians, and how they grow; then the race against the other solver. */
public final class AddressingFigures {
    private static final String[] NAMES = {
        "inOrder", "fewest", "leastChange", "fullPlan", "findings", "findingsAfterAnEdit"
    };

    private AddressingFigures() {}

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(AddressingBenchmark.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        // The collector that Taxon is started with.
                        .jvmArgsAppend("-Xms3g", "-Xmx3g", "-XX:+UseSerialGC")
                        .build())
                .run();
        System.out.println("Addressing, median ms (JMH, one fork, 3 × 1 s)");
        for (String name : NAMES) {
            double small = median(results, name, "2000");
            double large = median(results, name, "10000");
            double huge = median(results, name, "100000");
            System.out.printf(
                    "%-20s 2,000: %7.2f   10,000: %8.2f (× %4.1f for 5 times)   100,000: %9.2f (× %4.1f for 10 times)%n",
                    name, small, large, large / small, huge, huge / large);
        }
        OracleRace.main(arguments);
    }

    private static double median(Collection<RunResult> results, String name, String fixtures) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + name)
                        && r.getParams().getParam("fixtures").equals(fixtures))
                .mapToDouble(r -> r.getPrimaryResult().getStatistics().getPercentile(50))
                .findFirst()
                .orElseThrow();
    }
}
