package taxon.core.equipmentlist;

import java.util.Map;
import taxon.core.listing.NumberDoubt;

/**
 * What someone chose for a list, where it leaves something open.
 *
 * @param types what is meant by words that were not understood
 * @param answers how doubtful numbers are read
 * @param ids what becomes of fixture IDs that exist already
 * @param addresses what becomes of addresses that are taken, or run past the end
 */
public record ListChoices(
        Map<TypeWords, Choice> types,
        Map<NumberDoubt.Key, NumberDoubt.Answer> answers,
        TakenIds ids,
        TakenAddresses addresses) {
    /** Nothing was chosen: everything comes in as it is written, and what clashes is flagged. */
    public static final ListChoices NONE = new ListChoices(Map.of(), Map.of(), TakenIds.KEEP, TakenAddresses.KEEP);

    public ListChoices {
        types = Map.copyOf(types);
        answers = Map.copyOf(answers);
    }

    public enum TakenIds {
        /** They come in as they are written; the findings name them until one is renumbered. */
        KEEP,
        /** Their rows are numbered on above the highest number. */
        RENUMBER,
        /** Their rows come in without. */
        WITHOUT
    }

    public enum TakenAddresses {
        /** They come in as they are written; the findings name them. */
        KEEP,
        /** A place is found for them, by the wish in force. */
        PLACE,
        /** They come in without an address. */
        WITHOUT
    }

    public ListChoices withTypes(Map<TypeWords, Choice> wanted) {
        return new ListChoices(wanted, answers, ids, addresses);
    }
}
