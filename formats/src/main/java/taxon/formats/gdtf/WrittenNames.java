package taxon.formats.gdtf;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;

/**
 * Names as a GDTF file can carry them: a link separates names by dots, so no name holds one, and names are unique among
 * siblings. What was changed is remembered, so that reading the file gives the names back.
 */
final class WrittenNames {
    private final Map<String, String> modes = new HashMap<>();
    private final Map<String, String> attributes = new HashMap<>();
    private final Map<String, String> functions = new HashMap<>();
    private final Map<String, String> writtenMode = new HashMap<>();
    private final Map<String, String> writtenAttribute = new HashMap<>();
    private final Set<String> functionNames;

    WrittenNames(FixtureType type) {
        Set<String> modeNames = type.modes().stream().map(Mode::name).collect(Collectors.toSet());
        type.modes().forEach(m -> writtenMode.put(m.name(), distinct(m.name(), modeNames, modes)));
        List<Channel> channels = type.modes().stream().flatMap(Mode::channels).toList();
        Set<String> attributeNames = new HashSet<>();
        Set<String> names = new HashSet<>();
        channels.forEach(c -> {
            attributeNames.add(c.attribute().name());
            for (ChannelFunction function : c.functions()) {
                names.add(function.name());
                attributeNames.add(function.attribute().name());
                function.condition()
                        .ifPresent(w -> attributeNames.add(w.master().name()));
            }
        });
        attributeNames.stream().sorted().forEach(a -> writtenAttribute.put(a, distinct(a, attributeNames, attributes)));
        functionNames = names;
    }

    private static String distinct(String name, Set<String> originals, Map<String, String> changed) {
        String clean = clean(name);
        String written = clean;
        for (int i = 2; !written.equals(name) && (originals.contains(written) || changed.containsKey(written)); i++) {
            written = clean + " " + i;
        }
        if (!written.equals(name)) {
            changed.put(written, name);
        }
        return written;
    }

    private static String clean(String name) {
        return name.replace('.', ' ').replaceAll("[\\s\\u00a0]+", " ").strip();
    }

    String mode(Mode mode) {
        return writtenMode.getOrDefault(mode.name(), mode.name());
    }

    String attribute(Attribute attribute) {
        return writtenAttribute.getOrDefault(attribute.name(), attribute.name());
    }

    /** The names of a channel's functions, in their order, no two alike. */
    List<String> functions(Channel channel) {
        Set<String> used = new HashSet<>();
        return channel.functions().stream().map(f -> function(f.name(), used)).toList();
    }

    private String function(String name, Set<String> used) {
        String clean = clean(name);
        String written = clean;
        for (int i = 2; !isFree(written, name, used); i++) {
            written = clean + " " + i;
        }
        used.add(written);
        if (!written.equals(name)) {
            functions.put(written, name);
        }
        return written;
    }

    /** A changed name must be nobody's own, nor stand for another name already. */
    private boolean isFree(String written, String name, Set<String> used) {
        if (used.contains(written)) {
            return false;
        }
        return written.equals(name)
                || !functionNames.contains(written)
                        && functions.getOrDefault(written, name).equals(name);
    }

    FactsFile.Names changed() {
        return new FactsFile.Names(Map.copyOf(modes), Map.copyOf(attributes), Map.copyOf(functions));
    }
}
