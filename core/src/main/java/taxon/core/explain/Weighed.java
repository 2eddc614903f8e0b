package taxon.core.explain;

import java.util.ArrayList;
import java.util.List;

/**
 * Causes with the rig that they would make.
 *
 * @param weight how likely they are, in logarithms: before anything was known, and by what is
 * @param fit how well they explain what is known
 * @param odds against the likeliest, 0 to 1
 */
record Weighed(List<Cause> causes, World world, double weight, Likelihood.Fit fit, double odds) {
    /** A second mistake in one rig is that much rarer (common practice). */
    private static final double ONE_MORE = Math.log(0.05);

    Weighed {
        causes = List.copyOf(causes);
    }

    static Weighed of(Cause cause, World world, Likelihood likelihood) {
        Likelihood.Fit fit = likelihood.of(world);
        return new Weighed(List.of(cause), world, Math.log(cause.weight()) + fit.log(), fit, 0);
    }

    /** With the one cause of another, which is about something else. */
    Weighed with(Weighed other, World both, Likelihood likelihood) {
        List<Cause> all = new ArrayList<>(causes);
        all.addAll(other.causes);
        Likelihood.Fit of = likelihood.of(both);
        double prior = weight - fit.log() + other.weight - other.fit.log();
        return new Weighed(all, both, prior + ONE_MORE + of.log(), of, 0);
    }

    Weighed against(double likeliest) {
        return new Weighed(causes, world, weight, fit, Math.exp(weight - likeliest));
    }

    int unexplained() {
        return fit.unexplained();
    }
}
