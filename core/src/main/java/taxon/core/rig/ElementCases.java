package taxon.core.rig;

/**
 * One answer for each kind of element. A new kind does not compile until every place that tells kinds apart has its branch.
 *
 * @param <R> what is answered
 */
public interface ElementCases<R> {
    R jobSheet(JobSheet jobSheet);

    R type(RigType type);

    R position(Position position);

    R box(Box box);

    R line(Line line);

    R radioLink(RadioLink link);

    R universe(Universe universe);

    R reservedRun(ReservedRun reservedRun);

    R fixture(Fixture fixture);

    R evidence(BlockEvidence evidence);

    R check(UnitCheck check);

    R group(Group group);

    R share(Share share);

    R wish(KeptWish wish);
}
