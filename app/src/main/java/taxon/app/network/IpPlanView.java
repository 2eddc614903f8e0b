package taxon.app.network;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/**
 * The job's range as its form shows it.
 *
 * @param range empty until someone has said one
 */
record IpPlanView(String range, List<First> firsts) {

    /** @param host where the kind begins; empty until there is a range */
    record First(String slug, String words, String host) {}

    static IpPlanView of(Plan plan) {
        Optional<IpRules> rules = plan.sheet().network().ip();
        return new IpPlanView(
                rules.map(r -> r.range().toString()).orElse(""),
                Arrays.stream(BoxKind.values())
                        .filter(BoxKind::canBeOnNetwork)
                        .map(k -> new First(
                                Json.slug(k),
                                k.words(),
                                rules.map(r -> Integer.toString(r.firstOf(k))).orElse("")))
                        .toList());
    }
}
