package taxon.core.boxcheck;

import java.util.List;
import java.util.Optional;
import taxon.core.network.Ipv4;

/**
 * Who answered for one planned box.
 *
 * @param box its number
 * @param asked the address that it was asked at
 * @param answers the devices that answer there: one, as a rule; none where it is silent
 * @param silence why it is silent where it is
 */
public record BoxAnswers(int box, Ipv4 asked, List<SeenBox> answers, Silence silence) {
    public BoxAnswers {
        answers = List.copyOf(answers);
    }

    /** True when somebody answers at its address. */
    public boolean isThere() {
        return !answers.isEmpty();
    }

    /** The one that is meant where several answer: that of the name, else the first; empty where none does. */
    public Optional<SeenBox> called(String name) {
        return answers.stream()
                .filter(a -> a.isCalled(name))
                .findFirst()
                .or(() -> answers.stream().findFirst());
    }
}
