package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobState;
import taxon.app.form.Fields;
import taxon.app.form.FormFault;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.core.dmx.AddressSwitches.Counting;
import taxon.core.finding.Severity;
import taxon.core.fixture.Facts;
import taxon.core.fixture.Facts.Hazard;
import taxon.core.fixture.Facts.Reach;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.RemoteManagement;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;
import taxon.core.library.ChannelOrder;
import taxon.core.library.StandInText;
import taxon.core.text.Texts;
import taxon.core.typesheet.ParsedSheet;
import taxon.core.typesheet.SheetFinding;
import taxon.core.typesheet.SheetReader;
import taxon.core.typesheet.SheetWriter;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/** Builds a type from a type sheet, with a preview that follows what is typed. */
@Controller
class BuildController {
    private static final int PREVIEWED = 40;
    private static final String EMPTY_SHEET = "Mode: \n";

    private final Frames frames;
    private final TypeLibrary library;

    BuildController(Frames frames, TypeLibrary library) {
        this.frames = frames;
        this.library = library;
    }

    /** The sheet as understood, for the page. */
    record Preview(List<ModeSheet> modes, int more, List<FindingLine> findings, boolean isWhole) {
        static Preview of(ParsedSheet reading) {
            return new Preview(
                    reading.modes().stream().limit(PREVIEWED).map(ModeSheet::of).toList(),
                    Math.max(0, reading.modes().size() - PREVIEWED),
                    reading.findings().stream().map(FindingLine::of).toList(),
                    reading.isWhole());
        }
    }

    record FindingLine(String severity, String sentence) {
        static FindingLine of(SheetFinding finding) {
            return new FindingLine(finding.severity().name().toLowerCase(Locale.ROOT), finding.sentence());
        }
    }

    /** The facts as the form's fields hold them. */
    record KnownFacts(
            String reach,
            String hazard,
            String inputs,
            String outputs,
            int load,
            String switches,
            String rdm,
            String settings) {
        static KnownFacts of(Facts facts) {
            return new KnownFacts(
                    Json.slug(facts.reach()),
                    Json.slug(facts.hazard()),
                    String.join(", ", facts.inputs()),
                    String.join(", ", facts.outputs()),
                    facts.loadEighths(),
                    facts.switches().map(Json::slug).orElse(""),
                    facts.rdm() ? "yes" : "",
                    facts.settings());
        }
    }

    /** A sheet with one mode of these channels, to begin with. */
    private static String sheetOf(ChannelOrder order) {
        return order.slots().isEmpty()
                ? EMPTY_SHEET
                : "Mode: " + order.slots().size() + "-channel\n"
                        + order.slots().stream().map(StandInText::words).collect(Collectors.joining("\n"));
    }

    /** {@code order} begins with a channel order; {@code from} begins with a known type: one made here is changed in its place, any other derived from. */
    @GetMapping("/jobs/{job}/types/build")
    String page(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.open(job, Optional.of(Stage.TYPES), request, model);
        Optional<FixtureType> from = Optional.ofNullable(request.getParameter("from"))
                .filter(f -> !f.isBlank())
                .map(id -> TypePaths.type(state, library, id));
        ChannelOrder order = ChannelOrder.of(Objects.requireNonNullElse(request.getParameter("order"), ""));
        String begun = from.map(SheetWriter::write).orElseGet(() -> sheetOf(order));
        FormFault fault = (FormFault) Objects.requireNonNull(model.getAttribute(FormFault.NAME));
        String sheet = fault.value("build", "sheet", begun);
        boolean changes = from.filter(t -> library.isMadeHere(t.id())).isPresent();
        model.addAttribute("from", from);
        model.addAttribute("changes", changes);
        model.addAttribute("known", KnownFacts.of(from.map(FixtureType::facts).orElseGet(Facts::onALine)));
        model.addAttribute("reaches", FactsText.reaches());
        model.addAttribute("hazards", FactsText.hazards());
        model.addAttribute("switchings", FactsText.switches());
        model.addAttribute("sheet", sheet);
        model.addAttribute("leftOut", StandInText.leftOut(order));
        model.addAttribute("preview", Preview.of(SheetReader.read(sheet)));
        return "types/build";
    }

    /** What the sheet says so far; nothing is kept. */
    @PostMapping("/jobs/{job}/types/build/preview")
    Object preview(@PathVariable int job, HttpServletRequest request, Model model) {
        frames.state(job);
        ParsedSheet reading = SheetReader.read(Objects.requireNonNullElse(request.getParameter("sheet"), ""));
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, json(reading));
        }
        model.addAttribute("preview", Preview.of(reading));
        return "types/build :: preview";
    }

    private static ObjectNode json(ParsedSheet reading) {
        ObjectNode body = Json.object().put("whole", reading.isWhole());
        var modes = body.putArray("modes");
        reading.modes().forEach(m -> {
            ObjectNode mode = modes.addObject().put("name", m.name()).put("footprint", m.footprint());
            var blocks = mode.putArray("blocks");
            m.blocks().forEach(b -> blocks.addObject().put("name", b.name()).put("footprint", b.footprint()));
        });
        var findings = body.putArray("findings");
        reading.findings()
                .forEach(f -> findings.addObject()
                        .put("kind", Json.slug(f.kind()))
                        .put("severity", f.severity().name().toLowerCase(Locale.ROOT))
                        .put("line", f.line())
                        .put("sentence", f.sentence()));
        return body;
    }

    @PostMapping("/jobs/{job}/types/build")
    Object keep(@PathVariable int job, HttpServletRequest request) {
        String from = Objects.requireNonNullElse(request.getParameter("from"), "");
        boolean known = TypeId.isLegal(from);
        Reply reply = Reply.to(request, "build", "/jobs/" + job + "/types/build" + (known ? "?from=" + from : ""));
        Fields fields = reply.fields();
        JobState state = frames.state(job);
        Optional<FixtureType> begun = known ? library.knownTo(state.plan()).find(TypeId.of(from)) : Optional.empty();
        Optional<FixtureType> type = read(fields, begun);
        if (type.isEmpty() || fields.isFaulty()) {
            return reply.refused();
        }
        boolean inPlace = begun.filter(t -> library.isMadeHere(t.id())).isPresent();
        Optional<TypeId> derivedFrom = inPlace ? Optional.empty() : begun.map(FixtureType::id);
        TypeId id = library.keep(type.get(), begun.map(FixtureType::id), derivedFrom);
        return reply.done(
                type.get().fullName() + (inPlace ? " changed." : " kept."),
                "/jobs/" + job + "/types/" + id,
                Json.object().put("type", id.value()));
    }

    private static Optional<FixtureType> read(Fields fields, Optional<FixtureType> begun) {
        ParsedSheet reading = SheetReader.read(fields.text("sheet"));
        if (!reading.isWhole()) {
            List<String> stops = reading.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .map(SheetFinding::sentence)
                    .limit(5)
                    .toList();
            fields.refuse("sheet", stops.isEmpty() ? "The sheet has no channel yet." : String.join(" ", stops));
        }
        Optional<Facts> facts = facts(
                fields,
                remote(fields, begun, reading.modes()),
                begun.map(t -> t.facts().guide()).orElse(SettingGuide.NONE));
        fields.build("maker", () -> Texts.requireLine("maker", fields.text("maker"), 60));
        fields.build("name", () -> Texts.requireLine("name", fields.text("name"), 60));
        if (fields.isFaulty() || facts.isEmpty()) {
            return Optional.empty();
        }
        String name = fields.text("name");
        String shortName =
                fields.has("shortName") ? fields.text("shortName") : Texts.clip(name, FixtureType.LONGEST_SHORT_NAME);
        TypeId id = TypeId.named(fields.text("maker"), name);
        // What a file calls it in full is its name as long as its maker and name are.
        String longName = begun.filter(t -> t.fullName().equals(fields.text("maker") + " " + name))
                .map(FixtureType::longName)
                .orElse("");
        return fields.build(
                "shortName",
                () -> new FixtureType(
                        id,
                        FixtureType.guidOf(id),
                        fields.text("maker"),
                        name,
                        shortName,
                        longName,
                        fields.text("revision"),
                        facts.get(),
                        reading.modes()));
    }

    /** The sheet has no place for its numbers: they stay those of the type that was begun with, as far as they fit the modes. */
    private static RemoteManagement remote(Fields fields, Optional<FixtureType> begun, List<Mode> modes) {
        if (!fields.has("rdm")) {
            return RemoteManagement.NONE;
        }
        RemoteManagement known = begun.map(t -> t.facts().remote())
                .filter(RemoteManagement::answers)
                .orElse(RemoteManagement.ANSWERS);
        return known.numbersLike(modes) ? known : known.withoutSoftware();
    }

    /** What the form does not show, such as menu steps, stays as it was. */
    private static Optional<Facts> facts(Fields fields, RemoteManagement remote, SettingGuide guide) {
        Optional<Hazard> hazard = fields.choice("hazard", Hazard.class, Hazard.NONE);
        Optional<Reach> reach = fields.choice("reach", Reach.class, Reach.LINE);
        Optional<Integer> load = fields.has("load") ? fields.number("load", "load in eighths", 0, 64) : Optional.of(8);
        Optional<Counting> switches =
                fields.has("switches") ? fields.choice("switches", Counting.class, Counting.PLAIN) : Optional.empty();
        if (hazard.isEmpty() || reach.isEmpty() || load.isEmpty() || fields.isFaulty()) {
            return Optional.empty();
        }
        return fields.build(
                "settings",
                () -> new Facts(
                        hazard.get(),
                        reach.get(),
                        sockets(fields.text("inputs")),
                        sockets(fields.text("outputs")),
                        load.get(),
                        switches,
                        remote,
                        guide.withBefore(fields.text("settings"))));
    }

    private static List<String> sockets(String text) {
        return Arrays.stream(text.split("[,;]"))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
    }
}
