package taxon.core.finding;

/** What people call what a rule looks for. */
public final class RuleTitle {
    private RuleTitle() {}

    /** A heading: "Two on the same slots". */
    public static String of(Rule rule) {
        return switch (rule) {
            case OVERLAP -> "Two on the same slots";
            case PAST_END -> "Running past slot 512";
            case TYPE_UNKNOWN -> "A type that nobody has";
            case MODE_MISSING -> "A mode that the type lacks";
            case DUPLICATE_ID -> "One fixture ID given twice";
            case RESERVED_TOUCHED -> "On slots that are reserved";
            case NO_ADDRESS -> "Without an address";
            case BLOCK_NOT_ADDRESSED -> "A part without an address";
            case ADDRESS_UNHEARD -> "An address of what only an app reaches";
            case SHARE_BROKEN -> "Shared addresses that came apart";
            case HAZARD_SHARES -> "Beside what can hurt people";
            case GAP_SHORT -> "Nearer than the gap";
            case HEADROOM_USED -> "In the slots kept free at the end";
            case ROOM_SHORT -> "No room for the longest mode";
            case UNIVERSE_UNROUTED -> "A universe without a line";
            case NUMBER_TWICE -> "One number for two universes";
            case PORT_TWICE -> "Two universes on one port";
            case PORT_NO_OUTPUT -> "To a port that is no output";
            case SOURCES_EQUAL -> "Two that send with one priority";
            case BOX_FULL -> "More universes than a box takes";
            case CABLE_FULL -> "More than half of a cable";
            case COUNTED_OTHERWISE -> "Counted otherwise";
            case NOBODY_HEARS -> "Sent to nobody";
            case IP_TWICE -> "One IP address given twice";
            case IP_NO_HOST -> "No address of a device";
            case IP_OUTSIDE -> "Outside the range of the job";
            case IP_SELF_GIVEN -> "A box that got no address";
            case MASK_DIFFERS -> "Another mask";
            case NETWORKS_APART -> "Boxes that do not hear each other";
            case LINE_CARRIES_NOTHING -> "A line that carries nothing";
            case LINE_CARRIES_OTHER -> "On a line of another universe";
            case LINE_LOADED -> "More than a line bears";
            case LINE_TOO_LONG -> "Longer than a line may be";
            case LINE_ENDS_EARLY -> "A line that ends before its end";
            case HEARS_NO_CABLE -> "On a cable that it does not hear";
            case ON_TWO_LINES -> "On two lines at once";
            case ON_NO_LINE -> "On no line";
            case SENT_BY_NO_RADIO -> "Sent by no transmitter";
            case LINKED_ELSEWHERE -> "Linked to another channel";
            case LINK_LOST -> "To be linked anew";
            case NEVER_LINKED -> "Never linked";
            case RDM_STOPPED -> "RDM that does not get through";
            case SOCKETS_DIFFER -> "Plugs that do not fit";
            case MODE_DOUBTED -> "A mode that is doubted";
            case SHELF_SHORT -> "More than the shop has";
            case MENU_DIFFERS -> "Units of one type set differently";
            case NO_ID -> "Without a fixture ID";
            case GROUP_NUMBER_TAKEN -> "A group with the number of a fixture";
            case OUT_OF_STEP -> "Addresses out of step with the IDs";
        };
    }
}
