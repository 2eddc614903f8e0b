package taxon.bench;

import java.util.ArrayList;
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
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Style;
import taxon.demo.DemoTypes;

/** Addressing a whole rig in each style, with its findings, at three sizes; and the findings after one edit. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class AddressingBenchmark {
    private static final int MOST_EACH = 9_999;

    @Param({"2000", "10000", "100000"})
    private int fixtures = 2000;

    private Plan placed = Plan.empty(JobSheet.named("Bench"));
    private Plan edited = placed;
    private List<Fixture> moved = List.of();

    /** A rig of all demo types in equal parts on as many positions, placed in order; and the same with one fixture moved. */
    @Setup
    public void setup() {
        List<FixtureType> types = DemoTypes.book().types();
        int each = Math.min(MOST_EACH, fixtures / types.size());
        List<Added> added = new ArrayList<>();
        for (int i = 0; i < types.size(); i++) {
            for (int from = 0; from < each; from += Added.MOST) {
                added.add(Added.of(
                                types.get(i),
                                types.get(i).modes().get(0),
                                Math.min(Added.MOST, each - from),
                                Added.Words.on("Truss " + i))
                        .withIds(Optional.of(FixtureId.of(1 + i * each + from))));
            }
        }
        placed = applied(FixtureEdits.add("add", added));
        placed = applied(inOrder().edit());
        Fixture first = placed.fixtures().get(0);
        moved = List.of(first.withAddress(1, Optional.of(StartAddress.of(1, 5))));
        edited = placed.with(moved);
    }

    private Plan applied(Edit edit) {
        return ((Edit.Changed) edit.applyTo(placed)).plan();
    }

    private AddressProposal propose(Style style) {
        return Planner.propose(
                placed, new PlacementRequest(PlacementRequest.Scope.ALL, Set.of(), Wish.USUAL.withStyle(style)));
    }

    @Benchmark
    public AddressProposal inOrder() {
        return propose(Style.IN_ORDER);
    }

    @Benchmark
    public AddressProposal fewest() {
        return propose(Style.FEWEST_UNIVERSES);
    }

    @Benchmark
    public AddressProposal leastChange() {
        return propose(Style.LEAST_CHANGE);
    }

    /** A proposal in order, and the findings of the plan. */
    @Benchmark
    public List<Object> fullPlan() {
        return List.of(propose(Style.IN_ORDER), PlanCheck.of(placed));
    }

    @Benchmark
    public PlanCheck findings() {
        return PlanCheck.of(edited);
    }

    /** One fixture moved, and the findings after. */
    @Benchmark
    public PlanCheck findingsAfterAnEdit() {
        return PlanCheck.of(placed.with(moved));
    }
}
