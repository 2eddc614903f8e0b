package taxon.app.edit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import taxon.app.store.JournalEntry;
import taxon.app.store.JournalStore;
import taxon.core.rig.ElementKey;
import taxon.core.rig.FixtureKey;

/** Which fixtures the edits since a version touched, for pages that show an older one. */
@Component
public class ChangedFixtures {
    private static final int MOST_ENTRIES = 50;

    private final JournalStore journal;

    ChangedFixtures(JournalStore journal) {
        this.journal = journal;
    }

    /**
     * The fixtures whose own words, address or standing may differ from what they were at a version; among them such as are
     * gone. Empty when more than fixtures changed, such as a position that is called otherwise, or it was too long ago.
     */
    public Optional<Set<FixtureKey>> since(JobState now, long version) {
        if (version == now.version()) {
            return Optional.of(Set.of());
        }
        if (version > now.version() || now.version() - version > MOST_ENTRIES) {
            return Optional.empty();
        }
        List<JournalEntry> entries = journal.since(now.job(), version);
        Set<FixtureKey> keys = new TreeSet<>();
        for (JournalEntry entry : entries) {
            for (ElementKey key : entry.delta().changes().keySet()) {
                switch (key.kind()) {
                    case FIXTURE, EVIDENCE, CHECK -> keys.add(FixtureKey.of(key.number()));
                    // None of these is shown with a fixture.
                    case RESERVED_RUN, SHARE, WISH -> {}
                    case JOB_SHEET, TYPE, POSITION, GROUP, BOX, UNIVERSE, LINE, LINK -> {
                        return Optional.empty();
                    }
                }
            }
        }
        return Optional.of(keys);
    }
}
