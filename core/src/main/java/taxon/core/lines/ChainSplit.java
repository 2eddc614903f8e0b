package taxon.core.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import taxon.core.lines.Chains.Chain;

/**
 * Cuts an order of units into chains of neighbours, each from a feed and in either direction: of all ways to do that the best,
 * as long as there are not very many feeds.
 */
final class ChainSplit {
    /** Ways to use up the feeds that are told apart; beyond it the roomiest are taken to have less room than they have. */
    private static final int MOST_STATES = 256;

    private static final int FEW = 3;

    private static final long NONE = Long.MAX_VALUE / 4;

    private final ChainTask task;
    private final int[] order;
    private final int[] room;
    private final int[] weight;
    private final int states;

    /** By feed and state: how many lines begin there. */
    private final int[][] used;

    private final boolean complete;
    private final long[][] cost;
    private final int[][] cut;
    private final int[][] taken;

    /** The units from one place of the order up to another. */
    private record Segment(int from, int to, long forward, long back) {}

    /** @param mostLines from one feed, where more of them are not asked for */
    private ChainSplit(ChainTask task, int[] order, int mostLines) {
        this.task = task;
        this.order = order;
        room = task.feeds().stream()
                .mapToInt(f -> Math.min(f.lines(), mostLines))
                .toArray();
        complete = narrow(room);
        weight = new int[room.length];
        int product = 1;
        for (int f = 0; f < room.length; f++) {
            weight[f] = product;
            product *= room[f] + 1;
        }
        states = product;
        used = new int[room.length][states];
        for (int f = 0; f < room.length; f++) {
            for (int state = 0; state < states; state++) {
                used[f][state] = state / weight[f] % (room[f] + 1);
            }
        }
        cost = new long[order.length + 1][states];
        cut = new int[order.length + 1][states];
        taken = new int[order.length + 1][states];
        for (long[] row : cost) {
            Arrays.fill(row, NONE);
        }
        cost[0][0] = 0;
    }

    private static boolean narrow(int[] room) {
        boolean all = true;
        while (Arrays.stream(room).mapToLong(r -> r + 1L).reduce(1, (a, b) -> Math.min(MOST_STATES * 100L, a * b))
                > MOST_STATES) {
            int roomiest = 0;
            for (int f = 1; f < room.length; f++) {
                roomiest = room[f] > room[roomiest] ? f : roomiest;
            }
            room[roomiest]--;
            all = false;
        }
        return all;
    }

    /**
     * Cuts it.
     *
     * @return empty where no cut keeps within the limits; its bounds hold of cuts of this very order, where all were tried
     */
    static Optional<Chains> of(ChainTask task, int[] order, boolean fewestLines) {
        return fewestLines
                ? fewest(task, order)
                : within(task, order, order.length).best(false);
    }

    /** With few lines allowed first: where they do, no more of them are the fewest. */
    private static Optional<Chains> fewest(ChainTask task, int[] order) {
        for (int lines = FEW; lines < order.length; lines *= 2) {
            ChainSplit split = within(task, order, lines);
            Optional<Chains> found = split.best(true);
            if (split.complete && found.isPresent() && found.get().lines() <= lines) {
                return found;
            }
        }
        return within(task, order, order.length).best(true);
    }

    private static ChainSplit within(ChainTask task, int[] order, int mostLines) {
        ChainSplit split = new ChainSplit(task, order, mostLines);
        split.run();
        return split;
    }

    private void run() {
        for (int to = 1; to <= order.length; to++) {
            int load = 0;
            long forward = 0;
            long back = 0;
            for (int from = to - 1; from >= 0 && to - from <= task.limits().units(); from--) {
                load += task.loads()[order[from]];
                if (from < to - 1) {
                    forward += task.on(order[from], order[from + 1]);
                    back += task.on(order[from + 1], order[from]);
                }
                if (load > task.limits().load()) {
                    break;
                }
                extend(new Segment(from, to, forward, back));
            }
        }
    }

    private void extend(Segment s) {
        for (int f = 0; f < room.length; f++) {
            int[] to = task.feeds().get(f).to();
            long forward = s.forward() + to[order[s.from()]];
            long back = s.back() + to[order[s.to() - 1]];
            boolean turned = back < forward;
            long way = Math.min(forward, back);
            if (way >= ChainTask.NEVER || !bears(f, s, turned)) {
                continue;
            }
            long[] before = cost[s.from()];
            long[] after = cost[s.to()];
            for (int state = 0; state < states; state++) {
                if (before[state] >= NONE || used[f][state] >= room[f]) {
                    continue;
                }
                int then = state + weight[f];
                if (before[state] + way < after[then]) {
                    after[then] = before[state] + way;
                    cut[s.to()][then] = s.from();
                    taken[s.to()][then] = turned ? -f - 1 : f;
                }
            }
        }
    }

    /** Only the length is still to be asked; it is far from its limit as a rule. */
    private boolean bears(int feed, Segment s, boolean turned) {
        long most = (turned ? s.back() : s.forward())
                + task.feeds().get(feed).to()[turned ? order[s.to() - 1] : order[s.from()]];
        return most <= task.limits().length() || task.bears(chain(feed, s.from(), s.to(), turned));
    }

    private Chain chain(int feed, int from, int to, boolean turned) {
        int[] units = Arrays.copyOfRange(order, from, to);
        return new Chain(feed, turned ? ChainSearch.turned(units) : units);
    }

    private Optional<Chains> best(boolean fewestLines) {
        int best = -1;
        for (int state = 0; state < states; state++) {
            if (cost[order.length][state] < NONE && (best < 0 || better(state, best, fewestLines))) {
                best = state;
            }
        }
        return best < 0 ? Optional.empty() : Optional.of(chains(best));
    }

    private boolean better(int state, int than, boolean fewestLines) {
        int lines = lines(state) - lines(than);
        return fewestLines && lines != 0 ? lines < 0 : cost[order.length][state] < cost[order.length][than];
    }

    private int lines(int state) {
        int lines = 0;
        for (int f = 0; f < room.length; f++) {
            lines += used[f][state];
        }
        return lines;
    }

    private Chains chains(int state) {
        List<Chain> chains = new ArrayList<>();
        int left = state;
        for (int to = order.length; to > 0; ) {
            int from = cut[to][left];
            boolean turned = taken[to][left] < 0;
            int feed = turned ? -taken[to][left] - 1 : taken[to][left];
            chains.add(0, chain(feed, from, to, turned));
            left -= weight[feed];
            to = from;
        }
        Chains found = Chains.of(task, chains);
        return complete && task.isKnown() ? found.bounded(found.lines(), found.cost()) : found;
    }
}
