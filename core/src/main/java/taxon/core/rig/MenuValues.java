package taxon.core.rig;

import java.util.Collections;
import java.util.SortedMap;
import java.util.TreeMap;
import taxon.core.fixture.MenuSetting;

/**
 * What is to be set in the menus of all units of a type.
 *
 * @param values by the name of the setting; at most 40
 */
public record MenuValues(SortedMap<String, String> values) {
    public static final MenuValues NONE = new MenuValues(new TreeMap<>());

    private static final int MOST = 40;

    /** @throws IllegalArgumentException when a name or value is none, or there are too many */
    public MenuValues {
        values = Collections.unmodifiableSortedMap(new TreeMap<>(values));
        values.forEach((name, value) -> {
            MenuSetting.requireName(name);
            MenuSetting.requireValue(value);
        });
        if (values.size() > MOST) {
            throw new IllegalArgumentException(values.size() + " settings are more than " + MOST);
        }
    }
}
