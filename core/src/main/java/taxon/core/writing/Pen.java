package taxon.core.writing;

/** Who writes one order and reads it back. Nothing counts as written that was not read. */
@FunctionalInterface
public interface Pen {
    /** @throws InterruptedException when the process ends meanwhile; then nobody knows what was written */
    Result write(Order order) throws InterruptedException;
}
