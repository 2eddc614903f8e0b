package taxon.simrig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.explain.Cause;
import taxon.core.explain.Explainer;
import taxon.core.explain.Observation;
import taxon.core.explain.Response;
import taxon.core.explain.Trial;
import taxon.core.explain.Verdict;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.network.Ipv4;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.JobSheet;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Added;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.FixtureEdits;
import taxon.core.seen.ChannelReading;
import taxon.wire.rdm.codec.Uid;

/** Every fault that the units and lines of the simulated rig can have, found by looking at what they do. */
class SimulatedMistakesTest {
    private static final int MOST_TRIALS = 16;
    private static final int UNITS_OF_A_TYPE = 4;
    private static final int LINES = 2;

    private static final List<FixtureType> TYPES = List.of(
            type(
                    "head",
                    "Dimmer Pan Tilt ColorAdd_R ColorAdd_G ColorAdd_B",
                    "Pan Tilt Zoom Dimmer ColorAdd_R ColorAdd_G Focus1"),
            type("wash", "ColorAdd_R ColorAdd_G ColorAdd_B", "Dimmer ColorAdd_R ColorAdd_G ColorAdd_B"),
            FixtureType.of(
                    TypeId.of("framed"),
                    "Test",
                    "framed",
                    "framed",
                    Facts.onALine(),
                    List.of(new Mode(
                            "only",
                            Optional.of(1),
                            List.of(
                                    ChannelScript.block("Main", "Dimmer Pan Tilt Zoom"),
                                    ChannelScript.block("Blades", "Blade1A Blade2A Blade3A"))))));

    private static FixtureType type(String name, String... modes) {
        List<Mode> all = new ArrayList<>();
        for (String words : modes) {
            int number = all.size() + 1;
            all.add(new Mode("mode " + number, Optional.of(number), List.of(ChannelScript.block("Main", words))));
        }
        return FixtureType.of(TypeId.of(name), "Test", name, name, Facts.onALine(), all);
    }

    private static Plan plan() {
        Plan plan = Plan.empty(new JobSheet("Job", "", Optional.empty(), Optional.empty(), ""))
                .with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 5), LINES));
        for (int line = 1; line <= LINES; line++) {
            int before = plan.fixtures().size();
            int slot = 1;
            for (FixtureType type : TYPES) {
                Edit edit = FixtureEdits.add(
                        "add",
                        List.of(Added.of(type, type.modes().get(0), UNITS_OF_A_TYPE, Added.Words.on("Pipe"))
                                .from(Optional.of(StartAddress.of(line, slot)))));
                plan = ((Edit.Changed) edit.applyTo(plan)).plan();
                slot += 100;
            }
            List<LineStop> stops = plan.fixtures().stream()
                    .skip(before)
                    .map(f -> (LineStop) new LineStop.Unit(f.key()))
                    .toList();
            plan = plan.with(new Line(line, "Line " + line, new PortRef(1, line), stops));
        }
        return plan;
    }

    /** Units on two lines, as a box with two ports would drive them; universe 1 goes to line 1 and 2 to line 2. */
    private static final class Stage {
        private final Plan plan = plan();
        private final Map<FixtureKey, SimUnit> units = new HashMap<>();
        private final Map<Integer, Integer> carried = new HashMap<>(Map.of(1, 1, 2, 2));
        private final List<SimFault> cables = new ArrayList<>();

        Stage() {
            for (Fixture fixture : plan.fixtures()) {
                List<SimPersonality> modes = plan.type(fixture).modes().stream()
                        .map(SimPersonality::of)
                        .toList();
                List<Integer> starts = fixture.addresses().values().stream()
                        .map(a -> a.slot().number())
                        .toList();
                SimUnit unit = new SimUnit(
                                new Uid(0x7FF0, fixture.key().number()), "Test", "unit", "", modes, 1, starts, false)
                        .hanging(String.valueOf(fixture.key().number()));
                boolean moves = plan.mode(fixture).orElseThrow().blocks().get(0).channels().stream()
                        .anyMatch(c -> c.attribute().equals(Attribute.of("Pan")));
                units.put(fixture.key(), moves ? unit.moving(false, false, false) : unit);
            }
        }

        List<SimUnit> line(int number) {
            return plan.line(number).orElseThrow().units().stream()
                    .map(units::get)
                    .toList();
        }

        Observation look(Trial trial) {
            Set<Response> seen = new HashSet<>();
            for (int line = 1; line <= LINES; line++) {
                List<Integer> levels = new ArrayList<>(Collections.nCopies(512, 0));
                if (carried.get(line) == trial.universe().number()) {
                    for (int slot = trial.slots().first(); slot <= trial.slots().last(); slot++) {
                        levels.set(slot - 1, 255);
                    }
                }
                SimCable cable = SimCable.of(line, line(line), cables);
                List<SimShown> raised = cable.shown(levels);
                List<SimShown> dark = cable.shown(List.of());
                for (int i = 0; i < raised.size(); i++) {
                    seen.addAll(answers(raised.get(i), dark.get(i), trial));
                }
            }
            return new Observation(trial, seen);
        }

        private static Set<Response> answers(SimShown raised, SimShown dark, Trial trial) {
            FixtureKey unit = FixtureKey.of(Integer.parseInt(raised.hangs()));
            Set<Response> seen = new HashSet<>();
            for (int i = 0; i < raised.readings().size(); i++) {
                ChannelReading now = raised.readings().get(i);
                if (now.value() != dark.readings().get(i).value()) {
                    seen.add(answer(unit, now.channel().attribute(), raised));
                }
            }
            if (!seen.isEmpty() && raised.unsteady()) {
                return Set.of(Response.unsteady(unit));
            }
            return seen.isEmpty() || trial.isOfOneSlot() ? seen : Set.of(Response.of(unit));
        }

        private static Response answer(FixtureKey unit, Attribute moved, SimShown shown) {
            boolean turned = moved.equals(Attribute.of("Pan")) && shown.panTurned()
                    || moved.equals(Attribute.of("Tilt")) && shown.tiltTurned();
            return new Response(unit, Optional.of(moved), turned ? Response.Manner.OTHER_WAY : Response.Manner.AS_TOLD);
        }
    }

    private interface Hiding {
        /** What is to be found; empty where the unit cannot have it. */
        Optional<Predicate<Cause>> hide(Stage stage, Fixture fixture, SimUnit unit, Random random);
    }

    private static Optional<Predicate<Cause>> give(SimUnit unit, UnitFault fault, Predicate<Cause> found) {
        unit.suffer(List.of(fault));
        return Optional.of(found);
    }

    private static Optional<Predicate<Cause>> moved(SimUnit unit, Fixture fixture, int block, int slot) {
        Predicate<Cause> found = c -> c instanceof Cause.OtherAddress a
                        && a.unit().equals(fixture.key())
                        && a.block() == block
                        && a.slot() == slot
                || c instanceof Cause.SameAddress s && s.unit().equals(fixture.key()) && s.slot() == slot;
        return give(unit, new UnitFault.OtherAddress(block - 1, slot), found);
    }

    private static Optional<Predicate<Cause>> cable(Stage stage, SimFault fault, Predicate<Cause> found) {
        stage.cables.add(fault);
        return Optional.of(found);
    }

    private static int line(Fixture fixture) {
        return fixture.address(1).orElseThrow().universe().number();
    }

    private static final Map<String, Hiding> FAULTS = faults();

    private static Map<String, Hiding> faults() {
        Map<String, Hiding> all = new java.util.LinkedHashMap<>();
        all.put("address off by one", (s, f, u, r) -> moved(u, f, 1, u.startAddress(0) + 1));
        all.put("any other address", (s, f, u, r) -> moved(u, f, 1, 320 + r.nextInt(180)));
        all.put(
                "add-on at another address",
                (s, f, u, r) -> u.blocks() > 1 ? moved(u, f, 2, 320 + r.nextInt(180)) : Optional.empty());
        all.put(
                "other mode",
                (s, f, u, r) -> u.modes() < 2
                        ? Optional.empty()
                        : give(
                                u,
                                new UnitFault.OtherMode(2),
                                c -> c instanceof Cause.OtherMode m && m.unit().equals(f.key())));
        all.put("pan turned", (s, f, u, r) -> turned(u, f, true));
        all.put("tilt turned", (s, f, u, r) -> turned(u, f, false));
        all.put(
                "axes exchanged",
                (s, f, u, r) -> !u.isMoving()
                        ? Optional.empty()
                        : give(
                                u,
                                new UnitFault.AxesSwapped(),
                                c -> c instanceof Cause.AxesSwapped a
                                        && a.unit().equals(f.key())));
        all.put(
                "other order",
                (s, f, u, r) -> give(
                        u,
                        new UnitFault.OtherOrder(1 + r.nextInt(2)),
                        c -> c instanceof Cause.OtherOrder o && o.unit().equals(f.key())));
        all.put(
                "add-on off",
                (s, f, u, r) -> u.blocks() < 2
                        ? Optional.empty()
                        : give(
                                u,
                                new UnitFault.AddOnOff(),
                                c -> c instanceof Cause.BlockOff b && b.unit().equals(f.key())));
        all.put(
                "dead",
                (s, f, u, r) -> give(
                        u,
                        new UnitFault.Dead(),
                        c -> c instanceof Cause.UnitOff o && o.unit().equals(f.key())));
        all.put("line broken", (s, f, u, r) -> {
            int behind = 1 + r.nextInt(s.line(line(f)).size() - 3);
            FixtureKey first = s.plan.line(line(f)).orElseThrow().units().get(behind);
            return cable(
                    s,
                    new SimFault.LineBroken(line(f), behind),
                    c -> c instanceof Cause.LineBroken l && l.firstSilent().equals(first));
        });
        all.put(
                "no terminator",
                (s, f, u, r) -> cable(
                        s,
                        new SimFault.Unterminated(line(f)),
                        c -> c instanceof Cause.NoTerminator n && n.line() == line(f)));
        all.put("port on another number", (s, f, u, r) -> {
            int other = line(f) + List.of(1, 16).get(r.nextInt(2));
            s.carried.put(line(f), other);
            return Optional.of(c -> c instanceof Cause.OtherUniverse o
                    && o.line().number() == line(f)
                    && o.carried().number() == other);
        });
        all.put("port off, an input, or unheard", (s, f, u, r) -> {
            s.carried.put(line(f), 0);
            FixtureKey first = s.plan.line(line(f)).orElseThrow().units().get(0);
            return Optional.of(
                    c -> c instanceof Cause.LineBroken l && l.firstSilent().equals(first));
        });
        all.put("box off", (s, f, u, r) -> {
            s.carried.replaceAll((line, was) -> 0);
            return Optional.of(c -> c instanceof Cause.BoxOff);
        });
        return all;
    }

    private static Optional<Predicate<Cause>> turned(SimUnit unit, Fixture fixture, boolean pan) {
        return unit.isMoving()
                ? give(
                        unit,
                        new UnitFault.Turned(pan),
                        c -> c instanceof Cause.AxisReversed a
                                && a.unit().equals(fixture.key())
                                && a.axis().equals(Attribute.of(pan ? "Pan" : "Tilt")))
                : Optional.empty();
    }

    /** The first planned slot, of those in a random order, at which the rig does otherwise. */
    private static Optional<Observation> noticed(Stage stage, Explainer explainer, Random random) {
        List<Trial> trials = new ArrayList<>();
        for (var block : stage.plan.blocks()) {
            StartAddress start = block.start().orElseThrow();
            block.block()
                    .slotUses()
                    .forEach(u ->
                            trials.add(Trial.of(start.universe(), start.slot().number() + u.offset() - 1)));
        }
        Collections.shuffle(trials, random);
        return trials.stream()
                .map(stage::look)
                .filter(o -> !explainer.isAsPlanned(o))
                .findFirst();
    }

    private record Outcome(int place, int trials) {}

    private static Optional<Outcome> play(Hiding fault, Random random) {
        Stage stage = new Stage();
        List<Fixture> fixtures = stage.plan.fixtures();
        Fixture one = fixtures.get(random.nextInt(fixtures.size()));
        Optional<Predicate<Cause>> hidden = fault.hide(stage, one, stage.units.get(one.key()), random);
        Explainer explainer = new Explainer(stage.plan);
        Optional<Observation> first = hidden.flatMap(h -> noticed(stage, explainer, random));
        if (first.isEmpty()) {
            return Optional.empty();
        }
        List<Observation> seen = new ArrayList<>(List.of(first.get()));
        Optional<Trial> next = explainer.next(seen);
        while (next.isPresent() && seen.size() < MOST_TRIALS) {
            seen.add(stage.look(next.get()));
            next = explainer.next(seen);
        }
        List<Verdict> verdicts = explainer.explain(seen);
        int place = 0;
        while (place < verdicts.size()
                && !hidden.get().test(verdicts.get(place).causes().get(0))) {
            place++;
        }
        return Optional.of(new Outcome(place, seen.size() - 1));
    }

    /** The true cause is first in at least 95 % and among the first three in 99 %. */
    @Test
    void everyFaultOfTheSimulatedRigIsFoundByTheTrialsThatAreProposed() {
        int rounds = Integer.getInteger("taxon.explain.rounds", 1);
        int all = 0;
        int first = 0;
        int three = 0;
        List<String> figures = new ArrayList<>();
        for (Map.Entry<String, Hiding> fault : FAULTS.entrySet()) {
            int played = 0;
            int found = 0;
            int trials = 0;
            for (long seed = 1; played < rounds && seed < rounds * 40L; seed++) {
                Optional<Outcome> outcome = play(
                        fault.getValue(), new Random(seed * 31 + fault.getKey().hashCode()));
                if (outcome.isPresent()) {
                    played++;
                    found += outcome.get().place() == 0 ? 1 : 0;
                    three += outcome.get().place() < 3 ? 1 : 0;
                    trials += outcome.get().trials();
                }
            }
            all += played;
            first += found;
            assertThat(played).as(fault.getKey()).isEqualTo(rounds);
            figures.add(String.format(
                    Locale.ROOT,
                    "explain %-32s %d played, first %d, %.1f trials",
                    fault.getKey(),
                    played,
                    found,
                    (double) trials / played));
        }
        figures.forEach(System.out::println);
        System.out.printf(
                Locale.ROOT,
                "explain the simulated rig: %d, first %.1f %%, in three %.1f %%%n",
                all,
                100.0 * first / all,
                100.0 * three / all);
        assertThat((double) first / all).as(figures.toString()).isGreaterThanOrEqualTo(0.95);
        assertThat((double) three / all).as(figures.toString()).isGreaterThanOrEqualTo(0.99);
    }
}
