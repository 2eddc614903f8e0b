package taxon.core.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.PlanDelta.Change;
import taxon.core.testing.Rigs;

class ChangeLinesOfEveryKindTest {

    static LongStream seeds() {
        return LongStream.range(0, 20);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void anElementOfAnyKindThatComesOrGoesIsToldInOneLine(long seed) {
        Plan plan = Rigs.ofEveryKind(seed);
        for (Element element : plan.elements().values()) {
            List<ChangeLine> come = lines(plan, new Change(Optional.empty(), Optional.of(element)));
            List<ChangeLine> gone = lines(plan, new Change(Optional.of(element), Optional.empty()));
            assertThat(come).singleElement().satisfies(l -> {
                assertThat(l.who()).isNotBlank();
                assertThat(l.what()).isEqualTo(ChangeLine.ADDED);
                assertThat(l.before()).isEmpty();
            });
            assertThat(gone).singleElement().satisfies(l -> {
                assertThat(l.what()).isEqualTo(ChangeLine.GONE);
                assertThat(l.before()).isEqualTo(come.get(0).after());
                assertThat(l.after()).isEmpty();
            });
        }
    }

    private static List<ChangeLine> lines(Plan names, Change change) {
        TreeMap<ElementKey, Change> one = new TreeMap<>();
        one.put(change.after().or(change::before).orElseThrow().elementKey(), change);
        return ChangeLines.of(new PlanDelta(one), names);
    }
}
