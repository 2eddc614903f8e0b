package taxon.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import taxon.core.scene.Scene;
import taxon.core.scene.SceneFixture;

/** The fixtures of a scene file as rows. */
public final class ScenePatch {
    private ScenePatch() {}

    /** A row for each fixture, in the order of the scene. */
    public static TheirPatch of(Scene scene) {
        List<PatchRow> rows = new ArrayList<>();
        for (SceneFixture fixture : scene.fixtures()) {
            rows.add(new PatchRow(
                    rows.size(),
                    fixture.id().map(i -> OptionalInt.of(i.number())).orElse(OptionalInt.empty()),
                    Optional.of(fixture.uuid().toString()),
                    fixture.name(),
                    type(fixture.spec()),
                    fixture.mode(),
                    OptionalInt.empty(),
                    List.copyOf(fixture.addresses().values())));
        }
        return TheirPatch.of(rows);
    }

    /** A scene names the file of a type, "Fernglass@Tern.gdtf", with its maker before it and sometimes a comment behind. */
    private static String type(String spec) {
        String[] parts = spec.replaceFirst("(?i)\\.gdtf$", "").split("@", -1);
        return parts.length < 2 ? parts[0].strip() : (parts[0] + " " + parts[1]).strip();
    }
}
