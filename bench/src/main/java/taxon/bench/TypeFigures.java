package taxon.bench;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;
import taxon.core.modes.Advice;
import taxon.core.modes.ModeAdvisor;

/** Runs {@link TypesBenchmark} and prints medians, and the advice against an exact solver in the same run. */
public final class TypeFigures {
    private TypeFigures() {}

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(TypesBenchmark.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        .jvmArgsAppend("-Xmx2g")
                        .build())
                .run();
        System.out.println("Types, median and 99th percentile in ms (JMH, one fork, 5 × 1 s)");
        System.out.printf(
                "GDTF of %.1f MB, %d modes × %d channels%n",
                LargeTypes.descriptionLength() / 1e6, LargeTypes.MODES, LargeTypes.CHANNELS);
        for (RunResult result : results) {
            var statistics = result.getPrimaryResult().getStatistics();
            System.out.printf(
                    "%-24s %9.2f %9.2f%n",
                    result.getParams().getBenchmark().replaceAll(".*\\.", ""),
                    statistics.getPercentile(50),
                    statistics.getPercentile(99));
        }
        against(results);
    }

    private static void against(Collection<RunResult> results) {
        AdviceCase wanted = AdviceCase.make();
        Advice advice = ModeAdvisor.advise(wanted.plan(), wanted.request());
        int price = advice.types().stream()
                .mapToInt(t -> t.chosen().orElseThrow().price())
                .sum();
        long begun = System.nanoTime();
        int best = wanted.solved();
        double solver = (System.nanoTime() - begun) / 1e6;
        double ours = results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith(".advise"))
                .mapToDouble(r -> r.getPrimaryResult().getStatistics().getPercentile(50))
                .findFirst()
                .orElseThrow();
        System.out.printf(
                "advice for %d types × %d modes: %s, price %d; exact solver (30 s at most): %.0f ms, price %d; ratio %.0f%n",
                AdviceCase.TYPES, AdviceCase.MODES, advice.outcome(), price, solver, best, solver / ours);
    }
}
