package taxon.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;

/**
 * Who is who, against an assignment of least cost (JGraphT, the algorithm of Kuhn and Munkres). A patch is copied, shuffled, and each thing that
 * a row says may be lost, changed or exchanged; which row came from which is known. Rows are to be matched right as often as by the assignment,
 * which weighs all pairs against each other.
 */
class MatchingOracleTest {
    private static final int ROWS = 14;
    private static final int ROUNDS = Integer.getInteger("taxon.compare.oracle", 120);

    private static PatchRow row(int place, OptionalInt id, String name, String type, Optional<StartAddress> start) {
        return new PatchRow(
                place,
                id,
                Optional.empty(),
                name,
                type,
                "",
                OptionalInt.of(16),
                start.stream().toList(),
                start.isPresent());
    }

    private static List<PatchRow> patch(Random random) {
        List<PatchRow> rows = new ArrayList<>();
        for (int i = 0; i < ROWS; i++) {
            rows.add(row(
                    i,
                    OptionalInt.of(101 + i),
                    "Lamp " + (char) ('A' + i),
                    random.nextBoolean() ? "Tern" : "Heron",
                    Optional.of(StartAddress.of(1 + i / 7, 1 + i % 7 * 16))));
        }
        return rows;
    }

    /** The copy, and for each of its rows from which it came. */
    private static Map<Integer, Integer> copy(List<PatchRow> ours, List<PatchRow> theirs, Random random) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, ROWS).boxed().toList());
        Collections.shuffle(order, random);
        boolean ids = random.nextInt(3) > 0;
        boolean names = random.nextInt(3) > 0;
        Map<Integer, Integer> from = new TreeMap<>();
        for (int at = 0; at < ROWS; at++) {
            PatchRow row = ours.get(order.get(at));
            from.put(at, row.place());
            OptionalInt id = !ids || random.nextInt(10) == 0 ? OptionalInt.empty() : row.id();
            String name = !names || random.nextInt(10) == 0 ? "" : row.name();
            Optional<StartAddress> start =
                    random.nextInt(8) == 0 ? Optional.of(StartAddress.of(5, 1 + random.nextInt(400))) : row.start();
            theirs.add(row(at, id, name, row.type(), start));
        }
        return from;
    }

    /** What two rows say against being the same. */
    private static double cost(PatchRow one, PatchRow other) {
        double cost = 0;
        if (one.id().isPresent() && other.id().isPresent()) {
            cost += one.id().equals(other.id()) ? -20 : 10;
        }
        if (!one.name().isEmpty() && !other.name().isEmpty()) {
            cost += one.name().equals(other.name()) ? -12 : 6;
        }
        cost += one.start().equals(other.start()) ? -6 : 3;
        cost += one.type().equals(other.type()) ? -1 : 20;
        return cost + 100;
    }

    private static Map<Integer, Integer> assigned(List<PatchRow> ours, List<PatchRow> theirs) {
        SimpleWeightedGraph<String, DefaultWeightedEdge> graph = new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
        ours.forEach(r -> graph.addVertex("o" + r.place()));
        theirs.forEach(r -> graph.addVertex("t" + r.place()));
        ours.forEach(o ->
                theirs.forEach(t -> graph.setEdgeWeight(graph.addEdge("o" + o.place(), "t" + t.place()), cost(o, t))));
        var matching = new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(
                        graph,
                        ours.stream().map(r -> "o" + r.place()).collect(Collectors.toSet()),
                        theirs.stream().map(r -> "t" + r.place()).collect(Collectors.toSet()))
                .getMatching();
        Map<Integer, Integer> pairs = new TreeMap<>();
        for (DefaultWeightedEdge edge : matching.getEdges()) {
            String a = graph.getEdgeSource(edge);
            String b = graph.getEdgeTarget(edge);
            String our = a.startsWith("o") ? a : b;
            String their = a.startsWith("o") ? b : a;
            pairs.put(Integer.valueOf(their.substring(1)), Integer.valueOf(our.substring(1)));
        }
        return pairs;
    }

    private static int right(Map<Integer, Integer> pairs, Map<Integer, Integer> truth) {
        return (int) pairs.entrySet().stream()
                .filter(e -> truth.get(e.getKey()).equals(e.getValue()))
                .count();
    }

    @Test
    void asManyRowsAreMatchedRightAsByTheAssignmentOfLeastCost() {
        int ours = 0;
        int oracle = 0;
        int worse = 0;
        for (long seed = 1; seed <= ROUNDS; seed++) {
            Random random = new Random(seed * 31);
            List<PatchRow> here = patch(random);
            List<PatchRow> there = new ArrayList<>();
            Map<Integer, Integer> truth = copy(here, there, random);
            Map<Integer, Integer> pairs = Comparison.of(here, there).matches().stream()
                    .collect(Collectors.toMap(
                            m -> m.theirs().place(), m -> m.ours().place()));
            int mine = right(pairs, truth);
            int best = right(assigned(here, there), truth);
            ours += mine;
            oracle += best;
            worse += mine < best ? 1 : 0;
        }
        System.out.printf(
                Locale.ROOT,
                "matched right: %d of %d, by the assignment %d; worse in %d of %d%n",
                ours,
                ROUNDS * ROWS,
                oracle,
                worse,
                ROUNDS);
        assertThat(ours).isGreaterThanOrEqualTo((int) (0.995 * oracle));
        assertThat(worse).isLessThanOrEqualTo(ROUNDS / 20);
    }
}
