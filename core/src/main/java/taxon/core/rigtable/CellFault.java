package taxon.core.rigtable;

import taxon.core.rig.Refusal;

/** A cell whose text cannot be taken, and why. */
public record CellFault(CellChange change, Refusal reason) {}
