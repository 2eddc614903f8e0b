package taxon.app.network;

import java.util.List;
import java.util.Locale;
import taxon.core.load.CableLoad;
import taxon.core.load.NetworkLoad;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.text.Listed;

/**
 * What the network cables carry, in words.
 *
 * @param busiest a sentence; empty where no cable is known
 * @param unknown what is not in the figures; empty where everything is
 */
record LoadView(List<Line> cables, String busiest, String unknown) {
    private static final double MEGA = 1e6;
    private static final int PERCENT = 100;

    /** A cable: "Quay node", "Dock switch port 1", "0.8 Mbit/s of 100", "0.8 %", "4 × Art-Net". */
    record Line(int box, String name, String port, String carries, String share, String streams, String spilt) {}

    static LoadView of(Plan plan) {
        NetworkLoad load = NetworkLoad.of(plan);
        return new LoadView(
                load.cables().stream().map(c -> line(plan, c)).toList(),
                load.cables().stream().findFirst().map(LoadView::busiest).orElse(""),
                unknown(load));
    }

    private static Line line(Plan plan, CableLoad cable) {
        return new Line(
                cable.box().number(),
                cable.box().name(),
                NetworkText.port(plan, cable.port()),
                carries(cable),
                share(cable),
                streams(cable),
                cable.spilt() == 0 ? "" : cable.spilt() + " that nobody behind it wants");
    }

    private static String busiest(CableLoad cable) {
        return "Busiest is the cable of " + cable.box().name() + ": " + carries(cable) + ", " + share(cable) + "; "
                + (cable.universesMore() == 0
                        ? "half of it is used, which is as much as is planned with."
                        : cable.universesMore() + " universes of streaming ACN more go into half of it.");
    }

    private static String carries(CableLoad cable) {
        return String.format(
                Locale.ROOT, "%.1f of %d Mbit/s", Math.max(cable.toBox(), cable.fromBox()) / MEGA, cable.megabits());
    }

    private static String share(CableLoad cable) {
        return String.format(Locale.ROOT, "%.1f %%", cable.share() * PERCENT);
    }

    private static String streams(CableLoad cable) {
        String artNet = cable.artNet() == 0 ? "" : cable.artNet() + " × Art-Net";
        String sacn = cable.sacn() == 0 ? "" : cable.sacn() + " × streaming ACN";
        return artNet.isEmpty() || sacn.isEmpty() ? artNet + sacn : artNet + ", " + sacn;
    }

    private static String unknown(NetworkLoad load) {
        String unsent = load.unsent().isEmpty()
                ? ""
                : "Not in it, since nobody has said who sends: universe " + Listed.of(load.unsent()) + ". ";
        String apart = load.apart().isEmpty()
                ? ""
                : "Between sender and box no cable is known: universe " + Listed.of(load.apart()) + ".";
        return (unsent + apart).strip();
    }
}
