package taxon.core.history;

import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Box;
import taxon.core.rig.ElementCases;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Line;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.RadioLink;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Share;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;

/** Of what a line tells. */
final class ElementSubject implements ElementCases<String> {
    private final Plan names;
    private final ElementWords words;

    ElementSubject(Plan names, ElementWords words) {
        this.names = names;
        this.words = words;
    }

    @Override
    public String jobSheet(JobSheet jobSheet) {
        return "Job sheet";
    }

    @Override
    public String type(RigType type) {
        return type.type().fullName();
    }

    @Override
    public String position(Position position) {
        return words.position(position);
    }

    @Override
    public String box(Box box) {
        return words.box(box);
    }

    @Override
    public String line(Line line) {
        return words.line(line);
    }

    @Override
    public String radioLink(RadioLink link) {
        return "Link of " + NetworkText.receiver(names, link.receiver());
    }

    @Override
    public String universe(Universe universe) {
        return "Universe " + universe.number();
    }

    @Override
    public String reservedRun(ReservedRun reservedRun) {
        return words.reservedRun(reservedRun);
    }

    @Override
    public String fixture(Fixture fixture) {
        return fixture.label();
    }

    @Override
    public String evidence(BlockEvidence evidence) {
        return names.fixture(evidence.ref().fixture())
                .map(Fixture::label)
                .orElse("no. " + evidence.ref().fixture());
    }

    @Override
    public String check(UnitCheck check) {
        return names.fixture(check.fixture()).map(Fixture::label).orElse("no. " + check.fixture());
    }

    @Override
    public String group(Group group) {
        return words.group(group);
    }

    @Override
    public String share(Share share) {
        return words.share(share);
    }

    @Override
    public String wish(KeptWish wish) {
        return wish.number() == KeptWish.IN_FORCE ? "Wish in force" : "Wish " + wish.name();
    }
}
