package taxon.core.scene;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeSource;
import taxon.core.fixture.UnknownType;

/**
 * Which types the fixtures of a scene have.
 *
 * @param bySpec types by the names of their files
 * @param chosen what someone chose for fixtures that say the same; it goes before what the file says
 */
public record SceneTypes(Map<String, FixtureType> bySpec, Map<SpecMode, Choice> chosen) {
    public SceneTypes {
        bySpec = Map.copyOf(bySpec);
        chosen = Map.copyOf(chosen);
    }

    /** A type and one of its modes. */
    public record Choice(FixtureType type, Mode mode) {}

    /** Those that files gave; files that gave none are looked for by their names. */
    public static SceneTypes of(
            Scene scene, Map<String, FixtureType> read, TypeSource known, Map<SpecMode, Choice> chosen) {
        Map<String, FixtureType> types = new HashMap<>(read);
        scene.fixtures().stream()
                .map(SceneFixture::spec)
                .distinct()
                .filter(s -> !read.containsKey(s))
                .forEach(s -> SpecName.of(s).in(known).ifPresent(t -> types.put(s, t)));
        return new SceneTypes(types, chosen);
    }

    Optional<Choice> chosen(SceneFixture fixture) {
        return Optional.ofNullable(chosen.get(SpecMode.of(fixture)));
    }

    Optional<FixtureType> known(SceneFixture fixture) {
        return chosen(fixture).map(Choice::type).or(() -> Optional.ofNullable(bySpec.get(fixture.spec())));
    }

    /** The known type, else one of which only the name is known. */
    FixtureType of(SceneFixture fixture) {
        return known(fixture).orElseGet(() -> SpecName.of(fixture.spec()).unknown());
    }

    /** The mode's name: that which was chosen, else that which the scene says. */
    String mode(SceneFixture fixture) {
        return chosen(fixture).map(c -> c.mode().name()).orElse(fixture.mode());
    }

    /** True when it is known what a fixture is, down to its mode. */
    boolean isSettled(SceneFixture fixture) {
        return known(fixture)
                .filter(t -> !UnknownType.is(t))
                .filter(t -> t.mode(mode(fixture)).isPresent())
                .isPresent();
    }
}
