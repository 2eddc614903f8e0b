package taxon.core.equipmentlist;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.text.Likeness;

/** Which modes of a type a cell may mean: by name, or by the number of channels, "24", "24ch", "24 channels". */
public final class ModeNames {
    private static final Pattern CHANNELS =
            Pattern.compile("(\\d{1,4})\\s*-?\\s*(?:ch|chan|channels?)?\\.?", Pattern.CASE_INSENSITIVE);

    private ModeNames() {}

    /** The modes that may be meant; none or several where the words leave it open. */
    public static List<Mode> fitting(FixtureType type, String wanted) {
        if (wanted.isEmpty()) {
            return type.modes().size() == 1 ? type.modes() : List.of();
        }
        List<Mode> named = type.modes().stream()
                .filter(m -> Likeness.key(m.name()).equals(Likeness.key(wanted)))
                .toList();
        if (!named.isEmpty()) {
            return named;
        }
        Matcher m = CHANNELS.matcher(wanted);
        return m.matches()
                ? type.modes().stream()
                        .filter(mode -> mode.footprint() == Integer.parseInt(m.group(1)))
                        .toList()
                : List.of();
    }
}
