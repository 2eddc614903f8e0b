package taxon.core.checklist;

import java.util.Locale;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlannedBlock;
import taxon.core.rig.UnitCheck;

/** Checks as people read them. */
public final class CheckText {
    private CheckText() {}

    /** What it is, in a word or two: "pan", "Shutter add-on", "cell 3". */
    public static String name(Plan plan, Fixture fixture, CheckItem item) {
        return switch (item.kind()) {
            case THERE -> "there";
            case WHEEL -> item.what();
            case BLOCK ->
                plan.blocksOf(fixture).stream()
                        .filter(b -> b.ref().block() == Integer.parseInt(item.what()))
                        .findFirst()
                        .map(PlannedBlock::block)
                        .map(b -> b.name())
                        .orElse("block " + item.what());
            case PART -> item.what();
            default -> item.kind().name().toLowerCase(Locale.ROOT);
        };
    }

    /** What is to be looked at. */
    public static String question(Plan plan, Fixture fixture, CheckItem item) {
        return switch (item.kind()) {
            case THERE ->
                "Does it hang there, unit " + fixture.unit() + " of "
                        + plan.position(fixture).name() + ", and is it a "
                        + plan.type(fixture).fullName() + "?";
            case ADDRESS -> "Does it show, and no other unit?";
            case INTENSITY -> "Does its light come up?";
            case COLOUR -> "Does its colour change?";
            case PAN -> "Does it pan, and the way that it should?";
            case TILT -> "Does it tilt, and the way that it should?";
            case WHEEL -> "Does it change, and move nothing else?";
            case BLOCK -> "Does this block answer too?";
            case PART -> "Does it show, and is it where it should be?";
        };
    }

    /** "204 pan: wrong one moved, 205 (Ann)". */
    public static String line(Plan plan, UnitCheck check) {
        return plan.fixture(check.fixture())
                .map(f -> f.label() + " " + name(plan, f, check.item()) + ": "
                        + check.seen().words()
                        + (check.note().isEmpty() ? "" : ", " + check.note()) + " (" + check.by() + ")")
                .orElse("");
    }
}
