package taxon.core.visible;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Part;
import taxon.core.seen.ChannelReading;

/** Tells which parts of a unit are dark, and by what. */
public final class Visibility {
    private static final int ALL_FILTERS = 3;
    private static final double ALL_THE_WAY = 100;

    private Visibility() {}

    /**
     * Each part of a unit that gives light.
     *
     * @param readings of all blocks of the unit, as they are told now
     * @return none for a unit whose channels say nothing of light
     */
    public static List<Light> of(List<ChannelReading> readings) {
        return parts(readings).stream()
                .map(p -> new Light(p, dark(readings, p)))
                .toList();
    }

    /** True for a channel of which more is brighter: an intensity or an emitter. */
    public static boolean givesLight(Channel channel) {
        return LightChannels.givesLight(channel);
    }

    /** The innermost parts that give light: what has cells gives none beside theirs. */
    private static List<Part> parts(List<ChannelReading> readings) {
        TreeSet<Part> lit = readings.stream()
                .map(ChannelReading::channel)
                .filter(LightChannels::givesLight)
                .map(Channel::part)
                .collect(Collectors.toCollection(TreeSet::new));
        return lit.stream()
                .filter(p -> lit.stream().noneMatch(o -> !o.equals(p) && LightChannels.reaches(p, o)))
                .toList();
    }

    private static List<Dark> dark(List<ChannelReading> readings, Part part) {
        List<ChannelReading> reaching = readings.stream()
                .filter(r -> LightChannels.reaches(r.channel().part(), part))
                .toList();
        List<Dark> dark = new ArrayList<>();
        reaching.forEach(r -> byItself(r, part).ifPresent(dark::add));
        List<ChannelReading> emitters = of(reaching, LightChannels::isEmitter);
        if (!emitters.isEmpty() && emitters.stream().allMatch(r -> r.value() == 0)) {
            dark.add(new Dark.NoColour(channels(emitters)));
        }
        List<ChannelReading> filters = of(reaching, LightChannels::isFilter);
        if (filters.size() >= ALL_FILTERS && filters.stream().allMatch(r -> r.percent() == ALL_THE_WAY)) {
            dark.add(new Dark.AllFilters(channels(filters)));
        }
        return dark;
    }

    private static List<ChannelReading> of(List<ChannelReading> readings, Predicate<Channel> which) {
        return readings.stream().filter(r -> which.test(r.channel())).toList();
    }

    private static List<Channel> channels(List<ChannelReading> readings) {
        return readings.stream().map(ChannelReading::channel).toList();
    }

    private static Optional<Dark> byItself(ChannelReading reading, Part part) {
        Channel channel = reading.channel();
        if (LightChannels.isIntensity(channel) && isNothing(reading)) {
            return Optional.of(
                    channel.part().equals(part) ? new Dark.IntensityDown(channel) : new Dark.MasterDown(channel));
        }
        return LightChannels.isShutter(channel) ? closed(reading) : Optional.empty();
    }

    private static Optional<Dark> closed(ChannelReading reading) {
        String function = reading.function().map(f -> f.name()).orElse("");
        String step = reading.step().map(s -> s.name()).orElse("");
        String run = step.isBlank() ? function : step;
        return LightChannels.isClosed(run) ? Optional.of(new Dark.Closed(reading.channel(), run)) : Optional.empty();
    }

    /** An intensity that runs backwards is at nothing where its physical value is. */
    private static boolean isNothing(ChannelReading reading) {
        return reading.physical().map(p -> p == 0).orElse(reading.value() == 0);
    }
}
