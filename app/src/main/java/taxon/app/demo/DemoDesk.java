package taxon.app.demo;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import taxon.core.network.Ipv4;
import taxon.core.network.Route;
import taxon.core.network.SacnUniverse;
import taxon.core.reception.Carrier;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.simrig.SimConsole;
import taxon.simrig.SimConsole.Output;
import taxon.wire.link.LevelSender.Destination;

/** The console of the simulated rig, and a second one that somebody may switch on by mistake. */
@Component
@ConditionalOnProperty("taxon.demo")
class DemoDesk implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(DemoDesk.class.getName());

    static final String NAME = "Desk";
    static final String SPARE_NAME = "Spare desk";

    /** What somebody left in the console's output list: the fifth universe once more, under a number that nobody planned. */
    private static final int LEFT_OVER = 8;

    private static final int COPIED = 5;
    /** Universes of one Sub-Net. */
    private static final int GROUP = 16;

    private static final int FIRST_TRIED = 71;
    private static final int LAST_TRIED = 110;

    private Optional<SimConsole> desk = Optional.empty();
    private Optional<SimConsole> spare = Optional.empty();
    private List<Output> outputs = List.of();
    private Optional<DemoShow> show = Optional.empty();

    /** Runs the show of a plan; does nothing where no loopback address is free. */
    synchronized void start(Plan plan) {
        outputs = outputs(plan);
        show = Optional.of(new DemoShow(plan));
        desk = begin(NAME);
    }

    private static List<Output> outputs(Plan plan) {
        List<Output> outputs = new ArrayList<>();
        for (Universe universe : plan.universes()) {
            for (Route route : universe.routes()) {
                destination(plan, route)
                        .ifPresent(
                                d -> outputs.add(new Output(universe.number().number(), d, Route.Sacn.USUAL_PRIORITY)));
            }
        }
        outputs.add(new Output(COPIED, Destination.group(new SacnUniverse(LEFT_OVER)), Route.Sacn.USUAL_PRIORITY));
        return outputs;
    }

    /** What leads off this machine is not sent to. */
    private static Optional<Destination> destination(Plan plan, Route route) {
        if (route instanceof Route.Sacn sacn) {
            return Optional.of(Destination.group(sacn.universe()));
        }
        return route instanceof Route.ArtNet artNet
                ? plan.box(artNet.port().box())
                        .flatMap(Box::ip)
                        .filter(Ipv4::isLoopback)
                        .map(ip -> new Destination(Carrier.of(artNet.address()), ip))
                : Optional.empty();
    }

    private Optional<SimConsole> begin(String name) {
        for (int last = FIRST_TRIED; last <= LAST_TRIED; last++) {
            try {
                return Optional.of(SimConsole.start(Ipv4.of(127, 0, 0, last), name, outputs, show.orElseThrow()));
            } catch (IOException taken) {
                LOG.log(System.Logger.Level.DEBUG, "another console stands there: {0}", taken.getMessage());
            }
        }
        return Optional.empty();
    }

    /** What can be done with it. */
    enum Act {
        RUN("runs its show at 40 packets a second"),
        SLOW("runs its show at 8 packets a second"),
        STOP("is shut down and says so"),
        PULL_OUT("falls silent, its cable pulled"),
        SECOND("has a second one beside it with the same priority"),
        NO_SECOND("stands alone again"),
        COUNT_HIGHER("sends each universe one number too high"),
        COUNT_SIXTEEN("sends each universe sixteen numbers too high"),
        COUNT_RIGHT("counts universes as planned again"),
        MOVE_PARKED("moves what is parked"),
        LEAVE_PARKED("leaves what is parked alone");

        private static final int SLOW_RATE = 8;

        private final String words;

        Act(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** Does it; empty where no loopback address was free for one, and the sentence of what is so now where there is. */
    synchronized Optional<String> act(Act act) {
        switch (act) {
            case RUN -> desk.ifPresent(d -> d.run(SimConsole.USUAL_RATE));
            case SLOW -> desk.ifPresent(d -> d.run(Act.SLOW_RATE));
            case STOP -> desk.ifPresent(SimConsole::stop);
            case PULL_OUT -> desk.ifPresent(SimConsole::pullOut);
            case SECOND -> spare = spare.or(() -> begin(SPARE_NAME));
            case COUNT_HIGHER -> desk.ifPresent(d -> d.count(1));
            case COUNT_SIXTEEN -> desk.ifPresent(d -> d.count(GROUP));
            case COUNT_RIGHT -> desk.ifPresent(d -> d.count(0));
            case MOVE_PARKED -> show.ifPresent(s -> s.moveParked(true));
            case LEAVE_PARKED -> show.ifPresent(s -> s.moveParked(false));
            case NO_SECOND -> {
                spare.ifPresent(SimConsole::close);
                spare = Optional.empty();
            }
        }
        boolean isDone = desk.isPresent() && (act != Act.SECOND || spare.isPresent());
        return isDone ? Optional.of("The console " + act.words() + ".") : Optional.empty();
    }

    /** "runs, 40 packets a second, from 127.0.0.71"; empty where there is none. */
    synchronized Optional<String> state() {
        return desk.map(d -> (d.rate() == 0 ? "is silent" : "runs, " + d.rate() + " packets a second") + ", at "
                + d.at() + spare.map(s -> "; a second one at " + s.at()).orElse(""));
    }

    @Override
    public synchronized void close() {
        desk.ifPresent(SimConsole::close);
        spare.ifPresent(SimConsole::close);
        desk = Optional.empty();
        spare = Optional.empty();
    }
}
