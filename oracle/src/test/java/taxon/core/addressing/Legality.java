package taxon.core.addressing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import taxon.core.addressing.answer.AddressProposal;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;
import taxon.oracle.Oracle.Rules;
import taxon.oracle.OracleRig;
import taxon.oracle.OracleRig.Unit;

/** Checks a proposal on an {@link OracleRig} slot by slot, from the definitions and nothing else. */
final class Legality {
    private Legality() {}

    /** Asserts that all are placed, that nothing meets, and that every rule is heeded; gives the rig as it is then. */
    static List<Unit> check(OracleRig rig, Rules rules, AddressProposal proposal, String what) {
        assertThat(proposal.leftOut()).as(what).isEmpty();
        checkAllButLeftOut(rig, rules, proposal, what);
        return units(rig, Rigs.apply(rig.plan(), proposal.edit()));
    }

    /** As {@link #check}, of those who are placed; gives the indices of those who are left out. */
    static List<Integer> checkAllButLeftOut(OracleRig rig, Rules rules, AddressProposal proposal, String what) {
        List<Integer> out = proposal.leftOut().stream()
                .map(l -> l.fixture().key().number() - 1)
                .toList();
        List<Unit> all = units(rig, Rigs.apply(rig.plan(), proposal.edit()));
        for (int i = 0; i < all.size(); i++) {
            if (i < rig.units().size()) {
                if (!out.contains(i)) {
                    checkOne(rig, rules, all.get(i), what + ", unit " + (i + 1) + " " + all.get(i));
                }
            } else {
                assertThat(all.get(i))
                        .as(what + ": a locked one moved")
                        .isEqualTo(rig.locked().get(i - rig.units().size()));
            }
        }
        checkApart(all, rig.units().size(), out, rules, what);
        return out;
    }

    private static List<Unit> units(OracleRig rig, Plan after) {
        List<Unit> all = new ArrayList<>();
        for (int i = 0; i < rig.units().size() + rig.locked().size(); i++) {
            Unit before = i < rig.units().size()
                    ? rig.units().get(i)
                    : rig.locked().get(i - rig.units().size());
            all.add(after.fixture(FixtureKey.of(i + 1))
                    .orElseThrow()
                    .address(1)
                    .map(a -> new Unit(
                            before.length(), a.universe().number(), a.slot().number(), before.set()))
                    .orElse(Unit.unplaced(before.length())));
        }
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

    private static void checkApart(List<Unit> all, int asked, List<Integer> out, Rules rules, String what) {
        for (int i = 0; i < asked; i++) {
            for (int j = 0; j < all.size(); j++) {
                Unit one = all.get(i);
                Unit two = all.get(j);
                boolean meets = i != j
                        && !out.contains(i)
                        && one.universe() == two.universe()
                        && one.universe() > 0
                        && one.slot() < two.slot() + rules.pace(two.length())
                        && two.slot() < one.slot() + rules.pace(one.length());
                assertThat(meets).as(what + ": " + one + " meets " + two).isFalse();
                boolean mixed = rules.split()
                        && !out.contains(i)
                        && !out.contains(j)
                        && one.universe() == two.universe()
                        && one.length() != two.length();
                assertThat(mixed).as(what + ": " + one + " lies with " + two).isFalse();
            }
        }
    }
}
