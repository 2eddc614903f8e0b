package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.Channel;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.Part;
import taxon.core.fixture.TypeId;
import taxon.core.modes.Advice;
import taxon.core.modes.AdviceRequest;
import taxon.core.modes.AdviceRequest.Aim;
import taxon.core.modes.ColourWay;
import taxon.core.modes.Console;
import taxon.core.modes.ModeAdvisor;
import taxon.core.modes.Need;
import taxon.core.rig.Fixture;
import taxon.formats.json.Json;

/** Advice on modes over all types of a job. The request stands in the address, so that it can be sent and asked again. */
@Controller
class AdviceController {
    private static final int MOST_NEEDS = 1000;

    private final Frames frames;

    AdviceController(Frames frames) {
        this.frames = frames;
    }

    @GetMapping("/jobs/{job}/types/advice")
    Object advise(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        AdviceRequest wanted = read(state, request);
        boolean asked = request.getParameter("universes") != null;
        Optional<Advice> advice = asked ? Optional.of(ModeAdvisor.advise(state.plan(), wanted)) : Optional.empty();
        if (Reply.wantsJson(request)) {
            return Reply.json(
                    HttpStatus.OK,
                    advice.map(AdviceView::json).orElseGet(() -> Json.object().put("asked", false)));
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        model.addAttribute("wanted", wanted);
        model.addAttribute(
                "colours",
                Arrays.stream(ColourWay.values())
                        .map(c -> new AdviceView.Mark(
                                Json.slug(c),
                                c.words(),
                                wanted.console().colours().contains(c)))
                        .toList());
        model.addAttribute("offers", offers(state, wanted.needs()));
        advice.ifPresent(a -> model.addAttribute("advice", AdviceView.of(a)));
        return "types/advice";
    }

    /** What is not said is: a console that drives all, the universes that the job has now, no needs. Nonsense counts as not said. */
    private static AdviceRequest read(JobState state, HttpServletRequest request) {
        Set<ColourWay> colours = EnumSet.noneOf(ColourWay.class);
        for (String slug : values(request, "colour")) {
            Arrays.stream(ColourWay.values())
                    .filter(c -> Json.slug(c).equals(slug))
                    .forEach(colours::add);
        }
        boolean asked = request.getParameter("universes") != null;
        boolean fine = !asked || request.getParameter("fine") != null;
        String universes = Objects.requireNonNullElse(request.getParameter("universes"), "");
        int now = Math.max(
                1,
                Math.min(AdviceRequest.MOST_UNIVERSES, state.plan().universes().size()));
        int wanted = universes.matches("\\d{1,4}") ? Integer.parseInt(universes) : now;
        Aim aim = "fewest-slots".equals(request.getParameter("aim")) ? Aim.FEWEST_SLOTS : Aim.LEAST_TOUCHED;
        return new AdviceRequest(
                new Console(colours.isEmpty() ? EnumSet.allOf(ColourWay.class) : colours, fine),
                needs(request),
                Math.max(1, Math.min(AdviceRequest.MOST_UNIVERSES, wanted)),
                aim);
    }

    private static List<String> values(HttpServletRequest request, String name) {
        String[] values = request.getParameterValues(name);
        return values == null ? List.of() : List.of(values);
    }

    private static Set<Need> needs(HttpServletRequest request) {
        Set<Need> needs = new TreeSet<>();
        values(request, "need").stream()
                .flatMap(text -> NeedText.read(text).stream())
                .limit(MOST_NEEDS)
                .forEach(needs::add);
        return needs;
    }

    /** What can be marked as needed: only what some modes of a type have and others lack makes a difference. */
    private static List<AdviceView.Offer> offers(JobState state, Set<Need> marked) {
        Set<TypeId> used = state.plan().fixtures().stream().map(Fixture::type).collect(Collectors.toSet());
        return state.plan().types().types().stream()
                .filter(t -> used.contains(t.id()) && t.modes().size() > 1)
                .map(t -> AdviceView.Offer.of(t, differing(t), marked))
                .toList();
    }

    private static Set<Need> differing(FixtureType type) {
        Set<Need> needs = new TreeSet<>();
        type.modes().stream()
                .flatMap(Mode::channels)
                .filter(c -> !c.isVirtual())
                .forEach(c -> {
                    needs.add(new Need(type.id(), c.attribute(), false));
                    needs.add(new Need(type.id(), c.attribute(), true));
                });
        type.modes()
                .forEach(m ->
                        firstInParts(m).ifPresent(a -> needs.add(new Need(type.id(), a, false, Need.partsWith(m, a)))));
        needs.removeIf(need -> {
            long met = type.modes().stream().filter(need::isMetBy).count();
            return met == 0 || met == type.modes().size();
        });
        return needs;
    }

    /** One attribute stands for all that a mode repeats in its cells or layers. */
    private static Optional<Attribute> firstInParts(Mode mode) {
        return mode.channels()
                .filter(c -> !c.isVirtual() && c.part().kind() != Part.Kind.WHOLE)
                .map(Channel::attribute)
                .findFirst();
    }
}
