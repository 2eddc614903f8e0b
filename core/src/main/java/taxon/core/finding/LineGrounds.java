package taxon.core.finding;

import java.util.List;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.Line;

/** What rules about lines saw. */
public sealed interface LineGrounds {

    /** What is wrong with one line. */
    sealed interface OfOneLine extends LineGrounds {
        Line line();
    }

    /**
     * More on a line than it bears.
     *
     * @param eighths of a unit load
     * @param most units by the job's rules
     */
    record Loaded(Line line, int units, int eighths, int most) implements OfOneLine {}

    /** @param metres as far as they can be reckoned, above {@code longest} */
    record TooLong(Line line, double metres, Length longest) implements OfOneLine {}

    /** @param fixture which passes nothing on, and is not the last */
    record PassesNothing(Line line, Fixture fixture) implements OfOneLine {}

    /** @param fixtures that have no address on what the line carries */
    record CarriesOther(Line line, List<UniverseNumber> carried, List<Fixture> fixtures) implements OfOneLine {}

    /** A line out of a port by which nothing leaves, or that is no output. */
    record CarriesNothing(Line line, Box box) implements OfOneLine {}

    /** @param fixtures on the universe that no line of it reaches */
    record OffLine(UniverseNumber universe, List<Fixture> fixtures) implements LineGrounds {}

    /** @param lines two or more that bring one universe to one unit */
    record OnTwoLines(Fixture fixture, UniverseNumber universe, List<Line> lines) implements LineGrounds {}

    /** Units on a cable that levels do not come to by cable. */
    record HearsNoCable(Line line, List<Fixture> fixtures) implements OfOneLine {}

    /** @param fixtures that answer RDM, behind something that does not let it through */
    record RdmStopped(Line line, List<Fixture> fixtures) implements OfOneLine {}

    /** @param adapters in words, each once */
    record SocketsDiffer(Line line, int count, List<String> adapters) implements OfOneLine {}
}
