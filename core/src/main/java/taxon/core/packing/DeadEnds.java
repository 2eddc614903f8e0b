package taxon.core.packing;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;

/** States of a search from which nothing came, so that it does not go there again; as many as memory is given to. */
final class DeadEnds {
    private static final int MOST_REMEMBERED = 200_000;

    private final Set<State> states = new HashSet<>();

    /** What decides how a search goes on: the hole, the load that its bin still takes, where it may begin, and what is left. */
    static final class State {
        private final int[] counts;
        private final int hash;

        State(int hole, int loadLeft, int from, int[] left) {
            counts = Arrays.copyOf(left, left.length + 3);
            counts[left.length] = hole;
            counts[left.length + 1] = loadLeft;
            counts[left.length + 2] = from;
            hash = Arrays.hashCode(counts);
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof State state && Arrays.equals(counts, state.counts);
        }

        @Override
        public int hashCode() {
            return hash;
        }
    }

    boolean contains(State state) {
        return states.contains(state);
    }

    /** Remembers it, or forgets it where memory is full. */
    void add(State state) {
        if (states.size() < MOST_REMEMBERED) {
            states.add(state);
        }
    }
}
