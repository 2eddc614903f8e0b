package taxon.core.load;

import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;

/**
 * A network cable and what it carries when everything is sent at full rate.
 *
 * @param box the box at its one end
 * @param port the port of the switch at its other
 * @param megabits its speed: that of the slower end
 * @param toBox bits a second that come to the box
 * @param fromBox bits a second that leave it
 * @param artNet streams of Art-Net in the busier direction
 * @param sacn streams of streaming ACN in the busier direction
 * @param spilt of these, streams that are meant for nobody behind the cable
 */
public record CableLoad(
        Box box, PortRef port, int megabits, long toBox, long fromBox, int artNet, int sacn, int spilt) {
    private static final double BITS = 1e6;

    /** The busier direction as a share of its speed: 0.5 for half of it. */
    public double share() {
        return Math.max(toBox, fromBox) / (megabits * BITS);
    }

    /** Half of a speed in bits a second: what is planned with (common practice). */
    public static double halfOf(int megabits) {
        return megabits * BITS / 2;
    }

    /** True when more of it is taken than is planned with. */
    public boolean isOverHalf() {
        return Math.max(toBox, fromBox) > halfOf(megabits);
    }

    /** How many universes of streaming ACN more go into that half of its speed which is planned with (common practice). */
    public int universesMore() {
        double room = halfOf(megabits) - Math.max(toBox, fromBox);
        return (int) Math.max(0, Math.floor(room / Stream.Protocol.SACN.bits()));
    }
}
