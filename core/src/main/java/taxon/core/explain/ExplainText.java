package taxon.core.explain;

import java.util.Optional;
import taxon.core.fixture.AttributeBook;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/** Causes as sentences, and what to do about them. */
public final class ExplainText {
    private final Plan plan;

    public ExplainText(Plan plan) {
        this.plan = plan;
    }

    private String name(FixtureKey key) {
        Optional<Fixture> fixture = plan.fixture(key);
        return fixture.map(Fixture::label).orElse("a unit that is not planned");
    }

    /** "104 listens at slot 34, one above its planned 33." */
    public String cause(Cause cause) {
        if (cause instanceof Cause.OtherAddress c) {
            return name(c.unit()) + block(c.unit(), c.block()) + " listens at slot " + c.slot() + ", "
                    + Math.abs(c.off()) + (c.off() > 0 ? " above" : " below") + " its planned " + c.planned() + ".";
        }
        if (cause instanceof Cause.SameAddress c) {
            return name(c.unit()) + " has the address of " + name(c.other()) + ", slot " + c.slot() + ".";
        }
        if (cause instanceof Cause.OtherMode c) {
            return name(c.unit()) + " is in the mode " + c.mode().name() + ".";
        }
        if (cause instanceof Cause.Swapped c) {
            return name(c.one()) + " and " + name(c.other()) + " have each other's addresses.";
        }
        if (cause instanceof Cause.BlockOff c) {
            return name(c.unit()) + block(c.unit(), c.block())
                    + " does not listen: is it switched on in the unit's menu?";
        }
        return rest(cause);
    }

    private String rest(Cause cause) {
        if (cause instanceof Cause.UnitOff c) {
            return name(c.unit()) + " does nothing: no power, no data, or not there.";
        }
        if (cause instanceof Cause.LineBroken c) {
            return "The line is broken before " + name(c.firstSilent()) + ": it and all behind it hear nothing.";
        }
        if (cause instanceof Cause.OtherUniverse c) {
            return "What listens to universe " + c.line() + " is sent universe " + c.carried()
                    + ": a port, or who sends, counts otherwise.";
        }
        Cause.AxisReversed c = (Cause.AxisReversed) cause;
        return AttributeBook.words(c.axis()) + " of " + name(c.unit()) + " goes the other way round.";
    }

    /** What to do about it, a sentence. */
    public String remedy(Cause cause) {
        if (cause instanceof Cause.OtherAddress c) {
            return "Set " + name(c.unit()) + block(c.unit(), c.block()) + " to slot " + c.planned() + ".";
        }
        if (cause instanceof Cause.SameAddress c) {
            return "Set " + name(c.unit()) + " to its planned slot "
                    + plan.fixture(c.unit())
                            .flatMap(f -> f.address(1))
                            .map(a -> a.slot().toString())
                            .orElse("")
                    + ".";
        }
        if (cause instanceof Cause.OtherMode c) {
            return "Set the mode of " + name(c.unit()) + " to "
                    + plan.fixture(c.unit()).map(Fixture::mode).orElse("the planned one")
                    + ", or plan it in " + c.mode().name() + ".";
        }
        if (cause instanceof Cause.Swapped c) {
            return "Exchange the addresses of " + name(c.one()) + " and " + name(c.other())
                    + " on the units, or in the plan.";
        }
        if (cause instanceof Cause.BlockOff c) {
            return "Switch the block on in the menu of " + name(c.unit()) + ".";
        }
        if (cause instanceof Cause.UnitOff c) {
            return "Look at " + name(c.unit()) + ": power, plug, and whether its display says that data comes.";
        }
        if (cause instanceof Cause.LineBroken c) {
            return "Look at the cable into " + name(c.firstSilent()) + ", and at the unit before it.";
        }
        if (cause instanceof Cause.OtherUniverse c) {
            return "Set the port of universe " + c.line() + ", or whoever sends it, to the planned number.";
        }
        Cause.AxisReversed c = (Cause.AxisReversed) cause;
        return "Reverse " + AttributeBook.words(c.axis()) + " in the menu of " + name(c.unit())
                + ", or plan it as reversed.";
    }

    private String block(FixtureKey key, int block) {
        return plan.fixture(key)
                .flatMap(plan::mode)
                .filter(m -> m.blocks().size() > 1)
                .map(m -> " " + m.blocks().get(block - 1).name())
                .orElse("");
    }
}
