package taxon.core.scene;

import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeSource;
import taxon.core.fixture.UnknownType;

/**
 * What the name of a type's file says: files are called "maker@type@remark.gdtf", underscores for spaces (common practice).
 *
 * @param maker empty where the name does not say it
 */
record SpecName(String maker, String type) {

    static SpecName of(String spec) {
        String[] parts = spec.replaceAll("(?i)\\.gdtf$", "").replace('_', ' ').split("@", 3);
        return parts.length < 2 ? new SpecName("", parts[0].strip()) : new SpecName(parts[0].strip(), parts[1].strip());
    }

    /** The type that is called so. */
    Optional<FixtureType> in(TypeSource source) {
        return maker.isEmpty() ? Optional.empty() : source.named(maker, type);
    }

    /** The type of which only that is known. */
    FixtureType unknown() {
        return UnknownType.of(maker, type);
    }
}
