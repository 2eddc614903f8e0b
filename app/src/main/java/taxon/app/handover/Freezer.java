package taxon.app.handover;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.edit.NoSuchJobException;
import taxon.app.paperwork.PatchSheets;
import taxon.app.paperwork.Sheet;
import taxon.app.paperwork.SheetFiles;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.formats.bundle.Bundle;
import taxon.formats.json.JobJson;

/** Freezes a job as its next revision, with the bundle that is handed over; the bundle is kept as it was made. */
@Service
public class Freezer {
    private final JobEditor editor;
    private final RevisionStore revisions;
    private final SheetFiles files;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Freezer(
            JobEditor editor, RevisionStore revisions, SheetFiles files, TransactionTemplate transaction, Clock clock) {
        this.editor = editor;
        this.revisions = revisions;
        this.files = files;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Freezes what someone has seen.
     *
     * @param seen the version of the job that they saw
     * @return empty when the job is no longer at that version
     */
    public Optional<Revision> freeze(int job, long seen, String note, String who) {
        return editor.alone(() -> {
            JobState state = editor.find(job).orElseThrow(() -> new NoSuchJobException(job));
            if (state.version() != seen) {
                return Optional.empty();
            }
            Revision revision = new Revision(revisions.nextNumber(job), note, who, clock.instant());
            byte[] bundle = bundle(state, revision).zip();
            transaction.executeWithoutResult(s -> revisions.add(job, seen, revision, bundle));
            return Optional.of(revision);
        });
    }

    private Bundle bundle(JobState state, Revision revision) {
        Instant at = revision.frozenAt();
        String words = "Revision " + revision.letters();
        PatchSheets sheets = new PatchSheets(
                state.plan(), words, at.atOffset(ZoneOffset.UTC).toLocalDate().toString());
        Map<String, byte[]> content = new LinkedHashMap<>();
        for (Sheet sheet : sheets.all()) {
            content.put("patch-" + sheet.name() + ".pdf", files.pdf(sheet));
            content.put("patch-" + sheet.name() + ".csv", files.csv(sheet));
        }
        content.put("job.json", utf8(JobJson.print(state.plan())));
        content.put(JobJson.SCHEMA_NAME, utf8(JobJson.schema()));
        return new Bundle(state.plan().sheet().name(), revision.letters(), at, content);
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
