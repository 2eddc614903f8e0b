package taxon.app.frame;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import taxon.core.finding.Rule;

/** The stages of the work, in its order. */
public enum Stage {
    RIG(
            "Rig",
            EnumSet.of(Rule.TYPE_UNKNOWN, Rule.MODE_MISSING, Rule.DUPLICATE_ID, Rule.NO_ID, Rule.GROUP_NUMBER_TAKEN)),
    TYPES("Types", EnumSet.of(Rule.MODE_DOUBTED, Rule.SHELF_SHORT, Rule.MENU_DIFFERS)),
    ADDRESSES(
            "Addresses",
            EnumSet.of(
                    Rule.OVERLAP,
                    Rule.PAST_END,
                    Rule.NO_ADDRESS,
                    Rule.BLOCK_NOT_ADDRESSED,
                    Rule.ADDRESS_UNHEARD,
                    Rule.RESERVED_TOUCHED,
                    Rule.SHARE_BROKEN,
                    Rule.HAZARD_SHARES,
                    Rule.GAP_SHORT,
                    Rule.HEADROOM_USED,
                    Rule.ROOM_SHORT,
                    Rule.OUT_OF_STEP)),
    NETWORK(
            "Network",
            EnumSet.of(
                    Rule.UNIVERSE_UNROUTED,
                    Rule.NUMBER_TWICE,
                    Rule.PORT_TWICE,
                    Rule.PORT_NO_OUTPUT,
                    Rule.SOURCES_EQUAL,
                    Rule.BOX_FULL,
                    Rule.CABLE_FULL,
                    Rule.COUNTED_OTHERWISE,
                    Rule.NOBODY_HEARS,
                    Rule.IP_TWICE,
                    Rule.IP_NO_HOST,
                    Rule.IP_OUTSIDE,
                    Rule.IP_SELF_GIVEN,
                    Rule.MASK_DIFFERS,
                    Rule.NETWORKS_APART,
                    Rule.LINE_CARRIES_NOTHING,
                    Rule.LINE_CARRIES_OTHER,
                    Rule.LINE_LOADED,
                    Rule.LINE_TOO_LONG,
                    Rule.LINE_ENDS_EARLY,
                    Rule.HEARS_NO_CABLE,
                    Rule.ON_TWO_LINES,
                    Rule.ON_NO_LINE,
                    Rule.RDM_STOPPED,
                    Rule.SOCKETS_DIFFER,
                    Rule.SENT_BY_NO_RADIO,
                    Rule.LINKED_ELSEWHERE,
                    Rule.LINK_LOST,
                    Rule.NEVER_LINKED)),
    PAPERWORK("Paperwork", EnumSet.noneOf(Rule.class)),
    CHECKS("Checks", EnumSet.noneOf(Rule.class)),
    HANDOVER("Handover", EnumSet.noneOf(Rule.class));

    private final String title;

    @SuppressWarnings("ImmutableEnumChecker") // handed out as copies only
    private final Set<Rule> rules;

    Stage(String title, Set<Rule> rules) {
        this.title = title;
        this.rules = rules;
    }

    public String title() {
        return title;
    }

    /** The last part of its address. */
    public String path() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The rules whose findings are dealt with here. */
    public Set<Rule> rules() {
        return Set.copyOf(rules);
    }
}
