package taxon.app.checks.write;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import taxon.app.checks.boxes.BoxAsker;
import taxon.app.checks.boxes.BoxSearches;
import taxon.app.checks.boxes.Patience;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.OnPage;
import taxon.core.boxcheck.SeenBox.Protocol;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.boxcheck.Silence;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.BoxPort.Merge;
import taxon.core.network.BoxPort.WhenLost;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.PortAddress;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.writing.BoxOrders;
import taxon.core.writing.Item;
import taxon.core.writing.Order;
import taxon.core.writing.Pen;
import taxon.core.writing.Result;
import taxon.core.writing.Target;
import taxon.core.writing.Value;
import taxon.wire.artnet.codec.ArtPacket;
import taxon.wire.artnet.codec.ArtPacket.Address;
import taxon.wire.artnet.codec.ProgramCommand;
import taxon.wire.link.Link;
import taxon.wire.link.SendPolicy;

/** Programs boxes by Art-Net, and asks each until it says what was wanted, or its time is over. */
final class BoxPen implements Pen {
    private final int job;
    private final Plan plan;
    private final BoxSearches searches;
    private final Link link;
    private final SendPolicy policy;
    private final Duration answerWithin;

    BoxPen(int job, Plan plan, BoxSearches searches, Link link, SendPolicy policy, Duration answerWithin) {
        this.job = job;
        this.plan = plan;
        this.searches = searches;
        this.link = link;
        this.policy = policy;
        this.answerWithin = answerWithin;
    }

    @Override
    public Result write(Order order) throws InterruptedException {
        Target.OfBox target = (Target.OfBox) order.target();
        Optional<Box> box = plan.box(target.number());
        Optional<Ipv4> where = box.flatMap(b -> searches.of(job).heard().flatMap(h -> where(h.of(plan, b))));
        if (where.isEmpty()) {
            return Result.refused("nobody answered for it when boxes were looked for; look again");
        }
        try {
            return write(order, box.get(), where.get());
        } catch (IOException e) {
            return Result.unknown("it cannot be reached: " + e.getMessage());
        }
    }

    /** Where a box was heard; for one that sits elsewhere, there. */
    static Optional<Ipv4> where(BoxAnswers answers) {
        if (answers.isThere()) {
            return Optional.of(answers.asked());
        }
        return answers.silence() instanceof Silence.Elsewhere e ? Optional.of(e.at()) : Optional.empty();
    }

    private Result write(Order order, Box box, Ipv4 where) throws IOException, InterruptedException {
        List<SeenBox> there = ask(box, where);
        if (there.size() != 1) {
            return Result.refused(
                    there.isEmpty()
                            ? "nobody answers at " + where + "; nothing was written"
                            : BoxOrders.wouldChangeBoth(where));
        }
        SeenBox before = there.get(0);
        Optional<Result> hindrance = hindrance(order, before);
        if (hindrance.isPresent()) {
            return hindrance.get();
        }
        link.send(packet(order, before), where, policy);
        return readBack(
                order,
                box,
                order.item() == Item.BOX_IP ? card(order.will(), before).ip() : where);
    }

    private Optional<Result> hindrance(Order order, SeenBox before) {
        Optional<Value> now = BoxOrders.valueOf(before, order.item(), order.part());
        if (now.isEmpty()) {
            return Optional.of(
                    Result.refused("it does not say its " + order.what() + ", so that it could not be read back"));
        }
        boolean known = order.item() == Item.BOX_IP
                || order.item() == Item.PORT_NUMBER
                || order.was().map(Value::raw).filter(now.get().raw()::equals).isPresent()
                || now.get().raw().equals(order.will().raw());
        return known
                ? Optional.empty()
                : Optional.of(Result.refused("it says " + now.get().words() + " now, and not "
                        + order.was().map(Value::words).orElse("") + ": it was changed since it was asked"));
    }

    private List<SeenBox> ask(Box box, Ipv4 where) throws IOException, InterruptedException {
        Box there = box.with(new NetCard(where, box.card().map(NetCard::prefix).orElseThrow()));
        try (BoxAsker asker = new BoxAsker(link, policy, List.of())) {
            asker.ask(
                    new BoxAsker.Whom(List.of(there), List.of(), true),
                    Patience.reading(answerWithin),
                    h -> {},
                    () -> false);
            return asker.heard().seen().stream()
                    .filter(s -> s.answering().equals(where))
                    .toList();
        }
    }

    /** A box may need a moment before it says what it was told. */
    private Result readBack(Order order, Box box, Ipv4 where) throws IOException, InterruptedException {
        long deadline =
                System.nanoTime() + Patience.reading(answerWithin).whole().toNanos();
        Result result = Result.unknown("nobody answers at " + where + " since it was told");
        boolean first = true;
        while (first || result.isSurprise() && System.nanoTime() < deadline) {
            first = false;
            List<SeenBox> there = ask(box, where);
            for (SeenBox now : there) {
                searches.replace(job, now);
                result = BoxOrders.valueOf(now, order.item(), order.part())
                        .map(v -> Result.readBack(order, as(order.will(), v)))
                        .orElse(result);
            }
        }
        return result;
    }

    /** Where nothing was said of a mask, as when a box was found elsewhere, its mask is as it may be. */
    private static Value as(Value wanted, Value is) {
        boolean sameAddress = !wanted.raw().contains("/") && is.raw().startsWith(wanted.raw() + "/");
        return sameAddress ? new Value(wanted.raw(), is.words()) : is;
    }

    /** The address and mask that are meant; where no mask is given, the one that the box has. */
    private static NetCard card(Value value, SeenBox before) {
        String[] parts = value.raw().split("/", 2);
        int prefix = parts.length > 1
                ? Integer.parseInt(parts[1])
                : before.prefix().orElse(NetCard.usual(before.answering()).prefix());
        return new NetCard(Ipv4.parse(parts[0]).orElseThrow(), prefix);
    }

    private static ArtPacket packet(Order order, SeenBox before) {
        if (order.item() == Item.BOX_IP) {
            NetCard card = card(order.will(), before);
            return new ArtPacket.IpProgram(
                    card.ip(), Subnet.around(card.ip(), card.prefix()).mask());
        }
        if (order.item() == Item.BOX_NAME) {
            return Address.naming(firstPage(before), order.will().raw());
        }
        if (order.item() == Item.WHEN_LOST) {
            return Address.doing(
                    firstPage(before),
                    ProgramCommand.whenLost(WhenLost.valueOf(order.will().raw())));
        }
        SeenPort port = before.port(order.part()).orElseThrow();
        return order.item() == Item.PORT_NUMBER
                ? number(order.will().number(), port)
                : Address.doing(
                        port.place().bindIndex(), command(order, port.place().port()));
    }

    private static int firstPage(SeenBox box) {
        return box.port(1).map(p -> p.place().bindIndex()).orElse(1);
    }

    /** Net and Sub-Net are the page's, and only told where they are to be others. */
    private static Address number(int wanted, SeenPort port) {
        PortAddress address = new PortAddress(wanted);
        OnPage place = port.place();
        boolean input = port.direction() == Direction.IN;
        Map<Integer, Integer> numbers = Map.of(place.port(), address.universe());
        return new Address(
                place.bindIndex(),
                address.net() == port.address().net() ? OptionalInt.empty() : OptionalInt.of(address.net()),
                address.subNet() == port.address().subNet() ? OptionalInt.empty() : OptionalInt.of(address.subNet()),
                "",
                input ? numbers : Map.of(),
                input ? Map.of() : numbers,
                ProgramCommand.NOTHING);
    }

    private static ProgramCommand command(Order order, int port) {
        String wanted = order.will().raw();
        return switch (order.item()) {
            case PORT_DIRECTION -> ProgramCommand.turn(port, Direction.valueOf(wanted) == Direction.OUT);
            case PORT_PROTOCOL -> ProgramCommand.take(port, Protocol.valueOf(wanted) == Protocol.SACN);
            case PORT_MERGE -> ProgramCommand.merge(port, Merge.valueOf(wanted) == Merge.LATEST);
            case PORT_RDM -> ProgramCommand.rdm(port, order.will().isOn());
            default -> throw new IllegalArgumentException(order.item() + " is no command to a port");
        };
    }
}
