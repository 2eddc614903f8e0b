package taxon.core.finding;

import java.util.List;
import java.util.Locale;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;
import taxon.core.text.Counted;
import taxon.core.text.Listed;

/** The sentences of findings about lines. */
final class LineFindingText {
    private static final int EIGHTHS = 8;

    private LineFindingText() {}

    static String sentence(LineGrounds grounds) {
        if (grounds instanceof LineGrounds.Loaded l) {
            return "Line " + l.line().name() + " has " + Counted.of(l.units(), "unit") + " and " + loads(l.eighths())
                    + "; it takes " + l.most() + " by the job's rules, and 32 unit loads.";
        }
        if (grounds instanceof LineGrounds.TooLong l) {
            return "Line " + l.line().name() + " is " + metres(l.metres()) + " long with its slack; it may be "
                    + l.longest() + ".";
        }
        if (grounds instanceof LineGrounds.PassesNothing p) {
            return p.fixture().label() + " passes nothing on: line " + p.line().name()
                    + " ends there, and what comes after it stays dark.";
        }
        if (grounds instanceof LineGrounds.CarriesOther c) {
            return "Line " + c.line().name() + " carries universe "
                    + Listed.of(c.carried()) + ", on which " + units(c.fixtures())
                    + (c.fixtures().size() == 1 ? " has" : " have") + " no address.";
        }
        if (grounds instanceof LineGrounds.CarriesNothing c) {
            return "Line " + c.line().name() + " begins at " + c.box().name() + " port "
                    + c.line().from().number() + ", by which no universe leaves.";
        }
        if (grounds instanceof LineGrounds.OffLine o) {
            return "Universe " + o.universe() + ": no line reaches " + units(o.fixtures()) + ".";
        }
        if (grounds instanceof LineGrounds.OnTwoLines t) {
            return t.fixture().label() + " gets universe " + t.universe() + " by lines "
                    + Listed.of(t.lines().stream().map(Line::name).toList()) + ": one of them is too many.";
        }
        if (grounds instanceof LineGrounds.HearsNoCable h) {
            return units(h.fixtures()) + (h.fixtures().size() == 1 ? " hears" : " hear") + " no cable, and line "
                    + h.line().name() + " leads there.";
        }
        if (grounds instanceof LineGrounds.RdmStopped r) {
            return "RDM does not come through to line " + r.line().name() + ": " + units(r.fixtures())
                    + " cannot be read there.";
        }
        LineGrounds.SocketsDiffer s = (LineGrounds.SocketsDiffer) grounds;
        return "Line " + s.line().name() + " needs " + Counted.of(s.count(), "adapter") + ": " + Listed.of(s.adapters())
                + ".";
    }

    private static String loads(int eighths) {
        return (eighths % EIGHTHS == 0
                        ? Integer.toString(eighths / EIGHTHS)
                        : String.format(Locale.ROOT, "%.1f", eighths / (double) EIGHTHS))
                + (eighths == EIGHTHS ? " unit load" : " unit loads");
    }

    private static String units(List<Fixture> fixtures) {
        return Listed.of(fixtures.stream().map(Fixture::label).toList());
    }

    private static String metres(double metres) {
        return String.format(Locale.ROOT, "%.1f m", metres);
    }
}
