package taxon.app.rig.equipmentlist;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.FileProposalKind;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.equipmentlist.Choice;
import taxon.core.equipmentlist.EquipmentList;
import taxon.core.fixture.TypeId;
import taxon.core.packing.Effort;
import taxon.core.proposal.Proposal;
import taxon.formats.csv.EquipmentSheet.Understood;
import taxon.formats.csv.EquipmentSheetReader;
import taxon.formats.json.Json;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Fixtures from an equipment list. It is looked at for the job and the library as they are; what was chosen for rows stays. */
@Component
public class EquipmentListKind extends FileProposalKind<EquipmentList, Understood> {
    public static final String NAME = "equipment-list";

    public EquipmentListKind(TypeLibrary library, ProposalStore proposals) {
        super(new Names(NAME, "imports", "rig/import"), library, proposals, file ->
                (Understood) EquipmentSheetReader.read(file));
    }

    @Override
    public Optional<EquipmentList> compute(StoredProposal stored, JobState state, Effort effort) {
        return Optional.of(
                EquipmentList.of(files().of(stored.id()).rows(), library().knownTo(state.plan()), choices(stored)));
    }

    /** What was chosen for rows, by line number. */
    static Map<Integer, Choice> choices(StoredProposal stored) {
        Map<Integer, Choice> choices = new TreeMap<>();
        ProposalDesk.request(stored).path("choices").properties().forEach(e -> {
            JsonNode choice = e.getValue();
            TypeId type = TypeId.of(choice.path("type").asString());
            choices.put(
                    Integer.valueOf(e.getKey()),
                    new Choice(type, choice.path("mode").asString()));
        });
        return choices;
    }

    static ObjectNode request(Map<Integer, Choice> choices) {
        ObjectNode request = Json.object();
        ObjectNode chosen = request.putObject("choices");
        choices.forEach((line, c) ->
                chosen.putObject(line.toString()).put("type", c.type().value()).put("mode", c.mode()));
        return request;
    }

    @Override
    public Optional<String> hindrance(Proposal<EquipmentList> proposal) {
        return proposal.content().ready().isEmpty()
                ? Optional.of("No row of the list can be added yet; see the reasons below.")
                : Optional.empty();
    }

    @Override
    public String headline(Looked<EquipmentList> looked) {
        int fixtures = looked.content().fixtures();
        int faulty = looked.content().faulty().size();
        return (fixtures == 1 ? "1 fixture is added" : fixtures + " fixtures are added")
                + (faulty == 0
                        ? ""
                        : faulty == 1 ? "; 1 row cannot be added yet" : "; " + faulty + " rows cannot be added yet");
    }

    @Override
    public ObjectNode json(Looked<EquipmentList> looked) {
        return EquipmentListJson.write(
                looked.stored(), files().of(looked.stored().id()), looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        model.addAttribute("stored", stored);
        model.addAttribute("sheet", files().of(stored.id()));
    }

    @Override
    public void show(Looked<EquipmentList> looked, Model model) {
        model.addAttribute("proposal", looked.content());
        model.addAttribute(
                "lines",
                looked.content().lines().stream().map(EquipmentListView::of).toList());
    }
}
