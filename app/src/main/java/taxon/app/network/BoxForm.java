package taxon.app.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import taxon.app.form.Fields;
import taxon.app.form.Outlets;
import taxon.core.network.BoxKind;
import taxon.core.network.BoxNumber;
import taxon.core.network.BoxPort;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route.PortRef;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.BoxPlace;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.text.Texts;

/** Reads a box from a form; what was not sent stays as it was. */
final class BoxForm {
    private static final int USUAL_PORTS = 4;
    private static final int MOST_UNIVERSES = 63_999;

    private final Fields fields;
    private final Plan plan;
    private final Optional<Box> before;

    private BoxForm(Fields fields, Plan plan, Optional<Box> before) {
        this.fields = fields;
        this.plan = plan;
        this.before = before;
    }

    /** A new box, or one changed; empty where a field was refused. */
    static Optional<Box> read(Fields fields, Plan plan, Optional<Box> before) {
        return new BoxForm(fields, plan, before).box();
    }

    private Optional<Box> box() {
        Optional<BoxKind> kind =
                fields.choice("kind", BoxKind.class, before.map(Box::kind).orElse(BoxKind.NODE));
        if (kind.isEmpty()) {
            return Optional.empty();
        }
        Optional<NetCard> card = kind.get().canBeOnNetwork() ? card(kind.get()) : Optional.empty();
        List<BoxPort> ports = ports(kind.get());
        Optional<BoxPlace> place = place();
        Optional<BoxFacts> facts = facts();
        String name = given("name", fields::text, () -> before.map(Box::name).orElse(""));
        return fields.isFaulty()
                ? Optional.empty()
                : fields.build(
                        "name",
                        () -> new Box(
                                before.map(Box::number).orElse(1),
                                name,
                                kind.get(),
                                card,
                                ports,
                                place.orElseThrow(),
                                facts.orElseThrow()));
    }

    private <T> T given(String field, java.util.function.Function<String, T> read, Supplier<T> otherwise) {
        return fields.isGiven(field) ? read.apply(field) : otherwise.get();
    }

    private Optional<NetCard> card(BoxKind kind) {
        Optional<NetCard> was = before.flatMap(Box::card);
        if (fields.isGiven("ip") && !fields.has("ip") && !kind.needsNetwork()) {
            return Optional.empty();
        }
        Optional<Ipv4> ip = fields.isGiven("ip") || kind.needsNetwork() && was.isEmpty()
                ? ip("ip", "IP address")
                : was.map(NetCard::ip);
        Optional<Integer> prefix =
                fields.has("mask") ? prefix() : was.map(NetCard::prefix).or(() -> ip.map(this::usualPrefix));
        Optional<Ipv4> factory = fields.isGiven("factory")
                ? fields.has("factory") ? ip("factory", "factory address") : Optional.empty()
                : was.flatMap(NetCard::factory);
        return ip.flatMap(i -> prefix.map(p -> new NetCard(i, p, factory)));
    }

    /** The mask of the job's range for what lies in it, else as devices assume that are told none. */
    private int usualPrefix(Ipv4 ip) {
        return plan.sheet()
                .network()
                .ip()
                .flatMap(rules -> rules.networkOf(ip))
                .map(Subnet::prefix)
                .orElse(NetCard.usual(ip).prefix());
    }

    private Optional<Integer> prefix() {
        Optional<Integer> prefix = Subnet.parsePrefix(fields.text("mask"));
        if (prefix.isEmpty()) {
            fields.refuse(
                    "mask",
                    "The mask is " + Texts.clip(fields.text("mask"), 60)
                            + "; it takes 255.255.255.0 or 24: ones without a hole, 1 to 30 of them.");
        }
        return prefix;
    }

    private Optional<Ipv4> ip(String field, String words) {
        Optional<Ipv4> ip = Ipv4.parse(fields.text(field)).filter(Ipv4::isHost);
        if (ip.isEmpty()) {
            fields.refuse(
                    field,
                    "The " + words + " is " + Texts.clip(fields.text(field), 60)
                            + "; it takes four numbers such as 10.0.0.20, the first 1 to 223, none with a zero before it.");
        }
        return ip;
    }

    private List<BoxPort> ports(BoxKind kind) {
        List<BoxPort> was = before.map(Box::ports).orElse(List.of());
        int usual =
                before.isPresent() ? was.size() : Math.min(USUAL_PORTS, Math.max(kind.fewestPorts(), 0) * USUAL_PORTS);
        Optional<Integer> count = fields.has("ports")
                ? fields.number("ports", "number of ports", kind.fewestPorts(), Box.MOST_PORTS)
                : Optional.of(usual);
        List<BoxPort> ports = new ArrayList<>();
        for (int i = 1; i <= count.orElse(0); i++) {
            ports.add(port(i, i <= was.size() ? was.get(i - 1) : BoxPort.USUAL));
        }
        return ports;
    }

    private BoxPort port(int number, BoxPort was) {
        String field = "port-" + number + "-";
        return new BoxPort(
                fields.choice(field + "direction", BoxPort.Direction.class, was.direction())
                        .orElse(was.direction()),
                fields.choice(field + "socket", BoxPort.Socket.class, was.socket())
                        .orElse(was.socket()),
                yes(field + "rdm", was.rdm()),
                fields.choice(field + "merge", BoxPort.Merge.class, was.merge()).orElse(was.merge()),
                fields.choice(field + "when-lost", BoxPort.WhenLost.class, was.whenLost())
                        .orElse(was.whenLost()),
                yes(field + "steady", was.steady()));
    }

    private boolean yes(String field, boolean was) {
        return fields.has(field) ? fields.text(field).equals("yes") : was;
    }

    private Optional<BoxPlace> place() {
        BoxPlace was = before.map(Box::place).orElse(BoxPlace.UNSAID);
        Optional<Integer> position = given(
                "position",
                f -> fields.numberOrNone(f, "position", 1, 999_999_999).filter(this::isPosition),
                was::position);
        return fields.build(
                "position",
                () -> new BoxPlace(
                        position,
                        position.isEmpty()
                                ? Optional.empty()
                                : given("offset", f -> fields.lengthOrNone(f, "offset"), was::offset),
                        given("rack", fields::text, was::rack)));
    }

    private boolean isPosition(int number) {
        boolean known = plan.position(number).isPresent();
        if (!known) {
            fields.refuse("position", "There is no position " + number + " in the job.");
        }
        return known;
    }

    private Optional<BoxFacts> facts() {
        BoxFacts was = before.map(Box::facts).orElse(BoxFacts.NONE);
        Optional<Integer> most = given(
                "mostUniverses",
                f -> fields.numberOrNone(f, "number of universes that it takes", 1, MOST_UNIVERSES),
                was::mostUniverses);
        Optional<BoxNumber.Kind> shows = given("shows", this::shows, was::shows);
        Optional<PortRef> reaches = given("reaches", this::port, was::reaches);
        Optional<FixtureKey> fixture = given("fixture", this::fixture, was::fixture);
        int megabits = given("megabits", this::megabits, was::megabits);
        BoxFacts.Snooping snooping = fields.choice("snooping", BoxFacts.Snooping.class, was.snooping())
                .orElse(was.snooping());
        return fields.build(
                "note",
                () -> new BoxFacts(
                        most,
                        shows,
                        reaches,
                        fixture,
                        megabits,
                        snooping,
                        yes("passesRdm", was.passesRdm()),
                        given("note", fields::text, was::note)));
    }

    private int megabits(String field) {
        return fields.numberOrNone(field, "speed in Mbit/s", 10, 100_000).orElse(BoxFacts.USUAL_MEGABITS);
    }

    private Optional<BoxNumber.Kind> shows(String field) {
        return fields.has(field)
                ? fields.choice(field, BoxNumber.Kind.class, BoxNumber.Kind.PORT_ADDRESS)
                : Optional.empty();
    }

    private Optional<PortRef> port(String field) {
        return fields.has(field) ? Outlets.read(fields, field) : Optional.empty();
    }

    private Optional<FixtureKey> fixture(String field) {
        Optional<FixtureKey> found = fields.numberOrNone(field, "fixture ID", 1, FixtureId.LAST)
                .flatMap(id -> plan.fixtures().stream()
                        .filter(f -> f.id().equals(Optional.of(FixtureId.of(id))))
                        .map(Fixture::key)
                        .findFirst());
        if (fields.has(field) && found.isEmpty() && !fields.isFaulty()) {
            fields.refuse(field, "There is no fixture " + Texts.clip(fields.text(field), 20) + " in the job.");
        }
        return found;
    }
}
