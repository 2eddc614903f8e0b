package taxon.app.network;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.network.BoxKind;
import taxon.core.network.IpRules;
import taxon.core.network.Subnet;
import taxon.core.rig.Plan;
import taxon.formats.json.Json;

/**
 * The job's range as its form shows it.
 *
 * @param range empty until someone has said one
 * @param others further networks, with commas
 */
record IpPlanView(String range, String others, List<First> firsts) {

    /** @param host where the kind begins; empty until there is a range */
    record First(String slug, String words, String host) {}

    static IpPlanView of(Plan plan) {
        Optional<IpRules> rules = plan.sheet().network().ip();
        return new IpPlanView(
                rules.map(r -> r.range().toString()).orElse(""),
                rules.map(r -> r.others().stream().map(Subnet::toString).collect(Collectors.joining(", ")))
                        .orElse(""),
                Arrays.stream(BoxKind.values())
                        .filter(BoxKind::canBeOnNetwork)
                        .map(k -> new First(
                                Json.slug(k),
                                k.words(),
                                rules.map(r -> Integer.toString(r.firstOf(k))).orElse("")))
                        .toList());
    }
}
