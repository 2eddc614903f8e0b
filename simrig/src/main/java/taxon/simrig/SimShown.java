package taxon.simrig;

import java.util.List;
import taxon.core.seen.ChannelReading;
import taxon.wire.rdm.codec.Uid;

/**
 * What a simulated unit does now, for somebody who looks at it.
 *
 * @param hangs what is written on it for those who look; empty for a unit that nobody knows
 * @param start where it listens
 * @param mode that it is in
 * @param readings what its levels say to it, by its own address and mode
 * @param identifying true while it makes itself known
 * @param panTurned true when its menu turns its pan round
 * @param tiltTurned true when its menu turns its tilt round
 * @param unsteady true while what comes to it is spoilt on the way: it flickers
 */
public record SimShown(
        Uid uid,
        String hangs,
        int start,
        String mode,
        List<ChannelReading> readings,
        boolean identifying,
        boolean panTurned,
        boolean tiltTurned,
        boolean unsteady) {
    public SimShown {
        readings = List.copyOf(readings);
    }

    SimShown flickering() {
        return new SimShown(uid, hangs, start, mode, readings, identifying, panTurned, tiltTurned, true);
    }
}
