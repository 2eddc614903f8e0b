package taxon.app.lines;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.cable.CableRun;
import taxon.core.cable.Shelf;
import taxon.core.dmx.UniverseNumber;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.lines.LineCable;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;

/**
 * A line as it is shown.
 *
 * @param outlet "1/2": box and port
 * @param from "Quay node port 2"
 * @param carries universes, "4"; empty where nothing leaves there
 * @param first "101", what it reaches first; empty where nothing
 * @param length "46.2 m", and what of it is not reckoned
 * @param loads in unit loads, "11"
 * @param terminator "XLR 5-pin"; empty where none is needed
 */
record LineView(
        int number,
        String name,
        String outlet,
        String from,
        String carries,
        int units,
        String first,
        String last,
        String length,
        String loads,
        String terminator,
        List<StopView> stops) {

    /**
     * A stop with the cable that leads to it.
     *
     * @param place from 1
     * @param key of the unit; 0 for a box
     * @param box 0 for a unit
     * @param what "204 Heron 380", or the name of a box
     * @param where "Quay, unit 3"
     * @param cable "XLR 5-pin"
     * @param run "3.2 m"; says so where that is not known
     * @param pieces "5 m"; empty where the way is not known
     * @param adapter "XLR 5-pin to XLR 3-pin"; empty where none is needed
     * @param soFar from the port, "46.2 m"; empty where that is not known
     */
    record StopView(
            int place,
            int key,
            int box,
            String what,
            String where,
            String cable,
            String run,
            String pieces,
            String adapter,
            String soFar) {}

    /** A line without its stops, for a list of many. */
    static LineView brief(Plan plan, LineCable line) {
        return of(plan, line, List.of());
    }

    static LineView of(Plan plan, LineCable line, Shelf shelf) {
        List<StopView> stops = new ArrayList<>();
        for (int i = 0; i < line.legs().size(); i++) {
            stops.add(stop(plan, line, i, shelf));
        }
        return of(plan, line, stops);
    }

    private static LineView of(Plan plan, LineCable line, List<StopView> stops) {
        List<LineStop> reached = line.line().stops();
        return new LineView(
                line.line().number(),
                line.line().name(),
                line.line().from().box() + "/" + line.line().from().number(),
                NetworkText.port(plan, line.line().from()),
                line.carried().stream().map(UniverseNumber::toString).collect(Collectors.joining("+")),
                line.line().units().size(),
                reached.isEmpty() ? "" : what(plan, reached.get(0)),
                reached.isEmpty() ? "" : what(plan, reached.get(reached.size() - 1)),
                metres(line.metres(), plan)
                        + (line.unreckoned() == 0 ? "" : " and " + line.unreckoned() + " not reckoned"),
                line.loadEighths() % 8 == 0
                        ? Integer.toString(line.loadEighths() / 8)
                        : String.format(Locale.ROOT, "%.1f", line.loadEighths() / 8.0),
                line.terminator().orElse(""),
                List.copyOf(stops));
    }

    private static String what(Plan plan, LineStop stop) {
        return stop instanceof LineStop.Unit unit
                ? plan.fixture(unit.fixture())
                        .map(f -> f.label() + " " + plan.type(f).shortName())
                        .orElse("")
                : plan.box(((LineStop.Through) stop).box()).map(Box::name).orElse("");
    }

    private static StopView stop(Plan plan, LineCable line, int place, Shelf shelf) {
        LineCable.Leg leg = line.legs().get(place);
        LengthUnit unit = plan.sheet().view().unit();
        Optional<Fixture> fixture =
                leg.stop() instanceof LineStop.Unit u ? plan.fixture(u.fixture()) : Optional.empty();
        Optional<Box> box = leg.stop() instanceof LineStop.Through t ? plan.box(t.box()) : Optional.empty();
        return new StopView(
                place + 1,
                fixture.map(f -> f.key().number()).orElse(0),
                box.map(Box::number).orElse(0),
                what(plan, leg.stop()),
                fixture.map(f -> plan.position(f).name() + ", unit " + f.unit())
                        .or(() -> box.map(b -> b.kind().words()))
                        .orElse(""),
                leg.from(),
                leg.run().map(r -> run(r, unit)).orElse("not reckoned: a place is not said"),
                leg.needed().map(n -> shelf.words(n, unit)).orElse(""),
                leg.needsAdapter() ? leg.from() + " to " + leg.to() : "",
                line.metresTo(place).map(m -> metres(m, plan)).orElse(""));
    }

    private static String run(CableRun run, LengthUnit unit) {
        return unit.words(run.length().inTenths()) + (run.assumed() ? ", taken to hang evenly" : "");
    }

    /** In the unit of the job, to a tenth of a metre. */
    static String metres(double metres, Plan plan) {
        return plan.sheet().view().unit() == LengthUnit.METRES || Math.abs(metres) >= 1_000
                ? String.format(Locale.ROOT, "%.1f m", metres)
                : plan.sheet().view().unit().words(new Length(Math.round(metres * Length.METRE)));
    }
}
