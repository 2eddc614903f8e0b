package taxon.core.paper;

import taxon.core.drawing.RigLayout;
import taxon.core.rig.Plan;

/** Makes papers of a plan. */
public final class Papers {
    private Papers() {}

    /**
     * One paper.
     *
     * @param choice what of the rig; a paper that is not of fixtures heeds only the universe, where it has any
     */
    public static Paper of(Plan plan, PaperKind kind, PaperChoice choice) {
        return switch (kind) {
            case BY_FIXTURE -> new PatchPapers(plan, choice).byFixture();
            case BY_POSITION -> new PatchPapers(plan, choice).byPosition();
            case BY_TYPE -> new PatchPapers(plan, choice).byType();
            case BY_UNIVERSE -> new UniversePapers(plan, choice).byUniverse();
            case SLOTS -> new UniversePapers(plan, choice).slots();
            case SETTINGS -> new SettingPapers(plan, choice).sheet();
            case CARDS -> new SettingPapers(plan, choice).cards();
            case UNIT_LABELS, CABLE_LABELS, BOX_LABELS, CASE_LABELS -> Labels.paper(plan, kind, choice);
            case LINES -> new LinePapers(plan, choice).lines();
            case CABLES -> new LinePapers(plan, choice).cables();
            case BOXES -> new BoxPapers(plan).boxes();
            case PORTS -> new BoxPapers(plan).ports();
            case NETWORK -> new NetworkPaper(plan).paper();
            case RIG_PLAN -> new RigPlanPaper(plan, choice).paper();
            case GROUPS -> RigPapers.groups(plan);
            case COUNTS -> RigPapers.counts(plan, choice);
            case TO_KNOW -> new KnownPapers(plan, choice).toKnow();
            case CHANGES -> ChangeNotice.of(plan, choice);
            case TOUCH_AGAIN -> new KnownPapers(plan, choice).touchAgain();
        };
    }

    /** What of a rig is drawn for a choice. */
    public static RigLayout rigLayout(Plan plan, PaperChoice choice) {
        RigLayout all = RigLayout.of(plan);
        return choice.isAll() ? all : all.only(choice::takes);
    }
}
