package taxon.app.rig.drawing;

import taxon.app.form.Selection;
import taxon.app.frame.Marks;
import taxon.app.frame.Tints;
import taxon.app.rig.table.RigRow;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;

/** A unit as every drawing of the rig shows it, wherever it stands there. */
public record UnitMark(int key, String id, String address, int tint, Marks standing, boolean chosen, String title) {
    public static UnitMark of(Plan plan, Fixture fixture, Tints tints, Selection selection) {
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
