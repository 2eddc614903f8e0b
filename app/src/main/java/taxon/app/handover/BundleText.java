package taxon.app.handover;

import taxon.core.text.Counted;
import taxon.formats.bundle.BundleCheck;

/** What is said of a bundle. */
final class BundleText {
    private BundleText() {}

    /** "Whole: Revision A of Lantern Pageant, frozen 2026-11-29T08:12:00Z, 66 files." */
    static String verdict(BundleCheck check) {
        if (check.revision().isEmpty()) {
            return "Not a bundle of Taxon.";
        }
        return (check.isWhole() ? "Whole: " : "Not whole: ") + "Revision " + check.revision() + " of " + check.job()
                + ", frozen " + check.frozenAt() + ", " + Counted.of(check.files(), "file") + ".";
    }
}
