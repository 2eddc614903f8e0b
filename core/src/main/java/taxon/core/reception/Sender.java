package taxon.core.reception;

/**
 * Who sends.
 *
 * @param id the CID of streaming ACN in hexadecimal, or the IP address of Art-Net: what tells two senders apart
 * @param name as it calls itself; may be empty
 */
public record Sender(Protocol protocol, String id, String name) {
    /** How levels come. */
    public enum Protocol {
        /** A sender is lost after 2.5 s (E1.31, 6.7.1). */
        SACN("sacn-", 2_500),
        /** A sender is dropped from a merge after 10 s. */
        ART_NET("art-net-", 10_000);

        private static final long NANOS = 1_000_000;

        private final String key;
        private final long millis;

        Protocol(String key, long millis) {
            this.key = key;
            this.millis = millis;
        }

        /** What the key of each of its universes begins with. */
        String key() {
            return key;
        }

        /** After so much silence it is gone. */
        public long lossNanos() {
            return millis * NANOS;
        }
    }

    /** True when both are the same, whatever they call themselves now. */
    public boolean isSameAs(Sender other) {
        return protocol == other.protocol && id.equals(other.id);
    }
}
