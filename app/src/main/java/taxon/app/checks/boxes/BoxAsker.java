package taxon.app.checks.boxes;

import java.io.IOException;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import taxon.core.boxcheck.BoxesHeard;
import taxon.core.boxcheck.Silence;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.rig.Box;
import taxon.wire.artnet.link.RollCall;
import taxon.wire.link.Link;
import taxon.wire.link.SendForbiddenException;
import taxon.wire.link.SendPolicy;

/**
 * Asks all boxes at once what they are and how they are set, the planned ones by their addresses and everybody by broadcast. Nothing is
 * programmed by asking. For one thread.
 */
public final class BoxAsker implements AutoCloseable {
    private static final int PORTS_OF_A_PAGE = 4;
    private static final Duration SLICE = Duration.ofMillis(50);
    /** Pages of one box follow each other at once. */
    private static final Duration MORE_PAGES = Duration.ofMillis(100);

    private final RollCall call;
    private final SendPolicy policy;
    private final List<NetCard> own;
    private final Map<Ipv4, Silence> hindered = new HashMap<>();
    private final Set<Ipv4> askedForMask = new HashSet<>();

    /**
     * Asks by a card.
     *
     * @param own how its cards are on the network; empty where that is not known
     * @throws IOException when the link is closed
     */
    public BoxAsker(Link link, SendPolicy policy, List<NetCard> own) throws IOException {
        this.policy = policy;
        this.own = own;
        call = RollCall.over(link, policy);
    }

    /**
     * Whom to ask.
     *
     * @param planned by their own addresses
     * @param everyone broadcast addresses; none where nobody else is asked
     * @param untilThere true when it is enough that all of these answered, false when others are waited for too
     */
    public record Whom(List<Box> planned, List<Ipv4> everyone, boolean untilThere) {
        List<Ipv4> addresses() {
            return planned.stream().flatMap(b -> b.ip().stream()).distinct().toList();
        }
    }

    /**
     * Asks until all have answered, or the rounds are over.
     *
     * @param told is told each time somebody answered
     */
    public void ask(Whom whom, Patience patience, Consumer<BoxesHeard> told, BooleanSupplier stop)
            throws InterruptedException {
        for (int i = 0; i < patience.rounds() && !stop.getAsBoolean() && (i == 0 || !areThere(whom)); i++) {
            call.round();
            askedForMask.clear();
            whom.addresses().forEach(this::poll);
            whom.everyone().stream().filter(policy::allows).forEach(this::poll);
            hear(whom, patience.round(), told, stop);
        }
        if (!stop.getAsBoolean()) {
            call.hear(MORE_PAGES, () -> false);
            call.hear(
                    patience.masks(),
                    () -> call.devices().stream().allMatch(d -> d.mask().isPresent()));
        }
    }

    private void poll(Ipv4 ip) {
        try {
            call.poll(ip);
            hindered.remove(ip);
        } catch (SendForbiddenException notArmed) {
            hindered.put(ip, new Silence.NotAsked());
        } catch (IOException e) {
            hindered.put(ip, new Silence.Unreachable(String.valueOf(e.getMessage())));
        }
    }

    private void hear(Whom whom, Duration round, Consumer<BoxesHeard> told, BooleanSupplier stop)
            throws InterruptedException {
        int before = -1;
        long deadline = System.nanoTime() + round.toNanos();
        while (System.nanoTime() < deadline && !stop.getAsBoolean() && !(whom.untilThere() && areThere(whom))) {
            call.hear(SLICE, () -> false);
            List<RollCall.Device> devices = call.devices();
            devices.forEach(d -> askMask(d.answering()));
            if (devices.size() != before) {
                before = devices.size();
                told.accept(heard());
            }
        }
    }

    private boolean areThere(Whom whom) {
        return whom.planned().stream()
                .filter(b -> b.ip().filter(ip -> !hindered.containsKey(ip)).isPresent())
                .allMatch(this::isThere);
    }

    /** With as many pages as it is planned to have. */
    private boolean isThere(Box box) {
        int pages = Math.max(1, (box.ports().size() + PORTS_OF_A_PAGE - 1) / PORTS_OF_A_PAGE);
        return call.at(box.ip().orElseThrow()).stream().anyMatch(d -> d.pages().size() >= pages);
    }

    private void askMask(Ipv4 of) {
        if (policy.allows(of) && askedForMask.add(of)) {
            try {
                call.askMask(of);
            } catch (IOException e) {
                // It answered a moment ago; without its mask it is held against the plan in all else.
                System.getLogger(BoxAsker.class.getName())
                        .log(System.Logger.Level.DEBUG, "{0} is not asked for its mask: {1}", of, e.getMessage());
            }
        }
    }

    /** All that is known by now. */
    public BoxesHeard heard() {
        return new BoxesHeard(own, call.devices().stream().map(Seen::box).toList(), hindered);
    }

    /** How many answers there was no room for. */
    int left() {
        return call.left();
    }

    @Override
    public void close() {
        call.close();
    }
}
