package taxon.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import taxon.core.library.ChannelOrder;
import taxon.core.library.StandIn;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeQuery;
import taxon.core.modes.Advice;
import taxon.core.modes.ModeAdvisor;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.ParsedGdtf;

/** Reading a large GDTF file, searching a large library, advising on a large rig. */
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class TypesBenchmark {

    /** A large file. */
    @State(Scope.Benchmark)
    public static class LargeFile {
        private final byte[] file = LargeTypes.file();
    }

    /** A large library. */
    @State(Scope.Benchmark)
    public static class LargeLibrary {
        private final TypeIndex index = LargeTypes.library();
    }

    /** A large rig. */
    @State(Scope.Benchmark)
    public static class LargeRig {
        private final AdviceCase advice = AdviceCase.make();
    }

    @Benchmark
    public ParsedGdtf read(LargeFile state) {
        return GdtfReader.read(state.file);
    }

    @Benchmark
    public TypeIndex.Hits searchFootprintAndKind(LargeLibrary state) {
        return state.index.search(TypeQuery.of("16 ch wash"), 60);
    }

    @Benchmark
    public TypeIndex.Hits searchPartOfAName(LargeLibrary state) {
        return state.index.search(TypeQuery.of("model 77 zoom"), 60);
    }

    @Benchmark
    public TypeIndex.Hits searchNothingFits(LargeLibrary state) {
        return state.index.search(TypeQuery.of("nobody made this"), 60);
    }

    @Benchmark
    public Object standIn(LargeLibrary state) {
        return StandIn.rank(ChannelOrder.of("R G B W A UV strobe dimmer"), state.index.all(), 25);
    }

    @Benchmark
    public Advice advise(LargeRig state) {
        return ModeAdvisor.advise(state.advice.plan(), state.advice.request());
    }
}
