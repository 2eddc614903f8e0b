package taxon.core.equipmentlist;

import taxon.core.fixture.TypeId;

/** What someone chose for a row whose type or mode was not understood. */
public record Choice(TypeId type, String mode) {}
