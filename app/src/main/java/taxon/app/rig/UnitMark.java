package taxon.app.rig;

import taxon.app.web.Marks;
import taxon.app.web.Selection;
import taxon.app.web.Tints;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** A unit as every drawing of the rig shows it, wherever it stands there. */
record UnitMark(int key, String id, String address, int tint, Marks standing, boolean chosen, String title) {
    static UnitMark of(Plan plan, Fixture fixture, Tints tints, Selection selection) {
        return new UnitMark(
                fixture.key().number(),
                fixture.id().map(Object::toString).orElse("–"),
                fixture.address(1).map(StartAddress::toString).orElse("none"),
                tints.of(fixture.type()),
                Marks.of(RigRow.standing(plan, plan.blocksOf(fixture))),
                selection.holds(fixture.key()),
                fixture.label() + " " + plan.type(fixture).fullName() + ", " + fixture.mode());
    }
}
