package taxon.core.visible;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.fixture.ChannelFunction;
import taxon.core.fixture.Levels;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.PhysicalRange;
import taxon.core.fixture.RangeSet;
import taxon.core.seen.ChannelReading;

/** What keeps a unit dark and what makes it visible, by the runs of its values (common practice). */
class VisibilityTest {
    private static Channel plain(String attribute, Part part, int slot) {
        return Channel.plain(Attribute.of(attribute), part, List.of(slot), 0);
    }

    private static Channel shutter(int slot) {
        ChannelFunction closed = ChannelFunction.plain("Closed", Attribute.of("Shutter1"), 0);
        ChannelFunction open = ChannelFunction.plain("Open", Attribute.of("Shutter1"), 32);
        ChannelFunction strobe = ChannelFunction.plain("Strobe", Attribute.of("Shutter1Strobe"), 64);
        ChannelFunction pulse = ChannelFunction.plain("Opening, closing", Attribute.of("Shutter1StrobePulse"), 128);
        return new Channel(
                Attribute.of("Shutter1"),
                Part.WHOLE,
                List.of(slot),
                0,
                Optional.empty(),
                List.of(closed, open, strobe, pulse));
    }

    private static Mode mode(Channel... channels) {
        return new Mode("Mode", Optional.empty(), List.of(new Block("Main", List.of(channels), "")));
    }

    private static List<Light> lights(Mode mode, int... levels) {
        List<ChannelReading> readings = new ArrayList<>();
        mode.blocks().forEach(b -> readings.addAll(ChannelReading.of(b, o -> o <= levels.length ? levels[o - 1] : 0)));
        return Visibility.of(readings);
    }

    private static String words(Mode mode, int... levels) {
        return DarkText.of(lights(mode, levels));
    }

    @Test
    void aColourThatIsUpStaysDarkWhileItsIntensityIsAtNothing() {
        Mode mode = mode(
                plain("Dimmer", Part.WHOLE, 1), plain("ColorAdd_R", Part.WHOLE, 2), plain("ColorAdd_G", Part.WHOLE, 3));
        assertThat(words(mode, 0, 255, 0)).isEqualTo("Dark: intensity is at nothing.");
        assertThat(words(mode, 255, 0, 0)).isEqualTo("Dark: no colour is up (red and green).");
        assertThat(words(mode, 0, 0, 0)).isEqualTo("Dark: intensity is at nothing; no colour is up (red and green).");
        assertThat(words(mode, 1, 0, 1)).isEmpty();
    }

    @Test
    void aClosedShutterIsCalledByItsName() {
        Mode mode = mode(plain("Dimmer", Part.WHOLE, 1), shutter(2));
        assertThat(words(mode, 255, 31)).isEqualTo("Dark: shutter is at \"Closed\".");
        for (int open : new int[] {32, 64, 128, 255}) {
            assertThat(words(mode, 255, open)).as("shutter at %s", open).isEmpty();
        }
    }

    @Test
    void aLayerIsDarkWhileWhatStandsAboveItIsAtNothing() {
        Mode mode = new Mode(
                "Layers",
                Optional.empty(),
                List.of(
                        new Block("Master", List.of(plain("Dimmer", Part.WHOLE, 1)), ""),
                        new Block("Layer 1", List.of(plain("Dimmer", Part.layer(1), 1)), ""),
                        new Block("Layer 2", List.of(plain("Dimmer", Part.layer(2), 1)), "")));
        List<ChannelReading> readings = new ArrayList<>();
        int[] levels = {0, 255, 0};
        for (int i = 0; i < 3; i++) {
            int level = levels[i];
            readings.addAll(ChannelReading.of(mode.blocks().get(i), o -> level));
        }
        List<Light> lights = Visibility.of(readings);
        assertThat(lights).extracting(Light::part).containsExactly(Part.layer(1), Part.layer(2));
        assertThat(lights.get(0).dark())
                .hasOnlyElementsOfType(Dark.MasterDown.class)
                .hasSize(1);
        assertThat(lights.get(1).dark()).hasSize(2);
        assertThat(DarkText.of(lights))
                .isEqualTo(
                        "All of it is dark: intensity, which stands above it, is at nothing; others for other reasons.");
    }

    @Test
    void ofCellsTheDarkOnesAreNamed() {
        Mode mode = mode(
                plain("ColorAdd_R", Part.cell(1), 1),
                plain("ColorAdd_R", Part.cell(2), 2),
                plain("ColorAdd_R", Part.cell(3), 3));
        assertThat(words(mode, 9, 0, 9)).isEqualTo("Dark: cell 2: no colour is up (red cell 2).");
        assertThat(words(mode, 0, 0, 0)).isEqualTo("All of it is dark: no colour is up (red cell 1).");
        assertThat(words(mode, 9, 9, 9)).isEmpty();
    }

    @Test
    void threeFiltersThatAreAllTheWayInLetNothingPass() {
        Mode mode = mode(
                plain("Dimmer", Part.WHOLE, 1),
                plain("ColorSub_C", Part.WHOLE, 2),
                plain("ColorSub_M", Part.WHOLE, 3),
                plain("ColorSub_Y", Part.WHOLE, 4));
        assertThat(words(mode, 255, 255, 255, 255)).isEqualTo("Dark: all filters are in (cyan, magenta and yellow).");
        assertThat(words(mode, 255, 255, 255, 254)).isEmpty();
    }

    @Test
    void anIntensityThatRunsBackwardsIsDarkAtItsHighest() {
        ChannelFunction backwards = new ChannelFunction(
                "Dimmer",
                Attribute.of("Dimmer"),
                0,
                0,
                new PhysicalRange(100, 0),
                List.<RangeSet>of(),
                Optional.empty());
        Mode mode = mode(
                new Channel(Attribute.of("Dimmer"), Part.WHOLE, List.of(1), 0, Optional.empty(), List.of(backwards)));
        assertThat(words(mode, 255)).isEqualTo("Dark: intensity is at nothing.");
        assertThat(words(mode, 0)).isEmpty();
        assertThat(Recipe.of(mode, Part.WHOLE)).extracting(RecipeStep::value).containsExactly(0L);
    }

    @Test
    void ofWhatGivesNoLightNothingIsSaid() {
        Mode mode = mode(plain("Fog1", Part.WHOLE, 1), plain("Pan", Part.WHOLE, 2));
        assertThat(lights(mode, 0, 0)).isEmpty();
        assertThat(Recipe.of(mode, Part.WHOLE)).isEmpty();
    }

    @Test
    void aShutterOfWhichNothingIsWrittenIsLeftAlone() {
        Mode mode = mode(plain("Dimmer", Part.WHOLE, 1), plain("Shutter1", Part.WHOLE, 2));
        assertThat(words(mode, 255, 0)).isEmpty();
        assertThat(Recipe.of(mode, Part.WHOLE))
                .extracting(s -> s.channel().attribute().name())
                .containsExactly("Dimmer");
    }

    /** On random units: with the recipe nothing that is known keeps the part dark, and with any one intensity of it at 0 something does. */
    @Test
    void theRecipeMakesAPartVisibleAndEachIntensityOfItIsNeeded() {
        Random random = new Random(17);
        for (int round = 0; round < 500; round++) {
            Mode mode = random(random);
            int[] rest = new int[512];
            mode.channels().forEach(c -> put(rest, c, c.rest()));
            for (Light light : lights(mode, rest)) {
                int[] levels = rest.clone();
                List<RecipeStep> recipe = Recipe.of(mode, light.part());
                recipe.forEach(s -> put(levels, s.channel(), s.value()));
                assertThat(dark(mode, light.part(), levels))
                        .as("%s %s", mode, light.part())
                        .isEmpty();
                for (RecipeStep step : recipe) {
                    if (step.channel().attribute().name().equals("Dimmer")) {
                        int[] without = levels.clone();
                        put(without, step.channel(), 0);
                        assertThat(dark(mode, light.part(), without)).hasSize(1);
                    }
                }
            }
        }
    }

    private static List<Dark> dark(Mode mode, Part part, int[] levels) {
        return lights(mode, levels).stream()
                .filter(l -> l.part().equals(part))
                .findFirst()
                .orElseThrow()
                .dark();
    }

    private static void put(int[] levels, Channel channel, long value) {
        for (int i = 0; i < channel.offsets().size(); i++) {
            levels[channel.offsets().get(i) - 1] = Levels.byteAt(value, channel.bytes(), i);
        }
    }

    private static Mode random(Random random) {
        List<Channel> channels = new ArrayList<>();
        int slot = 1;
        List<Part> parts = new ArrayList<>(List.of(Part.WHOLE));
        for (int cell = 1; cell <= random.nextInt(4); cell++) {
            parts.add(Part.cell(cell));
        }
        if (random.nextBoolean()) {
            channels.add(shutter(slot++));
        }
        for (Part part : parts) {
            for (String attribute : Arrays.asList(
                    "Dimmer", "ColorAdd_R", "ColorAdd_B", "ColorSub_C", "ColorSub_M", "ColorSub_Y", "Pan", "Zoom")) {
                if (random.nextInt(3) == 0) {
                    int bytes = 1 + random.nextInt(2);
                    List<Integer> offsets = bytes == 1 ? List.of(slot) : List.of(slot, slot + 1);
                    channels.add(Channel.plain(
                            Attribute.of(attribute), part, offsets, random.nextLong(Levels.most(bytes) + 1)));
                    slot += bytes;
                }
            }
        }
        if (channels.isEmpty()) {
            channels.add(plain("Dimmer", Part.WHOLE, slot));
        }
        return mode(channels.toArray(Channel[]::new));
    }

    @Test
    void whatAUnitNeedsBesidesLevelsIsSaid() {
        Block layer = new Block(
                "Layer 1", List.of(plain("Dimmer", Part.layer(1), 1), plain("MediaContent1", Part.layer(1), 2)), "");
        Block addOn = new Block("Shutter add-on", List.of(plain("Shutter1", Part.WHOLE, 1)), "shutter module: on");
        assertThat(Needs.of(new Mode("both", Optional.empty(), List.of(layer, addOn))))
                .containsExactly(
                        "It shows what is played: choose media content.",
                        "Shutter add-on needs a setting in the unit: shutter module: on.");
        assertThat(Needs.of(mode(plain("Dimmer", Part.WHOLE, 1)))).isEmpty();
    }

    private static Glow glow(Mode mode, int... levels) {
        List<ChannelReading> readings = new ArrayList<>();
        mode.blocks().forEach(b -> readings.addAll(ChannelReading.of(b, o -> o <= levels.length ? levels[o - 1] : 0)));
        return Glow.of(readings);
    }

    @Test
    void aUnitGlowsInItsColourAsBrightAsItIsAndNotAtAllWhenItIsDark() {
        Mode mode = mode(
                plain("Dimmer", Part.WHOLE, 1),
                plain("ColorAdd_R", Part.WHOLE, 2),
                plain("ColorAdd_G", Part.WHOLE, 3),
                plain("Pan", Part.WHOLE, 4));
        assertThat(glow(mode, 255, 255, 0, 0)).isEqualTo(new Glow(255, 0, 0, Optional.of(0.0), Optional.empty()));
        assertThat(glow(mode, 51, 255, 255, 255)).isEqualTo(new Glow(51, 51, 0, Optional.of(100.0), Optional.empty()));
        assertThat(glow(mode, 0, 255, 255, 0).red()).isZero();
        Mode white = mode(shutter(1), plain("Dimmer", Part.WHOLE, 2), plain("ColorSub_C", Part.WHOLE, 3));
        assertThat(glow(white, 32, 255, 0).red()).isEqualTo(255);
        assertThat(glow(white, 32, 255, 255).red()).isZero();
        assertThat(glow(white, 32, 255, 255).green()).isEqualTo(255);
        assertThat(glow(white, 0, 255, 0).green()).as("closed").isZero();
    }
}
