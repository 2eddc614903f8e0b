package taxon.core.reception;

/**
 * One sender of a universe, as far as it was heard.
 *
 * @param priority of its last packet of levels
 * @param hasSlotPriorities true when it gives each slot a priority of its own
 * @param rate packets of levels a second
 * @param movingRate likewise while its levels move; 0 where they did not of late
 * @param jitterMillis how much the longest of the last intervals exceeds the shortest
 * @param packets of levels that were taken
 * @param lost as far as its sequence numbers tell
 * @param late dropped since they came late or twice
 * @param slots how many its last packet had
 * @param synchronisation the address at which its levels wait; 0 where they do not
 * @param isPreview true when its last packet was not for live output
 * @param lastNanos when its last packet came
 * @param changedNanos when its levels last changed
 * @param levels a sum over its levels: the same for the same ones
 * @param isAllZero true when no slot of it is above 0
 */
public record Heard(
        Sender sender,
        int priority,
        boolean hasSlotPriorities,
        double rate,
        double movingRate,
        double jitterMillis,
        long packets,
        long lost,
        long late,
        int slots,
        int synchronisation,
        boolean isPreview,
        long lastNanos,
        long changedNanos,
        int levels,
        boolean isAllZero) {
    private static final long STILL_AFTER_NANOS = 3_000_000_000L;

    /** What its sender calls itself, and where it has no name what tells it from others. */
    public String named() {
        return sender.name().isBlank() ? sender.id() : sender.name();
    }

    /** True when its levels did not change for three seconds, so that it may send but one packet a second (E1.31, 6.6.2; Art-Net 4). */
    public boolean isStill(long nanos) {
        return nanos - changedNanos > STILL_AFTER_NANOS;
    }
}
