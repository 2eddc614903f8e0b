package taxon.core.rigtable;

import taxon.core.rig.Refusal;
import taxon.core.rig.edit.Omission;

/**
 * A cell whose text cannot be taken, and why.
 *
 * @param who the fixture's label
 */
public record FieldFault(FieldChange change, String who, Refusal reason) implements Omission {}
