package taxon.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/** Writes a list of orders, one after the other. */
public final class Writing {
    private final Pen pen;
    private final boolean stopsAtSurprise;
    private final BooleanSupplier stop;

    /**
     * How it is written.
     *
     * @param stopsAtSurprise true when nothing more is written once one was not read back as it was wanted
     * @param stop asked before each order
     */
    public Writing(Pen pen, boolean stopsAtSurprise, BooleanSupplier stop) {
        this.pen = pen;
        this.stopsAtSurprise = stopsAtSurprise;
        this.stop = stop;
    }

    /**
     * Writes them in their order.
     *
     * @param told is told each time of all results so far
     * @return one result for each order
     */
    public List<Result> run(List<Order> orders, Consumer<List<Result>> told) throws InterruptedException {
        List<Result> results = new ArrayList<>();
        for (Order order : orders) {
            boolean surprised = stopsAtSurprise
                    && !results.isEmpty()
                    && results.get(results.size() - 1).isSurprise();
            results.add(surprised || stop.getAsBoolean() ? Result.NOT_TRIED : pen.write(order));
            told.accept(List.copyOf(results));
        }
        return List.copyOf(results);
    }
}
