package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.library.TypeLibrary;
import taxon.app.store.FavouriteStore;
import taxon.core.fixture.FixtureType;
import taxon.formats.json.Json;

/** Types that a person wants at hand, beside what the shop owns. */
@Controller
class FavouriteController {
    private final Frames frames;
    private final TypeLibrary library;
    private final FavouriteStore favourites;

    FavouriteController(Frames frames, TypeLibrary library, FavouriteStore favourites) {
        this.frames = frames;
        this.library = library;
        this.favourites = favourites;
    }

    /** Keeps a type among the favourites of whoever asks; with {@code forget} takes it from them. */
    @PostMapping("/jobs/{job}/types/{id}/favourite")
    Object choose(@PathVariable int job, @PathVariable String id, HttpServletRequest request) {
        Reply reply = Reply.to(request, "favourite", "/jobs/" + job + "/types/" + id);
        FixtureType type = TypePaths.type(frames.state(job), library, id);
        String who = People.of(request);
        if (reply.fields().has("forget")) {
            favourites.forget(who, type.id());
            return reply.done(type.fullName() + " is no favourite any more.", Json.object());
        }
        if (!favourites.keep(who, type.id())) {
            reply.fields()
                    .refuse("favourite", FavouriteStore.MOST + " favourites are the most; take one from them first.");
            return reply.refused();
        }
        return reply.done(type.fullName() + " is among your favourites.", Json.object());
    }
}
