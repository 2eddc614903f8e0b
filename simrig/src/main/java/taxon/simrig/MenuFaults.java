package taxon.simrig;

import taxon.wire.rdm.codec.Pid;

/** What faults do to a unit's menu; those that are not of the menu do nothing to it. */
final class MenuFaults {
    private MenuFaults() {}

    static void spoil(SimMenu menu, UnitFault fault) {
        if (fault instanceof UnitFault.OtherAddress f) {
            menu.start(f.subDevice(), f.start());
        } else if (fault instanceof UnitFault.OtherMode f) {
            menu.choose(f.personality());
        } else if (fault instanceof UnitFault.Turned f) {
            menu.switches().put(f.pid(), 1);
        } else if (fault instanceof UnitFault.AxesSwapped) {
            menu.switches().put(Pid.PAN_TILT_SWAP, 1);
        } else if (fault instanceof UnitFault.OtherLabel f) {
            menu.call(f.label());
        }
    }

    /** False where somebody has put it right since; what is not of the menu nobody can. */
    static boolean isThere(SimMenu menu, UnitFault fault) {
        if (fault instanceof UnitFault.OtherAddress f) {
            return menu.start(f.subDevice()) == f.start();
        }
        if (fault instanceof UnitFault.OtherMode f) {
            return menu.personality() == f.personality();
        }
        if (fault instanceof UnitFault.OtherLabel f) {
            return menu.label().equals(f.label());
        }
        if (fault instanceof UnitFault.AxesSwapped) {
            return menu.isOn(Pid.PAN_TILT_SWAP);
        }
        return !(fault instanceof UnitFault.Turned f) || menu.isOn(f.pid());
    }
}
