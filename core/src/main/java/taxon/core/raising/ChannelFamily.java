package taxon.core.raising;

import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Channel;

/** Channels that are raised together, by the feature group that GDTF gives their attribute (DIN SPEC 15800, Annex A, from memory). */
public enum ChannelFamily {
    INTENSITY("intensity"),
    POSITION("position"),
    COLOUR("colour"),
    /** What shapes the light: shutter, zoom, focus, gobos, blades. */
    BEAM("beam"),
    CONTROL("control");

    private final String words;

    ChannelFamily(String words) {
        this.words = words;
    }

    /** As people say it. */
    public String words() {
        return words;
    }

    /** The family of a channel. */
    public static ChannelFamily of(Channel channel) {
        return switch (AttributeBook.describe(channel.attribute()).featureGroup()) {
            case "Dimmer" -> INTENSITY;
            case "Position" -> POSITION;
            case "Color" -> COLOUR;
            case "Beam", "Focus", "Gobo", "Shapers" -> BEAM;
            default -> CONTROL;
        };
    }
}
