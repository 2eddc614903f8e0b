package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.library.TypeLibrary;
import taxon.app.library.TypeSearch;
import taxon.app.lists.ListFile;
import taxon.app.proposals.FileProposalKind;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.MappingStore;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.equipmentlist.ListChoices;
import taxon.core.equipmentlist.TypeWords;
import taxon.core.listing.Column;
import taxon.core.listing.ColumnGuess;
import taxon.core.listing.ColumnMap;
import taxon.core.listing.KeptMapping;
import taxon.core.listing.ListReading;
import taxon.core.listing.TableRow;
import taxon.core.packing.Effort;
import taxon.core.proposal.Proposal;
import taxon.formats.table.TableFile;
import tools.jackson.databind.node.ObjectNode;

/** Fixtures from an equipment list. It is looked at for the job and the library as they are; what was said of it stays. */
@Component
public class EquipmentListKind extends FileProposalKind<GivenList, ListFile> {
    public static final String NAME = "equipment-list";

    private final MappingStore mappings;

    public EquipmentListKind(TypeLibrary library, ProposalStore proposals, MappingStore mappings) {
        super(new Names(NAME, "imports", "rig/import"), library, proposals, ListFile::of);
        this.mappings = mappings;
    }

    /** A mapping that is kept meanwhile may read the list otherwise. */
    @Override
    public String question(StoredProposal stored) {
        return super.question(stored) + " mappings " + mappings.all().hashCode();
    }

    /** Reads rows that were pasted. */
    public ListFile read(byte[] rows) {
        return new ListFile(rows);
    }

    /**
     * True for pasted rows that are a list of fixtures and no cells of the table.
     *
     * @param empty true when there is no table yet that they could be cells of
     */
    public boolean takes(byte[] rows, boolean empty) {
        if (!(new ListFile(rows).sheet("") instanceof TableFile.Read read)) {
            return false;
        }
        return ColumnGuess.of(read.rows()).namesFixtures()
                || empty && read.rows().size() > 1;
    }

    @Override
    public Optional<GivenList> compute(StoredProposal stored, JobState state, Effort effort) {
        ListRequest request = ListRequest.read(ProposalDesk.request(stored));
        TableFile table = files().of(stored.id()).sheet(request.look().sheet());
        if (table instanceof TableFile.Unreadable unreadable) {
            return Optional.of(GivenList.unreadable(request, unreadable));
        }
        List<TableRow> rows = ((TableFile.Read) table).rows();
        Optional<KeptMapping> kept = request.look().mapping(mappings.all(), rows);
        ColumnMap columns =
                request.look().columns().or(() -> kept.flatMap(k -> k.on(rows))).orElseGet(() -> ColumnGuess.of(rows));
        ListReading reading = ListReading.of(rows, columns);
        Optional<EquipmentList> list = Optional.of(reading)
                .filter(r -> columns.has(Column.TYPE))
                .map(r -> EquipmentList.of(
                        state.plan(), r, library().knownTo(state.plan()), choices(request, r), effort));
        return Optional.of(
                new GivenList(request, table, kept.map(KeptMapping::name).orElse(""), Optional.of(reading), list));
    }

    private static ListChoices choices(ListRequest request, ListReading reading) {
        if (request.byLine().isEmpty()) {
            return request.choices();
        }
        Map<TypeWords, Choice> types = new HashMap<>(request.choices().types());
        reading.rows()
                .forEach(r -> Optional.ofNullable(request.byLine().get(r.line()))
                        .ifPresent(c -> types.putIfAbsent(TypeWords.of(r), c)));
        return request.choices().withTypes(types);
    }

    @Override
    public Optional<String> hindrance(Proposal<GivenList> proposal) {
        return proposal.content().hindrance();
    }

    @Override
    public String headline(Looked<GivenList> looked) {
        int fixtures = looked.content().fixtures();
        int faulty = looked.content().omissions().size();
        String added = fixtures == 1 ? "1 fixture is added" : fixtures + " fixtures are added";
        return switch (faulty) {
            case 0 -> added;
            case 1 -> added + "; 1 row cannot be added yet";
            default -> added + "; " + faulty + " rows cannot be added yet";
        };
    }

    @Override
    public ObjectNode json(Looked<GivenList> looked) {
        return EquipmentListJson.write(looked.stored(), looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        model.addAttribute("stored", stored);
        model.addAttribute("mappings", mappings.all());
        model.addAttribute("searched", TypeSearch.of(request, library().index()));
        model.addAttribute("rows", ListPage.Rows.of(request));
    }

    @Override
    public void show(Looked<GivenList> looked, Model model) {
        ListPage.Rows rows = (ListPage.Rows) Objects.requireNonNull(model.getAttribute("rows"));
        TypeSearch searched = (TypeSearch) Objects.requireNonNull(model.getAttribute("searched"));
        model.addAttribute("list", ListPage.of(looked.content(), rows, searched));
    }
}
