package taxon.app.network;

import java.util.List;
import java.util.stream.IntStream;
import taxon.app.form.Outlets;
import taxon.app.form.Outlets.Choice;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxPort;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;
import taxon.core.rig.Ports;
import taxon.formats.json.Json;

/** A box as its page shows it: what it is, and what each port carries. */
record BoxView(
        int number,
        String name,
        String kind,
        String kindWords,
        boolean canBeOnNetwork,
        String ip,
        String mask,
        String factory,
        List<PortView> ports,
        int position,
        String offset,
        String rack,
        String mostUniverses,
        String shows,
        String reaches,
        List<Choice> links,
        String fixture,
        int megabits,
        String snooping,
        boolean passesRdm,
        String note) {

    /**
     * A port.
     *
     * @param carried what comes to it, "universe 2, Quays"
     * @param typed the number to set on it, in every notation, or in the box's own where that is known
     * @param line the line that begins at it; empty where none does
     */
    record PortView(
            int number,
            String direction,
            String socket,
            boolean rdm,
            String merge,
            String whenLost,
            boolean steady,
            List<String> carried,
            List<String> typed,
            String line) {}

    static BoxView of(Plan plan, Box box) {
        BoxFacts facts = box.facts();
        return new BoxView(
                box.number(),
                box.name(),
                Json.slug(box.kind()),
                box.kind().words(),
                box.kind().canBeOnNetwork(),
                box.ip().map(Object::toString).orElse(""),
                box.card().map(c -> c.subnet().mask().toString()).orElse(""),
                box.card().flatMap(c -> c.factory()).map(Object::toString).orElse(""),
                IntStream.rangeClosed(1, box.ports().size())
                        .mapToObj(p -> port(plan, box, p))
                        .toList(),
                box.place().position().orElse(0),
                box.place().offset().map(plan.sheet().view().unit()::words).orElse(""),
                box.place().rack(),
                facts.mostUniverses().map(Object::toString).orElse(""),
                facts.shows().map(Json::slug).orElse(""),
                facts.reaches().map(UniverseLine::outletOf).orElse(""),
                links(plan, box),
                facts.fixture()
                        .flatMap(plan::fixture)
                        .flatMap(Fixture::id)
                        .map(FixtureId::toString)
                        .orElse(""),
                facts.megabits(),
                Json.slug(facts.snooping()),
                facts.passesRdm(),
                facts.note());
    }

    private static PortView port(Plan plan, Box box, int number) {
        List<UniverseLine> here = plan.describedUniverses().stream()
                .filter(u -> u.reaches(box.number()))
                .map(u -> UniverseLine.of(plan, u))
                .toList();
        String outlet = box.number() + "/" + number;
        BoxPort port = box.ports().get(number - 1);
        return new PortView(
                number,
                Json.slug(port.direction()),
                Json.slug(port.socket()),
                port.rdm(),
                Json.slug(port.merge()),
                Json.slug(port.whenLost()),
                port.steady(),
                here.stream()
                        .filter(u -> u.ways().stream().anyMatch(w -> w.outlet().equals(outlet)))
                        .map(u -> "universe " + u.number() + (u.label().isBlank() ? "" : ", " + u.label()))
                        .toList(),
                here.stream()
                        .flatMap(u -> u.ways().stream())
                        .filter(w -> w.outlet().equals(outlet))
                        .map(w -> w.typed().isEmpty() ? w.shown() : "type " + w.typed() + " (" + w.shown() + ")")
                        .toList(),
                plan.lines().stream()
                        .filter(l -> l.from().box() == box.number() && l.from().number() == number)
                        .map(Line::name)
                        .findFirst()
                        .orElse(""));
    }

    /** What it can be linked to: switches, or for a receiver the channels of transmitters. */
    private static List<Choice> links(Plan plan, Box box) {
        BoxKind other = box.kind() == BoxKind.RECEIVER ? BoxKind.TRANSMITTER : BoxKind.SWITCH;
        return plan.boxes().stream()
                .filter(b -> b.kind() == other && b.number() != box.number())
                .flatMap(b -> Ports.outputs(b).map(p -> Outlets.choice(b, p.number())))
                .toList();
    }
}
