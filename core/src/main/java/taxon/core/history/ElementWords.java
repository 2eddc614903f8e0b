package taxon.core.history;

import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.addressing.text.WishText;
import taxon.core.dmx.Slot;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
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

/** What an element is, in few words. */
final class ElementWords implements ElementCases<String> {
    private final Plan names;

    /** @param names the plan in which types, positions and fixtures are looked up by name */
    ElementWords(Plan names) {
        this.names = names;
    }

    @Override
    public String jobSheet(JobSheet jobSheet) {
        return jobSheet.name();
    }

    @Override
    public String type(RigType type) {
        String menu = type.menu().values().entrySet().stream()
                .map(v -> v.getKey() + " = " + v.getValue())
                .collect(Collectors.joining("; "));
        return type.type().fullName() + (menu.isEmpty() ? "" : ", menu " + menu);
    }

    @Override
    public String position(Position position) {
        return position.name();
    }

    @Override
    public String box(Box box) {
        return NetworkText.box(box);
    }

    @Override
    public String line(Line line) {
        return "Line " + line.name() + ", " + line.stops().size()
                + (line.stops().size() == 1 ? " stop" : " stops");
    }

    @Override
    public String radioLink(RadioLink link) {
        return link.lost().map(l -> "lost after " + l.after()).orElse("to " + NetworkText.port(names, link.to()));
    }

    @Override
    public String universe(Universe universe) {
        return (universe.label() + " " + NetworkText.ways(names, universe)).strip();
    }

    @Override
    public String reservedRun(ReservedRun reservedRun) {
        return new StartAddress(
                        reservedRun.universe(), Slot.of(reservedRun.slots().first())) + " to "
                + reservedRun.slots().last() + " " + reservedRun.label();
    }

    @Override
    public String fixture(Fixture fixture) {
        return typeOf(fixture) + ", " + positionAt(fixture.position()) + " "
                + fixture.unit()
                + Optional.of(addresses(fixture))
                        .filter(a -> !a.isEmpty())
                        .map(a -> ", " + a)
                        .orElse("");
    }

    @Override
    public String evidence(BlockEvidence evidence) {
        return "what is known of the unit";
    }

    @Override
    public String check(UnitCheck check) {
        return check.item().name() + " checked: " + check.seen().words()
                + (check.note().isEmpty() ? "" : ", " + check.note());
    }

    @Override
    public String group(Group group) {
        return group.name();
    }

    @Override
    public String share(Share share) {
        return share.blocks().size() + " blocks that share an address";
    }

    @Override
    public String wish(KeptWish wish) {
        return WishText.sentence(wish.wish());
    }

    /** The full name of its type. */
    String typeOf(Fixture fixture) {
        return names.types()
                .find(fixture.type())
                .map(FixtureType::fullName)
                .orElse(fixture.type().value());
    }

    /** The name of a position. */
    String positionAt(int number) {
        return names.position(number).map(Position::name).orElse("position " + number);
    }

    /** Where its blocks are; empty where none has an address. */
    static String addresses(Fixture fixture) {
        return fixture.addresses().entrySet().stream()
                .map(e -> (fixture.addresses().size() > 1 || e.getKey() > 1 ? "block " + e.getKey() + " " : "")
                        + e.getValue())
                .collect(Collectors.joining(", "));
    }
}
