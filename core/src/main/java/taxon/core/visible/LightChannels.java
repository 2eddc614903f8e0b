package taxon.core.visible;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import taxon.core.fixture.Channel;
import taxon.core.fixture.Part;

/** Which channels have a say in whether there is light. */
final class LightChannels {
    private static final Pattern EMITTER = Pattern.compile("ColorAdd_\\w+|ColorRGB_(Red|Green|Blue)");
    private static final Pattern SHUTTER = Pattern.compile("Shutter\\d*|Iris|BlackoutMode|LampControl");
    private static final Set<String> INTENSITIES = Set.of("Dimmer", "HSB_Brightness", "CIE_Brightness");
    private static final Set<String> FILTERS = Set.of("ColorSub_C", "ColorSub_M", "ColorSub_Y");
    private static final Pattern CLOSED = Pattern.compile("(?i).*\\b(closed?|shut|blackout|lamp off|off)\\b.*");
    private static final Pattern OPEN = Pattern.compile("(?i).*\\b(open|lamp on|on|no function)\\b.*");

    private LightChannels() {}

    private static String name(Channel channel) {
        return channel.attribute().name();
    }

    static boolean isIntensity(Channel channel) {
        return INTENSITIES.contains(name(channel));
    }

    static boolean isEmitter(Channel channel) {
        return EMITTER.matcher(name(channel)).matches();
    }

    static boolean isFilter(Channel channel) {
        return FILTERS.contains(name(channel));
    }

    static boolean isShutter(Channel channel) {
        return SHUTTER.matcher(name(channel)).matches();
    }

    /** Manuals say "closed", "blackout" or "off"; "open" beside it is no closing ("open, then closed" is a pulse). */
    static boolean isClosed(String run) {
        String words = run.toLowerCase(Locale.ROOT);
        return CLOSED.matcher(words).matches() && !OPEN.matcher(words).matches();
    }

    static boolean isOpen(String run) {
        return OPEN.matcher(run).matches() && !CLOSED.matcher(run).matches();
    }

    /** True for the part itself, and for what it is a part of. */
    static boolean reaches(Part of, Part part) {
        return of.kind() == Part.Kind.WHOLE
                || of.kind() == part.kind()
                        && of.path().size() <= part.path().size()
                        && of.path().equals(part.path().subList(0, of.path().size()));
    }

    /** True for a channel that makes its part one that gives light. */
    static boolean givesLight(Channel channel) {
        return isIntensity(channel) || isEmitter(channel);
    }

    /** Those of these channels that have a say in a part. */
    static List<Channel> reaching(List<Channel> channels, Part part) {
        return channels.stream().filter(c -> reaches(c.part(), part)).toList();
    }
}
