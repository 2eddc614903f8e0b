package taxon.core.addressing.space;

import taxon.core.dmx.SlotRange;
import taxon.core.dmx.UniverseNumber;

/** Slots of a universe in which something may be placed. */
public record FreeRun(UniverseNumber universe, SlotRange slots) {}
