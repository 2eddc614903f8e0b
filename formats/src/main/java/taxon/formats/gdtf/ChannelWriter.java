package taxon.formats.gdtf;

import java.util.ArrayList;
import java.util.List;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Condition;
import taxon.core.fixture.RangeSet;
import taxon.formats.gdtf.ModePlan.PlacedChannel;
import taxon.formats.xml.XmlOut;

/** Writes the channels of one mode. */
final class ChannelWriter {
    private final XmlOut xml;
    private final WrittenNames names;
    private final ModePlan plan;

    ChannelWriter(XmlOut xml, WrittenNames names, ModePlan plan) {
        this.xml = xml;
        this.names = names;
        this.plan = plan;
    }

    /** Writes one channel with what its values do. */
    void write(PlacedChannel placed) {
        Channel channel = placed.channel();
        String attribute = names.attribute(channel.attribute());
        int bytes = channel.bytes();
        List<String> functions = channel.functions().isEmpty()
                ? List.of(ChannelReader.defaultName(attribute, 0))
                : names.functions(channel);
        int initial =
                channel.initialFunction().map(channel.functions()::indexOf).orElse(0);
        xml.open(
                "DMXChannel",
                "DMXBreak",
                placed.dmxBreak(),
                "Offset",
                channel.isVirtual()
                        ? "None"
                        : String.join(
                                ",",
                                channel.offsets().stream().map(String::valueOf).toList()),
                "InitialFunction",
                placed.geometry() + "_" + attribute + "." + attribute + "." + functions.get(initial),
                "Highlight",
                channel.highlight().map(h -> DmxValue.write(h, bytes)).orElse("None"),
                "Geometry",
                placed.geometry());
        xml.open(
                "LogicalChannel",
                "Attribute",
                attribute,
                "Snap",
                "No",
                "Master",
                "None",
                "MibFade",
                "0",
                "DMXChangeTimeLimit",
                "0");
        if (channel.functions().isEmpty()) {
            xml.leaf(
                    "ChannelFunction",
                    functionHead(functions.get(0), attribute, 0, channel.rest(), 0, 1, bytes)
                            .toArray());
        }
        for (int i = 0; i < channel.functions().size(); i++) {
            function(channel.functions().get(i), functions.get(i), bytes);
        }
        xml.close().close();
    }

    private static List<Object> functionHead(
            String name, String attribute, long from, long rest, double physicalFrom, double physicalTo, int bytes) {
        return new ArrayList<>(List.of(
                "Name",
                name,
                "Attribute",
                attribute,
                "OriginalAttribute",
                "",
                "DMXFrom",
                DmxValue.write(from, bytes),
                "Default",
                DmxValue.write(rest, bytes),
                "PhysicalFrom",
                physicalFrom,
                "PhysicalTo",
                physicalTo,
                "RealFade",
                "0",
                "RealAcceleration",
                "0"));
    }

    private void function(ChannelFunction function, String name, int bytes) {
        List<Object> head = functionHead(
                name,
                names.attribute(function.attribute()),
                function.from(),
                function.rest(),
                function.physical().from(),
                function.physical().to(),
                bytes);
        function.condition().ifPresent(c -> {
            head.addAll(List.of("ModeMaster", master(c)));
            head.addAll(List.of("ModeFrom", DmxValue.write(c.from(), c.bytes())));
            head.addAll(List.of("ModeTo", DmxValue.write(c.to(), c.bytes())));
        });
        xml.open("ChannelFunction", head.toArray());
        function.sets().forEach(s -> set(s, bytes));
        xml.close();
    }

    /** The link to the channel that decides, or to one of its functions. Where the mode lacks it, the name is kept all the same. */
    private String master(Condition condition) {
        String attribute = names.attribute(condition.master());
        List<PlacedChannel> masters = plan.channels()
                .filter(c -> c.channel().attribute().equals(condition.master()))
                .toList();
        String channel = (masters.isEmpty() ? "Master" : masters.get(0).geometry()) + "_" + attribute;
        return condition.function().isEmpty()
                ? channel
                : channel + "." + attribute + "." + functionName(condition.function(), masters);
    }

    private String functionName(String function, List<PlacedChannel> masters) {
        for (PlacedChannel master : masters) {
            List<ChannelFunction> functions = master.channel().functions();
            for (int i = 0; i < functions.size(); i++) {
                if (functions.get(i).name().equals(function)) {
                    return names.functions(master.channel()).get(i);
                }
            }
        }
        return function;
    }

    private void set(RangeSet set, int bytes) {
        List<Object> attributes =
                new ArrayList<>(List.of("Name", set.name(), "DMXFrom", DmxValue.write(set.from(), bytes)));
        set.physical().ifPresent(p -> attributes.addAll(List.of("PhysicalFrom", p.from(), "PhysicalTo", p.to())));
        xml.leaf("ChannelSet", attributes.toArray());
    }
}
