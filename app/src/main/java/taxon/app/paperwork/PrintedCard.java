package taxon.app.paperwork;

import taxon.core.paper.PaperCode;
import taxon.core.setting.UnitSetting;

/** A settings card as it is printed. */
record PrintedCard(UnitSetting setting, PaperCode code) {}
