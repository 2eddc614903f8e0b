package taxon.core.modes;

import java.util.List;
import java.util.Optional;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;

/**
 * The cheapest modes over all types of a job that meet what is needed.
 *
 * @param types in the order of maker and name
 * @param slots of all fixtures in the chosen modes; types without a choice count as they are
 * @param room the free slots on the universes allowed
 * @param outcome whether it fits
 * @param needCosts what each need costs: told when something does not fit, or when leaving it out would save slots
 */
public record Advice(List<TypeAdvice> types, int slots, int room, Outcome outcome, List<NeedCost> needCosts) {

    /** Whether the choice fits, and how sure that is. */
    public enum Outcome {
        /** It fits, and nothing cheaper does. */
        FITS_CHEAPEST,
        /** It fits; something cheaper may fit too, which only an exact packing could tell. */
        FITS,
        /** The slots would do, but no way was found to lay them so that no fixture crosses the end of a universe. */
        NOT_PACKED,
        /** The slots would do, but there is no way to lay them so. */
        NEVER_PACKED,
        /** Even the shortest modes that meet the needs are too long together. */
        TOO_LONG,
        /** For some type no mode meets its needs. */
        NEEDS_UNMET
    }

    /** @param options one for each mode, in the order of the type */
    public record TypeAdvice(FixtureType type, int fixtures, List<Option> options, Optional<Option> chosen) {
        public TypeAdvice {
            options = List.copyOf(options);
        }
    }

    /**
     * One mode for all fixtures of a type.
     *
     * @param slots for all of them
     * @param touched units that were set and must be set again
     * @param price 10 for each of these, 1 for each that changes on paper only, 0 for one that had no address
     * @param lacks needs that it does not meet
     * @param undriven the way of colour that the console cannot mix; empty when it can
     * @param idleFine slots of one fixture that stay at rest, since the console sends no fine channels
     */
    public record Option(
            Mode mode,
            int slots,
            int touched,
            int price,
            List<Need> lacks,
            Optional<ColourWay> undriven,
            int idleFine) {
        public Option {
            lacks = List.copyOf(lacks);
        }

        /** True when it meets every need that was asked for, and the console can mix its colours. */
        public boolean isPossible() {
            return lacks.isEmpty() && undriven.isEmpty();
        }
    }

    /**
     * What one need costs.
     *
     * @param savedSlots how many slots less the shortest choice takes without it
     * @param opens true when the rig would fit, or the type have a mode, without this need alone
     */
    public record NeedCost(Need need, int savedSlots, boolean opens) {
        /** The attribute that is needed. */
        public Attribute attribute() {
            return need.attribute();
        }
    }

    public Advice {
        types = List.copyOf(types);
        needCosts = List.copyOf(needCosts);
    }

    /** True when all modes chosen fit the universes. */
    public boolean fits() {
        return outcome == Outcome.FITS || outcome == Outcome.FITS_CHEAPEST;
    }
}
