package taxon.formats.gdtf;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the links of mode masters in one mode mean: {@code Geometry_Attribute} or {@code Geometry_Attribute.Attribute.Function}. */
final class MasterLinks {
    private final Map<String, ChannelReader> byLink = new HashMap<>();
    private final Map<String, Integer> widths = new HashMap<>();

    /**
     * What a link leads to.
     *
     * @param function as the link calls it; empty where it names the channel alone
     * @param bytes how wide the values of that channel are, the widest of its attribute, where the mode has one
     * @param known false when the mode has no such channel: the attribute is then read from the link alone
     * @param functionKnown false when that channel has no function of the name
     */
    record Target(String attribute, String function, Optional<Integer> bytes, boolean known, boolean functionKnown) {}

    MasterLinks(List<ChannelReader> channels) {
        channels.forEach(c -> {
            byLink.putIfAbsent(c.linkName(), c);
            widths.merge(c.writtenAttribute(), c.bytes(), Math::max);
        });
    }

    Target resolve(String link) {
        int dot = link.indexOf('.');
        String channel = dot < 0 ? link : link.substring(0, dot);
        Optional<ChannelReader> master = Optional.ofNullable(byLink.get(channel));
        String guessed = channel.substring(channel.indexOf('_') + 1);
        String attribute =
                master.map(ChannelReader::writtenAttribute).orElseGet(() -> guessed.isBlank() ? "NoFeature" : guessed);
        String prefix = channel + "." + attribute + ".";
        String function = link.startsWith(prefix) ? link.substring(prefix.length()) : "";
        boolean functionKnown = dot < 0
                || !function.isEmpty()
                        && master.filter(m -> m.hasFunction(function)).isPresent();
        return new Target(
                attribute, function, Optional.ofNullable(widths.get(attribute)), master.isPresent(), functionKnown);
    }
}
