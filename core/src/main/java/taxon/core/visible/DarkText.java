package taxon.core.visible;

import java.util.List;
import java.util.stream.Collectors;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelName;
import taxon.core.fixture.Part;
import taxon.core.text.Listed;

/** What keeps a unit dark, as sentences. */
public final class DarkText {
    private static final int MOST_NAMED = 3;

    private DarkText() {}

    /** "intensity is at 0", without a stop. */
    public static String of(Dark dark) {
        if (dark instanceof Dark.IntensityDown d) {
            return ChannelName.of(d.channel()) + " is at nothing";
        }
        if (dark instanceof Dark.MasterDown d) {
            return ChannelName.of(d.channel()) + ", which stands above it, is at nothing";
        }
        if (dark instanceof Dark.Closed d) {
            return ChannelName.of(d.channel()) + " is at \"" + d.run() + "\"";
        }
        if (dark instanceof Dark.NoColour d) {
            return "no colour is up (" + names(d.emitters()) + ")";
        }
        return "all filters are in (" + names(((Dark.AllFilters) dark).filters()) + ")";
    }

    private static String names(List<Channel> channels) {
        return Listed.of(channels.stream().map(ChannelName::of).toList());
    }

    /**
     * One sentence on a whole unit: "Dark: intensity is at nothing." or, of cells, "Cells 1 to 8 are dark: …"; empty where nothing that is
     * known keeps it dark, and where it gives no light.
     */
    public static String of(List<Light> lights) {
        List<Light> dark = lights.stream().filter(Light::isDark).toList();
        if (dark.isEmpty()) {
            return "";
        }
        String why = dark.get(0).dark().stream().map(DarkText::of).collect(Collectors.joining("; "));
        if (dark.size() == 1 && dark.get(0).part().equals(Part.WHOLE)) {
            return "Dark: " + why + ".";
        }
        if (dark.size() == lights.size()) {
            return "All of it is dark: " + why + (alike(dark) ? "." : "; others for other reasons.");
        }
        String which =
                dark.stream().limit(MOST_NAMED).map(l -> l.part().toString()).collect(Collectors.joining(", "));
        int more = dark.size() - MOST_NAMED;
        return "Dark: " + which + (more > 0 ? " and " + more + " more" : "") + ": " + why + ".";
    }

    /** The same reasons, but for the part that they are of. */
    private static boolean alike(List<Light> dark) {
        return dark.stream().map(DarkText::kinds).distinct().count() == 1;
    }

    private static List<String> kinds(Light light) {
        return light.dark().stream().map(d -> d.getClass().getSimpleName()).toList();
    }
}
