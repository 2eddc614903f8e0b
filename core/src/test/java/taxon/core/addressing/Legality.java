package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.testing.Oracle.Rules;
import taxon.core.testing.OracleRig;
import taxon.core.testing.OracleRig.Unit;
import taxon.core.testing.Rigs;

/** Checks a proposal on an {@link OracleRig} slot by slot, from the definitions and nothing else. */
final class Legality {
    private Legality() {}

    /** Asserts that all are placed, that nothing meets, and that what moved heeds the rules; gives the rig as it is then. */
    static List<Unit> check(OracleRig rig, Rules rules, AddressProposal proposal, String what) {
        assertThat(proposal.leftOut()).as(what).isEmpty();
        Plan after = Rigs.apply(rig.plan(), proposal.edit());
        List<Unit> all = new ArrayList<>();
        int count = rig.units().size() + rig.locked().size();
        for (int i = 0; i < count; i++) {
            Unit before = i < rig.units().size()
                    ? rig.units().get(i)
                    : rig.locked().get(i - rig.units().size());
            var at =
                    after.fixture(FixtureKey.of(i + 1)).orElseThrow().address(1).orElseThrow();
            Unit now =
                    new Unit(before.length(), at.universe().number(), at.slot().number(), before.set());
            boolean moved = now.universe() != before.universe() || now.slot() != before.slot();
            assertThat(moved && i >= rig.units().size())
                    .as(what + ": a locked one moved")
                    .isFalse();
            if (i < rig.units().size()) {
                checkOne(rig, rules, now, what + ", unit " + (i + 1) + " " + now);
            }
            all.add(now);
        }
        checkApart(all, rig.units().size(), rules, what);
        return all;
    }

    private static void checkOne(OracleRig rig, Rules rules, Unit now, String what) {
        assertThat(now.universe()).as(what).isBetween(1, rules.universes());
        assertThat(now.slot() + now.length() - 1).as(what).isLessThanOrEqualTo(rules.last());
        assertThat((now.slot() - 1) % rules.round())
                .as(what + " off the round starts")
                .isZero();
        assertThat(rig.reserved())
                .as(what)
                .noneMatch(r -> r.universe() == now.universe()
                        && now.slot() <= r.last()
                        && r.first() <= now.slot() + now.length() - 1);
    }

    private static void checkApart(List<Unit> all, int asked, Rules rules, String what) {
        for (int i = 0; i < asked; i++) {
            for (int j = 0; j < all.size(); j++) {
                Unit one = all.get(i);
                Unit two = all.get(j);
                boolean meets = i != j
                        && one.universe() == two.universe()
                        && one.slot() < two.slot() + rules.pace(two.length())
                        && two.slot() < one.slot() + rules.pace(one.length());
                assertThat(meets).as(what + ": " + one + " meets " + two).isFalse();
            }
        }
    }
}
