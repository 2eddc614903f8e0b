package taxon.app.rig.scene;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import taxon.app.library.TypeSearch;
import taxon.app.library.TypeSearch.Offer;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeSource;
import taxon.core.scene.SceneProposal.Question;
import taxon.core.scene.SceneTypes;
import taxon.core.text.Counted;

/**
 * What is not known of fixtures of a scene, as its page asks it.
 *
 * @param number counted from 1
 * @param words "12 fixtures of wader.gdtf in the mode Standard"
 * @param trouble why it is not known
 * @param chosen the value that was chosen; empty where nothing was
 * @param offered types and modes to choose
 * @param typed what was looked for
 */
public record SceneQuestion(
        int number,
        String spec,
        String mode,
        int fixtures,
        String words,
        String trouble,
        String chosen,
        List<Offer> offered,
        String typed) {
    /** Types are looked for in the whole library for each. */
    private static final int ASKED = 40;

    private static final int CLOSE = 4;

    /** The first of them. */
    static List<SceneQuestion> of(List<Question> questions, TypeSource known, TypeSearch search) {
        List<SceneQuestion> all = new ArrayList<>();
        // What is open comes first, so that the rest is asked once these are settled.
        questions.stream()
                .sorted(Comparator.comparing(q -> q.chosen().isPresent()))
                .limit(ASKED)
                .forEach(q -> all.add(of(all.size() + 1, q, known, search)));
        return all;
    }

    private static SceneQuestion of(int number, Question question, TypeSource known, TypeSearch search) {
        String spec = question.said().spec();
        String mode = question.said().mode();
        String chosen = question.chosen().map(SceneQuestion::value).orElse("");
        List<Offer> offered = new ArrayList<>(search.found(number).orElseGet(() -> offers(question, known)));
        question.chosen()
                .filter(c -> offered.stream().noneMatch(o -> o.value().equals(chosen)))
                .ifPresent(c -> offered.add(
                        0,
                        new Offer(chosen, c.type().fullName() + ", " + c.mode().name())));
        return new SceneQuestion(
                number,
                spec,
                mode,
                question.fixtures(),
                Counted.of(question.fixtures(), "fixture")
                        + (spec.isEmpty() ? " without a type" : " of “" + spec + "”")
                        + (mode.isEmpty() ? "" : " in the mode “" + mode + "”"),
                question.type()
                        .map(t -> t.fullName() + " has no such mode.")
                        .orElse(
                                "The type is neither in the scene, so that it could be read, nor known here. What the job has already keeps its own."),
                chosen,
                offered,
                search.typed(number));
    }

    /** As a field names it. */
    static String value(SceneTypes.Choice choice) {
        return choice.type().id() + "/" + choice.mode().name();
    }

    private static List<Offer> offers(Question question, TypeSource known) {
        Optional<FixtureType> type = question.type();
        String name = question.said().spec().replaceAll("(?i)\\.gdtf$", "").replaceAll("[@_]+", " ");
        List<FixtureType> types = type.map(List::of).orElseGet(() -> known.closest("", name, CLOSE));
        return types.stream().flatMap(t -> Offer.allOf(t).stream()).toList();
    }
}
