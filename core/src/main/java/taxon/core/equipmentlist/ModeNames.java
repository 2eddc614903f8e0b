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

    /** "3.0" is a 3 that a table program took for a number. */
    private static final Pattern DECIMALS = Pattern.compile("(\\d{1,4})[.,]0+");

    private ModeNames() {}

    /** The modes that may be meant; none or several where the words leave it open. */
    public static List<Mode> fitting(FixtureType type, String wanted) {
        if (wanted.isEmpty()) {
            return type.modes().size() == 1 ? type.modes() : List.of();
        }
        List<Mode> asWritten = fittingWords(type, wanted);
        Matcher decimals = DECIMALS.matcher(wanted);
        return asWritten.isEmpty() && decimals.matches() ? fittingWords(type, decimals.group(1)) : asWritten;
    }

    private static List<Mode> fittingWords(FixtureType type, String wanted) {
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
