package taxon.app.demo;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Ipv4;
import taxon.core.rig.Plan;
import taxon.core.text.Listed;
import taxon.simrig.SimulatedRig;

/**
 * The simulated nodes of the demo and its transmitter, on loopback addresses that nothing else uses.
 *
 * @param rig empty where no address was free
 * @param at where the nodes are; none where there is no rig
 * @param wanted where they were to be
 */
record DemoNodes(Optional<SimulatedRig> rig, List<Ipv4> at, List<Ipv4> wanted) {
    private static final int LAST_TRIED = 60;

    /** Starts them where they are wanted, or at the next addresses that are free. */
    static DemoNodes start(Plan plan, List<Ipv4> wanted) {
        for (List<Ipv4> addresses : tried(wanted)) {
            Optional<SimulatedRig> rig = started(plan, addresses);
            if (rig.isPresent()) {
                return new DemoNodes(rig, addresses, wanted);
            }
        }
        return new DemoNodes(Optional.empty(), List.of(), wanted);
    }

    private static Optional<SimulatedRig> started(Plan plan, List<Ipv4> at) {
        try {
            return Optional.of(SimulatedRig.start(DemoRig.of(plan, at)));
        } catch (IOException taken) {
            // Somebody else listens there: the next addresses are tried, and what became of it is told.
            return Optional.empty();
        }
    }

    /** Only addresses of this machine: a plan may name any. */
    private static List<List<Ipv4>> tried(List<Ipv4> wanted) {
        List<List<Ipv4>> all = new ArrayList<>();
        if (wanted.stream().allMatch(ip -> ip.toString().startsWith("127."))) {
            all.add(wanted);
        }
        for (int last = 2; last < LAST_TRIED; last += 3) {
            all.add(List.of(loopback(last), loopback(last + 1), loopback(last + 2)));
        }
        return all;
    }

    private static Ipv4 loopback(int last) {
        return Ipv4.parse("127.0.0." + last).orElseThrow();
    }

    boolean isElsewhere() {
        return rig.isPresent() && !at.equals(wanted);
    }

    /** What is to be said at the start; empty when they are where they were wanted. */
    Optional<String> trouble() {
        if (rig.isEmpty()) {
            return Optional.of(
                    "No loopback address has UDP port 6454 free: the demo runs without its simulated rig, so that"
                            + " nothing can be read from it. Whatever listens there must end first.");
        }
        return isElsewhere()
                ? Optional.of("The simulated boxes are at " + Listed.of(at) + ", since not all of " + Listed.of(wanted)
                        + " can be had.")
                : Optional.empty();
    }
}
