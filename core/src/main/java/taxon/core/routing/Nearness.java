package taxon.core.routing;

import java.util.List;
import java.util.Optional;
import taxon.core.cable.CableRun;
import taxon.core.cable.CableWay;
import taxon.core.cable.Spot;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** How far it is from each box to the nearest unit of each universe, as cable lies; reckoned once. */
final class Nearness {
    private static final double SAME = 0.0005;

    private final List<Box> boxes;

    /** In metres by universe and box, {@code NaN} where it cannot be reckoned. */
    private final double[][] metres;

    /** @param hearing the units of each universe */
    Nearness(Plan plan, List<List<Fixture>> hearing, List<Box> boxes) {
        this.boxes = List.copyOf(boxes);
        CableWay way = new CableWay(plan);
        List<Optional<Spot>> spots = boxes.stream().map(way::spot).toList();
        metres = new double[hearing.size()][boxes.size()];
        for (int u = 0; u < metres.length; u++) {
            List<Optional<Spot>> hung = hearing.get(u).stream().map(way::spot).toList();
            for (int b = 0; b < metres[u].length; b++) {
                metres[u][b] = nearest(way, hung, spots.get(b));
            }
        }
    }

    private static double nearest(CableWay way, List<Optional<Spot>> units, Optional<Spot> box) {
        double least = Double.NaN;
        for (Optional<Spot> unit : units) {
            Optional<CableRun> run = way.between(box, unit);
            if (run.isPresent() && !(run.get().length().inMetres() >= least)) {
                least = run.get().length().inMetres();
            }
        }
        return least;
    }

    List<Box> boxes() {
        return boxes;
    }

    /** Empty where a place is not said. */
    Optional<Double> metres(int universe, int box) {
        return Optional.of(metres[universe][box]).filter(m -> !m.isNaN());
    }

    /** The nearest box of all that is nearer than one; empty where none is. */
    Optional<Box> nearer(int universe, int than) {
        double[] row = metres[universe];
        int nearest = than;
        for (int b = 0; b < row.length; b++) {
            nearest = row[b] < row[nearest] - SAME ? b : nearest;
        }
        return nearest == than ? Optional.empty() : Optional.of(boxes.get(nearest));
    }
}
