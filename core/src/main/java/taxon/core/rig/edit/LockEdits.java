package taxon.core.rig.edit;

import java.util.Collection;
import java.util.List;
import java.util.TreeSet;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit.Changed;

/** Locking and unlocking fixtures. */
public final class LockEdits {
    private LockEdits() {}

    /** From now on no proposal moves these, or every proposal may again. */
    public static Edit lock(Collection<FixtureKey> fixtures, boolean locked) {
        List<FixtureKey> keys = List.copyOf(new TreeSet<>(fixtures));
        String count = keys.size() == 1 ? "1 fixture" : keys.size() + " fixtures";
        return new Edit(count + (locked ? " locked" : " unlocked"), plan -> {
            List<FixtureKey> missing =
                    keys.stream().filter(k -> plan.fixture(k).isEmpty()).toList();
            return missing.isEmpty()
                    ? new Changed(plan.with(keys.stream()
                            .map(k -> plan.fixture(k).orElseThrow())
                            .map(f -> f.withTraits(f.traits().withLocked(locked)))
                            .toList()))
                    : Edit.refuse(new Refusal(
                            "fixture",
                            missing.get(0).toString(),
                            Fault.NOT_FOUND,
                            plan.fixtures().size() + " in the job"));
        });
    }
}
