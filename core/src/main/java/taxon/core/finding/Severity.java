package taxon.core.finding;

/** How grave a finding is. */
public enum Severity {
    /** The rig cannot work so. */
    STOP,
    /** It may work, but someone will be surprised. */
    WARN,
    /** Worth knowing. */
    NOTE
}
