package taxon.core.finding;

import java.util.Collection;
import taxon.core.text.Listed;

/** The sentences of findings about what comes through the air. */
final class RadioFindingText {
    private RadioFindingText() {}

    static String sentence(RadioGrounds grounds) {
        if (grounds instanceof RadioGrounds.SentByNone s) {
            return Listed.of(s.receivers()) + verb(s.receivers(), " hears", " hear") + " by radio, and "
                    + (s.wanted().size() == 1 ? "no transmitter sends " : "no one channel of a transmitter sends ")
                    + universes(s.wanted()) + ".";
        }
        if (grounds instanceof RadioGrounds.Elsewhere e) {
            return Listed.of(e.receivers()) + verb(e.receivers(), " is", " are") + " linked to " + e.channel()
                    + ", which sends "
                    + (e.sent().isEmpty() ? "nothing" : universes(e.sent())) + "; "
                    + verb(e.receivers(), "it is", "they are") + " to hear " + universes(e.wanted()) + ".";
        }
        if (grounds instanceof RadioGrounds.Lost l) {
            return Listed.of(l.receivers()) + verb(l.receivers(), " has", " have") + " to be linked to " + l.channel()
                    + " anew: lost after " + l.after() + ".";
        }
        RadioGrounds.NeverLinked n = (RadioGrounds.NeverLinked) grounds;
        return Listed.of(n.receivers()) + verb(n.receivers(), " has", " have") + " never been linked to "
                + String.join(" or ", n.channels()) + ", as far as anyone has said.";
    }

    private static String verb(Collection<?> things, String one, String several) {
        return things.size() == 1 ? one : several;
    }

    private static String universes(Collection<?> numbers) {
        return (numbers.size() == 1 ? "universe " : "universes ") + Listed.of(numbers);
    }
}
