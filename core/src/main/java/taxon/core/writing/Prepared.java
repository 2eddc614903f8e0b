package taxon.core.writing;

import java.util.List;
import java.util.stream.Stream;

/**
 * What can be written of what is wanted.
 *
 * @param left what is not written, with the reason
 */
public record Prepared(List<Order> orders, List<Left> left) {
    public static final Prepared NOTHING = new Prepared(List.of(), List.of());

    public Prepared {
        orders = List.copyOf(orders);
        left = List.copyOf(left);
    }

    /**
     * Something that is not written.
     *
     * @param whom "204, unit 7FF0:00000001"
     * @param why a sentence without its full stop
     */
    public record Left(String whom, String why) {}

    /** Both, one after the other. */
    public Prepared and(Prepared other) {
        return new Prepared(
                Stream.concat(orders.stream(), other.orders.stream()).toList(),
                Stream.concat(left.stream(), other.left.stream()).toList());
    }

    static Prepared of(Order order) {
        return new Prepared(List.of(order), List.of());
    }

    static Prepared leaving(Target whom, String why) {
        return new Prepared(List.of(), List.of(new Left(whom.words(), why)));
    }
}
