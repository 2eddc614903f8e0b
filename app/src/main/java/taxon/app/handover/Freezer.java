package taxon.app.handover;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.edit.NoSuchJobException;
import taxon.app.handover.NoticeController.Told;
import taxon.app.paperwork.ChangeNotices;
import taxon.app.paperwork.DrawnPaper;
import taxon.app.paperwork.DrawnPapers;
import taxon.app.paperwork.PrintedPapers;
import taxon.app.paperwork.Sheet;
import taxon.app.paperwork.SheetFiles;
import taxon.app.store.JobStore;
import taxon.app.store.PrintStore.Which;
import taxon.app.store.Revision;
import taxon.app.store.RevisionStore;
import taxon.core.drawing.DrawnOn;
import taxon.core.handover.AudienceNotice;
import taxon.core.handover.AudienceNotice.Audience;
import taxon.core.paper.PaperChoice;
import taxon.core.paper.PaperKind;
import taxon.core.rig.Plan;
import taxon.formats.bundle.Bundle;
import taxon.formats.csv.SpreadsheetCsv;
import taxon.formats.gdtf.GdtfWriter;
import taxon.formats.json.JobJson;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrWriter;
import taxon.formats.workbook.WorkbookOut;

/** Freezes a job as its next revision, and makes the bundle that is handed over. */
@Service
public class Freezer {
    private final JobEditor editor;
    private final JobStore jobs;
    private final RevisionStore revisions;
    private final SheetFiles files;
    private final PrintedPapers papers;
    private final ChangeNotices notices;
    private final DrawnPapers drawings;
    private final SummaryPage summary;
    private final FrozenWords frozenWords;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Freezer(
            JobEditor editor,
            JobStore jobs,
            RevisionStore revisions,
            SheetFiles files,
            PrintedPapers papers,
            ChangeNotices notices,
            DrawnPapers drawings,
            SummaryPage summary,
            FrozenWords frozenWords,
            TransactionTemplate transaction,
            Clock clock) {
        this.editor = editor;
        this.jobs = jobs;
        this.revisions = revisions;
        this.files = files;
        this.papers = papers;
        this.notices = notices;
        this.drawings = drawings;
        this.summary = summary;
        this.frozenWords = frozenWords;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What became of a freeze. */
    public sealed interface Outcome {}

    /** The job is frozen as this revision. */
    public record Frozen(Revision revision) implements Outcome {}

    /** Nothing has changed since this revision, so that there is nothing to freeze. */
    public record Same(Revision revision) implements Outcome {}

    /** The job is no longer at the version that was seen. */
    public record Moved() implements Outcome {}

    /**
     * Freezes what someone has seen.
     *
     * @param seen the version of the job that they saw
     * @return the revision, or why there is none
     */
    public Outcome freeze(int job, long seen, String note, String who) {
        return editor.alone(job, () -> {
            JobState state = editor.find(job).orElseThrow(() -> new NoSuchJobException(job));
            if (state.version() != seen) {
                return new Moved();
            }
            String document = JobJson.print(state.plan());
            String said = frozenWords.of(state).json();
            // The version is asked of the store itself: what is frozen is what is kept, whoever wrote it.
            return Objects.requireNonNull(
                    transaction.execute(s -> frozen(job, seen, new Content(document, said), note, who)));
        });
    }

    /** What is kept of a job with a revision. */
    private record Content(String document, String said) {}

    private Outcome frozen(int job, long seen, Content content, String note, String who) {
        if (jobs.version(job).orElse(-1L) != seen) {
            return new Moved();
        }
        Optional<Revision> same = revisions.frozenAt(job, seen);
        if (same.isPresent()) {
            return new Same(same.get());
        }
        Revision revision = new Revision(revisions.nextNumber(job), note, who, clock.instant());
        revisions.add(job, seen, revision, content.document(), content.said());
        return new Frozen(revision);
    }

    /** The bundle of a revision, made from what was frozen when it is first asked for, and kept. */
    public byte[] bundle(int job, Revision revision) {
        return revisions.bundle(job, revision).orElseGet(() -> {
            byte[] made = make(job, revisions.document(job, revision), revision).zip();
            return editor.alone(job, () -> {
                revisions.keepBundle(job, revision, made);
                return revisions.bundle(job, revision).orElseThrow();
            });
        });
    }

    private Bundle make(int job, String document, Revision revision) {
        Plan plan = JobJson.kept(document);
        Instant at = revision.frozenAt();
        String words = "Revision " + revision.letters();
        String date = at.atOffset(ZoneOffset.UTC).toLocalDate().toString();
        Map<String, byte[]> content = new LinkedHashMap<>();
        for (PaperKind kind : PaperKind.values()) {
            Sheet sheet = kind == PaperKind.CHANGES
                    ? notices.of(job, revision, plan)
                    : Sheet.of(plan, kind, PaperChoice.ALL, words, date);
            DrawnPaper drawing = drawings.of(plan, kind, PaperChoice.ALL, DrawnOn.USUAL, revision.who());
            String name = "papers/" + kind.slug();
            content.put(name + ".pdf", files.pdf(sheet, papers.code(which(job, kind, revision), sheet), drawing));
            content.put(name + ".csv", SpreadsheetCsv.write(sheet.listing()));
            content.put(name + ".xlsx", WorkbookOut.write(kind.title(), sheet.listing()));
        }
        FrozenWords.Words said = frozenWords.of(job, revision);
        content.put("summary.html", summary.html(plan, revision, said.view()));
        content.put("summary.pdf", summary.pdf(plan, revision, said.view()));
        content.putAll(meaning(job, plan, revision));
        said.comparisons().forEach((name, json) -> content.put(name, utf8(json)));
        content.put("routes.csv", SpreadsheetCsv.write(RoutesFile.HEADER, RoutesFile.rows(plan)));
        content.put("routes.json", utf8(RoutesFile.json(plan)));
        content.put("rig.mvr", MvrWriter.write(plan, at));
        plan.fixtures().stream()
                .map(plan::type)
                .distinct()
                .forEach(t -> content.put("types/" + t.id() + ".gdtf", GdtfWriter.write(t, at)));
        content.put("job.json", utf8(document));
        content.put(JobJson.SCHEMA_NAME, utf8(JobJson.schema()));
        return new Bundle(plan.sheet().name(), revision.letters(), at, content);
    }

    /** What the revision changed, for those whom it concerns; nothing for the first one. */
    private Map<String, byte[]> meaning(int job, Plan plan, Revision revision) {
        Map<String, byte[]> content = new LinkedHashMap<>();
        if (revision.number() == 1) {
            return content;
        }
        String letters = Revision.letters(revision.number() - 1);
        Plan before =
                revisions.find(job, letters).map(r -> revisions.plan(job, r)).orElseThrow();
        for (Audience audience : Audience.values()) {
            Told told = new Told(
                    plan.sheet().name(),
                    "Revision " + letters + " to revision " + revision.letters(),
                    revision.frozenAt().atOffset(ZoneOffset.UTC).toLocalDate().toString(),
                    letters,
                    revision.letters(),
                    Json.slug(audience),
                    AudienceNotice.of(before, plan, audience));
            content.put(
                    "papers/changes-for-" + Json.slug(audience) + ".pdf",
                    files.page("handover/notice-print", Map.of("means", told), told.date()));
        }
        return content;
    }

    /** Under what it is found again: a change notice says which revisions it compares. */
    private Which which(int job, PaperKind kind, Revision revision) {
        boolean compares = kind == PaperKind.CHANGES && revision.number() > 1;
        return new Which(
                job,
                kind,
                compares ? "?since=" + Revision.letters(revision.number() - 1) + "&until=" + revision.letters() : "");
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
