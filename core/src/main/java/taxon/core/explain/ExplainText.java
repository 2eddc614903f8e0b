package taxon.core.explain;

import java.util.List;
import java.util.Optional;
import taxon.core.fixture.AttributeBook;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Line;
import taxon.core.rig.Plan;

/** Causes as sentences, and what to do about them. */
public final class ExplainText {
    private final Plan plan;
    private final RigCables cables;

    public ExplainText(Plan plan) {
        this.plan = plan;
        cables = new RigCables(plan.lines());
    }

    /** "104 listens at slot 34, one above its planned 33." */
    public String cause(Cause cause) {
        return cause.match(new Sentences());
    }

    /** What to do about it, a sentence. */
    public String remedy(Cause cause) {
        return cause.match(new Remedies());
    }

    /** Of all, in their order. */
    public String causes(List<Cause> causes) {
        return String.join(" And: ", causes.stream().map(this::cause).toList());
    }

    /** Of all, in their order. */
    public String remedies(List<Cause> causes) {
        return String.join(" ", causes.stream().map(this::remedy).toList());
    }

    private String name(FixtureKey key) {
        return plan.fixture(key).map(Fixture::label).orElse("a unit that is not planned");
    }

    private String block(FixtureKey key, int block) {
        return plan.fixture(key)
                .flatMap(plan::mode)
                .filter(m -> m.blocks().size() > 1)
                .map(m -> " " + m.blocks().get(block - 1).name())
                .orElse("");
    }

    private Optional<Line> line(FixtureKey key) {
        return cables.path(key).stream().findFirst();
    }

    private String lineName(int number) {
        return plan.line(number).map(Line::name).orElse("that is not planned");
    }

    private String boxName(int number) {
        return plan.box(number).map(Box::name).orElse("a box that is not planned");
    }

    private final class Sentences implements CauseCases<String> {
        @Override
        public String otherAddress(Cause.OtherAddress c) {
            return name(c.unit()) + block(c.unit(), c.block()) + " listens at slot " + c.slot() + ", "
                    + Math.abs(c.off()) + (c.off() > 0 ? " above" : " below") + " its planned " + c.planned() + ".";
        }

        @Override
        public String sameAddress(Cause.SameAddress c) {
            return name(c.unit()) + " has the address of " + name(c.other()) + ", slot " + c.slot() + ".";
        }

        @Override
        public String otherMode(Cause.OtherMode c) {
            return name(c.unit()) + " is in the mode " + c.mode().name() + ".";
        }

        @Override
        public String swapped(Cause.Swapped c) {
            return name(c.one()) + " and " + name(c.other()) + " have each other's addresses.";
        }

        @Override
        public String blockOff(Cause.BlockOff c) {
            return name(c.unit()) + block(c.unit(), c.block())
                    + " does not listen: is it switched on in the unit's menu?";
        }

        @Override
        public String unitOff(Cause.UnitOff c) {
            return name(c.unit()) + " does nothing: no power, no data, or not there.";
        }

        @Override
        public String lineBroken(Cause.LineBroken c) {
            return line(c.firstSilent())
                    .filter(l -> cables.isFirst(c.firstSilent()))
                    .map(l -> "Nothing comes by the line " + l.name()
                            + ": its port is off or an input, its box is off, or" + " the cable is out before "
                            + name(c.firstSilent()) + ".")
                    .orElseGet(() -> "The line is broken before " + name(c.firstSilent())
                            + ": it and all behind it hear nothing.");
        }

        @Override
        public String otherUniverse(Cause.OtherUniverse c) {
            return "What listens to universe " + c.line() + " is sent universe " + c.carried()
                    + ": a port, or who sends, counts otherwise.";
        }

        @Override
        public String axisReversed(Cause.AxisReversed c) {
            return "The " + AttributeBook.words(c.axis()) + " of " + name(c.unit()) + " goes the other way round.";
        }

        @Override
        public String axesSwapped(Cause.AxesSwapped c) {
            return "Pan and tilt of " + name(c.unit()) + " are exchanged.";
        }

        @Override
        public String otherOrder(Cause.OtherOrder c) {
            return name(c.unit()) + " has its channels in an order that no mode of its type has.";
        }

        @Override
        public String noTerminator(Cause.NoTerminator c) {
            return "The line " + lineName(c.line())
                    + " has no terminator, or is too long: what hangs towards its end is unsteady.";
        }

        @Override
        public String twoSources(Cause.TwoSources c) {
            return "Two send universe " + c.universe() + " against each other: what listens to it is unsteady.";
        }

        @Override
        public String boxOff(Cause.BoxOff c) {
            return boxName(c.box()) + " carries nothing: it is off, or nothing comes to it.";
        }
    }

    private final class Remedies implements CauseCases<String> {
        @Override
        public String otherAddress(Cause.OtherAddress c) {
            return "Set " + name(c.unit()) + block(c.unit(), c.block()) + " to slot " + c.planned() + ".";
        }

        @Override
        public String sameAddress(Cause.SameAddress c) {
            return "Set " + name(c.unit()) + " to its planned slot "
                    + plan.fixture(c.unit())
                            .flatMap(f -> f.address(1))
                            .map(a -> a.slot().toString())
                            .orElse("")
                    + ".";
        }

        @Override
        public String otherMode(Cause.OtherMode c) {
            return "Set the mode of " + name(c.unit()) + " to "
                    + plan.fixture(c.unit()).map(Fixture::mode).orElse("the planned one")
                    + ", or plan it in " + c.mode().name() + ".";
        }

        @Override
        public String swapped(Cause.Swapped c) {
            return "Exchange the addresses of " + name(c.one()) + " and " + name(c.other())
                    + " on the units, or in the plan.";
        }

        @Override
        public String blockOff(Cause.BlockOff c) {
            return "Switch the block on in the menu of " + name(c.unit()) + ".";
        }

        @Override
        public String unitOff(Cause.UnitOff c) {
            return "Look at " + name(c.unit()) + ": power, plug, and whether its display says that data comes.";
        }

        @Override
        public String lineBroken(Cause.LineBroken c) {
            return line(c.firstSilent())
                    .filter(l -> cables.isFirst(c.firstSilent()))
                    .map(l -> "Look whether " + boxName(l.from().box()) + " answers, at its port "
                            + l.from().number() + ", and at the cable into " + name(c.firstSilent()) + ".")
                    .orElseGet(
                            () -> "Look at the cable into " + name(c.firstSilent()) + ", and at the unit before it.");
        }

        @Override
        public String otherUniverse(Cause.OtherUniverse c) {
            return "Set the port of universe " + c.line() + ", or whoever sends it, to the planned number.";
        }

        @Override
        public String axisReversed(Cause.AxisReversed c) {
            return "Reverse " + AttributeBook.words(c.axis()) + " in the menu of " + name(c.unit())
                    + ", or plan it as reversed.";
        }

        @Override
        public String axesSwapped(Cause.AxesSwapped c) {
            return "Exchange pan and tilt in the menu of " + name(c.unit()) + ", or plan them as exchanged.";
        }

        @Override
        public String otherOrder(Cause.OtherOrder c) {
            return "Read the channels of " + name(c.unit())
                    + " against the manual of its software, and give it a type or mode of that order.";
        }

        @Override
        public String noTerminator(Cause.NoTerminator c) {
            return "Put a terminator into the last output of the line " + lineName(c.line())
                    + ", and count its units and its length.";
        }

        @Override
        public String twoSources(Cause.TwoSources c) {
            return "See who sends universe " + c.universe() + " (What is seen), and switch one of them off.";
        }

        @Override
        public String boxOff(Cause.BoxOff c) {
            return "Look at the power and the link of " + boxName(c.box()) + ", and ask it (Boxes).";
        }
    }
}
