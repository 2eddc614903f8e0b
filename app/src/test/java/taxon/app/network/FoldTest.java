package taxon.app.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import taxon.core.network.Ipv4;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.testing.Rigs;

/** How much of the network is drawn at once. */
class FoldTest {
    /** So many units on one line. */
    private static Plan lined(int units) {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 1), units, Optional.of(1), Optional.empty())
                .with(Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), 1));
        return plan.with(new Line(
                1,
                "A",
                new PortRef(1, 1),
                plan.fixtures().stream()
                        .<LineStop>map(f -> new LineStop.Unit(f.key()))
                        .toList()));
    }

    private static HttpServletRequest asking(Optional<String> fold) {
        HttpServletRequest request = mock(HttpServletRequest.class);
        when(request.getParameter("fold")).thenReturn(fold.orElse(null));
        return request;
    }

    @Test
    void aRigThatCanBeLookedAtWholeIsDrawnWhole() {
        assertThat(Fold.of(lined(400), asking(Optional.empty()))).isEqualTo(new Fold("", false));
    }

    @Test
    void ofMoreUnitsBoxesAreFoldedByPositionUnlessOneAsksForAll() {
        Plan large = lined(401);
        assertThat(Fold.of(large, asking(Optional.empty()))).isEqualTo(new Fold("position", false));
        assertThat(Fold.of(large, asking(Optional.of("rack")))).isEqualTo(new Fold("rack", false));
        assertThat(Fold.of(large, asking(Optional.of(""))))
                .as("all of it, behind its page")
                .isEqualTo(new Fold("", true));
    }
}
