package taxon.app.rig.scene;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.library.ModeTarget;
import taxon.app.library.TypeLibrary;
import taxon.app.library.TypeSearch;
import taxon.app.proposals.FileProposalKind;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.app.store.file.FileBytes;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.fixture.TypeSource;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.scene.MergeRequest;
import taxon.core.scene.SceneMerge;
import taxon.core.scene.SceneProposal;
import taxon.core.scene.SceneTypes;
import taxon.core.scene.SpecMode;
import taxon.formats.gdtf.ParsedGdtf;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What merging a scene file would do, for the job and the library as they are. */
@Component
public class SceneKind extends FileProposalKind<SceneProposal, ParsedMvr.Read> {
    public static final String NAME = "scene";

    private static final String CHOICES = "types";

    public SceneKind(TypeLibrary library, ProposalStore proposals) {
        super(new Names(NAME, "scenes", "rig/scene"), library, proposals, file ->
                (ParsedMvr.Read) MvrReader.read(new FileBytes(file)));
    }

    @Override
    public Optional<SceneProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        ParsedMvr.Read scene = files().of(stored.id());
        TypeSource known = library().knownTo(state.plan());
        SceneTypes types = SceneTypes.of(scene.scene(), read(scene), known, chosen(stored, known));
        return Optional.of(SceneMerge.propose(state.plan(), scene.scene(), types, request(stored)));
    }

    TypeSource known(Plan plan) {
        return library().knownTo(plan);
    }

    /** The types of the archive as the library would keep them, by the names of their files. */
    private Map<String, FixtureType> read(ParsedMvr.Read scene) {
        Map<String, FixtureType> types = new HashMap<>();
        scene.types().forEach((spec, file) -> {
            if (file.content() instanceof ParsedGdtf.Read read) {
                types.put(spec, library().asImported(read.type()));
            }
        });
        return types;
    }

    /** What was chosen for fixtures that say the same, as far as it is known still. */
    private static Map<SpecMode, SceneTypes.Choice> chosen(StoredProposal stored, TypeSource known) {
        Map<SpecMode, SceneTypes.Choice> chosen = new HashMap<>();
        ProposalDesk.request(stored)
                .path(CHOICES)
                .forEach(c -> choice(c.path("to").asString(""), known)
                        .ifPresent(m -> chosen.put(
                                new SpecMode(
                                        c.path("spec").asString(""),
                                        c.path("mode").asString("")),
                                m)));
        return chosen;
    }

    /** What {@code heron/24-channel} means; empty where it is not known. */
    static Optional<SceneTypes.Choice> choice(String value, TypeSource known) {
        return ModeTarget.read(value).flatMap(t -> t.in(known)).map(f -> new SceneTypes.Choice(f.type(), f.mode()));
    }

    static MergeRequest request(StoredProposal stored) {
        JsonNode node = ProposalDesk.request(stored);
        MergeRequest usual = MergeRequest.USUAL;
        return new MergeRequest(
                node.path("changes").asBoolean(usual.changes()),
                node.path("addresses").asBoolean(usual.addresses()),
                node.path("removal").asBoolean(usual.removal()),
                node.path("folders").asBoolean(usual.folders()),
                node.path("shares").asBoolean(usual.shares()));
    }

    /** The request with other wishes; what was chosen of types stays. */
    static ObjectNode request(StoredProposal stored, MergeRequest request) {
        return ((ObjectNode) ProposalDesk.request(stored))
                .put("changes", request.changes())
                .put("addresses", request.addresses())
                .put("removal", request.removal())
                .put("folders", request.folders())
                .put("shares", request.shares());
    }

    /** The request with another choice for fixtures that say the same; an empty one takes it back. */
    static ObjectNode request(StoredProposal stored, SpecMode said, String choice) {
        ObjectNode request = (ObjectNode) ProposalDesk.request(stored);
        ArrayNode kept = Json.object().putArray(CHOICES);
        request.path(CHOICES).forEach(c -> {
            if (!c.path("spec").asString("").equals(said.spec())
                    || !c.path("mode").asString("").equals(said.mode())) {
                kept.add(c);
            }
        });
        if (!choice.isEmpty()) {
            kept.addObject().put("spec", said.spec()).put("mode", said.mode()).put("to", choice);
        }
        return request.set(CHOICES, kept);
    }

    /** Keeps the types of the archive in the library with their files, under the names with which the merge was computed. */
    @Override
    public Optional<String> prepare(StoredProposal stored, SceneProposal content) {
        boolean asComputed = true;
        for (Map.Entry<String, ParsedMvr.TypeFile> file :
                files().of(stored.id()).types().entrySet()) {
            Optional<TypeId> wanted =
                    Optional.ofNullable(content.types().get(file.getKey())).map(FixtureType::id);
            Optional<TypeId> kept =
                    library().importFile(file.getKey(), file.getValue().bytes()) instanceof TypeLibrary.Import.Done d
                            ? Optional.of(d.id())
                            : Optional.empty();
            asComputed &= wanted.isEmpty() || kept.isEmpty() || wanted.equals(kept);
        }
        return asComputed
                ? Optional.empty()
                : Optional.of("The library has learnt types meanwhile; look at the scene again.");
    }

    @Override
    public String headline(Looked<SceneProposal> looked) {
        return SceneView.headline(looked.content());
    }

    @Override
    public ObjectNode json(Looked<SceneProposal> looked) {
        ObjectNode body = view(looked, TypeSearch.NONE).json();
        SceneJson.write(looked.content().questions(), body.putArray("questions"));
        SceneJson.write(files().of(looked.stored().id()).scene(), body.putArray("fixtures"));
        return body;
    }

    private SceneView view(Looked<SceneProposal> looked, TypeSearch search) {
        SceneProposal content = looked.content();
        TypeSource known = library().knownTo(content.after());
        return SceneView.of(
                looked.stored(),
                files().of(looked.stored().id()),
                content,
                SceneQuestion.of(content.questions(), known, search));
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        model.addAttribute("stored", stored);
        model.addAttribute("request", request(stored));
        model.addAttribute("search", TypeSearch.of(request, library().index()));
    }

    @Override
    public void show(Looked<SceneProposal> looked, Model model) {
        TypeSearch search = (TypeSearch) Objects.requireNonNull(model.getAttribute("search"));
        model.addAttribute("proposal", view(looked, search));
    }
}
