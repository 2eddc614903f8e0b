package taxon.core.visible;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.RangeSet;

/**
 * What makes a part of a unit visible in white: its shutters open, its intensities and those above it up, its emitters up, its filters
 * out. Where the type says by which value a channel is found easily, that value. All other channels stay at rest.
 */
public final class Recipe {
    private Recipe() {}

    /** For one part of a unit in a mode; the channels that need to be other than at rest, and those that are right at rest. */
    public static List<RecipeStep> of(Mode mode, Part part) {
        List<Channel> channels = mode.channels().filter(c -> !c.isVirtual()).toList();
        return LightChannels.reaching(channels, part).stream()
                .flatMap(c -> step(c).stream())
                .toList();
    }

    private static Optional<RecipeStep> step(Channel channel) {
        if (LightChannels.isShutter(channel)) {
            return open(channel);
        }
        if (LightChannels.isIntensity(channel)) {
            return Optional.of(new RecipeStep(channel, brightest(channel), ""));
        }
        if (LightChannels.isEmitter(channel)) {
            return Optional.of(new RecipeStep(channel, channel.highlight().orElse(Levels.most(channel.bytes())), ""));
        }
        return LightChannels.isFilter(channel) ? Optional.of(new RecipeStep(channel, 0, "")) : Optional.empty();
    }

    /** Where an intensity runs backwards, its lowest value; else what finds it easily, else its highest. */
    private static long brightest(Channel channel) {
        boolean backwards = channel.functions().size() == 1
                && channel.functions().get(0).physical().from()
                        > channel.functions().get(0).physical().to();
        long most = backwards ? 0 : Levels.most(channel.bytes());
        return channel.highlight().filter(h -> h > 0 && !backwards).orElse(most);
    }

    /** The first run that is called open; the value at rest where that is not called closed; else nothing is known. */
    private static Optional<RecipeStep> open(Channel channel) {
        List<RecipeStep> runs = channel.functions().stream()
                .filter(f -> f.condition().isEmpty())
                .flatMap(f -> runs(channel, f))
                .toList();
        Optional<RecipeStep> resting = runs.stream()
                .filter(r -> r.value() <= channel.rest())
                .reduce((first, second) -> second)
                .filter(r -> !LightChannels.isClosed(r.run()))
                .map(r -> new RecipeStep(channel, channel.rest(), r.run()));
        return runs.stream()
                .filter(r -> LightChannels.isOpen(r.run()))
                .findFirst()
                .or(() -> resting);
    }

    private static Stream<RecipeStep> runs(Channel channel, ChannelFunction function) {
        return function.sets().isEmpty()
                ? Stream.of(new RecipeStep(channel, function.from(), function.name()))
                : function.sets().stream().map(s -> new RecipeStep(channel, s.from(), named(s, function)));
    }

    private static String named(RangeSet set, ChannelFunction function) {
        return set.name().isBlank() ? function.name() : set.name();
    }
}
