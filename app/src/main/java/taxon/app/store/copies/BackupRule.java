package taxon.app.store.copies;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.IsoFields;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * Which copies stay: the newest of each of the last seven days that have one, and the newest of each of the last four weeks
 * that have one. Days and weeks are those of UTC; a week begins on Monday (ISO 8601).
 */
public final class BackupRule {
    public static final int DAYS = 7;
    public static final int WEEKS = 4;

    private BackupRule() {}

    /** Those that stay, of copies made at these moments. */
    public static Set<Instant> kept(Collection<Instant> made) {
        List<Instant> newestFirst =
                made.stream().sorted(Comparator.reverseOrder()).toList();
        Set<Instant> kept = new HashSet<>(firstOfEach(newestFirst, DAYS, BackupRule::day));
        kept.addAll(firstOfEach(newestFirst, WEEKS, BackupRule::week));
        return kept;
    }

    private static Set<Instant> firstOfEach(List<Instant> newestFirst, int most, Function<Instant, String> span) {
        Set<String> spans = new HashSet<>();
        Set<Instant> found = new HashSet<>();
        for (Instant at : newestFirst) {
            if (spans.size() < most && spans.add(span.apply(at))) {
                found.add(at);
            }
        }
        return found;
    }

    private static String day(Instant at) {
        return date(at).toString();
    }

    private static String week(Instant at) {
        LocalDate date = date(at);
        return date.get(IsoFields.WEEK_BASED_YEAR) + "-" + date.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
    }

    private static LocalDate date(Instant at) {
        return at.atOffset(ZoneOffset.UTC).toLocalDate();
    }
}
