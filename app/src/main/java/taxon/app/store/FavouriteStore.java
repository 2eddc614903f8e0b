package taxon.app.store;

import java.util.List;
import org.springframework.stereotype.Repository;
import taxon.core.fixture.TypeId;

/** Types that people want at hand, each person their own. */
@Repository
public class FavouriteStore {
    public static final int MOST = 200;

    private final FavouriteMapper rows;

    FavouriteStore(FavouriteMapper rows) {
        this.rows = rows;
    }

    /** Those of a person, by id; a type that the library forgot is still among them. */
    public List<TypeId> of(String who) {
        return rows.of(who).stream().map(TypeId::of).toList();
    }

    /** Keeps one; false when the person has {@value #MOST} already. */
    public boolean keep(String who, TypeId type) {
        List<TypeId> kept = of(who);
        if (kept.size() >= MOST && !kept.contains(type)) {
            return false;
        }
        rows.keep(who, type.value());
        return true;
    }

    public void forget(String who, TypeId type) {
        rows.forget(who, type.value());
    }
}
