package taxon.core.visible;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import taxon.core.fixture.Part;
import taxon.core.seen.ChannelReading;

/**
 * How a unit looks from afar: a rough colour and where its head points. The colours of emitters are common practice, not measured.
 *
 * @param red 0 to 255; green and blue likewise; 0, 0, 0 for a unit that is dark
 * @param pan in hundredths of its way; empty where it has none
 * @param tilt likewise
 */
public record Glow(int red, int green, int blue, Optional<Double> pan, Optional<Double> tilt) {
    private static final int MOST = 255;
    private static final double HUNDRED = 100;

    private static final Map<String, double[]> EMITTERS = Map.ofEntries(
            Map.entry("ColorAdd_R", rgb(255, 0, 0)),
            Map.entry("ColorAdd_G", rgb(0, 255, 0)),
            Map.entry("ColorAdd_B", rgb(0, 0, 255)),
            Map.entry("ColorRGB_Red", rgb(255, 0, 0)),
            Map.entry("ColorRGB_Green", rgb(0, 255, 0)),
            Map.entry("ColorRGB_Blue", rgb(0, 0, 255)),
            Map.entry("ColorAdd_RY", rgb(255, 160, 0)),
            Map.entry("ColorAdd_GY", rgb(190, 255, 0)),
            Map.entry("ColorAdd_C", rgb(0, 255, 255)),
            Map.entry("ColorAdd_M", rgb(255, 0, 255)),
            Map.entry("ColorAdd_Y", rgb(255, 255, 0)),
            Map.entry("ColorAdd_UV", rgb(90, 0, 200)),
            Map.entry("ColorAdd_WW", rgb(255, 210, 150)));

    /** Which of red, green and blue a filter takes away. */
    private static final List<String> FILTERS = List.of("ColorSub_C", "ColorSub_M", "ColorSub_Y");

    private static double[] rgb(int red, int green, int blue) {
        return new double[] {red, green, blue};
    }

    /** Of all blocks of a unit, as they are told now: the mean of its parts. */
    public static Glow of(List<ChannelReading> readings) {
        List<Light> lights = Visibility.of(readings);
        double[] sum = new double[3];
        for (Light light : lights) {
            double[] colour = light.isDark() ? new double[3] : colour(reaching(readings, light.part()));
            for (int i = 0; i < sum.length; i++) {
                sum[i] += colour[i] / lights.size();
            }
        }
        return new Glow(whole(sum[0]), whole(sum[1]), whole(sum[2]), way(readings, "Pan"), way(readings, "Tilt"));
    }

    private static int whole(double value) {
        return (int) Math.round(Math.max(0, Math.min(MOST, value)));
    }

    private static List<ChannelReading> reaching(List<ChannelReading> readings, Part part) {
        return readings.stream()
                .filter(r -> LightChannels.reaches(r.channel().part(), part))
                .toList();
    }

    private static double[] colour(List<ChannelReading> readings) {
        double[] colour = mixed(readings);
        double bright = 1;
        for (ChannelReading reading : readings) {
            int filter = FILTERS.indexOf(name(reading));
            if (filter >= 0) {
                colour[filter] *= 1 - share(reading);
            }
            if (LightChannels.isIntensity(reading.channel())) {
                bright *= share(reading);
            }
        }
        for (int i = 0; i < colour.length; i++) {
            colour[i] *= bright;
        }
        return colour;
    }

    /** White where nothing is mixed; what is mixed is brought back to the brightest that there is. */
    private static double[] mixed(List<ChannelReading> readings) {
        double[] colour = new double[3];
        double most = 0;
        boolean mixes = false;
        for (ChannelReading reading : readings) {
            if (LightChannels.isEmitter(reading.channel())) {
                mixes = true;
                double[] own = EMITTERS.getOrDefault(name(reading), rgb(MOST, MOST, MOST));
                for (int i = 0; i < colour.length; i++) {
                    colour[i] += own[i] * share(reading);
                    most = Math.max(most, colour[i]);
                }
            }
        }
        if (!mixes) {
            return rgb(MOST, MOST, MOST);
        }
        for (int i = 0; i < colour.length && most > MOST; i++) {
            colour[i] *= MOST / most;
        }
        return colour;
    }

    private static String name(ChannelReading reading) {
        return reading.channel().attribute().name();
    }

    private static double share(ChannelReading reading) {
        return reading.percent() / HUNDRED;
    }

    private static Optional<Double> way(List<ChannelReading> readings, String axis) {
        return readings.stream().filter(r -> name(r).equals(axis)).findFirst().map(ChannelReading::percent);
    }
}
