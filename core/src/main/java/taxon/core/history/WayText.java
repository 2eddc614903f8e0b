package taxon.core.history;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import taxon.core.fixture.Facts.Reach;
import taxon.core.lines.UnitWay;
import taxon.core.network.Route;
import taxon.core.network.RouteWords;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;

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
            if (i > 0 || way.route().isEmpty()) {
                parts.add(NetworkText.port(plan, hop.from()));
            }
            parts.add("line " + hop.name());
        }
        return String.join(" → ", parts) + place(way);
    }

    private static String place(UnitWay way) {
        return way.line()
                .map(l -> ", " + ordinal(way.place()) + " of " + l.stops().size()
                        + way.metres()
                                .map(m -> String.format(Locale.ROOT, ", %.1f m", m))
                                .orElse(""))
                .orElse("");
    }

    private static String end(Plan plan, Fixture fixture, UnitWay way) {
        if (way.route().isEmpty()) {
            return plan.universe(way.universe()).isRouted() ? "by one of several ways, no line" : "routed nowhere";
        }
        Box box = plan.box(way.route().get().port().box()).orElseThrow();
        if (box.facts().fixture().filter(fixture.key()::equals).isPresent()) {
            return "the unit itself";
        }
        return plan.type(fixture).facts().reach() == Reach.WIRELESS ? "by radio" : "no line yet";
    }

    /** "3 of 11" on its line; empty where no line reaches it. */
    public static String placeOf(UnitWay way) {
        return way.line().map(l -> way.place() + " of " + l.stops().size()).orElse("");
    }

    private static String ordinal(int number) {
        int tens = number % 100;
        String end = tens >= 11 && tens <= 13
                ? "th"
                : switch (number % 10) {
                    case 1 -> "st";
                    case 2 -> "nd";
                    case 3 -> "rd";
                    default -> "th";
                };
        return number + end;
    }
}
