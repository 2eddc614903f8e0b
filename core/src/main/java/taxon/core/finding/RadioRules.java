package taxon.core.finding;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import taxon.core.dmx.UniverseNumber;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.wireless.AirWay;
import taxon.core.wireless.AirWays;
import taxon.core.wireless.LinkState;

/** Rules about what comes through the air. A universe that is routed nowhere at all is another rule's. */
final class RadioRules {
    private final Plan plan;
    private final AirWays ways;

    RadioRules(Plan plan) {
        this.plan = plan;
        ways = AirWays.of(plan);
    }

    List<Finding> sentByNone() {
        return each(
                LinkState.NO_CHANNEL,
                Rule.SENT_BY_NO_RADIO,
                AirWay::wanted,
                this::isRouted,
                (alike, one) -> new RadioGrounds.SentByNone(List.copyOf(one.wanted()), names(alike)),
                new Remedy.Decide("Route it to a transmitter", Remedy.Where.ROUTING));
    }

    private boolean isRouted(AirWay way) {
        return way.wanted().stream().allMatch(u -> plan.universe(u).isRouted());
    }

    List<Finding> linkedElsewhere() {
        return each(
                LinkState.LINKED_ELSEWHERE,
                Rule.LINKED_ELSEWHERE,
                w -> List.of(w.wanted(), link(w).to()),
                w -> true,
                (alike, one) -> {
                    PortRef to = link(one).to();
                    return new RadioGrounds.Elsewhere(
                            List.copyOf(one.wanted()), names(alike), to, channel(to), sent(to));
                },
                link("Link them anew"));
    }

    private List<UniverseNumber> sent(PortRef channel) {
        return ways.channels().contains(channel) ? List.copyOf(ways.sentBy(channel)) : List.of();
    }

    List<Finding> lost() {
        return each(
                LinkState.LOST,
                Rule.LINK_LOST,
                w -> List.of(link(w).to(), after(w)),
                w -> true,
                (alike, one) -> new RadioGrounds.Lost(
                        names(alike), link(one).to(), channel(link(one).to()), after(one)),
                link("Link them anew"));
    }

    List<Finding> neverLinked() {
        return each(
                LinkState.NEVER_LINKED,
                Rule.NEVER_LINKED,
                AirWay::channels,
                w -> true,
                (alike, one) -> new RadioGrounds.NeverLinked(
                        names(alike), one.channels().stream().map(this::channel).toList()),
                link("Link them"));
    }

    private interface Seen {
        RadioGrounds of(List<AirWay> alike, AirWay one);
    }

    private interface Asked {
        boolean of(AirWay way);
    }

    /** One finding for all receivers of a state that are alike in what matters. */
    private <K> List<Finding> each(
            LinkState state, Rule rule, Function<AirWay, K> alike, Asked asked, Seen seen, Remedy remedy) {
        Map<K, List<AirWay>> groups = new LinkedHashMap<>();
        ways.all().stream()
                .filter(w -> w.state() == state && asked.of(w))
                .forEach(w -> groups.computeIfAbsent(alike.apply(w), k -> new ArrayList<>())
                        .add(w));
        return groups.values().stream()
                .map(group -> new Finding(
                        rule,
                        rule.slug() + ":" + subject(group),
                        units(group),
                        new Grounds.OfRadio(seen.of(group, group.get(0))),
                        Optional.of(remedy)))
                .toList();
    }

    private static String subject(List<AirWay> group) {
        return group.stream()
                .map(w -> RadioLink.keyOf(w.receiver()))
                .map(k -> k.text().charAt(0) + "" + k.number())
                .collect(Collectors.joining("+"));
    }

    private static List<FixtureKey> units(List<AirWay> group) {
        return group.stream().flatMap(w -> w.units().stream()).distinct().toList();
    }

    private List<String> names(List<AirWay> group) {
        return group.stream().map(w -> NetworkText.receiver(plan, w.receiver())).toList();
    }

    private static RadioLink link(AirWay way) {
        return way.link().orElseThrow();
    }

    private static String after(AirWay way) {
        return link(way).lost().orElseThrow().after();
    }

    private String channel(PortRef port) {
        return NetworkText.port(plan, port);
    }

    private static Remedy link(String label) {
        return new Remedy.Decide(label, Remedy.Where.WIRELESS);
    }
}
