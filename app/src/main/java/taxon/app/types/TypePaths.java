package taxon.app.types;

import java.util.Optional;
import taxon.app.edit.JobState;
import taxon.app.form.NotThereException;
import taxon.app.library.TypeLibrary;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;

/** Finds the type that a page's address names. */
final class TypePaths {
    private TypePaths() {}

    /**
     * The job's own copy, else the library's.
     *
     * @throws NotThereException when neither has it
     */
    static FixtureType type(JobState state, TypeLibrary library, String id) {
        return Optional.of(id)
                .filter(TypeId::isLegal)
                .map(TypeId::of)
                .flatMap(library.knownTo(state.plan())::find)
                .orElseThrow(() -> new NotThereException("type " + id));
    }
}
