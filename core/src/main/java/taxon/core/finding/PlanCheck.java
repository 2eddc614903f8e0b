package taxon.core.finding;

import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import taxon.core.library.Shop;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;

/**
 * All rules run over a plan. A rule that found nothing is in it with an empty list: checked and clean is not the same as
 * not checked.
 */
public record PlanCheck(Map<Rule, List<Finding>> byRule) {
    public PlanCheck {
        byRule = Collections.unmodifiableMap(new EnumMap<>(byRule));
        if (byRule.size() != Rule.values().length) {
            throw new IllegalArgumentException("rules not checked: only " + byRule.keySet() + " were");
        }
    }

    /** Checks a plan of which nothing else is known. */
    public static PlanCheck of(Plan plan) {
        return of(plan, Shop.EMPTY);
    }

    /** Checks a plan against itself and against what the shop owns and doubts. */
    public static PlanCheck of(Plan plan, Shop shop) {
        SlotIndex index = new SlotIndex(plan);
        SlotRules slots = new SlotRules(index);
        WishRules wishes = new WishRules(index);
        FixtureRules fixtures = new FixtureRules(plan);
        Map<Rule, List<Finding>> found = new EnumMap<>(Rule.class);
        found.put(Rule.OVERLAP, slots.overlaps());
        found.put(Rule.PAST_END, slots.pastEnd());
        found.put(Rule.RESERVED_TOUCHED, slots.reservedTouched());
        found.put(Rule.TYPE_UNKNOWN, fixtures.typeUnknown());
        found.put(Rule.MODE_MISSING, fixtures.modeMissing());
        found.put(Rule.DUPLICATE_ID, fixtures.duplicateIds());
        found.put(Rule.NO_ADDRESS, fixtures.noAddress());
        found.put(Rule.BLOCK_NOT_ADDRESSED, fixtures.blockNotAddressed());
        found.put(Rule.ADDRESS_UNHEARD, fixtures.addressUnheard());
        found.put(Rule.SHARE_BROKEN, new ShareRules(plan).broken());
        found.put(Rule.HAZARD_SHARES, wishes.hazardShares());
        found.put(Rule.GAP_SHORT, wishes.gapShort());
        found.put(Rule.HEADROOM_USED, wishes.headroomUsed());
        found.put(Rule.ROOM_SHORT, wishes.roomShort());
        found.put(Rule.OUT_OF_STEP, wishes.outOfStep());
        found.put(Rule.UNIVERSE_UNROUTED, new RouteRules(index).unrouted());
        network(plan, found);
        ShopRules shopRules = new ShopRules(plan, shop);
        found.put(Rule.MODE_DOUBTED, shopRules.doubted());
        found.put(Rule.SHELF_SHORT, shopRules.shelfShort());
        found.put(Rule.MENU_DIFFERS, new MenuRules(plan).differs());
        found.put(Rule.NO_ID, fixtures.noIds());
        found.put(Rule.GROUP_NUMBER_TAKEN, fixtures.groupNumbers());
        return new PlanCheck(found);
    }

    private static void network(Plan plan, Map<Rule, List<Finding>> found) {
        NetworkNumberRules numbers = new NetworkNumberRules(plan);
        found.put(Rule.NUMBER_TWICE, numbers.numberTwice());
        found.put(Rule.PORT_TWICE, numbers.portTwice());
        found.put(Rule.PORT_NO_OUTPUT, numbers.portNoOutput());
        found.put(Rule.SOURCES_EQUAL, numbers.sourcesEqual());
        found.put(Rule.BOX_FULL, numbers.boxFull());
        found.put(Rule.COUNTED_OTHERWISE, numbers.countedOtherwise());
        found.put(Rule.NOBODY_HEARS, numbers.nobodyHears());
        found.put(Rule.CABLE_FULL, new LoadRules(plan).overHalf());
        IpFindings addresses = new IpFindings(plan);
        found.put(Rule.IP_TWICE, addresses.twice());
        found.put(Rule.IP_NO_HOST, addresses.noHost());
        found.put(Rule.IP_OUTSIDE, addresses.outside());
        found.put(Rule.IP_SELF_GIVEN, addresses.selfGiven());
        found.put(Rule.MASK_DIFFERS, addresses.maskDiffers());
        found.put(Rule.NETWORKS_APART, addresses.apart());
        LineRules lines = new LineRules(plan);
        found.put(Rule.LINE_CARRIES_NOTHING, lines.carriesNothing());
        found.put(Rule.LINE_CARRIES_OTHER, lines.carriesOther());
        found.put(Rule.LINE_LOADED, lines.loaded());
        found.put(Rule.LINE_TOO_LONG, lines.tooLong());
        found.put(Rule.LINE_ENDS_EARLY, lines.endsEarly());
        found.put(Rule.HEARS_NO_CABLE, lines.hearsNoCable());
        found.put(Rule.ON_TWO_LINES, lines.onTwoLines());
        found.put(Rule.ON_NO_LINE, lines.onNoLine());
        found.put(Rule.RDM_STOPPED, lines.rdmStopped());
        found.put(Rule.SOCKETS_DIFFER, lines.socketsDiffer());
        RadioRules radio = new RadioRules(plan);
        found.put(Rule.SENT_BY_NO_RADIO, radio.sentByNone());
        found.put(Rule.LINKED_ELSEWHERE, radio.linkedElsewhere());
        found.put(Rule.LINK_LOST, radio.lost());
        found.put(Rule.NEVER_LINKED, radio.neverLinked());
    }

    /** By rule, then in the order of the rule. */
    public List<Finding> findings() {
        return byRule.values().stream().flatMap(List::stream).toList();
    }

    /** What a change of addresses is told to have brought, besides stops. */
    private static final Set<Rule> TOLD = EnumSet.of(Rule.RESERVED_TOUCHED, Rule.SHARE_BROKEN, Rule.HAZARD_SHARES);

    /**
     * What was not there before: stops, and warns that reserved slots are taken, shared addresses have come apart or hazards
     * are joined.
     */
    public List<Finding> broughtSince(PlanCheck before) {
        return byRule.entrySet().stream()
                .filter(e -> e.getKey().severity() == Severity.STOP || TOLD.contains(e.getKey()))
                .flatMap(e -> notIn(before.byRule.getOrDefault(e.getKey(), List.of()), e.getValue()))
                .toList();
    }

    private static Stream<Finding> notIn(List<Finding> before, List<Finding> now) {
        Set<String> known = before.stream().map(Finding::id).collect(Collectors.toSet());
        return now.stream().filter(f -> !known.contains(f.id()));
    }

    /** What concerns a fixture, in the order of all findings. */
    public List<Finding> of(FixtureKey key) {
        return findings().stream().filter(f -> f.fixtures().contains(key)).toList();
    }

    /** The finding of that id. */
    public Optional<Finding> find(String id) {
        return findings().stream().filter(f -> f.id().equals(id)).findFirst();
    }

    /** How many findings are of a severity. */
    public long count(Severity severity) {
        return byRule.entrySet().stream()
                .filter(e -> e.getKey().severity() == severity)
                .mapToLong(e -> e.getValue().size())
                .sum();
    }
}
