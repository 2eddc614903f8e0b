package taxon.core.addressing.answer;

/** How good a computed change is, and how far that is certain. */
public sealed interface Optimum {
    /** Nothing is claimed: the order decides. */
    record Unclaimed() implements Optimum {}

    /**
     * Universes used by the whole rig.
     *
     * @param atLeast no plan for this request uses fewer
     */
    record Universes(int used, int atLeast) implements Optimum {
        public Universes {
            requireBound(used, atLeast);
        }

        public boolean isCertain() {
            return used == atLeast;
        }
    }

    /**
     * The price in points.
     *
     * @param atLeast no plan for this request costs less
     */
    record Least(int points, int atLeast) implements Optimum {
        public Least {
            requireBound(points, atLeast);
        }

        public boolean isCertain() {
            return points == atLeast;
        }
    }

    /**
     * Ports of nodes.
     *
     * @param existing how many there are
     * @param used universes in use by the whole rig, each of which needs one
     * @param atLeast no plan for this request uses fewer
     */
    record Ports(int existing, int used, int atLeast) implements Optimum {
        public Ports {
            requireBound(used, atLeast);
        }

        public int lacking() {
            return Math.max(0, used - existing);
        }

        public boolean isCertain() {
            return used == atLeast;
        }
    }

    private static void requireBound(int reached, int atLeast) {
        if (atLeast > reached) {
            throw new IllegalArgumentException(
                    "a bound of " + atLeast + " is above " + reached + ", which was reached");
        }
    }
}
