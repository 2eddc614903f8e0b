package taxon.app.rig.numbering;

import java.util.List;
import java.util.Optional;
import taxon.core.numbering.NumberingProposal;
import taxon.core.rig.FixtureId;
import taxon.core.rig.Plan;

/** Numbers as the page shows them, before they are given. */
public record NumberingView(List<FamilyLine> families, List<ChangeLine> changes) {

    /**
     * @param run "201 to 208"
     * @param room "room to 300"
     */
    public record FamilyLine(String key, String name, int members, int first, String run, String room, int kept) {}

    public record ChangeLine(String type, String place, String before, String after, String unit) {}

    public static NumberingView of(Plan plan, NumberingProposal proposal) {
        return new NumberingView(
                proposal.families().stream()
                        .map(r -> new FamilyLine(
                                r.family().key(),
                                r.family().name(),
                                r.family().members().size(),
                                r.first(),
                                r.first() + " to " + r.last(),
                                r.limit() >= FixtureId.LAST ? "" : "room to " + r.limit(),
                                r.kept()))
                        .toList(),
                proposal.changes().stream()
                        .map(c -> new ChangeLine(
                                plan.type(c.fixture()).name(),
                                plan.position(c.fixture()).name() + ", unit "
                                        + c.fixture().unit(),
                                words(c.fixture().id()),
                                words(c.after()),
                                c.unitAfter() == c.fixture().unit()
                                        ? ""
                                        : "unit " + c.fixture().unit() + " becomes " + c.unitAfter()))
                        .toList());
    }

    private static String words(Optional<FixtureId> id) {
        return id.map(FixtureId::toString).orElse("none");
    }

    static String headline(NumberingProposal proposal) {
        int changes = (int) proposal.changes().stream()
                .filter(c -> !c.fixture().id().equals(c.after()))
                .count();
        String numbers =
                changes == 0 ? "no number changes" : changes == 1 ? "1 number changes" : changes + " numbers change";
        return numbers + ", " + proposal.kept() + (proposal.kept() == 1 ? " stays" : " stay");
    }
}
