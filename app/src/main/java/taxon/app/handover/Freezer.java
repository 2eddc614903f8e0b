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
import taxon.core.rig.Plan;
import taxon.formats.bundle.Bundle;
import taxon.formats.json.JobJson;

/** Freezes a job as its next revision, and makes the bundle that is handed over. */
@Service
public class Freezer {
    private final JobEditor editor;
    private final RevisionStore revisions;
    private final SheetFiles files;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Freezer(JobEditor editor, RevisionStore revisions, SheetFiles files, TransactionTemplate transaction, Clock clock) {
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
        return editor.alone(job, () -> {
            JobState state = editor.find(job).orElseThrow(() -> new NoSuchJobException(job));
            if (state.version() != seen) {
                return Optional.empty();
            }
            Revision revision = new Revision(revisions.nextNumber(job), note, who, clock.instant());
            String document = JobJson.print(state.plan());
            transaction.executeWithoutResult(s -> revisions.add(job, seen, revision, document));
            return Optional.of(revision);
        });
    }

    /** The bundle of a revision, made from what was frozen when it is first asked for, and kept. */
    public byte[] bundle(int job, Revision revision) {
        return revisions.bundle(job, revision).orElseGet(() -> {
            byte[] made = make(revisions.document(job, revision), revision).zip();
            return editor.alone(job, () -> {
                revisions.keepBundle(job, revision, made);
                return revisions.bundle(job, revision).orElseThrow();
            });
        });
    }

    private Bundle make(String document, Revision revision) {
        Plan plan = ((JobJson.Read) JobJson.read(utf8(document))).plan();
        Instant at = revision.frozenAt();
        String words = "Revision " + revision.letters();
        PatchSheets sheets = new PatchSheets(
                plan, words, at.atOffset(ZoneOffset.UTC).toLocalDate().toString());
        Map<String, byte[]> content = new LinkedHashMap<>();
        for (Sheet sheet : sheets.all()) {
            content.put("patch-" + sheet.name() + ".pdf", files.pdf(sheet));
            content.put("patch-" + sheet.name() + ".csv", files.csv(sheet));
        }
        content.put("job.json", utf8(document));
        content.put(JobJson.SCHEMA_NAME, utf8(JobJson.schema()));
        return new Bundle(plan.sheet().name(), revision.letters(), at, content);
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
