package taxon.core.seen;

import java.util.List;
import java.util.Optional;
import taxon.core.reception.Sender.Protocol;

/**
 * What is heard, held against the plan.
 *
 * @param lines each number that is planned or heard, in order
 * @param shift set where all of a protocol is heard under numbers that are so much off
 */
public record Seen(List<SeenLine> lines, Optional<Shift> shift) {
    public Seen {
        lines = List.copyOf(lines);
    }

    /**
     * Somebody counts otherwise than the plan.
     *
     * @param by how much higher than planned everything is heard: 1, −1, 16 or −16
     * @param count of how many numbers that is true
     */
    public record Shift(Protocol protocol, int by, int count) {}

    /** How many numbers are as planned. */
    public long asPlanned() {
        return lines.stream().filter(SeenLine::isAsPlanned).count();
    }

    /** How many are planned, could be heard here, and are not. */
    public long missing() {
        return with(Remark.Missing.class);
    }

    /** How many are planned for one box alone, and not heard here. */
    public long unhearable() {
        return with(Remark.NotForThisCard.class);
    }

    private long with(Class<? extends Remark> kind) {
        return lines.stream()
                .filter(l -> l.remarks().stream().anyMatch(kind::isInstance))
                .count();
    }
}
