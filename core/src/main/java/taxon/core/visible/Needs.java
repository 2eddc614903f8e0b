package taxon.core.visible;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import taxon.core.fixture.AttributeBook;
import taxon.core.fixture.Block;
import taxon.core.fixture.Mode;
import taxon.core.text.Listed;

/** What a unit needs besides levels to show something: content to play, a block that is switched on in its menu. */
public final class Needs {
    private static final Pattern CONTENT = Pattern.compile("MediaFolder\\d*|MediaContent\\d*|PlayMode");

    private Needs() {}

    /** A sentence for each need; none for a unit that levels alone make visible. */
    public static List<String> of(Mode mode) {
        List<String> needs = new ArrayList<>();
        List<String> content = mode.channels()
                .filter(c ->
                        !c.isVirtual() && CONTENT.matcher(c.attribute().name()).matches())
                .map(c -> AttributeBook.words(c.attribute()))
                .distinct()
                .toList();
        if (!content.isEmpty()) {
            needs.add("It shows what is played: choose " + Listed.of(content) + ".");
        }
        settings(mode).forEach(needs::add);
        return List.copyOf(needs);
    }

    private static Stream<String> settings(Mode mode) {
        return mode.blocks().stream().filter(b -> !b.needs().isBlank()).map(Needs::setting);
    }

    private static String setting(Block block) {
        return block.name() + " needs a setting in the unit: " + block.needs() + ".";
    }
}
