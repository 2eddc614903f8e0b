package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;

/**
 * How a mode is laid out in geometries: what belongs to the whole hangs on the body; parts that do the same share one
 * template, which the body refers to once for each, with their breaks and offsets.
 */
record ModePlan(String body, List<PlacedChannel> whole, List<Template> templates) {

    /** @param dmxBreak a number, or "Overwrite" to take that of the reference */
    record PlacedChannel(String geometry, String dmxBreak, Channel channel) {}

    /** @param channels relative to the start of the part */
    record Template(String name, List<PlacedChannel> channels, List<Reference> references) {}

    /** @param offsets the first slot by break */
    record Reference(Part part, Map<Integer, Integer> offsets) {
        String name() {
            return (part.kind() == Part.Kind.CELL ? "Cell " : "Layer ")
                    + part.number().replace('.', '-');
        }
    }

    /** A channel and the number of its break. */
    private record Broken(int dmxBreak, Channel channel) {}

    static ModePlan of(Mode mode, int number) {
        String body = "Body " + number;
        Map<Part, List<Broken>> byPart = new LinkedHashMap<>();
        for (int i = 0; i < mode.blocks().size(); i++) {
            int dmxBreak = mode.breaks().get(i);
            mode.blocks()
                    .get(i)
                    .channels()
                    .forEach(c -> byPart.computeIfAbsent(c.part(), p -> new ArrayList<>())
                            .add(new Broken(dmxBreak, c)));
        }
        List<PlacedChannel> whole = byPart.getOrDefault(Part.WHOLE, List.of()).stream()
                .map(b -> new PlacedChannel(body, String.valueOf(b.dmxBreak()), b.channel()))
                .toList();
        byPart.remove(Part.WHOLE);
        return new ModePlan(body, whole, templates(byPart, number));
    }

    private static List<Template> templates(Map<Part, List<Broken>> byPart, int number) {
        Map<List<PlacedChannel>, Template> bySignature = new LinkedHashMap<>();
        byPart.forEach((part, channels) -> {
            boolean oneBreak =
                    channels.stream().map(Broken::dmxBreak).distinct().count() == 1;
            int first = oneBreak ? firstSlot(channels) : 1;
            List<PlacedChannel> relative = channels.stream()
                    .map(b -> new PlacedChannel(
                            "", oneBreak ? "Overwrite" : String.valueOf(b.dmxBreak()), moved(b.channel(), 1 - first)))
                    .toList();
            Map<Integer, Integer> offsets = new LinkedHashMap<>();
            channels.forEach(b -> offsets.put(b.dmxBreak(), first));
            bySignature
                    .computeIfAbsent(relative, s -> named(s, "Part " + number + "-" + (bySignature.size() + 1)))
                    .references()
                    .add(new Reference(part, offsets));
        });
        return List.copyOf(bySignature.values());
    }

    private static Template named(List<PlacedChannel> signature, String name) {
        List<PlacedChannel> channels = signature.stream()
                .map(p -> new PlacedChannel(name, p.dmxBreak(), p.channel()))
                .toList();
        return new Template(name, channels, new ArrayList<>());
    }

    private static int firstSlot(List<Broken> channels) {
        return channels.stream()
                .flatMap(b -> b.channel().offsets().stream())
                .min(Integer::compare)
                .orElse(1);
    }

    /** The channel without its part, so that equal parts have equal channels. */
    private static Channel moved(Channel channel, int by) {
        return new Channel(
                channel.attribute(),
                Part.WHOLE,
                channel.offsets().stream().map(o -> o + by).toList(),
                channel.rest(),
                channel.highlight(),
                channel.functions());
    }

    /** All channels as they are written, those of templates once. */
    Stream<PlacedChannel> channels() {
        return Stream.concat(whole.stream(), templates.stream().flatMap(t -> t.channels().stream()));
    }
}
