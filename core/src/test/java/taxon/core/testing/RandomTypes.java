package taxon.core.testing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import taxon.core.dmx.AddressSwitches;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Levels;
import taxon.core.fixture.MenuSetting;
import taxon.core.fixture.MenuStep;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;

/** Types at random from a seed, with everything that a type can have. */
public final class RandomTypes {
    /** Names as manuals print them, with every sign that means something in a sheet or a link. */
    private static final List<String> ODD = List.of(
            "50 Hz",
            "Red 2",
            "Pan/Tilt & zoom = both",
            "0-127",
            "[slow] to [fast]",
            "“quoted”",
            "3/4\"",
            "\"",
            "= 12",
            ": first",
            "a; b",
            "~ none",
            "name, personality 3",
            "name, break 2",
            "rest 40",
            "1 to 25",
            "when Gobo1 0-127",
            "44-channel, 38 slots",
            "> inner",
            "# remark",
            "Mode: x",
            "Virtual",
            "12 ) twelve");

    private static final List<String> CONNECTORS = List.of("XLR5", "XLR3", "RJ45");

    private final Random random;

    private RandomTypes(long seed) {
        random = new Random(seed);
    }

    public static FixtureType of(long seed) {
        return new RandomTypes(seed).type(seed);
    }

    private FixtureType type(long seed) {
        List<Mode> modes = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(4); i++) {
            modes.add(mode(i + 1));
        }
        Facts facts = new Facts(
                pick(List.of(Facts.Hazard.values())),
                pick(List.of(Facts.Reach.values())),
                CONNECTORS.subList(0, random.nextInt(3)),
                CONNECTORS.subList(0, random.nextInt(3)),
                random.nextInt(65),
                random.nextBoolean() ? Optional.empty() : Optional.of(pick(List.of(AddressSwitches.Counting.values()))),
                remote(modes),
                guide(seed, modes, random.nextBoolean() ? "" : "Menu › DMX: on & <kept>"));
        String name = "Type " + seed;
        return new FixtureType(
                TypeId.named("Random", name),
                new java.util.UUID(random.nextLong(), random.nextLong()),
                "Random",
                name,
                "T" + Math.abs(seed % 10_000),
                random.nextBoolean() ? "" : "The whole name of " + seed,
                random.nextBoolean() ? "" : "rev " + random.nextInt(9),
                facts,
                modes);
    }

    private static SettingGuide guide(long seed, List<Mode> modes, String before) {
        return seed % 3 == 0
                ? SettingGuide.first(before)
                : new SettingGuide(
                        before,
                        MenuStep.lines("Setup › Mode {number}\nSetup › Start {address}\n{universe 2} & {address 2}"),
                        seed % 2 == 0 ? "" : "hold ↵",
                        "start 1",
                        seed % 5 == 0
                                ? Optional.of(new SettingGuide.TenthSwitch(
                                        new TreeSet<>(List.of(modes.get(0).name()))))
                                : Optional.empty(),
                        List.of(
                                new MenuSetting("white point", "Colour › White", "6500 K", List.of("<5600 K>")),
                                new MenuSetting("fan", "", "", List.of())),
                        seed % 7 == 0 ? Optional.of(4) : Optional.empty());
    }

    private RemoteManagement remote(List<Mode> modes) {
        return switch (random.nextInt(3)) {
            case 0 -> RemoteManagement.NONE;
            case 1 -> RemoteManagement.ANSWERS;
            default ->
                new RemoteManagement(
                        true,
                        Optional.of(random.nextInt(65_536)),
                        random.nextBoolean() ? Optional.empty() : Optional.of(random.nextInt(65_536)),
                        List.of(
                                new RemoteManagement.Software(7, new TreeMap<>(Map.of(1, "Long gone"))),
                                software(modes)));
        };
    }

    private RemoteManagement.Software software(List<Mode> modes) {
        TreeMap<Integer, String> numbered = new TreeMap<>();
        modes.forEach(m -> m.personality().ifPresent(p -> numbered.put(p, m.name())));
        return new RemoteManagement.Software(0x0102_0304L, numbered);
    }

    /** The plain name, or an odd one; the number keeps names of one kind apart. */
    private String odd(String plain, int number) {
        return random.nextInt(3) > 0 ? plain : pick(ODD) + " " + number;
    }

    private Mode mode(int number) {
        List<Block> blocks = new ArrayList<>();
        List<Integer> breaks = new ArrayList<>();
        int last = 0;
        for (int i = 0; i < 1 + random.nextInt(3); i++) {
            blocks.add(block(i + 1));
            last += random.nextInt(4) == 0 ? 2 : 1;
            breaks.add(last);
        }
        Optional<Integer> personality = random.nextBoolean() ? Optional.of(number) : Optional.empty();
        return new Mode(odd("Mode " + number + " “µ”", number), personality, blocks, breaks);
    }

    private Block block(int number) {
        List<Channel> channels = new ArrayList<>();
        List<Integer> slots = slots();
        int parts = random.nextInt(4);
        int next = 0;
        for (int i = 0; next < slots.size(); i++) {
            int width = Math.min(slots.size() - next, 1 + random.nextInt(4));
            Part part = parts == 0 ? Part.WHOLE : part(parts, i);
            channels.add(channel(part, slots.subList(next, next + width)));
            next += width;
        }
        if (random.nextBoolean()) {
            channels.add(cells(channels));
        }
        if (random.nextInt(3) == 0) {
            channels.add(channel(Part.WHOLE, List.of()));
        }
        return new Block(
                odd("Block " + number, number), channels, random.nextBoolean() ? "" : "Module " + number + ": on");
    }

    /** Slots out of order and with gaps, now and then; the last one stays free for a cell. */
    private List<Integer> slots() {
        int count = 1 + random.nextInt(30);
        List<Integer> slots = new ArrayList<>(IntStream.rangeClosed(1, 500)
                .filter(i -> i <= count || random.nextInt(100) == 0)
                .limit(count)
                .boxed()
                .toList());
        if (random.nextInt(3) == 0) {
            java.util.Collections.shuffle(slots, random);
        }
        return slots;
    }

    private Part part(int kind, int index) {
        return switch (kind) {
            case 1 -> Part.cell(1 + index % 5);
            case 2 -> Part.layer(1 + index % 3);
            default -> Part.cell(1 + index % 2, 1 + index % 3);
        };
    }

    private Channel cells(List<Channel> taken) {
        int last = taken.stream().mapToInt(Channel::lastOffset).max().orElse(0);
        return Channel.plain(attribute(), Part.cell(1), List.of(last + 1), 7);
    }

    private Channel channel(Part part, List<Integer> offsets) {
        int bytes = offsets.isEmpty() ? Levels.MOST_BYTES : offsets.size();
        Attribute attribute = attribute();
        return new Channel(
                attribute,
                part,
                offsets,
                value(bytes),
                random.nextBoolean() ? Optional.empty() : Optional.of(value(bytes)),
                functions(attribute, bytes));
    }

    private List<ChannelFunction> functions(Attribute attribute, int bytes) {
        List<ChannelFunction> functions = new ArrayList<>();
        long from = 0;
        for (int i = 0; i < random.nextInt(4); i++) {
            functions.add(function(i, random.nextBoolean() ? attribute : attribute(), from, bytes, Optional.empty()));
            from += 2 + random.nextInt(40);
        }
        if (!functions.isEmpty() && random.nextInt(3) == 0) {
            functions.add(function(9, attribute, 0, bytes, Optional.of(condition())));
        }
        return functions;
    }

    private ChannelFunction function(
            int number, Attribute attribute, long from, int bytes, Optional<Condition> condition) {
        List<RangeSet> sets = new ArrayList<>();
        if (random.nextInt(3) == 0) {
            sets.add(new RangeSet(odd("First", 1), from, Optional.empty()));
            sets.add(new RangeSet("", from + 1, Optional.of(new PhysicalRange(-0.25, 3.5))));
        }
        PhysicalRange physical = random.nextBoolean()
                ? PhysicalRange.UNIT
                : new PhysicalRange(random.nextInt(600) - 300, random.nextDouble() * 10_000);
        return new ChannelFunction(
                odd("Run " + number, number), attribute, from, value(bytes), physical, sets, condition);
    }

    private Condition condition() {
        int bytes = 1 + random.nextInt(Levels.MOST_BYTES);
        long from = (long) (random.nextDouble() * Levels.most(bytes));
        long to = from + (long) (random.nextDouble() * (Levels.most(bytes) - from));
        return new Condition(attribute(), random.nextBoolean() ? "" : odd("Run 0", 0), from, to, bytes);
    }

    private long value(int bytes) {
        return random.nextInt(3) == 0 ? 0 : (long) (random.nextDouble() * Levels.most(bytes));
    }

    private Attribute attribute() {
        if (random.nextInt(12) == 0) {
            return Attribute.of("OwnThing" + random.nextInt(3));
        }
        String pattern = pick(AttributeBook.entries()).pattern();
        return Attribute.of(
                pattern.replace("(n)", String.valueOf(1 + random.nextInt(3))).replace("(m)", "2"));
    }

    private <T> T pick(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }
}
