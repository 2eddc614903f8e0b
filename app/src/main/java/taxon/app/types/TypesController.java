package taxon.app.types;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import taxon.app.edit.JobState;
import taxon.app.web.Frames;
import taxon.app.web.NotThereException;
import taxon.app.web.Reply;
import taxon.app.web.Stage;
import taxon.core.fixture.Block;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.TypeId;
import taxon.core.rig.Fixture;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;

/** The known types, and the mode sheets to hold against a manual. */
@Controller
class TypesController {
    private final Frames frames;

    TypesController(Frames frames) {
        this.frames = frames;
    }

    /** @param used how many of it the job has */
    record Line(FixtureType type, String modes, long used) {}

    @GetMapping("/jobs/{job}/types")
    Object types(@PathVariable int job, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        if (Reply.wantsJson(request)) {
            var body = Json.object().put("job", job).put("version", state.version());
            var list = body.putArray("types");
            state.knownTypes().types().forEach(t -> list.add(FixtureTypeJson.write(t)));
            return Reply.json(HttpStatus.OK, body);
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        Map<TypeId, Long> used = used(state, Fixture::type);
        model.addAttribute(
                "lines",
                state.knownTypes().types().stream()
                        .map(t -> new Line(t, words(t), used.getOrDefault(t.id(), 0L)))
                        .toList());
        return "types/page";
    }

    @GetMapping("/jobs/{job}/types/{id}")
    Object type(@PathVariable int job, @PathVariable String id, HttpServletRequest request, Model model) {
        JobState state = frames.state(job);
        FixtureType type = state.knownTypes().types().stream()
                .filter(t -> t.id().value().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotThereException("type " + id));
        if (Reply.wantsJson(request)) {
            return Reply.json(HttpStatus.OK, FixtureTypeJson.write(type));
        }
        frames.open(job, Optional.of(Stage.TYPES), request, model);
        Map<String, Long> used = used(state, f -> f.type().equals(type.id()) ? f.mode() : "");
        model.addAttribute("type", type);
        model.addAttribute(
                "modes", type.modes().stream().map(m -> ModeSheet.of(m, used)).toList());
        return "types/type";
    }

    /** A mode as a manual prints it. */
    record ModeSheet(Mode mode, long used, List<BlockSheet> blocks) {
        static ModeSheet of(Mode mode, Map<String, Long> used) {
            return new ModeSheet(
                    mode,
                    used.getOrDefault(mode.name(), 0L),
                    mode.blocks().stream().map(BlockSheet::of).toList());
        }
    }

    record BlockSheet(Block block, List<Slot> slots) {
        static BlockSheet of(Block block) {
            return new BlockSheet(block, block.slotUses().stream().map(Slot::of).toList());
        }
    }

    /** @param resolution "coarse", "fine" …; empty for a channel of one byte */
    record Slot(int number, String attribute, String part, String resolution, int rest) {
        private static final List<String> BYTES = List.of("coarse", "fine", "ultra", "uber");

        static Slot of(Block.SlotUse use) {
            boolean one = use.channel().offsets().size() == 1;
            return new Slot(
                    use.offset(),
                    use.channel().attribute().name(),
                    use.channel().part().toString(),
                    one ? "" : BYTES.get(use.byteIndex()),
                    use.restByte());
        }
    }

    private static <K> Map<K, Long> used(JobState state, Function<Fixture, K> by) {
        return state.plan().fixtures().stream().collect(Collectors.groupingBy(by, Collectors.counting()));
    }

    private static String words(FixtureType type) {
        return type.modes().stream().map(Mode::name).collect(Collectors.joining(", "));
    }
}
