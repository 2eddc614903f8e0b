package taxon.app.checks.raise;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import taxon.app.frame.HeldNow;
import taxon.core.raising.Grip;
import taxon.core.raising.HeldSlot;
import taxon.core.text.Counted;

/** Says on every page who drives what. */
@Component
class HeldLines implements HeldNow {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT).withZone(ZoneOffset.UTC);

    private final Armings armings;

    HeldLines(Armings armings) {
        this.armings = armings;
    }

    @Override
    public List<Line> held() {
        return armings.inForce().stream()
                .flatMap(a -> a.grip().stream().map(g -> new Line(a.job(), a.id(), sentence(a, g))))
                .toList();
    }

    private static String sentence(Arming arming, Grip grip) {
        List<HeldSlot> held = List.copyOf(grip.held().values());
        String universes = grip.driven().stream()
                .map(d -> d.outlet().universe().toString())
                .distinct()
                .collect(Collectors.joining(", "));
        String until = " until " + time(arming.at(grip.until())) + " UTC";
        String where = (grip.driven().stream()
                                        .map(d -> d.outlet().universe())
                                        .distinct()
                                        .count()
                                == 1
                        ? " universe "
                        : " universes ")
                + universes;
        if (held.isEmpty()) {
            return arming.asked().who() + " has armed" + where + until + "; nothing is held.";
        }
        String who = held.stream().map(HeldSlot::who).distinct().collect(Collectors.joining(" and "));
        long first = held.stream().mapToLong(HeldSlot::nanos).min().orElseThrow();
        return who + " holds " + Counted.of(held.size(), "slot") + " of" + where + " since " + time(arming.at(first))
                + "," + until + ".";
    }

    private static String time(Instant at) {
        return TIME.format(at);
    }
}
