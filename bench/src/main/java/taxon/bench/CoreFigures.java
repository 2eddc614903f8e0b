package taxon.bench;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Runs {@link CoreBenchmark} and prints medians, and how they grow from the small rig to the large one. */
public final class CoreFigures {
    private CoreFigures() {}

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(CoreBenchmark.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        .jvmArgsAppend("-Xmx2g")
                        .build())
                .run();
        System.out.println("Core, median ms (JMH, one fork, 5 × 1 s)");
        for (String name : new String[] {"place", "check"}) {
            double small = median(results, name, "1000");
            double large = median(results, name, "10000");
            System.out.printf(
                    "%-8s 1,000 fixtures %8.2f   10,000 fixtures %8.2f   ratio %5.1f for 10 times the fixtures%n",
                    name, small, large, large / small);
        }
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
