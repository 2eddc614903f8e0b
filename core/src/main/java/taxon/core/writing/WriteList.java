package taxon.core.writing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import taxon.core.text.Texts;
import taxon.core.writing.Prepared.Left;
import taxon.core.writing.Result.Outcome;

/**
 * A list of orders as somebody prepared it, and what became of it.
 *
 * @param title "Addresses and labels of 12 units"
 * @param who prepared it
 * @param asPlanned true when it makes things as they are planned, so that it is worth nothing once the plan has changed
 * @param left what of the wish is not written
 * @param state how far it is
 * @param results one for each order once it was begun; before that none
 */
public record WriteList(
        String title,
        String who,
        Instant at,
        boolean asPlanned,
        List<Order> orders,
        List<Left> left,
        State state,
        List<Result> results) {
    /** More is written in several lists. */
    public static final int MOST = 5_000;

    /** How far a list is. */
    public enum State {
        READY,
        /** Begun; where nothing runs any more, it broke off, and nobody knows what was written. */
        BEGUN,
        ENDED
    }

    public WriteList {
        Texts.requireLine("title", title, 200);
        orders = List.copyOf(orders);
        left = List.copyOf(left);
        results = List.copyOf(results);
        if (orders.size() > MOST) {
            throw new IllegalArgumentException(orders.size() + " orders are more than " + MOST + "; write in parts");
        }
        if (results.size() > orders.size()) {
            throw new IllegalArgumentException(results.size() + " results of " + orders.size() + " orders");
        }
    }

    /** One that nothing was done with yet. */
    public static WriteList of(String title, String who, Instant at, boolean asPlanned, Prepared prepared) {
        return new WriteList(title, who, at, asPlanned, prepared.orders(), prepared.left(), State.READY, List.of());
    }

    /** The same, so far. */
    public WriteList at(State changed, List<Result> soFar) {
        return new WriteList(title, who, at, asPlanned, orders, left, changed, soFar);
    }

    /** What became of an order; empty while it was not come to, or nobody knows since it broke off. */
    public Optional<Result> result(int index) {
        return index < results.size() ? Optional.of(results.get(index)) : Optional.empty();
    }

    /** How many orders ended so. */
    public long count(Outcome outcome) {
        return results.stream().filter(r -> r.outcome() == outcome).count();
    }

    /** Those of which something else may be there than before: what was refused and what was not tried is not among them. */
    private boolean mayHaveChanged(int index) {
        Outcome outcome =
                result(index).map(Result::outcome).orElse(state == State.READY ? Outcome.NOT_TRIED : Outcome.UNKNOWN);
        return outcome != Outcome.REFUSED && outcome != Outcome.NOT_TRIED;
    }

    /** What puts back what was there, the last first; what was not known before cannot be put back. */
    public Prepared back() {
        List<Order> back = new ArrayList<>();
        List<Left> lost = new ArrayList<>();
        for (int i = orders.size() - 1; i >= 0; i--) {
            Order order = orders.get(i);
            if (mayHaveChanged(i)) {
                order.back().ifPresent(back::add);
                if (order.was().isEmpty()) {
                    lost.add(new Left(order.target().words(), "what its " + order.what() + " was before is not known"));
                }
            }
        }
        return new Prepared(back, Collections.unmodifiableList(lost));
    }
}
