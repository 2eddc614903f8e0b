package taxon.core.explain;

/** One answer for each kind of cause, so that none can be forgotten. */
public interface CauseCases<R> {
    R otherAddress(Cause.OtherAddress cause);

    R sameAddress(Cause.SameAddress cause);

    R otherMode(Cause.OtherMode cause);

    R swapped(Cause.Swapped cause);

    R blockOff(Cause.BlockOff cause);

    R unitOff(Cause.UnitOff cause);

    R lineBroken(Cause.LineBroken cause);

    R otherUniverse(Cause.OtherUniverse cause);

    R axisReversed(Cause.AxisReversed cause);

    R axesSwapped(Cause.AxesSwapped cause);

    R otherOrder(Cause.OtherOrder cause);

    R noTerminator(Cause.NoTerminator cause);

    R twoSources(Cause.TwoSources cause);

    R boxOff(Cause.BoxOff cause);
}
