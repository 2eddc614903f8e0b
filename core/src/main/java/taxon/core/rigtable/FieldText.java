package taxon.core.rigtable;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.dmx.StartAddress;
import taxon.core.length.LengthUnit;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.PartSlots;
import taxon.core.rig.Plan;
import taxon.core.rig.RigPart;
import taxon.core.rig.Traits;
import taxon.core.setting.MenuText;

/** How a cell reads. Typing the same text again changes nothing. */
public final class FieldText {
    static final String YES = "yes";
    static final String NONE = "none";

    private FieldText() {}

    /** Of a fixture, or of a part of one; empty where a part has nothing of its own. */
    public static String of(Plan plan, RigPart row, FixtureColumn column) {
        if (row.isWhole()) {
            return of(plan, row.fixture(), column);
        }
        return switch (column) {
            case ID -> row.label();
            case ADDRESS -> starts(plan, row);
            case NAME -> row.name();
            case PARKED -> ParkedText.of(plan, row);
            case GROUPS -> GroupsText.of(plan, row);
            default -> "";
        };
    }

    /** Where the part begins in each block that it has slots in: "2.079", or "2.079 none". */
    private static String starts(Plan plan, RigPart row) {
        List<Optional<StartAddress>> starts =
                row.slots(plan).stream().map(PartSlots::start).toList();
        return starts.stream().allMatch(Optional::isEmpty)
                ? ""
                : starts.stream()
                        .map(s -> s.map(StartAddress::toString).orElse(NONE))
                        .collect(Collectors.joining(" "));
    }

    /** Of a fixture. */
    public static String of(Plan plan, Fixture fixture, FixtureColumn column) {
        Traits traits = fixture.traits();
        LengthUnit unit = plan.sheet().view().unit();
        return switch (column) {
            case ID -> fixture.id().map(FixtureId::toString).orElse("");
            case MODE -> fixture.mode();
            case POSITION -> plan.position(fixture).name();
            case UNIT -> Integer.toString(fixture.unit());
            case OFFSET -> fixture.offset().map(unit::words).orElse("");
            case ADDRESS -> addresses(plan, fixture);
            case NAME -> fixture.name();
            case NOTE -> fixture.note();
            case PURPOSE -> traits.purpose();
            case COLOUR -> traits.colour();
            case LINE -> traits.line();
            case HAZARD -> traits.hazard();
            case PAN_REVERSED -> flag(traits.panReversed());
            case TILT_REVERSED -> flag(traits.tiltReversed());
            case AXES_SWAPPED -> flag(traits.axesSwapped());
            case MIRRORS ->
                traits.mirrors()
                        .flatMap(plan::fixture)
                        .flatMap(Fixture::id)
                        .map(FixtureId::toString)
                        .orElse("");
            case PARKED -> ParkedText.of(plan, RigPart.whole(fixture));
            case MENU -> MenuText.of(traits.menu());
            case GROUPS -> GroupsText.of(plan, RigPart.whole(fixture));
        };
    }

    private static String flag(boolean set) {
        return set ? YES : "";
    }

    /** The address of each block: "2.073", or "2.073 none" where the second has none. */
    private static String addresses(Plan plan, Fixture fixture) {
        if (fixture.addresses().isEmpty()) {
            return "";
        }
        return plan.blocksOf(fixture).stream()
                .map(b -> b.start().map(StartAddress::toString).orElse(NONE))
                .collect(Collectors.joining(" "));
    }
}
