package taxon.app.library;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeBook;
import taxon.core.fixture.TypeId;
import taxon.core.fixture.TypeSource;
import taxon.core.library.TypeSummary;

/** A job's own types, then those of the library. */
record JobTypes(TypeBook own, TypeLibrary library) implements TypeSource {

    @Override
    public Optional<FixtureType> find(TypeId id) {
        return own.find(id).or(() -> library.find(id));
    }

    @Override
    public Optional<FixtureType> named(String maker, String name) {
        return own.named(maker, name)
                .or(() -> library.index().named(maker, name).flatMap(t -> find(t.id())));
    }

    @Override
    public List<FixtureType> closest(String maker, String name, int most) {
        List<FixtureType> found = new ArrayList<>(own.closest(maker, name, most));
        for (TypeSummary close : library.index().closest(maker, name, most)) {
            if (found.stream().noneMatch(t -> t.id().equals(close.id()))) {
                find(close.id()).ifPresent(found::add);
            }
        }
        return found.subList(0, Math.min(most, found.size()));
    }
}
