package taxon.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import taxon.core.addressing.Planner;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.addressing.request.PlacementRequest;
import taxon.core.addressing.request.PlacementRequest.Scope;
import taxon.core.addressing.text.ProposalText;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseSet;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.Plan;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;
import taxon.core.rig.wish.Wish.Blocks;
import taxon.core.rig.wish.Wish.Split;
import taxon.core.rig.wish.Wish.Style;
import taxon.core.testing.Rigs;

/** How long hard requests of a thousand to three thousand fixtures take, each once after a warm-up; prints a table. */
public final class PlannerTimes {
    private static final double NANOS_PER_MS = 1e6;

    private PlannerTimes() {}

    private record Case(String name, int[][] footprints, Wish wish, boolean tight) {}

    private static final List<Case> CASES = List.of(
            new Case(
                    "seven lengths, gap 3, headroom 20",
                    new int[][] {{7}, {13}, {19}, {24}, {31}, {38}, {52}},
                    Wish.USUAL.withSpacing(Spacing.ofGap(3)).withHeadroom(Headroom.ofSlots(20)),
                    false),
            new Case(
                    "seven lengths, universes nearly full",
                    new int[][] {{7}, {13}, {19}, {24}, {31}, {38}, {52}},
                    Wish.USUAL,
                    true),
            new Case(
                    "several blocks, each a run of its own",
                    new int[][] {{20, 4}, {36, 6, 6}, {12}, {48, 3}},
                    Wish.USUAL.withBlocks(Blocks.OWN_RUN),
                    true),
            new Case(
                    "split by type, universes nearly full",
                    new int[][] {{7}, {13}, {19}, {24}, {31}, {38}, {52}},
                    Wish.USUAL.withSplit(Split.TYPE, false),
                    true));

    /** Takes no arguments; prints to standard output. */
    public static void main(String[] arguments) {
        CASES.forEach(c -> propose(c, 200, Style.FEWEST_UNIVERSES));
        System.out.printf(Locale.ROOT, "%-40s %8s %-18s %8s  %s%n", "", "fixtures", "style", "ms", "");
        for (Case one : CASES) {
            for (int fixtures : new int[] {1_000, 2_000, 3_000}) {
                for (Style style : new Style[] {Style.FEWEST_UNIVERSES, Style.LEAST_CHANGE}) {
                    print(one, fixtures, style);
                }
            }
        }
    }

    private static void print(Case one, int fixtures, Style style) {
        long begun = System.nanoTime();
        AddressProposal proposal = propose(one, fixtures, style);
        double ms = (System.nanoTime() - begun) / NANOS_PER_MS;
        System.out.printf(
                Locale.ROOT,
                "%-40s %8d %-18s %8.0f  %s%n",
                one.name(),
                fixtures,
                style,
                ms,
                proposal.leftOut().isEmpty()
                        ? ProposalText.sentence(proposal.optimum())
                        : proposal.leftOut().size() + " find no place. " + ProposalText.certainty(proposal));
    }

    /** Two thirds lie somewhere at random, so that nothing is as it should be. */
    private static AddressProposal propose(Case one, int fixtures, Style style) {
        Random random = new Random(fixtures);
        List<FixtureType> types = new ArrayList<>();
        for (int[] footprints : one.footprints()) {
            types.add(Rigs.type("t" + types.size(), footprints));
        }
        Plan plan = Rigs.empty();
        int slots = 0;
        for (int i = 0; i < types.size(); i++) {
            int count = fixtures / types.size() + (i < fixtures % types.size() ? 1 : 0);
            plan = Rigs.add(plan, types.get(i), count, Optional.of(1 + i * 5_000), Optional.empty());
            for (int length : one.footprints()[i]) {
                slots += length * count;
            }
        }
        int universes = slots / 512 + 2 + types.size();
        plan = plan.with(plan.fixtures().stream()
                .map(f -> random.nextInt(3) == 0
                        ? f
                        : f.withAddress(
                                1,
                                Optional.of(StartAddress.of(1 + random.nextInt(universes), 1 + random.nextInt(440)))))
                .toList());
        Wish wish = one.wish().withStyle(style);
        Wish within = one.tight() ? wish.within(StartAddress.of(1, 1), UniverseSet.of(1, universes)) : wish;
        return Planner.propose(plan, new PlacementRequest(Scope.ALL, Set.of(), within));
    }
}
