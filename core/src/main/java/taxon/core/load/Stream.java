package taxon.core.load;

import java.util.Set;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Delivery;

/**
 * Packets of one universe from one sender.
 *
 * @param from number of the box that sends them
 * @param to numbers of the boxes that they are meant for
 */
record Stream(UniverseNumber universe, Protocol protocol, Delivery delivery, int from, Set<Integer> to) {

    /**
     * What one universe takes at full rate, with all that goes over the cable for each packet: data, UDP 8, IP 20, Ethernet 18,
     * and 20 for preamble and gap (IEEE 802.3, from memory).
     */
    enum Protocol {
        /** ArtDmx: 18 and 512 slots (Art-Net 4). */
        ART_NET(530),
        /** A data packet of 512 slots: 638 (ANSI E1.31). */
        SACN(638);

        private static final int AROUND = 8 + 20 + 18 + 20;
        /** Refreshes in a second of a full universe (ANSI E1.11). */
        private static final int RATE = 44;

        private static final int BITS = 8;

        private final int bytes;

        Protocol(int bytes) {
            this.bytes = bytes;
        }

        /** In bits a second. */
        long bits() {
            return (long) (bytes + AROUND) * BITS * RATE;
        }
    }
}
