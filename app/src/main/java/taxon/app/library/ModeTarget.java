package taxon.app.library;

import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.fixture.TypeSource;

/** A type and a mode of it, as one field names them: {@code type-id/mode name}. Modes may hold slashes, ids cannot. */
public record ModeTarget(TypeId type, String mode) {

    /** What a field names; empty where it has not that shape. */
    public static Optional<ModeTarget> read(String field) {
        int slash = field.indexOf('/');
        return slash > 0 && TypeId.isLegal(field.substring(0, slash))
                ? Optional.of(new ModeTarget(TypeId.of(field.substring(0, slash)), field.substring(slash + 1)))
                : Optional.empty();
    }

    /** A mode with the type that it is of. */
    public record Found(FixtureType type, Mode mode) {}

    /** The type and mode themselves; empty where they are not known. */
    public Optional<Found> in(TypeSource known) {
        return known.find(type).flatMap(t -> t.mode(mode).map(m -> new Found(t, m)));
    }
}
