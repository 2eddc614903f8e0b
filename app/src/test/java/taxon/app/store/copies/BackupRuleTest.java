package taxon.app.store.copies;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** Which copies stay: seven days and four weeks. */
class BackupRuleTest {
    // A Saturday; its week of ISO 8601 began on Monday the 23rd.
    private static final Instant NOW = Instant.parse("2026-11-28T12:00:00Z");

    @Test
    void ofCopiesMadeEveryDayForTwoMonthsSevenDaysAndThreeOlderWeeksStay() {
        List<Instant> daily = new ArrayList<>();
        for (int day = 0; day < 60; day++) {
            daily.add(NOW.minus(Duration.ofDays(day)));
        }
        assertThat(dates(BackupRule.kept(daily)))
                .containsExactly(
                        "2026-11-08",
                        "2026-11-15",
                        "2026-11-22",
                        "2026-11-23",
                        "2026-11-24",
                        "2026-11-25",
                        "2026-11-26",
                        "2026-11-27",
                        "2026-11-28");
    }

    @Test
    void ofSeveralOnOneDayTheNewestStays() {
        Instant early = Instant.parse("2026-11-28T00:00:00Z");
        assertThat(BackupRule.kept(List.of(early, NOW, NOW.minusSeconds(1)))).containsExactly(NOW);
    }

    @Test
    void whatIsSeldomCopiedIsNotLostForBeingOld() {
        List<Instant> seldom = List.of(NOW, NOW.minus(Duration.ofDays(90)), NOW.minus(Duration.ofDays(400)));
        assertThat(BackupRule.kept(seldom)).containsExactlyInAnyOrderElementsOf(seldom);
    }

    @Test
    void theLastDaysOfAYearAndTheFirstOfTheNextAreOneWeek() {
        // ISO 8601: 31 December 2026 and 1 January 2027 lie in week 53 of 2026.
        List<Instant> daily = new ArrayList<>();
        for (int day = 0; day < 40; day++) {
            daily.add(Instant.parse("2027-01-20T12:00:00Z").minus(Duration.ofDays(day)));
        }
        assertThat(dates(BackupRule.kept(daily))).contains("2027-01-03").doesNotContain("2026-12-31");
    }

    private static Set<String> dates(Set<Instant> kept) {
        Set<String> dates = new TreeSet<>();
        kept.forEach(k -> dates.add(k.toString().substring(0, 10)));
        return dates;
    }
}
