package taxon.core.scene;

import java.util.Comparator;

/**
 * What a fixture of a scene says of what it is.
 *
 * @param spec the name of the file of its type; may be empty
 * @param mode may be empty
 */
public record SpecMode(String spec, String mode) implements Comparable<SpecMode> {
    private static final Comparator<SpecMode> ORDER =
            Comparator.comparing(SpecMode::spec).thenComparing(SpecMode::mode);

    public static SpecMode of(SceneFixture fixture) {
        return new SpecMode(fixture.spec(), fixture.mode());
    }

    @Override
    public int compareTo(SpecMode other) {
        return ORDER.compare(this, other);
    }
}
