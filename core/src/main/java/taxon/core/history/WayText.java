package taxon.core.history;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.fixture.Facts.Reach;
import taxon.core.lines.UnitWay;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.text.Counted;

/** The way of a fixture in one sentence. */
public final class WayText {
    private WayText() {}

    /** "Desk → Art-Net 4 = 0·0·4 → Quay node port 2 → line B, 3rd of 11, 46.0 m". */
    public static String of(Plan plan, Fixture fixture, UnitWay way) {
        List<String> parts = new ArrayList<>();
        parts.add(
                way.senders().isEmpty()
                        ? "universe " + way.universe()
                        : way.senders().stream().map(Box::name).collect(Collectors.joining(" and ")));
        way.route().filter(r -> !(r instanceof Route.Direct)).ifPresent(r -> parts.add(RouteWords.brief(r)));
        way.route().ifPresent(r -> parts.add(NetworkText.port(plan, r.port())));
        if (way.hops().isEmpty()) {
            parts.add(end(plan, fixture, way));
        }
        for (int i = 0; i < way.hops().size(); i++) {
            Line hop = way.hops().get(i);
            if (way.route().filter(r -> r.port().equals(hop.from())).isEmpty()) {
                parts.add(NetworkText.port(plan, hop.from()));
            }
            parts.add("line " + hop.name());
        }
        return String.join(" → ", parts) + place(way);
    }

    private static String place(UnitWay way) {
        return way.line()
                .map(l ->
                        ", " + Counted.ordinal(way.place()) + " of " + l.stops().size()
                                + way.metres()
                                        .map(m -> String.format(Locale.ROOT, ", %.1f m", m))
                                        .orElse(""))
                .orElse("");
    }

    private static String end(Plan plan, Fixture fixture, UnitWay way) {
        boolean isWireless = plan.type(fixture).facts().reach() == Reach.WIRELESS;
        if (!plan.universe(way.universe()).isRouted()) {
            return "routed nowhere";
        }
        if (way.route().isEmpty()) {
            return isWireless ? "no transmitter sends it" : "by one of several ways, no line";
        }
        Box box = plan.box(way.route().get().port().box()).orElseThrow();
        if (box.facts().fixture().filter(fixture.key()::equals).isPresent()) {
            return "the unit itself";
        }
        return isWireless ? "by radio, " + linked(plan, fixture, way.route().get()) : "no line yet";
    }

    private static String linked(Plan plan, Fixture fixture, Route route) {
        Optional<RadioLink> link = plan.radioLink(new RadioLink.BuiltIn(fixture.key()));
        if (link.isEmpty()) {
            return "not linked yet";
        }
        if (link.get().lost().isPresent()) {
            return "to be linked anew";
        }
        return link.get().to().equals(route.port()) ? "linked" : "linked to another channel";
    }

    /** "3 of 11" on its line; empty where no line reaches it. */
    public static String placeOf(UnitWay way) {
        return way.line().map(l -> way.place() + " of " + l.stops().size()).orElse("");
    }
}
