package taxon.app.access;

import java.util.regex.Pattern;

/** How large the body of a post may be, by what it is sent to; told before any of it is read. */
public enum BodyLimit {
    /** An equipment list, with the form around it. */
    LIST("/jobs/\\d{1,9}/imports", 33),
    /** A scene file. */
    SCENE("/jobs/\\d{1,9}/scenes", 130),
    /** What the plan is held against: a list, or a scene. */
    COMPARED("/jobs/\\d{1,9}/compare/file", 130),
    /** A bundle that was handed over. */
    BUNDLE("/jobs/\\d{1,9}/bundles/check", 130),
    /** Type files, several at once. */
    TYPES("/jobs/\\d{1,9}/types/import", 130),
    /** A job file. */
    JOB("/jobs/import", 33),
    /** Any other form. */
    FORM(".*", 2);

    /** The name of the request attribute with the limit that was passed, in MiB. */
    public static final String PASSED = "taxon.limit";

    private final Pattern path;
    private final int mebibytes;

    BodyLimit(String path, int mebibytes) {
        this.path = Pattern.compile(path);
        this.mebibytes = mebibytes;
    }

    static BodyLimit of(String path) {
        for (BodyLimit limit : values()) {
            if (limit.path.matcher(path).matches()) {
                return limit;
            }
        }
        return FORM;
    }

    long bytes() {
        return (long) mebibytes << 20;
    }

    int mebibytes() {
        return mebibytes;
    }
}
