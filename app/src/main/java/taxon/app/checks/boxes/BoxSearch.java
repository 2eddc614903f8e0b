package taxon.app.checks.boxes;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.boxcheck.BoxesHeard;
import taxon.core.boxcheck.SeenBox;

/**
 * Where looking for the boxes of a job stands.
 *
 * @param began when it was begun last; empty where it never was
 * @param running true while boxes are still waited for
 * @param heard what was heard so far, or at the last time
 * @param left how many answers there was no room for
 * @param trouble why it could not be done; empty where it could
 */
public record BoxSearch(
        Optional<Instant> began, boolean running, Optional<BoxesHeard> heard, int left, String trouble) {
    static final BoxSearch NONE = new BoxSearch(Optional.empty(), false, Optional.empty(), 0, "");

    static BoxSearch begun(Instant at) {
        return new BoxSearch(Optional.of(at), true, Optional.empty(), 0, "");
    }

    BoxSearch hearing(BoxesHeard now) {
        return new BoxSearch(began, running, Optional.of(now), left, "");
    }

    BoxSearch ended(BoxesHeard last, int beyond) {
        return new BoxSearch(began, false, Optional.of(last), beyond, "");
    }

    BoxSearch failed(String why) {
        return new BoxSearch(began, false, heard, left, why);
    }

    /** The same with one box as it is now, in the place of what it was. */
    BoxSearch with(SeenBox now) {
        return heard.map(h -> new BoxSearch(began, running, Optional.of(with(h, now)), left, trouble))
                .orElse(this);
    }

    private static BoxesHeard with(BoxesHeard heard, SeenBox now) {
        List<SeenBox> others =
                heard.seen().stream().filter(s -> !isSame(s, now)).toList();
        return new BoxesHeard(
                heard.own(), Stream.concat(others.stream(), Stream.of(now)).toList(), heard.hindered());
    }

    private static boolean isSame(SeenBox one, SeenBox other) {
        return one.self().mac() == 0
                ? one.answering().equals(other.answering())
                : one.self().mac() == other.self().mac();
    }
}
