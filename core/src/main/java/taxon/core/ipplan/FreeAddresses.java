package taxon.core.ipplan;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/** Addresses of a range that no box has yet, handed out by its rules. */
public final class FreeAddresses {
    private final IpRules rules;
    private final Set<Ipv4> taken;

    private FreeAddresses(IpRules rules, Set<Ipv4> taken) {
        this.rules = rules;
        this.taken = taken;
    }

    /** All of a range but those that are taken. */
    static FreeAddresses except(IpRules rules, Set<Ipv4> taken) {
        return new FreeAddresses(rules, new HashSet<>(taken));
    }

    /** A free address for one box: in the network of the job that it lies in, or its range, or where none is said among those of its own mask. */
    public static Optional<Ipv4> forBox(Plan plan, Box box) {
        Set<Ipv4> taken = new HashSet<>();
        plan.boxes().forEach(b -> b.ip().ifPresent(taken::add));
        return plan.sheet()
                .network()
                .ip()
                .map(rules -> rules.in(home(rules, box)))
                .or(() -> box.card().map(c -> IpRules.usual(c.subnet())))
                .flatMap(rules -> except(rules, taken).take(box.kind()));
    }

    /** The network in which a box stays: that of its address, or the job's range. */
    static Subnet home(IpRules rules, Box box) {
        return box.ip().flatMap(rules::networkOf).orElse(rules.range());
    }

    /** The next for a kind: from where that begins upwards, and then from the lowest; empty where all are taken. */
    Optional<Ipv4> take(BoxKind kind) {
        int first = rules.firstOf(kind);
        return free(first, rules.range().hosts()).or(() -> free(1, first - 1));
    }

    private Optional<Ipv4> free(int from, int to) {
        for (int host = from; host <= to; host++) {
            Ipv4 ip = rules.range().host(host).orElseThrow();
            if (taken.add(ip)) {
                return Optional.of(ip);
            }
        }
        return Optional.empty();
    }
}
