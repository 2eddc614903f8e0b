package taxon.core.rig;

import taxon.core.fixture.FixtureType;
import taxon.core.rig.ElementKey.Kind;

/** A fixture type as the job uses it: a copy, so that a job means the same wherever it is opened. */
public record RigType(FixtureType type) implements Element {
    @Override
    public ElementKey elementKey() {
        return new ElementKey(Kind.TYPE, 0, type.id().value());
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.type(this);
    }
}
