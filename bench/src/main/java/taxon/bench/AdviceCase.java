package taxon.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.variables.IntVar;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.Block;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.modes.Advice;
import taxon.core.modes.Advice.Option;
import taxon.core.modes.AdviceRequest;
import taxon.core.modes.AdviceRequest.Aim;
import taxon.core.modes.Console;
import taxon.core.modes.ModeAdvisor;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** 60 types of six modes, two to nine of each, all in their longest mode, and room for three quarters of that. */
record AdviceCase(Plan plan, AdviceRequest request) {
    static final int TYPES = 60;
    static final int MODES = 6;

    static AdviceCase make() {
        Random random = new Random(60);
        Plan plan = Rigs.empty();
        int longest = 0;
        for (int t = 0; t < TYPES; t++) {
            FixtureType type = type(t, random);
            int count = 2 + random.nextInt(8);
            plan = Rigs.add(plan, type, count, 1 + 10 * t);
            longest += count * type.modes().get(MODES - 1).footprint();
        }
        int universes = Math.max(1, longest * 3 / 4 / 512);
        return new AdviceCase(inLongest(plan), new AdviceRequest(Console.ANY, Set.of(), universes, Aim.LEAST_TOUCHED));
    }

    private static FixtureType type(int number, Random random) {
        List<Mode> modes = new ArrayList<>();
        int slots = 0;
        for (int m = 1; m <= MODES; m++) {
            slots += 1 + random.nextInt(12);
            Block block = ChannelScript.block("Main", "Dimmer ".repeat(slots));
            modes.add(new Mode("mode " + m, Optional.of(m), List.of(block)));
        }
        String name = "Type " + number;
        return FixtureType.of(TypeId.named("Bench", name), "Bench", name, name, Facts.onALine(), modes);
    }

    private static Plan inLongest(Plan plan) {
        List<Fixture> longest = plan.fixtures().stream()
                .map(f -> f.withMode("mode " + MODES).withAddress(1, Optional.of(StartAddress.of(1, 1))))
                .toList();
        return plan.with(longest);
    }

    /** The least price by Choco, of a mode for each type with all slots inside the room: what the packing then has to hold. */
    int solved() {
        Advice advice = ModeAdvisor.advise(plan, request);
        Model model = new Model();
        List<IntVar> prices = new ArrayList<>();
        List<IntVar> lengths = new ArrayList<>();
        advice.types().forEach(type -> {
            List<Option> options = type.options();
            IntVar pick = model.intVar(0, options.size() - 1);
            IntVar length = model.intVar(0, 100_000);
            IntVar price = model.intVar(0, 100_000);
            model.element(length, options.stream().mapToInt(Option::slots).toArray(), pick)
                    .post();
            model.element(price, options.stream().mapToInt(Option::price).toArray(), pick)
                    .post();
            lengths.add(length);
            prices.add(price);
        });
        model.sum(lengths.toArray(IntVar[]::new), "<=", advice.room()).post();
        IntVar total = model.intVar(0, 1_000_000);
        model.sum(prices.toArray(IntVar[]::new), "=", total).post();
        model.getSolver().limitTime("30s");
        return Stream.ofNullable(model.getSolver().findOptimalSolution(total, Model.MINIMIZE))
                .mapToInt(s -> s.getIntVal(total))
                .findFirst()
                .orElse(-1);
    }
}
