package taxon.app.rig.table;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.ChangedFixtures;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.NewStops;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.PageView;
import taxon.app.proposals.ProposalDesk;
import taxon.app.rig.equipmentlist.EquipmentListKind;
import taxon.app.store.ProposalStore.GivenFile;
import taxon.app.store.file.TemporaryFile;
import taxon.core.listing.TableRow;
import taxon.core.rig.PartRef;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.core.rigtable.FieldChange;
import taxon.core.rigtable.FixtureColumn;
import taxon.core.rigtable.Pasted;
import taxon.core.rigtable.Series;
import taxon.core.rigtable.TableWork;
import taxon.formats.json.Json;
import taxon.formats.table.PastedCells;
import tools.jackson.databind.node.ObjectNode;

/** Cells of the rig table: one is edited at once; what is filled, counted on or pasted is proposed first. */
@Controller
public class TableEditController {
    private static final int MOST_CHANGES = 100_000;

    private final Frames frames;
    private final JobEditor editor;
    private final ProposalDesk desk;
    private final EquipmentListKind lists;
    private final ChangedFixtures changed;

    public TableEditController(
            Frames frames, JobEditor editor, ProposalDesk desk, EquipmentListKind lists, ChangedFixtures changed) {
        this.frames = frames;
        this.editor = editor;
        this.desk = desk;
        this.lists = lists;
        this.changed = changed;
    }

    /** The table as JSON, as the address asks for it; with {@code since}, a version, only what differs from what was then. */
    @GetMapping("/jobs/{job}/rows")
    public Object rows(@PathVariable int job, HttpServletRequest request) {
        JobState state = frames.state(job);
        Fields fields = Reply.to(request, "rows", "/jobs/" + job + "/rig").fields();
        RigTable table = RigTable.of(PageView.of(request));
        Optional<Integer> since =
                fields.has("since") ? fields.number("since", "version", 0, Integer.MAX_VALUE) : Optional.empty();
        return Reply.dense(since.flatMap(v -> since(state, table, v)).orElseGet(() -> TableJson.write(state, table)));
    }

    private Optional<ObjectNode> since(JobState state, RigTable table, long version) {
        return table.showsOthers()
                ? Optional.empty()
                : changed.since(state, version).map(keys -> TableJson.since(state, table, keys));
    }

    /** Edits one cell: {@code key} of its row, {@code column}, {@code text}. A script gets what differs in the table then. */
    @PostMapping("/jobs/{job}/cells")
    public Object edit(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "cell", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        long version = reply.version();
        Optional<PartRef> key = PartRef.read(fields.text("key"));
        if (key.isEmpty()) {
            fields.refuse("key", "The row is named by the key of a fixture, or of a part, as 17/cell 3.");
        }
        Optional<FixtureColumn> column = column(fields);
        if (fields.isFaulty()) {
            return reply.refused();
        }
        FieldChange change = new FieldChange(key.orElseThrow(), column.orElseThrow(), fields.text("text"));
        String title = change.column().words() + " of "
                + RigPart.find(frames.state(job).plan(), change.row())
                        .map(RigPart::label)
                        .orElse("no. " + change.row());
        EditOutcome outcome =
                editor.apply(job, version, reply.own(), reply.who(), TableWork.edit(title, List.of(change)));
        boolean done = outcome instanceof EditOutcome.Done || outcome instanceof EditOutcome.NoChange;
        return done && Reply.wantsJson(request)
                ? since(frames.state(job), version, NewStops.words(outcome), request)
                : reply.after(outcome);
    }

    /** What the page that edited does not know yet: its own row, and what others did meanwhile. */
    private Object since(JobState state, long version, String brought, HttpServletRequest request) {
        RigTable table = RigTable.of(PageView.of(request));
        return Reply.dense(since(state, table, version)
                .orElseGet(() -> TableJson.write(state, table))
                .put("brought", brought));
    }

    private static Optional<FixtureColumn> column(Fields fields) {
        Optional<FixtureColumn> column = TableColumn.of(fields.text("column")).flatMap(TableColumn::edited);
        if (column.isEmpty()) {
            fields.refuse("column", "This column is worked out from others; it cannot be edited here.");
        }
        return column;
    }

    /**
     * Fills the cells below the first with its text, or all of them with {@code text} where that is given: {@code keys} from
     * top to bottom, {@code column}.
     */
    @PostMapping("/jobs/{job}/cells/fill")
    public Object fill(@PathVariable int job, HttpServletRequest request) {
        Optional<String> text = Optional.ofNullable(request.getParameter("text"));
        return proposeColumn(
                job,
                request,
                "filled down",
                (plan, rows, column) -> text.map(t -> rows.stream()
                                .map(f -> new FieldChange(f.ref(), column, t))
                                .toList())
                        .orElseGet(() -> Series.down(plan, rows, column)));
    }

    /** Counts on from the first one or two cells ({@code seeds}). */
    @PostMapping("/jobs/{job}/cells/series")
    public Object series(@PathVariable int job, HttpServletRequest request) {
        int seeds = "2".equals(request.getParameter("seeds")) ? 2 : 1;
        return proposeColumn(job, request, "counted on", (plan, rows, column) -> Series.of(plan, rows, column, seeds));
    }

    private interface Work {
        List<FieldChange> on(Plan plan, List<RigPart> rows, FixtureColumn column);
    }

    private Object proposeColumn(int job, HttpServletRequest request, String verb, Work work) {
        Reply reply = Reply.to(request, "cells", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        Optional<FixtureColumn> column = column(fields);
        List<RigPart> rows = inOrder(state.plan(), fields.text("keys"));
        if (rows.size() < 2) {
            fields.refuse("keys", "Choose two cells or more below each other: the first ones say how it goes on.");
        }
        if (fields.isFaulty()) {
            return reply.refused();
        }
        String title = column.orElseThrow().words() + " " + verb;
        List<FieldChange> changes = work.on(state.plan(), rows, column.orElseThrow());
        return open(reply, state, new TableEditJson.Wanted(title, changes, List.of()));
    }

    /** The keys stand in the order of the table, which is not that of a selection. */
    private static List<RigPart> inOrder(Plan plan, String keys) {
        List<RigPart> rows = new ArrayList<>();
        for (String key : keys.split(",")) {
            if (rows.size() < MOST_CHANGES) {
                PartRef.read(key).flatMap(k -> RigPart.find(plan, k)).ifPresent(rows::add);
            }
        }
        return rows;
    }

    /**
     * Rows out of a spreadsheet: {@code rows} as text with tabs, {@code key} and {@code column} of the cell that they were
     * pasted at, and the view of the table. A list with types becomes an equipment list on its way in.
     */
    @PostMapping("/jobs/{job}/cells/paste")
    public Object paste(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "cells", "/jobs/" + job + "/rig");
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        String text = fields.raw("rows");
        byte[] file = text.getBytes(StandardCharsets.UTF_8);
        if (lists.takes(file, state.plan().fixtures().isEmpty())) {
            int id = TemporaryFile.read(
                    out -> out.write(file),
                    given -> desk.open(
                            job, state.version(), lists, new GivenFile("pasted rows", given), lists.read(file)));
            return reply.done(
                    "The rows were read as an equipment list; nothing is added yet.",
                    "/jobs/" + job + "/imports/" + id,
                    Json.object().put("import", id));
        }
        Optional<List<TableRow>> cells = PastedCells.read(text);
        if (cells.isEmpty() || cells.get().isEmpty()) {
            fields.refuse(
                    "rows",
                    "That is no table that can be read: a quote is left open, it is empty, or it is too large.");
            return reply.refused();
        }
        RigTable table = RigTable.of(PageView.of(request));
        Pasted pasted = Pasted.match(
                state.plan(), cells.get(), below(table.rows(state.plan()), fields), editable(table, fields));
        int rows = cells.get().size() - (pasted.headed() ? 1 : 0);
        String title = rows == 1 ? "1 row pasted" : rows + " rows pasted";
        return open(reply, state, new TableEditJson.Wanted(title, pasted.changes(), PastedText.sentences(pasted)));
    }

    private static List<RigPart> below(List<RigPart> rows, Fields fields) {
        int at = 0;
        while (at < rows.size() && !rows.get(at).ref().toString().equals(fields.text("key"))) {
            at++;
        }
        return at < rows.size() ? rows.subList(at, rows.size()) : rows;
    }

    private static List<FixtureColumn> editable(RigTable table, Fields fields) {
        int at = Math.max(
                0,
                TableColumn.of(fields.text("column"))
                        .map(table.columns()::indexOf)
                        .orElse(0));
        return table.columns().subList(at, table.columns().size()).stream()
                .flatMap(c -> c.edited().stream())
                .toList();
    }

    private Object open(Reply reply, JobState state, TableEditJson.Wanted wanted) {
        if (wanted.changes().size() > MOST_CHANGES) {
            reply.fields().refuse("rows", "These are more than " + MOST_CHANGES + " cells; give them in parts.");
            return reply.refused();
        }
        int id = desk.open(state.job(), state.version(), TableEditKind.NAME, TableEditJson.write(wanted));
        return reply.done(
                "Proposed; nothing has changed yet.",
                "/jobs/" + state.job() + "/cells/" + id + query(reply.page()),
                Json.object().put("proposal", id));
    }

    private static String query(String page) {
        int query = page.indexOf('?');
        return query < 0 ? "" : page.substring(query);
    }
}
