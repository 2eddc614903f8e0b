package taxon.simrig;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;

/** The line at a port of a simulated box, with what is wrong with it. */
final class SimCable {
    /** Of what comes to an unsteady unit, one in so many is lost. */
    private static final int LOST_OF = 3;

    private static final AtomicInteger COUNTED = new AtomicInteger();

    private final List<SimUnit> units;
    private final int broken;
    private final boolean terminated;

    private SimCable(List<SimUnit> units, int broken, boolean terminated) {
        this.units = units;
        this.broken = broken;
        this.terminated = terminated;
    }

    /** @param port counted from 1 */
    static SimCable of(int port, List<SimUnit> units, List<SimFault> faults) {
        int broken = units.size();
        boolean terminated = true;
        for (SimFault fault : faults) {
            if (fault instanceof SimFault.LineBroken f && f.port() == port) {
                broken = Math.min(broken, Math.max(0, f.behind()));
            }
            terminated &= !(fault instanceof SimFault.Unterminated f) || f.port() != port;
        }
        return new SimCable(units, broken, terminated);
    }

    private boolean isSteady(int place) {
        return terminated || place < units.size() / 2;
    }

    /** Those to which a question comes now. */
    List<SimUnit> reached() {
        List<SimUnit> reached = new ArrayList<>();
        for (int i = 0; i < broken; i++) {
            if (isSteady(i) || COUNTED.incrementAndGet() % LOST_OF != 0) {
                reached.add(units.get(i));
            }
        }
        return reached;
    }

    /** What each unit does by the levels of the line; behind a break it hears nothing. */
    List<SimShown> shown(List<Integer> levels) {
        List<SimShown> shown = new ArrayList<>();
        for (int i = 0; i < units.size(); i++) {
            SimShown one = units.get(i).shown(i < broken ? levels : List.of());
            shown.add(i < broken && !isSteady(i) ? one.flickering() : one);
        }
        return shown;
    }
}
