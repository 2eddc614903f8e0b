package taxon.core.boxcheck;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;

/**
 * All boxes that answered when everybody was asked, held against the plan.
 *
 * @param own how the cards that were asked from are on the network; empty where that is not known
 * @param seen one for each device, in the order in which they answered
 * @param hindered planned addresses to which nothing was sent, with the reason
 */
public record BoxesHeard(List<NetCard> own, List<SeenBox> seen, Map<Ipv4, Silence> hindered) {
    public BoxesHeard {
        own = List.copyOf(own);
        seen = List.copyOf(seen);
        hindered = Map.copyOf(hindered);
    }

    /**
     * Who answered for a box, and why nobody did where nobody did.
     *
     * @param box one that has an address
     */
    public BoxAnswers of(Plan plan, Box box) {
        Ipv4 ip = box.ip().orElseThrow();
        return new BoxAnswers(box.number(), ip, at(ip), silence(plan, box, ip));
    }

    private List<SeenBox> at(Ipv4 ip) {
        return seen.stream().filter(s -> s.answering().equals(ip)).toList();
    }

    private Silence silence(Plan plan, Box box, Ipv4 ip) {
        return elsewhere(plan, box)
                .<Silence>map(at -> new Silence.Elsewhere(at, at(at).size()))
                .or(() -> Optional.ofNullable(hindered.get(ip)))
                .or(() -> outside(ip))
                .orElseGet(Silence.NoAnswer::new);
    }

    /** Where no card of this computer is in its range; the first one is told. */
    private Optional<Silence> outside(Ipv4 ip) {
        boolean reached = own.stream().anyMatch(o -> o.subnet().contains(ip));
        return reached ? Optional.empty() : own.stream().findFirst().map(Silence.OtherRange::new);
    }

    /** Of several of its name that have no place in the plan, the nearest is most likely meant. */
    private Optional<Ipv4> elsewhere(Plan plan, Box box) {
        Ipv4 ip = box.ip().orElseThrow();
        return unplaced(plan)
                .filter(s -> s.isCalled(box.name()))
                .map(SeenBox::answering)
                .min(Comparator.comparingLong(at -> distance(at, ip)));
    }

    private static long distance(Ipv4 one, Ipv4 other) {
        return Math.abs(Integer.toUnsignedLong(one.bits()) - Integer.toUnsignedLong(other.bits()));
    }

    /** Those at an address that no box of the plan has. */
    private Stream<SeenBox> unplaced(Plan plan) {
        Set<Ipv4> planned = plan.boxes().stream().flatMap(b -> b.ip().stream()).collect(Collectors.toSet());
        return seen.stream().filter(s -> !planned.contains(s.answering()));
    }

    /** Those that are not planned: at an address of nobody, and not taken for a silent box of their name. */
    public List<SeenBox> unplanned(Plan plan) {
        Set<Ipv4> taken = plan.boxes().stream()
                .filter(b -> b.ip().isPresent())
                .map(b -> of(plan, b))
                .filter(a -> !a.isThere())
                .map(BoxAnswers::silence)
                .filter(Silence.Elsewhere.class::isInstance)
                .map(s -> ((Silence.Elsewhere) s).at())
                .collect(Collectors.toSet());
        return unplaced(plan).filter(s -> !taken.contains(s.answering())).toList();
    }
}
