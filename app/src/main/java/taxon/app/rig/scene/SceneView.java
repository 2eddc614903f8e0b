package taxon.app.rig.scene;

import java.util.ArrayList;
import java.util.List;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.dmx.StartAddress;
import taxon.core.grouping.IdRuns;
import taxon.core.history.ChangeLine;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.scene.SceneProposal;
import taxon.formats.json.Json;
import taxon.formats.mvr.MvrNote;
import taxon.formats.mvr.ParsedMvr;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A scene on its way in, as its page shows it.
 *
 * @param fresh the first new fixtures, {@code moreFresh} how many further ones there are
 * @param changes the first changes, {@code moreChanges} how many further ones there are
 * @param questions the first of what is not known of types and modes, {@code moreQuestions} how many further ones there are
 * @param remarks what to know before merging
 * @param notes the first of what was odd in the file
 */
public record SceneView(
        int id,
        List<Fresh> fresh,
        int moreFresh,
        List<ChangeLine> changes,
        int moreChanges,
        String gone,
        List<SceneQuestion> questions,
        int moreQuestions,
        List<String> remarks,
        List<String> notes,
        int moreNotes,
        int added,
        int changed,
        int goneCount) {
    private static final int SHOWN = 60;
    private static final int TOLD = 20;

    public record Fresh(String id, String type, String mode, String position, int unit, String offset, String address) {
        static Fresh of(Plan plan, Fixture f) {
            return new Fresh(
                    f.label(),
                    plan.type(f).fullName(),
                    f.mode(),
                    plan.position(f).name(),
                    f.unit(),
                    f.offset().map(plan.sheet().view().unit()::words).orElse(""),
                    f.address(1).map(StartAddress::toString).orElse("none"));
        }
    }

    public static SceneView of(
            StoredProposal stored, ParsedMvr.Read read, SceneProposal proposal, List<SceneQuestion> questions) {
        return new SceneView(
                stored.id(),
                proposal.added().stream()
                        .limit(SHOWN)
                        .map(f -> Fresh.of(proposal.after(), f))
                        .toList(),
                Math.max(0, proposal.added().size() - SHOWN),
                proposal.changes().stream().limit(SHOWN).toList(),
                Math.max(0, proposal.changes().size() - SHOWN),
                IdRuns.words(proposal.gone()),
                questions,
                proposal.questions().size() - questions.size(),
                remarks(proposal),
                read.notes().stream().limit(TOLD).map(MvrNote::sentence).toList(),
                Math.max(0, read.notes().size() - TOLD),
                proposal.added().size(),
                proposal.changed(),
                proposal.gone().size());
    }

    /** "90 new, 3 changed, 12 the same, 1 gone". */
    static String headline(SceneProposal proposal) {
        return proposal.added().size() + " new, " + proposal.changed() + " changed, " + proposal.same() + " the same, "
                + proposal.gone().size() + " gone";
    }

    private static List<String> remarks(SceneProposal proposal) {
        List<String> remarks = new ArrayList<>();
        say(remarks, proposal.doubles(), "Taken as doubled on purpose, since they have one address in the scene: ");
        say(remarks, proposal.byId(), "Taken to be the same as fixtures of the job, since they have the same ID: ");
        say(
                remarks,
                proposal.beside(),
                "More than half a metre off the line of their position, whose own place is then shown: ");
        say(remarks, proposal.locked(), "Locked, so they keep their addresses, whatever the scene says: ");
        return remarks;
    }

    private static void say(List<String> remarks, List<String> labels, String words) {
        if (!labels.isEmpty()) {
            boolean many = labels.size() > TOLD;
            remarks.add(words
                    + String.join(", ", labels.subList(0, Math.min(TOLD, labels.size())))
                    + (many ? " and " + (labels.size() - TOLD) + " more." : "."));
        }
    }

    public ObjectNode json() {
        ObjectNode body = Json.object()
                .put("scene", id)
                .put("new", added)
                .put("changed", changed)
                .put("gone", goneCount);
        ArrayNode told = body.putArray("remarks");
        remarks.forEach(told::add);
        ArrayNode odd = body.putArray("notes");
        notes.forEach(odd::add);
        ArrayNode lines = body.putArray("changes");
        changes.forEach(c -> lines.addObject()
                .put("who", c.who())
                .put("what", c.what())
                .put("before", c.before())
                .put("after", c.after()));
        return body;
    }
}
