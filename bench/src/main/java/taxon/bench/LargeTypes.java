package taxon.bench;

import java.util.ArrayList;
import java.util.List;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.library.Source;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeSummary;
import taxon.core.testing.RandomTypes;
import taxon.formats.testing.GdtfByHand;

/** A file and a library of a size that nobody should have to wait for. */
final class LargeTypes {
    static final int TYPES = 10_000;
    static final int MODES = 200;
    static final int CHANNELS = 200;

    private static final String FUNCTION = "<ChannelFunction Name=\"f\" Attribute=\"Dimmer\" DMXFrom=\"0/1\"/>";

    private LargeTypes() {}

    /** 200 modes of 200 channels, every channel with a function and steps as files of makers have them. */
    static byte[] file() {
        return writer().file();
    }

    /** The length of the description inside, in bytes. */
    static int descriptionLength() {
        return writer().xml().length();
    }

    private static GdtfByHand writer() {
        GdtfByHand writer = new GdtfByHand();
        for (int m = 1; m <= MODES; m++) {
            String[] channels = new String[CHANNELS];
            for (int c = 1; c <= CHANNELS; c++) {
                channels[c - 1] =
                        GdtfByHand.channel("DMXBreak=\"1\" Offset=\"" + c + "\" Geometry=\"Body\"", "Dimmer", FUNCTION);
            }
            writer.mode("mode " + m, channels);
        }
        return writer;
    }

    static TypeIndex library() {
        List<TypeSummary> all = new ArrayList<>();
        for (int i = 0; i < TYPES; i++) {
            FixtureType made = RandomTypes.of(i);
            String maker = "Maker " + i % 97;
            String name = "Model " + i;
            all.add(TypeSummary.of(
                    FixtureType.of(TypeId.named(maker, name), maker, name, name, made.facts(), made.modes()),
                    Source.IMPORTED));
        }
        return TypeIndex.of(all);
    }
}
