package taxon.core.rig;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * That a wireless receiver was linked to a channel of a transmitter, as someone did it and not as it is planned. A receiver belongs
 * to one transmitter: there is one such element for each.
 *
 * @param to the channel, an output of the transmitter
 * @param by who linked it
 * @param lost after what it does not hold any more; empty while nobody says so
 */
public record RadioLink(Receiver receiver, PortRef to, Instant at, String by, Optional<Loss> lost) implements Element {

    /** What was linked. */
    public sealed interface Receiver {
        /** The element without which there is no link. */
        ElementKey elementKey();
    }

    /** The receiver that is built into a fixture. */
    public record BuiltIn(FixtureKey fixture) implements Receiver {
        @Override
        public ElementKey elementKey() {
            return Fixture.keyOf(fixture);
        }
    }

    /** A receiver in a box of its own, fitted to one unit or shared by several. */
    public record Apart(int box) implements Receiver {
        @Override
        public ElementKey elementKey() {
            return Box.keyOf(box);
        }
    }

    /**
     * That a link does not hold any more.
     *
     * @param after what ended it: "transmitter reset"; 1 to 80 characters
     */
    public record Loss(Instant at, String by, String after) {
        public Loss {
            Texts.requireLine("name of who says so", by, 80);
            Texts.requireLine("reason for the loss", after, 80);
        }
    }

    public RadioLink {
        Texts.requireLine("name of who linked it", by, 80);
    }

    /** Just made. */
    public static RadioLink made(Receiver receiver, PortRef to, Instant at, String by) {
        return new RadioLink(receiver, to, at, by, Optional.empty());
    }

    /** The same, which does not hold any more. */
    public RadioLink lost(Loss loss) {
        return new RadioLink(receiver, to, at, by, Optional.of(loss));
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(receiver);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.radioLink(this);
    }

    /** The key under which a plan holds the link of a receiver: "LINK 17 fixture". */
    public static ElementKey keyOf(Receiver receiver) {
        ElementKey end = receiver.elementKey();
        return new ElementKey(Kind.LINK, end.number(), end.kind().name().toLowerCase(Locale.ROOT));
    }
}
