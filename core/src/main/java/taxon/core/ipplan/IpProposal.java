package taxon.core.ipplan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.network.IpRules;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.Element;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.Omission;
import taxon.core.rig.edit.Proposed;

/**
 * An address in the job's range for every box on the network, or in the other network of the job that it lies in already, before
 * anything is done.
 *
 * @param edit gives the job its range and every box its address, as one step of undo
 * @param moves boxes that get another address or mask, in the order in which they were handed out
 * @param staying boxes that keep theirs
 * @param omissions boxes for which the range has no address left; they keep theirs
 */
public record IpProposal(Edit edit, List<Move> moves, int staying, List<NoRoom> omissions) implements Proposed {
    public IpProposal {
        moves = List.copyOf(moves);
        omissions = List.copyOf(omissions);
    }

    /**
     * A box before and after.
     *
     * @param why it cannot keep what it has
     */
    public record Move(Box box, Optional<NetCard> before, NetCard after, Why why) {}

    public enum Why {
        NONE_YET("has no address yet"),
        OUTSIDE("lies outside the range"),
        TAKEN("a box before it has the same"),
        NO_HOST("is no address of a device"),
        MASK("has another mask"),
        ANEW("all are handed out anew");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A box that finds the range full. */
    public record NoRoom(Box box) implements Omission {
        @Override
        public String who() {
            return box.name();
        }
    }

    /**
     * Hands out addresses: by position in the order of the rig, then by number.
     *
     * @param anew true when those that could stay are handed out anew too
     */
    public static IpProposal of(Plan plan, IpRules rules, boolean anew) {
        List<Box> boxes = inOrder(plan);
        Set<Ipv4> kept = new HashSet<>();
        List<Box> seeking = new ArrayList<>();
        int staying = 0;
        List<Move> moves = new ArrayList<>();
        for (Box box : boxes) {
            Subnet range = FreeAddresses.home(rules, box);
            Optional<Ipv4> ip = box.ip().filter(i -> !anew && range.isHost(i) && kept.add(i));
            if (ip.isEmpty()) {
                seeking.add(box);
            } else if (box.card().orElseThrow().prefix() == range.prefix()) {
                staying++;
            } else {
                moves.add(move(box, ip.get(), range, Why.MASK));
            }
        }
        Map<Subnet, FreeAddresses> free = new HashMap<>();
        List<NoRoom> noRoom = new ArrayList<>();
        for (Box box : seeking) {
            Subnet range = FreeAddresses.home(rules, box);
            Optional<Ipv4> ip = free.computeIfAbsent(range, r -> FreeAddresses.except(rules.in(r), kept))
                    .take(box.kind());
            if (ip.isEmpty()) {
                noRoom.add(new NoRoom(box));
            } else {
                Move move = move(box, ip.get(), range, why(box, range, anew));
                boolean same = Optional.of(move.after()).equals(box.card());
                staying += same ? 1 : 0;
                if (!same) {
                    moves.add(move);
                }
            }
        }
        List<Move> all = List.copyOf(moves);
        Edit edit = new Edit(title(all.size()), now -> new Edit.Changed(now.with(changed(now, rules, all))));
        return new IpProposal(edit, all, staying, noRoom);
    }

    private static List<Box> inOrder(Plan plan) {
        List<Integer> order = plan.positions().stream().map(Position::number).toList();
        return plan.boxes().stream()
                .filter(b -> b.kind().canBeOnNetwork())
                .sorted(Comparator.comparingInt((Box b) ->
                                b.place().position().map(order::indexOf).orElse(order.size()))
                        .thenComparingInt(Box::number))
                .toList();
    }

    private static Move move(Box box, Ipv4 ip, Subnet range, Why why) {
        NetCard after = box.card().map(c -> c.at(ip, range.prefix())).orElseGet(() -> new NetCard(ip, range.prefix()));
        return new Move(box, box.card(), after, why);
    }

    private static Why why(Box box, Subnet range, boolean anew) {
        if (box.ip().isEmpty()) {
            return Why.NONE_YET;
        }
        Ipv4 ip = box.ip().get();
        if (!range.contains(ip)) {
            return Why.OUTSIDE;
        }
        if (!range.isHost(ip)) {
            return Why.NO_HOST;
        }
        return anew ? Why.ANEW : Why.TAKEN;
    }

    private static String title(int moves) {
        return (moves == 1 ? "1 IP address" : moves + " IP addresses") + " handed out";
    }

    private static List<Element> changed(Plan plan, IpRules rules, List<Move> moves) {
        List<Element> changed = new ArrayList<>();
        changed.add(plan.sheet().with(plan.sheet().network().with(rules)));
        moves.forEach(m -> plan.box(m.box().number()).ifPresent(b -> changed.add(b.with(m.after()))));
        return changed;
    }
}
