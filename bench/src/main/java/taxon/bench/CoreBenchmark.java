package taxon.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import taxon.core.addressing.PlacementRequest;
import taxon.core.addressing.Planner;
import taxon.core.addressing.Proposal;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.fixture.DemoTypes;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Added;
import taxon.core.rig.Edit;
import taxon.core.rig.FixtureEdits;
import taxon.core.rig.FixtureId;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;

/** Placing a whole rig in order, and checking it, at two sizes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CoreBenchmark {
    @Param({"1000", "10000"})
    private int fixtures = 1000;

    private Plan placed = Plan.empty(JobSheet.named("Bench"));

    /** A rig of all demo types in equal parts, placed in order. */
    @Setup
    public void setup() {
        List<FixtureType> types = DemoTypes.book().types();
        int each = fixtures / types.size();
        for (int i = 0; i < types.size(); i++) {
            FixtureType type = types.get(i);
            placed = applied(FixtureEdits.add(
                    "add",
                    List.of(new Added(
                            type,
                            type.modes().get(0),
                            "Truss " + i,
                            each,
                            Optional.of(FixtureId.of(1 + i * each)),
                            "",
                            Optional.empty()))));
        }
        placed = applied(place().edit());
    }

    private Plan applied(Edit edit) {
        return ((Edit.Changed) edit.applyTo(placed)).plan();
    }

    @Benchmark
    public Proposal place() {
        return Planner.propose(
                placed, new PlacementRequest(PlacementRequest.Scope.ALL, Set.of(), StartAddress.of(1, 1), 0));
    }

    @Benchmark
    public PlanCheck check() {
        return PlanCheck.of(placed);
    }
}
