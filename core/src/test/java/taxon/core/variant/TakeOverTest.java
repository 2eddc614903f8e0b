package taxon.core.variant;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.ChannelScript;
import taxon.core.fixture.FixtureType;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Mark;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.testing.Rigs;

class TakeOverTest {
    private static final FixtureType SPOT = Rigs.typeOf("spot", ChannelScript.block("Main", "Dimmer Pan=128"));
    private static final FixtureType PAR = Rigs.typeOf("par", ChannelScript.block("Main", "Dimmer"));

    private static Plan plan() {
        Plan plan = Rigs.add(Rigs.empty(), SPOT, 4, 101);
        for (int i = 1; i <= 4; i++) {
            plan = Rigs.place(plan, i, 1, StartAddress.of(1, i * 10));
        }
        BlockRef first = new BlockRef(FixtureKey.of(1), 1);
        Mark mark = new Mark(StartAddress.of(1, 10), plan.fixtures().get(0).mode(), Instant.EPOCH, "crew");
        return plan.with(BlockEvidence.none(first).withSet(mark));
    }

    private static Plan moved(Plan plan, int fixture, int slot) {
        return plan.with(plan.fixture(FixtureKey.of(fixture))
                .orElseThrow()
                .withAddress(1, Optional.of(StartAddress.of(1, slot))));
    }

    private static TakeOver.Proposal all(Plan now, Plan base, Plan other) {
        return TakeOver.propose(now, WithoutEvidence.of(base), WithoutEvidence.of(other), "Taken", k -> true);
    }

    private static Plan after(Plan now, TakeOver.Proposal proposal) {
        return ((Edit.Changed) proposal.edit().applyTo(now)).plan();
    }

    private static String start(Plan plan, int fixture) {
        return plan.fixture(FixtureKey.of(fixture))
                .orElseThrow()
                .address(1)
                .orElseThrow()
                .toString();
    }

    @Test
    void whatAVariantHasOtherwiseIsTakenOverAndEvidenceStays() {
        Plan job = plan();
        Plan variant = Rigs.add(moved(WithoutEvidence.of(job), 2, 200), PAR, 2, 301);
        Plan after = after(job, all(job, job, variant));
        assertThat(WithoutEvidence.of(after)).isEqualTo(variant);
        assertThat(after.evidence(new BlockRef(FixtureKey.of(1), 1)).set()).isPresent();
    }

    @Test
    void whatTheJobChangedMeanwhileStays() {
        Plan base = plan();
        Plan job = moved(base, 3, 300);
        Plan variant = moved(base, 2, 200);
        Plan after = after(job, all(job, base, variant));
        assertThat(start(after, 2)).isEqualTo("1.200");
        assertThat(start(after, 3)).isEqualTo("1.300");
    }

    @Test
    void whatBothChangedIsLeftOutAndSaidSo() {
        Plan base = plan();
        Plan job = moved(base, 2, 100);
        TakeOver.Proposal proposal = all(job, base, moved(moved(base, 2, 200), 4, 400));
        assertThat(proposal.omissions()).extracting(TakeOver.Conflict::who).containsExactly("102");
        Plan after = after(job, proposal);
        assertThat(start(after, 2)).isEqualTo("1.100");
        assertThat(start(after, 4)).isEqualTo("1.400");
        assertThat(all(moved(base, 2, 200), base, moved(base, 2, 200)).parts())
                .as("what both changed alike is nothing")
                .isEmpty();
    }

    @Test
    void aPartIsTakenAloneWithTheTypeThatItNeeds() {
        Plan base = plan();
        Plan variant = Rigs.add(moved(base, 2, 200), PAR, 1, 301);
        FixtureKey added = variant.fixtures().get(4).key();
        TakeOver.Proposal proposal =
                TakeOver.propose(base, base, variant, "Taken", k -> k.equals(Fixture.keyOf(added)));
        Plan after = after(base, proposal);
        assertThat(after.fixture(added)).isPresent();
        assertThat(after.types().find(PAR.id())).isPresent();
        assertThat(start(after, 2)).isEqualTo("1.020");
        assertThat(proposal.staying()).isEqualTo(1);
    }

    @Test
    void aRevisionIsRestoredWhateverWasDoneSince() {
        Random random = new Random(5);
        for (int round = 0; round < 40; round++) {
            Plan revision = plan();
            Plan now = revision;
            for (int i = 0; i < 6; i++) {
                Fixture one = now.fixtures().get(random.nextInt(now.fixtures().size()));
                now = switch (random.nextInt(3)) {
                    case 0 -> moved(now, one.key().number(), 1 + random.nextInt(400));
                    case 1 -> Rigs.add(now, PAR, 1, 500 + i);
                    default -> now.fixtures().size() > 2 ? now.without(List.of(Fixture.keyOf(one.key()))) : now;
                };
            }
            Plan after = after(now, all(now, now, revision));
            assertThat(WithoutEvidence.of(after).fixtures())
                    .isEqualTo(WithoutEvidence.of(revision).fixtures());
        }
    }
}
