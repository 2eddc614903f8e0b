package taxon.core.routing;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.ortools.Loader;
import com.google.ortools.graph.MinCostFlow;
import com.google.ortools.graph.MinCostFlowBase;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.testing.Rigs;

/** The flow behind routes against another solver (OR-Tools, minimum cost flow). */
class PortFlowOracleTest {
    @BeforeAll
    static void load() {
        Loader.loadNativeLibraries();
    }

    static LongStream seeds() {
        return Rigs.seeds(1000);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void asManyAsCanGoDoAndAtTheLeastCost(long seed) {
        Random random = new Random(seed);
        int who = 1 + random.nextInt(40);
        int places = 1 + random.nextInt(12);
        long[][] costs = new long[who][places];
        int[] room = random.ints(places, 0, 8).toArray();
        for (long[] row : costs) {
            for (int place = 0; place < places; place++) {
                row[place] = random.nextInt(10) == 0 ? 100_000_000L : random.nextInt(80_000);
            }
        }
        int[] assigned = PortFlow.assign(costs, room);
        long cost = 0;
        int gone = 0;
        int[] taken = new int[places];
        for (int i = 0; i < who; i++) {
            if (assigned[i] >= 0) {
                cost += costs[i][assigned[i]];
                gone++;
                taken[assigned[i]]++;
            }
        }
        for (int place = 0; place < places; place++) {
            assertThat(taken[place]).isLessThanOrEqualTo(room[place]);
        }
        MinCostFlow flow = new MinCostFlow();
        for (int i = 0; i < who; i++) {
            flow.addArcWithCapacityAndUnitCost(0, 2 + i, 1, 0);
            for (int place = 0; place < places; place++) {
                flow.addArcWithCapacityAndUnitCost(2 + i, 2 + who + place, 1, costs[i][place]);
            }
        }
        for (int place = 0; place < places; place++) {
            flow.addArcWithCapacityAndUnitCost(2 + who + place, 1, room[place], 0);
        }
        flow.setNodeSupply(0, who);
        flow.setNodeSupply(1, -who);
        assertThat(flow.solveMaxFlowWithMinCost()).isEqualTo(MinCostFlowBase.Status.OPTIMAL);
        assertThat(gone).isEqualTo((int) flow.getMaximumFlow());
        assertThat(cost).isEqualTo(flow.getOptimalCost());
    }
}
