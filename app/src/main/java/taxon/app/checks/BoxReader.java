package taxon.app.checks;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import taxon.core.boxcheck.BoxAnswers;
import taxon.core.boxcheck.SeenBox;
import taxon.core.boxcheck.SeenBox.SeenPort;
import taxon.core.network.BoxPort.Direction;
import taxon.core.network.Ipv4;
import taxon.core.network.Subnet;
import taxon.core.rig.Box;
import taxon.wire.artnet.codec.ArtPacket.Flow;
import taxon.wire.artnet.codec.ArtPacket.PollReply;
import taxon.wire.artnet.link.ArtNetController;
import taxon.wire.artnet.link.DeviceTable.Outlet;
import taxon.wire.link.SendPolicy;

/** Asks boxes what they are and how they are set. Nothing is programmed by asking. */
final class BoxReader {
    /** Everyone on this machine; other networks are only asked address by address. */
    private static final Ipv4 EVERYONE_HERE = Ipv4.of(127, 255, 255, 255);

    private final ArtNetController controller;
    private final SendPolicy policy;
    private final Map<Box, BoxAnswers> answers = new LinkedHashMap<>();

    BoxReader(ArtNetController controller, SendPolicy policy) {
        this.controller = controller;
        this.policy = policy;
    }

    /** @param isOutput true when levels come out of it */
    record SeenOutlet(Outlet outlet, boolean isOutput) {}

    /**
     * What a box says of itself; where several devices have its address, the one of its name.
     *
     * @return its replies in their order; none when nobody answers
     */
    List<PollReply> ask(Box box) throws IOException, InterruptedException {
        Ipv4 ip = box.ip().orElseThrow();
        List<List<PollReply>> devices = controller.poll(ip);
        Optional<Integer> prefix = devices.isEmpty()
                ? Optional.empty()
                : controller.mask(ip).flatMap(m -> Subnet.parsePrefix(m.toString()));
        List<SeenBox> seen = devices.stream().map(d -> seen(ip, d, prefix)).toList();
        BoxAnswers heard = new BoxAnswers(box.number(), ip, seen, Optional.empty());
        answers.put(box, heard);
        return heard.called(box.name()).map(s -> devices.get(seen.indexOf(s))).orElse(List.of());
    }

    private static SeenBox seen(Ipv4 answering, List<PollReply> replies, Optional<Integer> prefix) {
        List<SeenPort> ports = new ArrayList<>();
        for (PollReply reply : replies) {
            for (int i = 0; i < reply.ports().size(); i++) {
                ports.add(new SeenPort(
                        direction(reply.ports().get(i).flow()),
                        reply.portAddress(i),
                        reply.ports().get(i).rdm()));
            }
        }
        PollReply first = replies.get(0);
        return new SeenBox(answering, first.ip(), first.shortName(), prefix, ports);
    }

    private static Direction direction(Flow flow) {
        return switch (flow) {
            case OUT -> Direction.OUT;
            case IN -> Direction.IN;
            case NONE -> Direction.OFF;
        };
    }

    static List<SeenOutlet> outlets(List<PollReply> replies) {
        List<SeenOutlet> ports = new ArrayList<>();
        for (PollReply reply : replies) {
            for (int i = 0; i < reply.ports().size(); i++) {
                ports.add(new SeenOutlet(
                        new Outlet(reply.portAddress(i), reply.bindIndex(), i + 1),
                        reply.ports().get(i).flow() == Flow.OUT));
            }
        }
        return ports;
    }

    /** Looks for boxes of the names of those that were silent among all who answer on this machine. */
    void seekSilent(BooleanSupplier stop) throws IOException, InterruptedException {
        List<Box> silent = answers.entrySet().stream()
                .filter(e -> e.getValue().answers().isEmpty()
                        && e.getKey().ip().orElseThrow().isLoopback())
                .map(Map.Entry::getKey)
                .toList();
        if (silent.isEmpty() || stop.getAsBoolean() || !policy.allows(EVERYONE_HERE)) {
            return;
        }
        Map<Ipv4, PollReply> found = controller.pollAll(EVERYONE_HERE);
        for (Box box : silent) {
            found.entrySet().stream()
                    .filter(e -> e.getValue().shortName().equalsIgnoreCase(box.name()))
                    .min(Comparator.comparingLong(
                            e -> distance(e.getKey(), box.ip().orElseThrow())))
                    .ifPresent(e -> answers.computeIfPresent(
                            box,
                            (b, a) -> new BoxAnswers(
                                    a.box(),
                                    a.asked(),
                                    a.answers(),
                                    Optional.of(seen(e.getKey(), List.of(e.getValue()), Optional.empty())))));
        }
    }

    /** Who sits nearest is most likely meant, where several have one name. */
    private static long distance(Ipv4 one, Ipv4 other) {
        return Math.abs(Integer.toUnsignedLong(one.bits()) - Integer.toUnsignedLong(other.bits()));
    }

    List<BoxAnswers> answers() {
        return List.copyOf(answers.values());
    }
}
