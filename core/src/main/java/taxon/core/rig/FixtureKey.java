package taxon.core.rig;

/**
 * Names a fixture inside its job for as long as the job lives, whatever fixture ID it is given.
 *
 * @param number 1 or more
 */
public record FixtureKey(int number) implements Comparable<FixtureKey> {
    public FixtureKey {
        if (number < 1) {
            throw new IllegalArgumentException("fixture key " + number + " is below 1");
        }
    }

    public static FixtureKey of(int number) {
        return new FixtureKey(number);
    }

    @Override
    public int compareTo(FixtureKey other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Integer.toString(number);
    }
}
