package taxon.core.routing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;
import org.jgrapht.Graph;
import org.jgrapht.alg.flow.mincost.CapacityScalingMinimumCostFlow;
import org.jgrapht.alg.flow.mincost.MinimumCostFlowProblem.MinimumCostFlowProblemImpl;
import org.jgrapht.alg.interfaces.MinimumCostFlowAlgorithm.MinimumCostFlow;
import org.jgrapht.graph.DefaultDirectedWeightedGraph;
import org.jgrapht.graph.DefaultWeightedEdge;

/** Who goes where at the least cost in all, within what each place takes: a flow of least cost. */
final class PortFlow {
    /**
     * Going nowhere costs more than any way; since everybody may go everywhere, as many as can go somewhere do. The library takes
     * a thousand millions for without end.
     */
    static final long NOWHERE = 900_000_000L;

    private static final int SOURCE = 0;
    private static final int SINK = 1;

    private PortFlow() {}

    /**
     * Assigns each of those who go, as many as can be, and of all ways to do that the one of least cost.
     *
     * @param costs for each who goes the cost of each place, 0 or more and far below {@link #NOWHERE}
     * @param room how many each place takes
     * @return for each who goes its place, −1 for nowhere
     */
    static int[] assign(long[][] costs, int[] room) {
        int[] places = new int[costs.length];
        Arrays.fill(places, -1);
        if (costs.length == 0) {
            return places;
        }
        Graph<Integer, DefaultWeightedEdge> graph = new DefaultDirectedWeightedGraph<>(DefaultWeightedEdge.class);
        graph.addVertex(SOURCE);
        graph.addVertex(SINK);
        int firstPlace = 2 + costs.length;
        for (int place = 0; place <= room.length; place++) {
            graph.addVertex(firstPlace + place);
            edge(graph, firstPlace + place, SINK, 0);
        }
        for (int who = 0; who < costs.length; who++) {
            graph.addVertex(2 + who);
            edge(graph, SOURCE, 2 + who, 0);
            for (int place : worthwhile(costs[who], room, costs.length)) {
                edge(graph, 2 + who, firstPlace + place, costs[who][place]);
            }
            edge(graph, 2 + who, firstPlace + room.length, NOWHERE);
        }
        MinimumCostFlow<DefaultWeightedEdge> flow = new CapacityScalingMinimumCostFlow<Integer, DefaultWeightedEdge>()
                .getMinimumCostFlow(new MinimumCostFlowProblemImpl<>(
                        graph,
                        v -> v == SOURCE ? costs.length : v == SINK ? -costs.length : 0,
                        e -> capacity(graph.getEdgeSource(e), graph.getEdgeTarget(e), firstPlace, room, costs.length)));
        flow.getFlowMap().forEach((edge, amount) -> {
            int who = graph.getEdgeSource(edge) - 2;
            int place = graph.getEdgeTarget(edge) - firstPlace;
            if (amount > 0.5 && who >= 0 && who < costs.length && place >= 0 && place < room.length) {
                places[who] = place;
            }
        });
        return places;
    }

    /** The cheapest places that have room for all who go: whoever went to a dearer one would find room in one of these. */
    private static int[] worthwhile(long[] costs, int[] room, int all) {
        int[] cheapest = IntStream.range(0, room.length)
                .filter(place -> room[place] > 0)
                .boxed()
                .sorted(Comparator.comparingLong(place -> costs[place]))
                .mapToInt(Integer::intValue)
                .toArray();
        long found = 0;
        int count = 0;
        while (count < cheapest.length && found < all) {
            found += room[cheapest[count++]];
        }
        return Arrays.copyOf(cheapest, count);
    }

    private static int capacity(int from, int to, int firstPlace, int[] room, int who) {
        if (to != SINK) {
            return 1;
        }
        int place = from - firstPlace;
        return place < room.length ? room[place] : who;
    }

    private static void edge(Graph<Integer, DefaultWeightedEdge> graph, int from, int to, long cost) {
        graph.setEdgeWeight(graph.addEdge(from, to), (double) cost);
    }
}
