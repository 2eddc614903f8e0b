package taxon.core.modes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.addressing.answer.Obstacle;
import taxon.core.dmx.StartAddress;
import taxon.core.finding.PlanCheck;
import taxon.core.finding.Rule;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.modes.ChangeProposal.StylePrice;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.modes.ChangeRequest.Switch;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.LockEdits;
import taxon.core.rig.edit.ShareEdits;
import taxon.core.rig.edit.WishEdits;
import taxon.core.rig.wish.Headroom;
import taxon.core.rig.wish.Spacing;
import taxon.core.rig.wish.Wish;
import taxon.core.testing.Rigs;
import taxon.demo.DemoTypes;

class ModeChangeTest {
    private static final FixtureType TERN = DemoTypes.book().named("", "Tern").orElseThrow();
    private static final FixtureType DUNLIN =
            DemoTypes.book().named("", "Dunlin").orElseThrow();
    private static final FixtureType HERON =
            DemoTypes.book().named("", "Heron 380").orElseThrow();

    /** Four Terns of 12 slots from 1, then a Dunlin of 3 right behind. */
    private static Plan row() {
        Plan plan = Rigs.add(Rigs.empty(), TERN, 4, Optional.of(1), Optional.of(StartAddress.of(1, 1)));
        return Rigs.add(plan, DUNLIN, 1, Optional.of(101), Optional.of(StartAddress.of(1, 49)));
    }

    @Test
    void asManyAsPossibleKeepTheirStartAndNobodyElseMoves() {
        Plan plan = row();
        Plan after = apply(plan, change(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE));
        assertThat(starts(after)).containsExactly("1.001", "1.052", "1.025", "1.068", "1.049");
        assertThat(PlanCheck.of(after).byRule().get(Rule.OVERLAP)).isEmpty();
    }

    @Test
    void theProposalShowsNewLengthsWhoWouldCollideAndTheMoves() {
        Plan plan = row();
        ChangeProposal proposal = propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE);
        assertThat(proposal.title()).isEqualTo("4 fixtures to Tern, 16-channel");
        assertThat(proposal.changed())
                .extracting(c -> c.before().orElse(0) + " to " + c.after())
                .containsOnly("12 to 16");
        assertThat(proposal.clashes())
                .extracting(
                        c -> c.block().label() + "/" + c.with().orElseThrow().label() + " "
                                + c.slots().first() + "-" + c.slots().last())
                .containsExactly("1/2 13-16", "2/3 25-28", "3/4 37-40", "4/101 49-51");
        assertThat(proposal.moves())
                .extracting(m -> m.block().label() + " " + m.after())
                .containsExactly("2 1.052", "4 1.068");
    }

    @Test
    void theOtherWaysArePricedBesideIt() {
        Plan plan = row();
        List<StylePrice> prices =
                propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE).otherStyles();
        assertThat(prices)
                .extracting(p -> p.style() + " moves " + p.moved() + ", overlaps " + p.overlaps())
                .containsExactly(
                        "LEAST_DISTURBANCE moves 2, overlaps 0",
                        "IN_ORDER moves 3, overlaps 0",
                        "KEEP_STARTS moves 0, overlaps 4");
        assertThat(prices).allMatch(p -> p.slots() == 64);
    }

    @Test
    void aShorterModeMovesNothing() {
        Plan plan = apply(row(), change(row(), TERN, "16-channel", Style.IN_ORDER));
        ChangeProposal back = propose(plan, TERN, "12-channel", Style.LEAST_DISTURBANCE);
        assertThat(back.moves()).isEmpty();
        assertThat(back.clashes()).isEmpty();
    }

    @Test
    void aUnitThatWasSetCountsOnceWhetherItMovesOrNot() {
        Plan plan = proved(row(), 1);
        ChangeProposal proposal = propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE);
        assertThat(proposal.price().touched()).isEqualTo(1);
        assertThat(proposal.price().plannedOnly()).isEqualTo(3);
        assertThat(proposal.changed().get(0).touches()).isTrue();
    }

    @Test
    void whatWasProvedOfAnotherTypeIsForgotten() {
        Plan plan = proved(row(), 1);
        Plan after = apply(plan, change(plan, DUNLIN, "3-channel", Style.LEAST_DISTURBANCE));
        assertThat(after.evidence(after.blocksOf(after.fixtures().get(0)).get(0).ref())
                        .proved())
                .isEmpty();
        Plan otherMode = apply(plan, change(plan, TERN, "16-channel", Style.KEEP_STARTS));
        assertThat(otherMode
                        .evidence(otherMode
                                .blocksOf(otherMode.fixtures().get(0))
                                .get(0)
                                .ref())
                        .proved())
                .isPresent();
    }

    @Test
    void aBlockMoreIsPlacedBehindOrWhereThereIsRoom() {
        Plan plan = Rigs.add(Rigs.empty(), HERON, 2, Optional.of(1), Optional.of(StartAddress.of(1, 1)));
        ChangeProposal proposal = propose(plan, HERON, "24-channel with shutters", Style.LEAST_DISTURBANCE);
        Plan after = apply(plan, proposal);
        assertThat(after.blocks()).allMatch(b -> b.start().isPresent());
        assertThat(PlanCheck.of(after).byRule().get(Rule.OVERLAP)).isEmpty();
    }

    @Test
    void aTypeThatHearsNoUniverseLosesItsAddresses() {
        FixtureType deaf = FixtureType.of(
                taxon.core.fixture.TypeId.of("deaf"),
                "Test",
                "Deaf",
                "Deaf",
                Facts.of(Facts.Hazard.NONE, Facts.Reach.APP_ONLY),
                DUNLIN.modes());
        Plan plan = row();
        ChangeProposal proposal = propose(plan, deaf, "3-channel", Style.LEAST_DISTURBANCE);
        assertThat(proposal.leftOut()).hasSize(4).allMatch(n -> n.obstacle().equals(new Obstacle.NeverHears()));
        assertThat(apply(plan, proposal).fixtures().get(0).addresses()).isEmpty();
    }

    @Test
    void anUnplacedFixtureStaysUnplaced() {
        Plan plan = Rigs.add(Rigs.empty(), TERN, 1, 1);
        ChangeProposal proposal = propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE);
        assertThat(proposal.moves()).isEmpty();
        assertThat(proposal.price().first()).isEqualTo(1);
    }

    @Test
    void aNewDefinitionOfATypeConcernsAllItsFixtures() {
        FixtureType newer = FixtureType.of(
                TERN.id(),
                TERN.maker(),
                TERN.name(),
                TERN.shortName(),
                TERN.facts(),
                TERN.modes().subList(0, 2));
        Plan plan = row();
        ChangeRequest one = new ChangeRequest(
                List.of(new Switch(Set.of(FixtureKey.of(1)), newer, "12-channel")), Style.LEAST_DISTURBANCE);
        assertThatThrownBy(() -> ModeChange.propose(plan, one)).hasMessageContaining("3 fixtures more");
    }

    @Test
    void aModeThatTheTypeLacksAndAFixtureNamedTwiceAreRefused() {
        assertThatThrownBy(() -> new Switch(Set.of(), TERN, "99-channel")).hasMessageContaining("no mode");
        Switch one = new Switch(Set.of(FixtureKey.of(1)), TERN, "12-channel");
        assertThatThrownBy(() -> new ChangeRequest(List.of(one, one), Style.IN_ORDER))
                .hasMessageContaining("two things");
    }

    /** Nobody else moves, nothing new overlaps, and no more keep their start by trying every set of those that could. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7})
    void theLeastDisturbanceIsTheLeast(int twenty) {
        for (long seed = twenty * 20L; seed < twenty * 20L + 20; seed++) {
            Random random = new Random(seed);
            Plan plan = scattered(random);
            ChangeRequest request =
                    request(plan, TERN, TERN.modes().get(1 + random.nextInt(2)).name(), Style.LEAST_DISTURBANCE);
            Plan after = apply(plan, ModeChange.propose(plan, request));
            Set<FixtureKey> asked = request.switches().get(0).fixtures();
            assertThat(plan.fixtures().stream()
                            .filter(f -> !asked.contains(f.key()))
                            .toList())
                    .as("seed " + seed)
                    .allMatch(f -> after.fixture(f.key()).orElseThrow().equals(f));
            long kept = asked.stream()
                    .filter(k -> after.fixture(k)
                            .orElseThrow()
                            .address(1)
                            .equals(plan.fixture(k).orElseThrow().address(1)))
                    .count();
            assertThat(kept)
                    .as("seed " + seed)
                    .isEqualTo(mostKept(plan, asked, request.switches().get(0).mode()));
        }
    }

    /** Tries every set of changed fixtures. */
    private static int mostKept(Plan plan, Set<FixtureKey> asked, String mode) {
        List<Fixture> list =
                asked.stream().map(k -> plan.fixture(k).orElseThrow()).toList();
        int length = TERN.mode(mode).orElseThrow().footprint();
        int best = 0;
        for (int bits = 0; bits < 1 << list.size(); bits++) {
            Set<Integer> taken = new HashSet<>();
            plan.blocks().stream()
                    .filter(b -> !asked.contains(b.fixture().key()) && b.start().isPresent())
                    .forEach(b -> {
                        for (int s = b.slots().orElseThrow().first();
                                s <= b.slots().orElseThrow().last();
                                s++) {
                            taken.add(s);
                        }
                    });
            boolean fits = true;
            for (int i = 0; i < list.size() && fits; i++) {
                int start = list.get(i).address(1).orElseThrow().slot().number();
                for (int s = start; (bits >> i & 1) == 1 && s < start + length && fits; s++) {
                    fits = s <= 512 && taken.add(s);
                }
            }
            best = fits ? Math.max(best, Integer.bitCount(bits)) : best;
        }
        return best;
    }

    /** Up to eight Terns and a few Dunlins close together on one universe, without overlaps. */
    private static Plan scattered(Random random) {
        Plan plan =
                Rigs.add(Rigs.add(Rigs.empty(), TERN, 3 + random.nextInt(6), 1), DUNLIN, 1 + random.nextInt(4), 101);
        int next = 1;
        List<Fixture> shuffled = new java.util.ArrayList<>(plan.fixtures());
        java.util.Collections.shuffle(shuffled, random);
        for (Fixture fixture : shuffled) {
            next += random.nextInt(10);
            plan = Rigs.place(plan, fixture.key().number(), 1, StartAddress.of(1, next));
            next += plan.mode(fixture).orElseThrow().footprint();
        }
        return plan;
    }

    private static Plan proved(Plan plan, int id) {
        var block = plan.blocks().get(id - 1);
        Mark mark = new Mark(block.start().orElseThrow(), block.mode().name(), Instant.EPOCH, "crew");
        return plan.with(BlockEvidence.none(block.ref()).withProved(mark, ""));
    }

    @Test
    void togetherFromAnAddressTheyStandThereOneAfterTheOther() {
        Plan plan = row();
        ChangeRequest from = new ChangeRequest(
                request(plan, TERN, "16-channel", Style.IN_ORDER).switches(),
                Style.IN_ORDER,
                Optional.of(StartAddress.of(3, 101)),
                false);
        assertThat(starts(apply(plan, ModeChange.propose(plan, from))))
                .containsExactly("3.101", "3.117", "3.133", "3.149", "1.049");
    }

    @Test
    void thoseWithoutAnAddressGetOneInTheSameStepWhereThatIsAsked() {
        Plan plan = Rigs.add(row(), TERN, 2, Optional.of(5), Optional.empty());
        List<Switch> switches =
                request(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE).switches();
        for (Style style : Style.values()) {
            Plan without = ModeChange.after(plan, new ChangeRequest(switches, style));
            assertThat(unplaced(without)).as(style + " as before").isEqualTo(2);
            Plan with = ModeChange.after(plan, new ChangeRequest(switches, style, Optional.empty(), true));
            assertThat(unplaced(with)).as(style + " with addresses").isZero();
        }
        Plan kept = ModeChange.after(plan, new ChangeRequest(switches, Style.KEEP_STARTS, Optional.empty(), true));
        assertThat(starts(kept)).as("the others stay").startsWith("1.001", "1.013", "1.025", "1.037");
    }

    private static long unplaced(Plan plan) {
        return plan.fixtures().stream().filter(f -> f.addresses().isEmpty()).count();
    }

    private static ChangeRequest request(Plan plan, FixtureType type, String mode, Style style) {
        Set<FixtureKey> keys = plan.fixtures().stream()
                .filter(f -> f.type().equals(plan.fixtures().get(0).type()))
                .map(Fixture::key)
                .collect(Collectors.toSet());
        return new ChangeRequest(List.of(new Switch(keys, type, mode)), style);
    }

    private static ChangeProposal propose(Plan plan, FixtureType type, String mode, Style style) {
        return ModeChange.propose(plan, request(plan, type, mode, style));
    }

    private static ChangeProposal change(Plan plan, FixtureType type, String mode, Style style) {
        return propose(plan, type, mode, style);
    }

    private static Plan apply(Plan plan, ChangeProposal proposal) {
        return Rigs.apply(plan, proposal.edit());
    }

    private static List<String> starts(Plan plan) {
        return plan.fixtures().stream()
                .map(f -> f.address(1).map(StartAddress::toString).orElse("none"))
                .toList();
    }

    @Test
    void aLockedFixtureKeepsItsAddressAndItsClashIsTold() {
        Plan plan = Rigs.apply(row(), LockEdits.lock(List.of(FixtureKey.of(2)), true));
        ChangeProposal proposal = propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE);
        assertThat(starts(apply(plan, proposal)).get(1)).isEqualTo("1.013");
        assertThat(proposal.moves()).noneMatch(m -> m.block().ref().fixture().equals(FixtureKey.of(2)));
    }

    @Test
    void theGapAndTheRoomAtTheEndOfTheWishInForceAreHeeded() {
        Plan wishing = Rigs.apply(
                row(),
                WishEdits.enforce("", Wish.USUAL.withSpacing(Spacing.ofGap(5)).withHeadroom(Headroom.ofSlots(400))));
        Plan after = apply(wishing, propose(wishing, TERN, "16-channel", Style.LEAST_DISTURBANCE));
        assertThat(PlanCheck.of(after).byRule().get(Rule.HEADROOM_USED)).isEmpty();
        List<Integer> changed = after.fixtures().subList(0, 4).stream()
                .filter(f -> f.address(1).orElseThrow().universe().number() == 1)
                .map(f -> f.address(1).orElseThrow().slot().number())
                .sorted()
                .toList();
        for (int i = 1; i < changed.size(); i++) {
            assertThat(changed.get(i) - changed.get(i - 1)).isGreaterThanOrEqualTo(16 + 5);
        }
    }

    @Test
    void whatSharesOnPurposeMovesTogetherAndIsNoClash() {
        List<BlockRef> both = List.of(new BlockRef(FixtureKey.of(1), 1), new BlockRef(FixtureKey.of(2), 1));
        Plan plan = Rigs.apply(row(), ShareEdits.share(both, "act as one"));
        ChangeProposal proposal = propose(plan, TERN, "16-channel", Style.LEAST_DISTURBANCE);
        List<String> after = starts(apply(plan, proposal));
        assertThat(after.get(0)).isEqualTo(after.get(1));
        assertThat(propose(plan, TERN, "16-channel", Style.KEEP_STARTS).clashes())
                .noneMatch(c -> c.block().fixture().key().equals(FixtureKey.of(1))
                        && c.with()
                                .filter(w -> w.fixture().key().equals(FixtureKey.of(2)))
                                .isPresent());
    }
}
