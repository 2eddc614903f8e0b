package taxon.core.rig;

import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.rig.ElementKey.Kind;

/**
 * A fixture type as the job uses it: a copy, so that a job means the same wherever it is opened.
 *
 * @param menu what the job wants set in the menus of all of its units
 */
public record RigType(FixtureType type, MenuValues menu) implements Element {
    /** A type of which the job wants nothing but addresses and modes. */
    public static RigType of(FixtureType type) {
        return new RigType(type, MenuValues.NONE);
    }

    /** The key under which a plan holds a type. */
    public static ElementKey keyOf(TypeId id) {
        return new ElementKey(Kind.TYPE, 0, id.value());
    }

    /** A type as it is put into a plan: what the job wants set in its menus stays. */
    public static RigType in(Plan plan, FixtureType type) {
        return new RigType(type, menu(plan, type.id()));
    }

    /** What a job wants set in the menus of all units of a type. */
    public static MenuValues menu(Plan plan, TypeId type) {
        return plan.element(keyOf(type))
                .map(RigType.class::cast)
                .map(RigType::menu)
                .orElse(MenuValues.NONE);
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(type.id());
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.type(this);
    }
}
