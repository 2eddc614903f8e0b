package taxon.core.compare;

import taxon.core.text.Counted;

/** Patterns as sentences, told from our side. */
public final class PatternText {
    private static final int GROUP = 16;

    private PatternText() {}

    /** "Universes are one lower there, in 34 rows: the other side counts from 0." */
    public static String of(Pattern pattern) {
        if (pattern instanceof Pattern.UniversesOff p) {
            return "Universes are " + by(p.by()) + " there, in " + rows(pattern) + why(p.by()) + ".";
        }
        if (pattern instanceof Pattern.UniverseMoved p) {
            return "Universe " + p.ours() + " is universe " + p.theirs() + " there, in " + rows(pattern) + ".";
        }
        if (pattern instanceof Pattern.SlotsOff p) {
            return "Slots are " + by(p.by()) + " there, in " + rows(pattern)
                    + (p.by() == -1 ? ": the other side counts from 0" : "") + ".";
        }
        if (pattern instanceof Pattern.Shifted p) {
            return "From " + p.from() + " on, " + Counted.of(p.explains().size(), "unit") + " of that universe "
                    + (p.explains().size() == 1 ? "stands " : "stand ") + by(p.by()) + " there: "
                    + (p.by() < 0
                            ? "a block of " + -p.by() + " slots is missing before it."
                            : Math.abs(p.by()) + " slots more come before it.");
        }
        return ofUnits(pattern);
    }

    private static String ofUnits(Pattern pattern) {
        if (pattern instanceof Pattern.Swapped p) {
            return name(p.one()) + " and " + name(p.other()) + " have each other's addresses there.";
        }
        if (pattern instanceof Pattern.OtherMode p) {
            return p.type() + " is in the mode " + p.theirs() + " there, in " + p.ours() + " here; that explains "
                    + rows(pattern) + ".";
        }
        if (pattern instanceof Pattern.OtherProfile p) {
            return p.type() + " in " + p.mode() + " takes " + p.ours() + " slots here and " + p.theirs() + " there, in "
                    + rows(pattern) + ": one of the profiles is not that of the units.";
        }
        Pattern.IdsOff p = (Pattern.IdsOff) pattern;
        return "Fixture IDs are " + by(p.by()) + " there, in " + rows(pattern) + ".";
    }

    private static String by(int by) {
        int much = Math.abs(by);
        return (much == 1 ? "one" : String.valueOf(much)) + (by > 0 ? " higher" : " lower");
    }

    private static String why(int by) {
        return switch (by) {
            case -1 -> ": the other side counts from 0";
            case 1 -> ": one side counts from 0 and the other from 1";
            case GROUP, -GROUP -> ": one side counts the Sub-Net otherwise";
            default -> "";
        };
    }

    private static String rows(Pattern pattern) {
        return Counted.of(pattern.explains().size(), "row");
    }

    private static String name(Match match) {
        PatchRow row = match.ours();
        return row.id().isPresent() ? String.valueOf(row.id().getAsInt()) : row.name();
    }
}
