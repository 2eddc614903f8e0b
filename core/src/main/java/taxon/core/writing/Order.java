package taxon.core.writing;

import java.util.Optional;
import taxon.core.dmx.Slot;

/**
 * One thing to be written to one target.
 *
 * @param part the block or port, from 1; 0 where the item is of the whole
 * @param was what was there when it was read; empty where it was not said, so that it cannot be written back
 */
public record Order(Target target, Item item, int part, Optional<Value> was, Value will) {
    public Order {
        boolean hasPart = item.isOfPort() || item == Item.ADDRESS;
        if (hasPart == (part < 1)) {
            throw new IllegalArgumentException(item.words() + " of part " + part);
        }
        if (item.isOfBox() != target instanceof Target.OfBox) {
            throw new IllegalArgumentException(item.words() + " is nothing of " + target.words());
        }
        if (item == Item.ADDRESS && !Slot.isLegal(will.number())) {
            throw new IllegalArgumentException("start address " + will.raw() + " is outside 1 to 512");
        }
    }

    /** True when it makes the same of the same, whatever was there before. */
    public boolean isSame(Order other) {
        return target.equals(other.target)
                && item == other.item
                && part == other.part
                && will.raw().equals(other.will.raw());
    }

    /** The order that writes back what was there; empty where that is not known, or is the same. */
    public Optional<Order> back() {
        return was.filter(w -> !w.raw().equals(will.raw()))
                .map(w -> new Order(target, item, part, Optional.of(will), w));
    }

    /** What of the target it is: "port 2 Port-Address", "start address of block 2", "label". */
    public String what() {
        if (item.isOfPort()) {
            return "port " + part + " " + item.words();
        }
        return item == Item.ADDRESS && part > 1 ? item.words() + " of block " + part : item.words();
    }

    /** "204, unit 7FF0:00000001: start address 65 → 73". */
    public String words() {
        return target.words() + ": " + what() + " " + was.map(Value::words).orElse("not known") + " → " + will.words();
    }
}
