package taxon.core.rig.edit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.MenuValues;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits.OwnMenu;
import taxon.core.rig.Traits.OwnValue;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.text.Likeness;

/** Edits of how units are set by hand. */
public final class MenuEdits {
    private MenuEdits() {}

    /** Writes down how units of a type are set, and what the job wants set in all of them. Refused when the job has no such type. */
    public static Edit describe(TypeId type, SettingGuide guide, MenuValues values) {
        return new Edit(
                "Settings of " + type + " written down",
                plan -> plan.types()
                        .find(type)
                        .<Edit.Outcome>map(t -> new Changed(
                                plan.with(new RigType(t.with(t.facts().with(guide)), values))))
                        .orElseGet(() -> Edit.refuse(
                                new Refusal("type", type.value(), Fault.NOT_FOUND, "the types that the job uses"))));
    }

    /** Fixtures lose what they have of their own for a setting: they are set as all others. */
    public static Edit likeTheOthers(String setting, Collection<FixtureKey> fixtures) {
        List<FixtureKey> keys = List.copyOf(fixtures);
        return new Edit(setting + " as in all others", plan -> {
            List<Fixture> changed = new ArrayList<>();
            keys.stream().flatMap(k -> plan.fixture(k).stream()).forEach(f -> {
                SortedMap<String, OwnValue> own =
                        new TreeMap<>(f.traits().menu().values());
                if (own.keySet().removeIf(n -> Likeness.key(n).equals(Likeness.key(setting)))) {
                    changed.add(f.withTraits(f.traits().withMenu(new OwnMenu(own))));
                }
            });
            return new Changed(plan.with(changed));
        });
    }
}
