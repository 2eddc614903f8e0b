package taxon.core.rig;

/** Anything that a plan holds, found again by its key. Elements are immutable; a change replaces one by another. */
public sealed interface Element
        permits JobSheet,
                RigType,
                Position,
                Fixture,
                Universe,
                Box,
                Line,
                RadioLink,
                ReservedRun,
                BlockEvidence,
                UnitCheck,
                Group,
                Share,
                KeptWish {
    ElementKey elementKey();

    /** The answer of the case that is this element's kind. */
    <R> R match(ElementCases<R> cases);
}
