package taxon.core.modes;

import taxon.core.proof.Standing;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** What it costs to change a fixture: 10 when someone set the unit, 1 when it is only planned, 0 when it has no address. */
record Touching(Plan plan) {
    private static final int SET_AGAIN = 10;

    boolean wasSet(Fixture fixture) {
        return plan.blocksOf(fixture).stream().map(b -> Standing.of(b, plan)).anyMatch(Standing::isSet);
    }

    int price(Fixture fixture) {
        return wasSet(fixture) ? SET_AGAIN : fixture.addresses().isEmpty() ? 0 : 1;
    }
}
