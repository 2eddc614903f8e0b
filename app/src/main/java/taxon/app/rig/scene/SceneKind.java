package taxon.app.rig.scene;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.library.TypeLibrary;
import taxon.app.proposals.FileProposalKind;
import taxon.app.proposals.ProposalDesk;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.fixture.TypeSource;
import taxon.core.packing.Effort;
import taxon.core.rig.Plan;
import taxon.core.scene.MergeRequest;
import taxon.core.scene.SceneFixture;
import taxon.core.scene.SceneMerge;
import taxon.core.scene.SceneProposal;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.ParsedGdtf;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrReader;
import taxon.formats.mvr.ParsedMvr;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What merging a scene file would do, for the job and the library as they are. */
@Component
public class SceneKind extends FileProposalKind<SceneProposal, ParsedMvr.Read> {
    public static final String NAME = "scene";

    public SceneKind(TypeLibrary library, ProposalStore proposals) {
        super(new Names(NAME, "scenes", "rig/scene"), library, proposals, file ->
                (ParsedMvr.Read) MvrReader.read(file));
    }

    @Override
    public Optional<SceneProposal> compute(StoredProposal stored, JobState state, Effort effort) {
        ParsedMvr.Read scene = files().of(stored.id());
        return Optional.of(
                SceneMerge.propose(state.plan(), scene.scene(), known(state.plan(), scene), request(stored)));
    }

    /** The types by the names of their files: those of the archive as the library would keep them, else such as are known. */
    private Map<String, FixtureType> known(Plan plan, ParsedMvr.Read scene) {
        Map<String, FixtureType> types = new HashMap<>();
        TypeSource source = library().knownTo(plan);
        scene.scene().fixtures().stream().map(SceneFixture::spec).distinct().forEach(spec -> {
            Optional<FixtureType> read = Optional.ofNullable(scene.types().get(spec))
                    .map(GdtfReader::read)
                    .filter(ParsedGdtf.Read.class::isInstance)
                    .map(r -> library().asImported(((ParsedGdtf.Read) r).type()));
            read.or(() -> named(source, spec)).ifPresent(t -> types.put(spec, t));
        });
        return types;
    }

    /** Files are called "maker@type@remark.gdtf", common practice. */
    private static Optional<FixtureType> named(TypeSource source, String spec) {
        String[] parts = spec.replaceAll("(?i)\\.gdtf$", "").split("@");
        return parts.length < 2
                ? Optional.empty()
                : source.named(parts[0].replace('_', ' '), parts[1].replace('_', ' '));
    }

    static MergeRequest request(StoredProposal stored) {
        JsonNode node = ProposalDesk.request(stored);
        MergeRequest usual = MergeRequest.USUAL;
        return new MergeRequest(
                node.path("changes").asBoolean(usual.changes()),
                node.path("addresses").asBoolean(usual.addresses()),
                node.path("removal").asBoolean(usual.removal()),
                node.path("folders").asBoolean(usual.folders()));
    }

    static ObjectNode request(MergeRequest request) {
        return Json.object()
                .put("changes", request.changes())
                .put("addresses", request.addresses())
                .put("removal", request.removal())
                .put("folders", request.folders());
    }

    /** Keeps the types of the archive in the library with their files, under the names with which the merge was computed. */
    @Override
    public Optional<String> prepare(StoredProposal stored, SceneProposal content) {
        boolean asComputed = true;
        for (Map.Entry<String, byte[]> file : files().of(stored.id()).types().entrySet()) {
            Optional<TypeId> wanted =
                    Optional.ofNullable(content.types().get(file.getKey())).map(FixtureType::id);
            Optional<TypeId> kept =
                    library().importFile(file.getKey(), file.getValue()) instanceof TypeLibrary.Import.Done d
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
        return view(looked).json();
    }

    private SceneView view(Looked<SceneProposal> looked) {
        return SceneView.of(looked.stored(), files().of(looked.stored().id()), looked.content());
    }

    @Override
    public void surround(StoredProposal stored, JobState state, HttpServletRequest request, Model model) {
        model.addAttribute("stored", stored);
        model.addAttribute("request", request(stored));
    }

    @Override
    public void show(Looked<SceneProposal> looked, Model model) {
        model.addAttribute("proposal", view(looked));
    }
}
