package taxon.app.wireless;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.app.form.Outlets;
import taxon.app.form.Outlets.Choice;
import taxon.core.dmx.UniverseNumber;
import taxon.core.grouping.IdRuns;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.RadioLink;
import taxon.core.wireless.AirWay;
import taxon.core.wireless.AirWays;
import taxon.core.wireless.LinkState;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the page of wireless links shows.
 *
 * @param choices channels that a receiver can be linked to
 */
record WirelessView(List<Channel> channels, List<Receiver> receivers, List<Choice> choices) {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.UK).withZone(ZoneOffset.UTC);

    /**
     * An output of a transmitter.
     *
     * @param outlet "5/1"
     * @param sends "universe 7", or "nothing yet"
     * @param linked how many receivers hold a link to it
     */
    record Channel(String outlet, String name, String sends, int linked) {}

    /**
     * A receiver.
     *
     * @param name as forms name it, "fixture/12"
     * @param units the fixtures that hear by it, where it is no fixture itself
     * @param from the channels that it can be linked to
     * @param link "Dock radio port 1, 28 Nov 18:03 UTC, Kim"; empty where nobody has said
     * @param isToBeLinked true when someone has to go there
     */
    record Receiver(
            String name,
            String words,
            String units,
            String where,
            String hears,
            String from,
            LinkState state,
            String link,
            boolean isToBeLinked) {
        String slug() {
            return Json.slug(state);
        }
    }

    static WirelessView of(Plan plan) {
        AirWays ways = AirWays.of(plan);
        return new WirelessView(
                ways.channels().stream().map(c -> channel(plan, ways, c)).toList(),
                ways.all().stream().map(w -> receiver(plan, w)).toList(),
                ways.channels().stream()
                        .map(c -> Outlets.choice(plan.box(c.box()).orElseThrow(), c.number()))
                        .toList());
    }

    private static Channel channel(Plan plan, AirWays ways, PortRef port) {
        Set<UniverseNumber> sent = ways.sentBy(port);
        long linked = plan.radioLinks().stream()
                .filter(l -> l.to().equals(port) && l.lost().isEmpty())
                .count();
        return new Channel(
                port.box() + "/" + port.number(),
                NetworkText.port(plan, port),
                sent.isEmpty() ? "nothing yet" : universes(sent),
                (int) linked);
    }

    private static Receiver receiver(Plan plan, AirWay way) {
        boolean apart = way.receiver() instanceof RadioLink.Apart;
        return new Receiver(
                ReceiverNames.of(way.receiver()),
                NetworkText.receiver(plan, way.receiver()),
                apart ? units(plan, way) : "",
                where(plan, way.receiver()),
                way.wanted().isEmpty() ? "no address yet" : universes(way.wanted()),
                way.channels().stream().map(c -> NetworkText.port(plan, c)).collect(Collectors.joining(" or ")),
                way.state(),
                way.link().map(l -> words(plan, l)).orElse(""),
                way.state().isToBeLinked());
    }

    private static String units(Plan plan, AirWay way) {
        List<Fixture> units =
                way.units().stream().flatMap(u -> plan.fixture(u).stream()).toList();
        return units.isEmpty() ? "no unit yet" : "for " + IdRuns.words(units);
    }

    private static String where(Plan plan, RadioLink.Receiver receiver) {
        if (receiver instanceof RadioLink.BuiltIn unit) {
            return plan.fixture(unit.fixture())
                    .map(f -> plan.position(f).name() + ", unit " + f.unit())
                    .orElse("");
        }
        return plan.box(((RadioLink.Apart) receiver).box())
                .map(Box::place)
                .flatMap(p -> p.position())
                .flatMap(plan::position)
                .map(Position::name)
                .orElse("");
    }

    private static String universes(Set<UniverseNumber> numbers) {
        return (numbers.size() == 1 ? "universe " : "universes ")
                + numbers.stream().map(UniverseNumber::toString).collect(Collectors.joining(", "));
    }

    private static String words(Plan plan, RadioLink link) {
        String made = NetworkText.port(plan, link.to()) + ", " + time(link.at()) + ", " + link.by();
        return link.lost()
                .map(l -> made + "; lost after " + l.after() + ", " + time(l.at()) + ", " + l.by())
                .orElse(made);
    }

    private static String time(Instant instant) {
        return TIME.format(instant) + " UTC";
    }

    ObjectNode json(long version) {
        ObjectNode body = Json.object().put("version", version);
        ArrayNode outputs = body.putArray("channels");
        channels.forEach(c -> outputs.addObject()
                .put("outlet", c.outlet())
                .put("name", c.name())
                .put("sends", c.sends())
                .put("linked", c.linked()));
        ArrayNode all = body.putArray("receivers");
        receivers.forEach(r -> all.addObject()
                .put("receiver", r.name())
                .put("name", r.words())
                .put("units", r.units())
                .put("where", r.where())
                .put("hears", r.hears())
                .put("from", r.from())
                .put("state", r.slug())
                .put("link", r.link()));
        return body;
    }
}
