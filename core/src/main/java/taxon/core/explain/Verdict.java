package taxon.core.explain;

import java.util.List;

/**
 * What explains the evidence.
 *
 * @param causes one, or the smallest set of them where no single one will do
 * @param probability against what else was thought of, 0 to 1
 * @param unexplained how much was seen, said or not seen that it does not explain; 0 for one that explains all
 */
public record Verdict(List<Cause> causes, double probability, int unexplained) {
    public Verdict {
        causes = List.copyOf(causes);
        if (causes.isEmpty()) {
            throw new IllegalArgumentException("a verdict without a cause");
        }
    }

    /** True for a single mistake. */
    public boolean isSingle() {
        return causes.size() == 1;
    }
}
