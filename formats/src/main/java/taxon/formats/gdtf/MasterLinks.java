package taxon.formats.gdtf;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What the links of mode masters in one mode mean: {@code Geometry_Attribute} or {@code Geometry_Attribute.Attribute.Function}. */
final class MasterLinks {
    private final Map<String, String> attributeByLink = new HashMap<>();

    /** @param known false when the mode has no such channel: the attribute is then read from the link alone */
    record Target(String attribute, String function, boolean known) {}

    MasterLinks(List<ChannelReader> channels) {
        channels.forEach(c -> attributeByLink.putIfAbsent(c.linkName(), attributeOf(c)));
    }

    private static String attributeOf(ChannelReader channel) {
        return channel.linkName().substring(channel.geometry().orElse("").length() + 1);
    }

    Target resolve(String link) {
        int dot = link.indexOf('.');
        String channel = dot < 0 ? link : link.substring(0, dot);
        String attribute = attributeByLink.get(channel);
        String guessed = channel.substring(channel.indexOf('_') + 1);
        String found = attribute != null ? attribute : guessed.isBlank() ? "NoFeature" : guessed;
        String prefix = channel + "." + found + ".";
        String function = link.startsWith(prefix) ? link.substring(prefix.length()) : "";
        return new Target(found, function, attribute != null);
    }
}
