package taxon.core.modes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.search.limits.FailCounter;
import org.chocosolver.solver.variables.IntVar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.modes.Advice.Option;
import taxon.core.modes.Advice.Outcome;
import taxon.core.modes.Advice.TypeAdvice;
import taxon.core.modes.AdviceRequest.Aim;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Fixture;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.ReservedRun;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class ModeAdvisorTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final FixtureType HERON =
            DemoTypes.book().named("", "Heron 380").orElseThrow();

    @Test
    void withoutNeedsTheShortestModeOfEachTypeIsChosen() {
        Advice advice = advise(rig(), Set.of(), 2, Aim.FEWEST_SLOTS);
        assertThat(advice.outcome()).isEqualTo(Outcome.FITS_CHEAPEST);
        assertThat(modes(advice)).containsExactly("18-channel", "12-channel");
        assertThat(advice.slots()).isEqualTo(4 * 18 + 10 * 12);
        assertThat(advice.room()).isEqualTo(1024);
    }

    @Test
    void aNeedForFineMovementTakesTheShortestModeThatHasIt() {
        Advice advice = advise(rig(), Set.of(need(TERN, "Pan", true)), 2, Aim.FEWEST_SLOTS);
        assertThat(modes(advice)).containsExactly("18-channel", "16-channel");
        assertThat(option(advice, TERN, 0).lacks()).containsExactly(need(TERN, "Pan", true));
        assertThat(advice.needCosts())
                .extracting(c -> c.attribute() + " " + c.savedSlots())
                .containsExactly("Pan 40");
    }

    @Test
    void aModeWhoseColourTheConsoleCannotMixIsNotPossible() {
        Console rgbOnly = new Console(EnumSet.of(ColourWay.RGB), true);
        Advice advice = ModeAdvisor.advise(rig(), new AdviceRequest(rgbOnly, Set.of(), 2, Aim.FEWEST_SLOTS));
        assertThat(advice.outcome()).isEqualTo(Outcome.NEEDS_UNMET);
        assertThat(option(advice, TERN, 0).undriven()).contains(ColourWay.EMITTERS);
        assertThat(option(advice, HERON, 0).isPossible()).isTrue();
    }

    @Test
    void aConsoleWithoutSixteenBitLeavesFineSlotsIdle() {
        Console coarse = new Console(EnumSet.allOf(ColourWay.class), false);
        Advice advice = ModeAdvisor.advise(rig(), new AdviceRequest(coarse, Set.of(), 2, Aim.FEWEST_SLOTS));
        assertThat(option(advice, TERN, 0).idleFine()).isZero();
        assertThat(option(advice, TERN, 1).idleFine()).isEqualTo(3);
    }

    @Test
    void whenTheLeastIsToBeTouchedModesStayAsLongAsTheyFit() {
        Plan plan = rig();
        Plan longer = plan.with(plan.fixtures().stream()
                .map(f -> f.withMode(f.type().equals(TERN.id()) ? "16-channel" : f.mode())
                        .withAddress(1, Optional.of(StartAddress.of(1, 1))))
                .toList());
        Advice stays = advise(longer, Set.of(), 1, Aim.LEAST_TOUCHED);
        assertThat(modes(stays)).containsExactly("18-channel", "16-channel");
        assertThat(stays.types()).allMatch(t -> t.chosen().orElseThrow().price() == 0);
    }

    @Test
    void aUnitThatWasSetCostsTenAndOneOnPaperCostsOne() {
        Plan plan = rig();
        Fixture tern = plan.fixtures().stream()
                .filter(f -> f.type().equals(TERN.id()))
                .findFirst()
                .orElseThrow();
        Plan placed = Rigs.place(plan, tern.key().number(), 1, StartAddress.of(1, 1));
        placed = Rigs.place(placed, tern.key().number() + 1, 1, StartAddress.of(1, 101));
        Mark mark = new Mark(StartAddress.of(1, 1), "12-channel", Instant.EPOCH, "crew");
        placed = placed.with(
                BlockEvidence.none(placed.blocksOf(placed.fixture(tern.key()).orElseThrow())
                                .get(0)
                                .ref())
                        .withSet(mark));
        Option option = option(advise(placed, Set.of(), 2, Aim.FEWEST_SLOTS), TERN, 1);
        assertThat(option.price()).isEqualTo(11);
        assertThat(option.touched()).isEqualTo(1);
    }

    @Test
    void whatIsTooLongSaysWhichNeedWouldOpenIt() {
        Plan plan = Rigs.add(Rigs.empty(), TERN, 40, 1);
        Advice advice = advise(plan, Set.of(need(TERN, "PositionMSpeed", false)), 1, Aim.FEWEST_SLOTS);
        assertThat(advice.outcome()).isEqualTo(Outcome.TOO_LONG);
        assertThat(advice.needCosts().get(0).savedSlots()).isEqualTo(160);
        assertThat(advice.needCosts().get(0).opens()).isTrue();
    }

    @Test
    void aNeedThatNoModeMeetsIsNamed() {
        Advice advice = advise(rig(), Set.of(need(TERN, "Iris", false)), 2, Aim.LEAST_TOUCHED);
        assertThat(advice.outcome()).isEqualTo(Outcome.NEEDS_UNMET);
        assertThat(advice.needCosts()).allMatch(c -> c.opens() && c.attribute().equals(Attribute.of("Iris")));
    }

    /** 41 × 12 are 492 slots. A reserved run of ten in the middle leaves twice 251, which hold 20 each. */
    @Test
    void aReservedRunCutsAUniverseAndNothingCrossesIt() {
        Plan plan = Rigs.add(Rigs.empty(), TERN, 41, 1);
        assertThat(advise(plan, Set.of(), 1, Aim.FEWEST_SLOTS).outcome()).isEqualTo(Outcome.FITS_CHEAPEST);
        Plan cut = plan.with(new ReservedRun(1, UniverseNumber.of(1), new SlotRange(252, 261), "x"));
        Advice advice = advise(cut, Set.of(), 1, Aim.FEWEST_SLOTS);
        assertThat(advice.slots()).isLessThanOrEqualTo(advice.room());
        assertThat(advice.outcome()).isEqualTo(Outcome.NEVER_PACKED);
    }

    /** Against an exact solver: what is proved is never dearer than the solver's best, and what fits never cheaper. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void noChoiceIsBetterThanWhatIsProved(int round) {
        int proved = 0;
        for (long seed = round * 25L; seed < round * 25L + 25; seed++) {
            Random random = new Random(seed);
            Plan plan = randomRig(random);
            int universes = 1 + random.nextInt(2);
            Advice advice = advise(plan, Set.of(), universes, Aim.LEAST_TOUCHED);
            Optional<Integer> best = solved(advice, universes);
            if (advice.outcome() == Outcome.FITS_CHEAPEST) {
                assertThat(price(advice)).as("seed " + seed).isEqualTo(best.orElseThrow());
                proved++;
            } else if (advice.outcome() == Outcome.FITS) {
                assertThat(price(advice)).as("seed " + seed).isGreaterThanOrEqualTo(best.orElseThrow());
            } else if (advice.outcome() == Outcome.TOO_LONG) {
                assertThat(best).as("seed " + seed).isEmpty();
            }
        }
        assertThat(proved).isGreaterThan(10);
    }

    private static int price(Advice advice) {
        return advice.types().stream()
                .mapToInt(t -> t.chosen().orElseThrow().price())
                .sum();
    }

    /** The least price by Choco: a mode for each type, a universe for each fixture, no universe above 512. */
    private static Optional<Integer> solved(Advice advice, int universes) {
        Model model = new Model();
        List<IntVar> prices = new ArrayList<>();
        List<IntVar> sizes = new ArrayList<>();
        for (TypeAdvice type : advice.types()) {
            List<Option> options = type.options();
            IntVar pick = model.intVar(0, options.size() - 1);
            IntVar size = model.intVar(1, 512);
            IntVar price = model.intVar(0, 10_000);
            model.element(
                            size,
                            options.stream().mapToInt(o -> o.mode().footprint()).toArray(),
                            pick)
                    .post();
            model.element(price, options.stream().mapToInt(Option::price).toArray(), pick)
                    .post();
            prices.add(price);
            for (int i = 0; i < type.fixtures(); i++) {
                sizes.add(size);
            }
        }
        List<IntVar[]> loads = new ArrayList<>();
        for (IntVar size : sizes) {
            IntVar[] perUniverse = model.intVarArray(universes, 0, 512);
            IntVar where = model.intVar(0, universes - 1);
            for (int u = 0; u < universes; u++) {
                model.ifThenElse(
                        model.arithm(where, "=", u),
                        model.arithm(perUniverse[u], "=", size),
                        model.arithm(perUniverse[u], "=", 0));
            }
            loads.add(perUniverse);
        }
        for (int u = 0; u < universes; u++) {
            int universe = u;
            model.sum(loads.stream().map(l -> l[universe]).toArray(IntVar[]::new), "<=", 512)
                    .post();
        }
        IntVar total = model.intVar(0, 100_000);
        model.sum(prices.toArray(IntVar[]::new), "=", total).post();
        var solver = model.getSolver();
        FailCounter limit = new FailCounter(model, 200_000);
        var solution = solver.findOptimalSolution(total, Model.MINIMIZE, limit);
        assertThat(limit.isMet()).as("the solver came to an end").isFalse();
        return Optional.ofNullable(solution).map(s -> s.getIntVal(total));
    }

    @Test
    void cells_that_are_needed_by_themselves_are_not_advised_away() {
        FixtureType batten = DemoTypes.book().named("", "Curlew 12").orElseThrow();
        Plan plan = Rigs.add(Rigs.empty(), batten, 2, 1);
        Need inCells = new Need(batten.id(), Attribute.of("ColorAdd_R"), false, 12);

        assertThat(modes(advise(plan, Set.of(), 4, Aim.FEWEST_SLOTS))).containsExactly("4-channel");
        assertThat(modes(advise(plan, Set.of(inCells), 4, Aim.FEWEST_SLOTS))).containsExactly("37-channel");
        assertThat(inCells.isMetBy(batten.mode("51-channel").orElseThrow())).isTrue();
        assertThat(new Need(batten.id(), Attribute.of("ColorAdd_R"), false, 13)
                        .isMetBy(batten.mode("51-channel").orElseThrow()))
                .isFalse();
    }

    /** A few types whose lengths nearly fill the universes, so that modes have to change. */
    private static Plan randomRig(Random random) {
        Plan plan = Rigs.empty();
        for (int t = 0; t < 2 + random.nextInt(2); t++) {
            List<Mode> modes = new ArrayList<>();
            for (int m = 0; m < 2 + random.nextInt(3); m++) {
                Block block = ChannelScript.block("Main", "Dimmer ".repeat(30 + random.nextInt(200)));
                modes.add(new Mode("m" + m, Optional.of(m + 1), List.of(block)));
            }
            FixtureType type = FixtureType.of(TypeId.of("t" + t), "Test", "t" + t, "t" + t, Facts.onALine(), modes);
            plan = Rigs.add(plan, type, 1 + random.nextInt(3), 1 + 100 * t);
        }
        Plan made = plan;
        return plan.with(plan.fixtures().stream()
                .map(f -> f.withMode(made.type(f)
                                .modes()
                                .get(random.nextInt(made.type(f).modes().size()))
                                .name())
                        .withAddress(1, Optional.of(StartAddress.of(1, 1))))
                .toList());
    }

    private static Plan rig() {
        return Rigs.add(Rigs.add(Rigs.empty(), HERON, 4, 1), TERN, 10, 101);
    }

    private static Need need(FixtureType type, String attribute, boolean fine) {
        return new Need(type.id(), Attribute.of(attribute), fine);
    }

    private static Advice advise(Plan plan, Set<Need> needs, int universes, Aim aim) {
        return ModeAdvisor.advise(plan, new AdviceRequest(Console.ANY, needs, universes, aim));
    }

    private static List<String> modes(Advice advice) {
        return advice.types().stream()
                .map(t -> t.chosen().map(o -> o.mode().name()).orElse("none"))
                .toList();
    }

    private static Option option(Advice advice, FixtureType type, int mode) {
        return advice.types().stream()
                .filter(t -> t.type().equals(type))
                .findFirst()
                .orElseThrow()
                .options()
                .get(mode);
    }
}
