package taxon.core.visible;

import java.util.List;
import taxon.core.fixture.Channel;

/** What keeps a part of a unit dark. Its channel is named as it is in the unit's mode. */
public sealed interface Dark {
    /** An intensity of its own is at nothing. */
    record IntensityDown(Channel channel) implements Dark {}

    /** The intensity of what it is a part of is at nothing: a master layer, the whole unit. */
    record MasterDown(Channel channel) implements Dark {}

    /**
     * A run of values that is called closed is in force.
     *
     * @param run as the manual calls it
     */
    record Closed(Channel channel, String run) implements Dark {}

    /** Every emitter that its light is mixed of is at nothing. */
    record NoColour(List<Channel> emitters) implements Dark {
        public NoColour {
            emitters = List.copyOf(emitters);
        }
    }

    /** Cyan, magenta and yellow are all the way in, and nothing passes them (common practice). */
    record AllFilters(List<Channel> filters) implements Dark {
        public AllFilters {
            filters = List.copyOf(filters);
        }
    }
}
