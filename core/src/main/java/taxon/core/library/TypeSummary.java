package taxon.core.library;

import java.util.List;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;

/**
 * A type as the index knows it.
 *
 * @param kinds what people call such a unit: "wash", "moving head" ({@link Kinds})
 * @param attributes the names of all attributes that a slot of some mode controls, each once, sorted
 */
public record TypeSummary(
        TypeId id,
        String maker,
        String name,
        String shortName,
        String revision,
        Source source,
        List<String> kinds,
        List<String> attributes,
        List<ModeSummary> modes) {

    public TypeSummary {
        kinds = List.copyOf(kinds);
        attributes = List.copyOf(attributes);
        modes = List.copyOf(modes);
    }

    public static TypeSummary of(FixtureType type, Source source) {
        List<String> attributes = type.modes().stream()
                .flatMap(m -> m.channels())
                .filter(c -> !c.isVirtual())
                .map(c -> c.attribute())
                .map(Attribute::name)
                .distinct()
                .sorted()
                .toList();
        return new TypeSummary(
                type.id(),
                type.maker(),
                type.name(),
                type.shortName(),
                type.revision(),
                source,
                Kinds.of(type),
                attributes,
                type.modes().stream().map(ModeSummary::of).toList());
    }

    public String fullName() {
        return maker + " " + name;
    }
}
