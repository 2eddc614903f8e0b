package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import taxon.app.edit.JobState;
import taxon.app.form.Selection;
import taxon.app.library.TypeLibrary;
import taxon.core.fixture.TypeId;
import taxon.core.modes.ChangeRequest.Style;
import taxon.core.rig.Fixture;
import taxon.formats.json.Json;

/** The form that asks for a change of type or mode. */
@Component
class ChangeForm {
    private final TypeLibrary library;

    ChangeForm(TypeLibrary library) {
        this.library = library;
    }

    record StyleChoice(String slug, String words) {}

    /** Puts into the page who is chosen, what they are now, and what they may become. */
    void fill(JobState state, HttpServletRequest request, Model model) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        Optional<TypeId> wanted = Optional.ofNullable(request.getParameter("type"))
                .filter(TypeId::isLegal)
                .map(TypeId::of);
        List<Fixture> chosen = selection.in(state.plan());
        String now = chosen.stream()
                .map(f -> state.plan().type(f).fullName() + ", " + (f.mode().isBlank() ? "no mode" : f.mode()))
                .distinct()
                .limit(4)
                .collect(Collectors.joining("; "));
        model.addAttribute("chosen", chosen);
        model.addAttribute("now", now);
        model.addAttribute(
                "wanted",
                wanted.map(TypeId::value)
                        .orElse(chosen.isEmpty() ? "" : chosen.get(0).type().value()));
        model.addAttribute("types", library.choices(state.plan(), wanted));
        model.addAttribute(
                "preferred",
                chosen.isEmpty()
                        ? ""
                        : chosen.get(0).type() + "/" + chosen.get(0).mode());
        model.addAttribute(
                "styles",
                Arrays.stream(Style.values())
                        .map(s -> new StyleChoice(Json.slug(s), ChangeText.words(s)))
                        .toList());
    }
}
