package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.formats.gdtf.GdtfNote.Kind;
import taxon.formats.xml.XmlElement;

/** Builds one mode: repeats its channels along the geometry references and sorts them into blocks by break. */
final class ModeReader {
    /** Eight whole universes. A mode with more channels is left out. */
    static final int MOST_CHANNELS = 4096;

    private final String name;
    private final XmlElement element;
    private final FactsFile facts;
    private final Notes notes;
    private final Map<Integer, List<Channel>> byBreak = new TreeMap<>();
    private final Map<Integer, Map<Integer, String>> takenBy = new HashMap<>();
    private final List<Channel> virtual = new ArrayList<>();
    private final Map<Channel, Integer> breakOfVirtual = new HashMap<>();
    private int channels;
    private boolean hasGeometry;

    /** Why a mode cannot be built. */
    private static final class ModeRefusedException extends Exception {
        ModeRefusedException(String reason) {
            super(reason);
        }
    }

    ModeReader(String name, XmlElement element, FactsFile facts, Notes notes) {
        this.name = name;
        this.element = element;
        this.facts = facts;
        this.notes = notes;
    }

    /** The mode; empty, with a note, when it cannot be built. */
    Optional<Mode> read(GeometryTree geometries, Optional<Integer> personality) {
        try {
            Map<String, List<GeometryInstance>> instances = geometries
                    .instances(element.attribute("Geometry"), name)
                    .orElseThrow(() -> new ModeRefusedException("its geometries repeat too often"));
            List<ChannelReader> readers = element.path("DMXChannels", "DMXChannel").stream()
                    .limit(MOST_CHANNELS + 1L)
                    .map(e -> new ChannelReader(e, name, facts, notes))
                    .toList();
            Optional<String> own = element.attribute("Geometry");
            hasGeometry = own.filter(geometries::has).isPresent();
            if (!hasGeometry) {
                notes.add(Kind.MODE_GEOMETRY_UNKNOWN, name, element.line(), own.orElse(""));
            }
            MasterLinks masters = new MasterLinks(readers);
            for (ChannelReader reader : readers) {
                add(reader, masters, geometries, instances);
            }
            return Optional.of(mode(personality));
        } catch (ModeRefusedException | IllegalArgumentException e) {
            notes.add(Kind.MODE_LEFT_OUT, name, element.line(), String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private void add(
            ChannelReader reader,
            MasterLinks masters,
            GeometryTree geometries,
            Map<String, List<GeometryInstance>> instances)
            throws ModeRefusedException {
        Optional<List<Integer>> offsets = reader.offsets();
        if (offsets.isEmpty()) {
            return;
        }
        int bytes = offsets.get().isEmpty() ? 4 : offsets.get().size();
        Attribute attribute = reader.attribute();
        List<ChannelFunction> functions = reader.functions(bytes, masters);
        long rest = reader.rest(bytes);
        Optional<Long> highlight = reader.highlight(bytes);
        Optional<Integer> dmxBreak = reader.dmxBreak();
        for (GeometryInstance at : places(reader, geometries, instances)) {
            if (++channels > MOST_CHANNELS) {
                throw new ModeRefusedException("it has more than " + MOST_CHANNELS + " channels");
            }
            int number = dmxBreak.or(at::overwrite).orElse(1);
            int shift = at.shift(number);
            List<Integer> moved = offsets.get().stream().map(o -> o + shift).toList();
            if (moved.stream().anyMatch(o -> o > 512)) {
                throw new ModeRefusedException(attribute + " would take slot "
                        + moved.stream().max(Integer::compare).orElse(0));
            }
            put(reader, number, new Channel(attribute, at.part(), moved, rest, highlight, functions));
        }
    }

    private List<GeometryInstance> places(
            ChannelReader reader, GeometryTree geometries, Map<String, List<GeometryInstance>> instances) {
        String geometry = reader.geometry().orElse("");
        List<GeometryInstance> places = instances.getOrDefault(geometry, List.of());
        if (!places.isEmpty()) {
            return places;
        }
        // Where the mode's own geometry is missing, that one note says it of all its channels.
        if (hasGeometry) {
            Kind kind = geometries.hasAnywhere(geometry) ? Kind.GEOMETRY_ELSEWHERE : Kind.GEOMETRY_UNKNOWN;
            notes.add(kind, reader.where(), reader.line(), geometry);
        }
        return List.of(GeometryInstance.ROOT);
    }

    private void put(ChannelReader reader, int number, Channel channel) {
        if (channel.isVirtual()) {
            virtual.add(channel);
            breakOfVirtual.put(channel, number);
            return;
        }
        Map<Integer, String> taken = takenBy.computeIfAbsent(number, b -> new HashMap<>());
        String words = channel.attribute() + (channel.part().equals(Part.WHOLE) ? "" : " of " + channel.part());
        for (int offset : channel.offsets()) {
            String other = taken.get(offset);
            if (other != null) {
                notes.add(
                        Kind.SLOT_TWICE,
                        reader.where(),
                        reader.line(),
                        offset + " is claimed by " + other + " and by " + words);
                return;
            }
        }
        channel.offsets().forEach(o -> taken.put(o, words));
        byBreak.computeIfAbsent(number, b -> new ArrayList<>()).add(channel);
    }

    private Mode mode(Optional<Integer> personality) throws ModeRefusedException {
        if (byBreak.isEmpty()) {
            throw new ModeRefusedException("it has no channel with a slot");
        }
        int first = byBreak.keySet().iterator().next();
        for (Channel channel : virtual) {
            int number = breakOfVirtual.getOrDefault(channel, first);
            byBreak.getOrDefault(byBreak.containsKey(number) ? number : first, List.of())
                    .add(channel);
        }
        List<Block> blocks = new ArrayList<>();
        for (List<Channel> inBreak : byBreak.values()) {
            FactsFile.BlockWords words =
                    facts.block(name, blocks.size()).orElseGet(() -> words(inBreak, blocks.size()));
            blocks.add(new Block(words.name(), inBreak, words.needs()));
        }
        return new Mode(facts.mode(name), personality, blocks, List.copyOf(byBreak.keySet()));
    }

    /** GDTF gives breaks no names. A break that holds one part alone is called by it. */
    private FactsFile.BlockWords words(List<Channel> inBreak, int index) {
        List<String> parts =
                inBreak.stream().map(c -> c.part().toString()).distinct().collect(Collectors.toList());
        String only = parts.size() == 1 ? parts.get(0) : "";
        String otherwise = byBreak.size() == 1 || index == 0 ? "Main" : "Block " + (index + 1);
        String own = only.isEmpty()
                ? otherwise
                : only.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + only.substring(1);
        return new FactsFile.BlockWords(byBreak.size() == 1 ? "Main" : own, "");
    }
}
