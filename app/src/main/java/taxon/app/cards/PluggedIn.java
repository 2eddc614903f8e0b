package taxon.app.cards;

import java.util.List;

/** The interfaces that are plugged into this computer. */
public interface PluggedIn {
    /** The ports of this machine at which they are spoken to. */
    List<Integer> ports();
}
